import { RULES } from '../rules/registry.ts';
import { successorOf } from '../rules/retired.ts';
import type { Rule } from '../rules/types.ts';
import type { Finding } from './findings.ts';
import { lookup } from '../source/lookup.ts';

const byId = new Map(RULES.map((rule) => [rule.id as string, rule]));
/** Longest value shown inside a sentence. */
const LONGEST_VALUE = 90;

/** The rule of an id, or of the one that took its place; undefined for one this engine does not know. */
export function ruleOf(id: string): Rule | undefined {
  return byId.get(id) ?? byId.get(successorOf(id));
}

/** The finding as one plain sentence. A message of an older engine that is no longer known falls back to the rule's title. */
export function sentenceOf(finding: Pick<Finding, 'rule' | 'message' | 'values'>): string {
  const rule = ruleOf(finding.rule);
  const template = lookup(rule?.messages, finding.message) ?? rule?.title ?? finding.rule;
  return template.replace(/\{(\w+)\}/g, (_all, name: string) => shortened(String(lookup(finding.values, name) ?? '')));
}

function shortened(value: string): string {
  const signs = [...value];
  return signs.length > LONGEST_VALUE
    ? `${signs
        .slice(0, LONGEST_VALUE - 1)
        .join('')
        .trimEnd()}…`
    : value;
}
