import { createTwoFilesPatch } from 'diff';
import {
  applyRemedy,
  auditPage,
  editsAlong,
  isCertain,
  isNamedXhtml,
  fixCertain,
  offersFor,
  parseAgain,
  parsePage,
  REMEDIES,
  ruleOf,
  RULES,
  selectFindings,
  sentenceOf,
  verdictOf,
  type Edit,
  type Finding,
  type FixedCertain,
  type Inputs,
  type Page,
  type Profile,
} from '@inkwell/core';
import { CallError, deliver, profileFrom, readCall, scopeNamed, sheetsFrom } from './call.ts';
import { encodeEdits, type Decoded } from '@inkwell/formats';
import { pageAt, readBytes } from './pages.ts';
import { surroundingsOf } from './surroundings.ts';

/** `inkwell fix`: fixes one page by minimal edits, and says on standard error what was fixed. */
export async function fixCommand(args: string[]): Promise<number> {
  const { values, positionals } = readCall(args, {
    only: { type: 'string' },
    finding: { type: 'string' },
    remedy: { type: 'string' },
    set: { type: 'string', multiple: true },
    out: { type: 'string' },
    diff: { type: 'boolean' },
    profile: { type: 'string' },
    scope: { type: 'string' },
    css: { type: 'string', multiple: true },
  });
  if (positionals.length !== 1) throw new CallError('fix needs one FILE, or - for standard input');
  const [file, profile, scope] = [await pageAt(positionals[0]!), await profileFrom(values.profile), scopeNamed(values.scope)];
  const { bytes, read } = await readBytes(file);
  const page = parsePage(read.text, {
    ...(scope ? { scope } : {}),
    xhtml: isNamedXhtml(file.path),
    surroundings: surroundingsOf(file.file, file.path, null, await sheetsFrom(values.css)),
  });
  const { after, fixed, moves, declined } =
    values.finding === undefined
      ? fixAll(page, rulesNamed(values.only), profile, values)
      : fixOne(page, values.finding, values.remedy, inputsFrom(values.set));
  await deliver(
    values.diff ? differenceOf(file.path, page.source, after) : bytesOf(file.path, bytes, read, editsAlong(moves, after)),
    values.out,
  );
  process.stderr.write(
    `${fixed.length === 0 ? 'Nothing was fixed' : `Fixed ${fixed.length}: ${fixed.map((finding) => sentenceOf(finding)).join('; ')}`}. ${declined.map(leftAlone).join('')}${leftOver(page, after, profile)}\n`,
  );
  return verdictAfter(page, after, profile) === 'held' ? 1 : 0;
}

/** The page's bytes after the edits, in the encoding it was read in. */
function bytesOf(path: string, bytes: Uint8Array, read: Decoded, edits: readonly Edit[]): Uint8Array {
  const written = encodeEdits(bytes, read, edits);
  if (written.ok) return written.bytes;
  const letters = written.letters.map((letter) => `“${letter}” (write &#${letter.codePointAt(0)};)`).join(', ');
  throw new CallError(
    `${path} is in ${read.encoding}, which has no ${letters}; write it as that character reference, or save the page as UTF-8 first`,
  );
}

/** A patch in the unified form; nothing where nothing differs, as from other tools that compare. */
function differenceOf(path: string, before: string, after: string): string {
  return before === after ? '' : createTwoFilesPatch(path, path, before, after, 'before', 'after');
}

function fixAll(page: Page, only: string[] | undefined, profile: Profile, values: { remedy?: string; set?: string[] }): FixedCertain {
  if (values.remedy !== undefined || values.set !== undefined)
    throw new CallError('--remedy and --set belong to one finding: name it with --finding');
  return fixCertain(page, only, profile);
}

function fixOne(page: Page, fingerprint: string, remedy: string | undefined, inputs: Inputs): FixedCertain {
  const finding = auditPage(page).findings.find((one) => one.fingerprint === fingerprint);
  if (!finding) throw new CallError(`no finding of this page has the fingerprint ${fingerprint}; inkwell audit --format json shows them`);
  const name = remedy ?? finding.remedies.find((one) => isCertain(REMEDIES[one], finding.rule));
  if (name === undefined || !finding.remedies.some((one) => one === name))
    throw new CallError(
      `${name === undefined ? 'name a --remedy' : `${finding.rule} has no remedy ${name}`}; it has ${finding.remedies.join(', ') || 'none'}`,
    );
  const offer = offersFor(page, finding).find((one) => one.name === name);
  const unknown = Object.keys(inputs).find((key) => !offer?.fields.some((field) => field.name === key));
  if (unknown !== undefined)
    throw new CallError(`${name} asks for ${offer?.fields.map((field) => field.name).join(', ') || 'nothing'}, not for ${unknown}`);
  const result = applyRemedy(page, finding, name, { ...offer?.inputs, ...inputs });
  if (!result.ok) throw new CallError(`${name} was not applied: ${result.reason}`);
  return { after: result.value.after, fixed: [finding], moves: result.value.change, declined: [] };
}

function rulesNamed(only: string | undefined): string[] | undefined {
  const names = only
    ?.split(',')
    .map((name) => name.trim())
    .filter(Boolean);
  const unknown = names?.find((name) => !ruleOf(name));
  if (unknown !== undefined) throw new CallError(`there is no rule ${unknown}; inkwell rules lists all ${RULES.length}`);
  return names;
}

function inputsFrom(pairs: readonly string[] = []): Inputs {
  return Object.fromEntries(
    pairs.map((pair) => {
      const at = pair.indexOf('=');
      if (at < 1) throw new CallError(`--set takes key=value, not "${pair}"`);
      return [pair.slice(0, at), pair.slice(at + 1)];
    }),
  );
}

function findingsAfter(page: Page, after: string, profile: Profile): Finding[] {
  return selectFindings(auditPage(parseAgain(page, after)).findings, profile);
}

/** What could have been fixed without a word, had it done no harm. */
function leftAlone({ finding, reason }: FixedCertain['declined'][number]): string {
  return `Left alone: ${sentenceOf(finding)} (line ${finding.at.line}), for ${reason}. `;
}

function verdictAfter(page: Page, after: string, profile: Profile) {
  return verdictOf(findingsAfter(page, after, profile), profile);
}

function leftOver(page: Page, after: string, profile: Profile): string {
  const { length } = findingsAfter(page, after, profile);
  return length === 0 ? 'Nothing is left' : `${length} left for a person`;
}
