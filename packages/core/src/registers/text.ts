import type { Finding } from '../audit/findings.ts';
import { elementAt } from '../document/paths.ts';
import type { Page } from '../document/page.ts';
import { cut, type Use } from './types.ts';

/** What is wrong with text, by what it is about and the rule that says so: pasted markup, forced sizes, text of a template. */
export function textUses(page: Page, findings: readonly Finding[]): Use[] {
  return findings
    .filter(({ family }) => family === 'text')
    .map(({ rule, subject, at }) => {
      const element = elementAt(page, at.path);
      return { name: cut(subject, SUBJECT), place: rule, says: null, traits: 0, facts: {}, elements: element ? [element] : [] };
    });
}

/** Longest subject kept, in characters. */
const SUBJECT = 300;
