import { criterionOf, familyOf, RULES, type Rule } from '@inkwell/core';
import { readCall } from './call.ts';

/** `inkwell rules`: every rule with what stands behind it. */
export function rulesCommand(args: string[]): Promise<number> {
  const { values } = readCall(args, { json: { type: 'boolean' } });
  process.stdout.write(values.json ? `${JSON.stringify(RULES.map(asData), null, 2)}\n` : RULES.map(asText).join('\n'));
  return Promise.resolve(0);
}

function asData(rule: Rule) {
  const { id, title, why, fix, question, techniques, weight, scope, remedies, practice = false } = rule;
  const criteria = rule.criteria.map((number) => ({
    id: number,
    title: criterionOf(number)!.title,
    level: criterionOf(number)!.level,
    since: criterionOf(number)!.since,
  }));
  return {
    id,
    family: familyOf(rule),
    title,
    why,
    fix,
    question: question?.ask ?? null,
    weight,
    scope,
    criteria,
    techniques,
    practice,
    remedies,
  };
}

function asText(rule: Rule): string {
  const sources = [...rule.techniques, ...(rule.practice ? ['common practice'] : [])].join(', ');
  return `${rule.id}  ${rule.weight}${rule.scope === 'document' ? ', documents only' : ''}\n  ${rule.title}. ${rule.why}\n  ${rule.fix}\n  WCAG ${rule.criteria.join(', ')} · ${sources} · remedies: ${rule.remedies.join(', ') || 'none'}\n`;
}
