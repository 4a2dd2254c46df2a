import { readdirSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { auditPage } from '../audit/run.ts';
import { ruleOf, sentenceOf } from '../audit/prose.ts';
import { parsePage } from '../document/page.ts';
import { criterionOf } from '../standards/criteria.ts';
import { REMEDIES } from '../remedies/registry.ts';
import { RULES } from './registry.ts';
import { RETIRED, successorOf } from './retired.ts';
import { familyOf, type Rule, type RuleCase } from './types.ts';

function casesOf(rule: Rule): RuleCase[] {
  // eslint-disable-next-line @typescript-eslint/no-require-imports -- the folder name is known only here
  return (require(`./${rule.id}/cases.ts`) as { cases: RuleCase[] }).cases;
}

function foldersOf(): string[] {
  const families = readdirSync(__dirname).filter((name) => statSync(join(__dirname, name)).isDirectory());
  return families.flatMap((family) => readdirSync(join(__dirname, family)).map((slug) => `${family}/${slug}`)).sort();
}

test('no two rules have one title', () => {
  expect(new Set(RULES.map((rule) => rule.title)).size).toBe(RULES.length);
});

test('a retired id leads to the rule that took its place, which is there, and is never used again', () => {
  for (const [retired, successor] of Object.entries(RETIRED)) {
    expect(RULES.some((rule) => rule.id === retired)).toBe(false);
    expect(ruleOf(retired)?.id).toBe(successor);
  }
  expect(successorOf('links/old', { 'links/old': 'links/older', 'links/older': 'links/blank' })).toBe('links/blank');
  expect(successorOf('links/round', { 'links/round': 'links/trip', 'links/trip': 'links/round' })).toBe('links/round');
  expect(ruleOf('links/never-was')).toBeUndefined();
});

test('the registry holds exactly the rules that have folders', () => {
  expect(RULES.map((rule) => rule.id).sort()).toEqual(foldersOf());
});

describe.each(RULES.map((rule) => [rule.id, rule] as const))('%s', (_id, rule) => {
  const cases = casesOf(rule);

  test.each(cases.map((one) => [one.shows, one] as const))('%s', (_shows, one) => {
    const found = auditPage(parsePage(one.html, { surroundings: one.surroundings ?? {} })).findings.filter(
      (finding) => finding.rule === rule.id,
    );
    expect(found.map((finding) => finding.at.path)).toEqual(one.at ?? []);
    expect(found.map((finding) => finding.outcome)).toEqual(
      typeof one.outcome === 'string' ? found.map(() => one.outcome) : (one.outcome ?? []),
    );
    for (const finding of found) expect(sentenceOf(finding)).not.toMatch(/[{}]|undefined/);
  });

  test('is fit to be shown and reported', () => {
    expect(cases.filter((one) => one.at).length).toBeGreaterThan(0);
    expect(cases.filter((one) => !one.at).length).toBeGreaterThan(0);
    expect(new Set(cases.map((one) => one.html)).size).toBe(cases.length);
    for (const text of [rule.title, rule.why, rule.fix]) expect(text.length).toBeGreaterThan(10);
    for (const id of rule.criteria) expect(criterionOf(id)).toBeDefined();
    expect(rule.practice === true || rule.techniques.length > 0).toBe(true);
    for (const name of rule.remedies) expect(REMEDIES[name].name).toBe(name);
    for (const technique of rule.techniques) expect(technique).toMatch(/^(?:[GHFC]|ARIA|SCR)\d+$/);
  });

  test('says each of its messages in some case', () => {
    const said = new Set(
      cases.flatMap((one) =>
        auditPage(parsePage(one.html, { surroundings: one.surroundings ?? {} }))
          .findings.filter((finding) => finding.rule === rule.id)
          .map((finding) => finding.message),
      ),
    );
    expect(Object.keys(rule.messages).filter((message) => !said.has(message))).toEqual([]);
  });

  // One pattern: what is wrong as a noun phrase that begins with the thing, in the trade's words; no sentence, no stop, no order.
  test('has a title in the pattern of all titles', () => {
    expect(rule.title).toMatch(/^[A-Z][^.?!:;]{8,58}[\p{L}\p{N}”]$/u);
    expect(rule.title).not.toMatch(/\b[Pp]icture|\b[Aa]lternative(?! texts?\b)|^(?:No|Do not|Avoid|Missing|Add|Use|This|There)\b/);
  });

  test('asks a question when it leaves the answer to a person', () => {
    if (cases.some((one) => one.outcome === 'cantTell')) expect(rule.question).toBeDefined();
    expect(familyOf(rule)).toBe(rule.id.split('/')[0]);
  });

  // One key answers every question: yes, there is something to be done; no, there is not.
  test('asks so that yes means something is to be done, and comes first', () => {
    if (!rule.question) return;
    expect(rule.question.ask).toMatch(/^[A-Z].*\?$/);
    expect(rule.question.yes).toMatch(/^Yes\b/);
    expect(rule.question.no).toMatch(/^No\b/);
  });
});
