export type Verdict = 'held' | 'judge' | 'ready';

export interface CheckedFinding {
  rule: string;
  weight: 'must' | 'should' | 'consider';
  outcome: 'failed' | 'cantTell';
  criteria: string[];
  /** What is wrong, who it hurts and what to do, in plain words. */
  sentence: string;
  why: string;
  fix: string;
  at: { path: string; start: number; end: number; line: number; column: number };
  fingerprint: string;
  /** How it stands on the page the text is meant for, where that was decided: then it holds nothing. */
  standing?: string;
}

export interface Check {
  engine: string;
  profile: { name: string; standard: string; level: string };
  verdict: Verdict;
  findings: CheckedFinding[];
  /** The text after every certain fix. */
  fixed: { html: string; verdict: Verdict; findings: CheckedFinding[] };
}

export interface CheckWish {
  html: string;
  scope?: 'document' | 'fragment';
  contentType?: string;
  title?: string;
  page?: { collection: string; address: string };
  profile?: string | object;
}

export interface Page {
  id: number;
  address: string;
  title: string;
  contentType: string;
  scope: 'document' | 'fragment';
  revision: number;
  verdict: Verdict;
  release: 'draft' | 'signed off' | 'published' | 'lapsed';
  open: { must: number; should: number; consider: number; questions: number };
  /** Not in lists. */
  html?: string;
}

/** A page with the ETag that changes of it name. */
export interface PageWithTag {
  page: Page;
  tag: string;
}

export interface Job {
  id: string;
  kind: 'bring in' | 'renew';
  state: 'waiting' | 'running' | 'done' | 'failed' | 'cancelled';
  progress: { done: number; total: number };
  troubles: { path: string; what: string }[];
  result: { collection: string } | null;
  problem?: string;
}

export interface InkwellEvent {
  id: string;
  type: string;
  at: string;
  by: { id: string; name: string } | null;
  collection: string;
  page?: { id: number; address: string };
  finding?: { id: number };
  data: Record<string, unknown>;
}
