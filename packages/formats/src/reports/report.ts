import type { ReportedFinding, RuleTrouble, Scope, Verdict } from '@inkwell/core';

export type { ReportedFinding, ReportedPlace } from '@inkwell/core';

export interface ReportedPage {
  path: string;
  title: string;
  scope: Scope;
  verdict: Verdict;
  /** False for a page that its collection's manifest does not name. */
  listed?: boolean;
  findings: ReportedFinding[];
  /** Rules that failed on this page: what they would find is not known. */
  troubles?: readonly RuleTrouble[];
}

/** The collection that was audited, when it was one. */
export interface ReportedCollection {
  title: string;
  kind: string;
  pages: number;
  files: number;
}

/** With what was audited, and against what. */
export interface ReportHead {
  /** Version of the engine. */
  inkwell: string;
  profile: { name: string; standard: string; level: string };
  collection?: ReportedCollection;
  /** What could not be read; asked for when all pages are written. */
  troubles?: () => readonly { path: string; what: string }[];
}

/** What a reader of a report needs of a rule. */
export interface RuleText {
  title: string;
  why: string;
  fix: string;
}

export type RuleTexts = (id: string) => RuleText | undefined;
