import { createTwoFilesPatch } from 'diff';
import {
  applyRemedy,
  auditPage,
  fixCertain,
  isCertain,
  offersFor,
  parseAgain,
  REMEDIES,
  selectFindings,
  sentenceOf,
  verdictOf,
  type FixedCertain,
  type Inputs,
  type Neighbours,
  type Page,
  type Profile,
  type Verdict,
} from '@inkwell/core';
import { mendFile, type MendedText } from '@inkwell/formats';
import { CallError } from './call.ts';
import { PageTrouble, type PageFile, type PageRead } from './pages.ts';
import { openPage, type How } from './surroundings.ts';

/** What is to be fixed: all that is certain, by some rules or every one; or one finding. */
export interface MendWish {
  only: readonly string[] | undefined;
  one: { finding: string; remedy: string | undefined; inputs: Inputs } | null;
  /** Whether the change itself is wanted, to be shown. */
  diff: boolean;
}

export interface MendedPage {
  path: string;
  /** Sentences of what was fixed, and of what was left alone with its reason. */
  fixed: string[];
  declined: string[];
  /** How many findings are left, and what they make of the page. */
  left: number;
  verdict: Verdict;
  /** In the unified form; '' where nothing differs, or nobody asked. */
  diff: string;
}

/** A file with its pages fixed. */
export interface Mend {
  /** Null when nothing changed. */
  bytes: Uint8Array | null;
  pages: MendedPage[];
}

/** Fixes the pages of one file: the one that it is, or those that lie in it. Throws PageTrouble when it cannot be written. */
export async function mend(files: readonly PageFile[], how: How, wish: MendWish, neighbours: Neighbours | null): Promise<Mend> {
  const pages: MendedPage[] = [];
  const texts: MendedText[] = [];
  let whole: PageRead | null = null;
  for (const file of files) {
    const { page, read } = await openPage(file, how, file.of === null ? null : neighbours);
    const fix = wish.one ? fixOne(page, wish.one) : fixCertain(page, wish.only, how.profile);
    pages.push(report(file, page, fix, how.profile, wish.diff));
    if (fix.after !== page.source) texts.push({ inside: file.inside, before: page.source, after: fix.after });
    whole ??= read;
  }
  if (whole === null || texts.length === 0) return { bytes: null, pages };
  const result = mendFile(whole.bytes, texts);
  if (!result.ok) throw new PageTrouble(result.why);
  return { bytes: result.bytes, pages };
}

function report(file: PageFile, page: Page, { after, fixed, declined }: FixedCertain, profile: Profile, diff: boolean): MendedPage {
  const left = selectFindings(auditPage(after === page.source ? page : parseAgain(page, after)).findings, profile);
  return {
    path: file.path,
    fixed: fixed.map((finding) => sentenceOf(finding)),
    declined: declined.map(({ finding, reason }) => `${sentenceOf(finding)} (line ${finding.at.line}), for ${reason}`),
    left: left.length,
    verdict: verdictOf(left, profile),
    diff: diff && after !== page.source ? createTwoFilesPatch(file.path, file.path, page.source, after, 'before', 'after') : '',
  };
}

function fixOne(page: Page, { finding: fingerprint, remedy, inputs }: NonNullable<MendWish['one']>): FixedCertain {
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
  const result = applyRemedy(
    page,
    finding,
    finding.remedies.find((one) => one === name)!,
    { ...offer?.inputs, ...inputs },
  );
  if (!result.ok) throw new CallError(`${name} was not applied: ${result.reason}`);
  return { after: result.value.after, fixed: [finding], moves: result.value.change, declined: [] };
}
