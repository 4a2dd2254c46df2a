import type { Family, FindingOutcome, Inputs, Neighbours, RemedyOffer, Scope, Weight } from '@inkwell/core';

/** A page as the worker needs it: its text and what its surroundings know. */
export interface PageText {
  source: string;
  scope?: Scope;
  title: string;
  address: string;
  neighbours: Neighbours;
}

/** Names a finding on a page without sending it whole. */
export interface FindingKey {
  rule: string;
  path: string;
  start: number;
}

export interface DraftNote extends FindingKey {
  family: Family;
  weight: Weight;
  outcome: FindingOutcome;
  end: number;
  line: number;
  title: string;
  sentence: string;
}

export interface SizedUp {
  scope: Scope;
  title: string;
  notes: number;
}

/** What would come of a remedy: the piece before and after, as said and as written. */
export type Preview = { ok: true; now: Side; then: Side } | { ok: false; reason: string };
export interface Side {
  spoken: string;
  markup: string;
}

export type Question =
  | { kind: 'audit'; page: PageText }
  | { kind: 'offers'; page: PageText; finding: FindingKey }
  | { kind: 'preview'; page: PageText; finding: FindingKey; remedy: string; inputs: Inputs }
  | { kind: 'size-up'; source: string };

export interface Answers {
  audit: DraftNote[];
  offers: { offers: RemedyOffer[]; picture: string | null };
  preview: Preview;
  'size-up': SizedUp;
}
