import type { ElementNode } from '../document/tree.ts';
import type { Page } from '../document/page.ts';
import type { Edit } from '../source/edits.ts';
import type { Finding } from '../audit/findings.ts';
import type { RemedyName } from './names.ts';

/** What a person gives a remedy. One description serves the interface, the command line and bulk work. */
export interface Field {
  name: string;
  label: string;
  /** `text` one line; `passage` several; `choice` one of `options`. */
  kind: 'text' | 'passage' | 'choice';
  /** Whether several lines make sense in a passage. */
  lines?: boolean;
  options?: readonly { value: string; label: string }[];
  hint?: string;
}

export type Inputs = Readonly<Record<string, string>>;

/** Where a remedy acts: the finding and the element it names on the page as it is now. */
export interface Target {
  page: Page;
  element: ElementNode;
  finding: Pick<Finding, 'rule' | 'message' | 'values' | 'at' | 'places'>;
}

/** Why a remedy will not act here. A sentence for a person. */
export type Declined = { ok: false; reason: string };
export type Plan = { ok: true; value: Edit[] } | Declined;

/** A named fix. It writes nothing: it plans edits on the untouched source, or declines. */
export interface Remedy {
  name: RemedyName;
  /** On its button: what will happen. */
  label: string;
  /** True when it needs no human input and keeps the meaning of the page; or the ids of the rules for whose findings that holds. */
  certain: boolean | readonly string[];
  fields: readonly Field[] | ((target: Target) => readonly Field[]);
  /** The names of its fields, where what they ask depends on the page. */
  needs?: readonly string[];
  /** What the fields begin with: what the engine would propose. */
  propose?(target: Target): Inputs;
  plan(target: Target, inputs: Inputs): Plan;
  /** It is worth nothing without words to begin with: where it proposes none, it is not offered. */
  fromProposal?: true;
}

/** Whether a remedy needs no human input for a finding of a rule. */
export function isCertain(remedy: Pick<Remedy, 'certain'>, rule: string): boolean {
  return typeof remedy.certain === 'boolean' ? remedy.certain : remedy.certain.includes(rule);
}

/** What a remedy has to be given for a finding of a rule: the names of its fields. */
export function needsOf({ certain, fields, needs }: Pick<Remedy, 'certain' | 'fields' | 'needs'>, rule: string): string[] {
  if (isCertain({ certain }, rule)) return [];
  return typeof fields === 'function' ? [...(needs ?? [])] : fields.map((field) => field.name);
}

export const decline = (reason: string): Declined => ({ ok: false, reason });
export const planned = (...edits: (Edit | readonly Edit[])[]): Plan => ({ ok: true, value: edits.flat() });
