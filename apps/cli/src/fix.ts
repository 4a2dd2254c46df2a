import { createTwoFilesPatch } from 'diff';
import { applyRemedy, auditPage, isCertain, mendCertain, offersFor, parsePage, REMEDIES, ruleOf, RULES, selectFindings, sentenceOf, verdictOf, type Finding, type Inputs, type Page, type Profile } from '@inkwell/core';
import { CallError, deliver, profileFrom, readCall, scopeNamed, sheetsFrom } from './call.ts';
import { pageAt, readPage } from './pages.ts';
import { surroundingsOf } from './surroundings.ts';

/** `inkwell fix`: mends one page by minimal edits, and says on standard error what was mended. */
export async function fixCommand(args: string[]): Promise<number> {
  const { values, positionals } = readCall(args, {
    only: { type: 'string' }, finding: { type: 'string' }, remedy: { type: 'string' }, set: { type: 'string', multiple: true }, out: { type: 'string' }, diff: { type: 'boolean' }, profile: { type: 'string' }, scope: { type: 'string' }, css: { type: 'string', multiple: true },
  });
  if (positionals.length !== 1) throw new CallError('fix needs one FILE, or - for standard input');
  const [file, profile, scope] = [await pageAt(positionals[0]!), await profileFrom(values.profile), scopeNamed(values.scope)];
  const page = parsePage(await readPage(file), { ...(scope ? { scope } : {}), surroundings: surroundingsOf(file.file, file.path, null, await sheetsFrom(values.css)) });
  const { after, mended } = values.finding === undefined ? mendAll(page, rulesNamed(values.only), profile, values) : mendOne(page, values.finding, values.remedy, inputsFrom(values.set));
  const text = values.diff ? differenceOf(file.path, page.source, after) : after;
  await deliver(text, values.out);
  process.stderr.write(`${mended.length === 0 ? 'Nothing was mended' : `Mended ${mended.length}: ${mended.map((finding) => sentenceOf(finding)).join('; ')}`}. ${leftOver(page, after, profile)}\n`);
  return verdictAfter(page, after, profile) === 'held' ? 1 : 0;
}

/** A patch in the unified form; nothing where nothing differs, as from other tools that compare. */
function differenceOf(path: string, before: string, after: string): string {
  return before === after ? '' : createTwoFilesPatch(path, path, before, after, 'before', 'after');
}

function mendAll(page: Page, only: string[] | undefined, profile: Profile, values: { remedy?: string; set?: string[] }): { after: string; mended: Finding[] } {
  if (values.remedy !== undefined || values.set !== undefined) throw new CallError('--remedy and --set belong to one finding: name it with --finding');
  return mendCertain(page, only, profile);
}

function mendOne(page: Page, fingerprint: string, remedy: string | undefined, inputs: Inputs): { after: string; mended: Finding[] } {
  const finding = auditPage(page).findings.find((one) => one.fingerprint === fingerprint);
  if (!finding) throw new CallError(`no finding of this page has the fingerprint ${fingerprint}; inkwell audit --format json shows them`);
  const name = remedy ?? finding.remedies.find((one) => isCertain(REMEDIES[one], finding.rule));
  if (name === undefined || !finding.remedies.some((one) => one === name)) throw new CallError(`${name === undefined ? 'name a --remedy' : `${finding.rule} has no remedy ${name}`}; it has ${finding.remedies.join(', ') || 'none'}`);
  const offer = offersFor(page, finding).find((one) => one.name === name);
  const unknown = Object.keys(inputs).find((key) => !offer?.fields.some((field) => field.name === key));
  if (unknown !== undefined) throw new CallError(`${name} asks for ${offer?.fields.map((field) => field.name).join(', ') || 'nothing'}, not for ${unknown}`);
  const result = applyRemedy(page, finding, name, { ...offer?.inputs, ...inputs });
  if (!result.ok) throw new CallError(`${name} was not applied: ${result.reason}`);
  return { after: result.value.after, mended: [finding] };
}

function rulesNamed(only: string | undefined): string[] | undefined {
  const names = only?.split(',').map((name) => name.trim()).filter(Boolean);
  const unknown = names?.find((name) => !ruleOf(name));
  if (unknown !== undefined) throw new CallError(`there is no rule ${unknown}; inkwell rules lists all ${RULES.length}`);
  return names;
}

function inputsFrom(pairs: readonly string[] = []): Inputs {
  return Object.fromEntries(pairs.map((pair) => {
    const at = pair.indexOf('=');
    if (at < 1) throw new CallError(`--set takes key=value, not "${pair}"`);
    return [pair.slice(0, at), pair.slice(at + 1)];
  }));
}

function findingsAfter(page: Page, after: string, profile: Profile): Finding[] {
  return selectFindings(auditPage(parsePage(after, { scope: page.scope, surroundings: page.surroundings })).findings, profile);
}

function verdictAfter(page: Page, after: string, profile: Profile) {
  return verdictOf(findingsAfter(page, after, profile), profile);
}

function leftOver(page: Page, after: string, profile: Profile): string {
  const { length } = findingsAfter(page, after, profile);
  return length === 0 ? 'Nothing is left' : `${length} left for a person`;
}
