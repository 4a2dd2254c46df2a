import {
  ENGINE_VERSION,
  isUntouched,
  mergedText,
  mergeTexts,
  REMEDIES,
  ruleOf,
  type Arrangement,
  type Inputs,
  type RemedyName,
} from '@inkwell/core';
import { acceptText } from '@inkwell/formats';
import { isOpenOn, placeFileAlsoAt, type StoredFinding } from '@inkwell/store';
import type { Actor } from './actor.ts';
import { askedOf } from './bars.ts';
import { changeText, madeBy, MEETS, type Made, type TextChange } from './changeText.ts';
import type { OnPage } from './conflicts.ts';
import type { Changed, Declined, FindingKey } from './engine/index.ts';
import type { Seen } from './examine.ts';
import { done, refused, type Result } from './problems.ts';
import type { Revised } from './record.ts';
import { dayIn, type Services } from './services.ts';

export interface Fix extends OnPage {
  findingId: number;
  remedy: string;
  inputs: Inputs;
}

export const keyOf = ({ rule, at }: StoredFinding): FindingKey => ({ rule, path: at.path, start: at.start });
export const titleOf = (rule: string) => ruleOf(rule)?.title ?? rule;
/** What a remedy is called; one that there is not is called what it was asked for as. */
export const labelOf = (remedy: string) => (Object.hasOwn(REMEDIES, remedy) ? REMEDIES[remedy as RemedyName].label.toLowerCase() : remedy);

/** Applies one remedy to one finding: a minimal edit, a new revision, a new audit. */
export function fix(services: Services, actor: Actor, wish: Fix): Promise<Result<Revised>> {
  const { pageId, version, revision, ...part } = wish;
  return fixByHand(
    services,
    actor,
    { pageId, version, ...(revision === undefined ? {} : { revision }) },
    [part],
    (text, findings, engine) =>
      services.engine.run('fix', {
        page: text,
        finding: keyOf(findings[0]!),
        stored: engine === ENGINE_VERSION ? findings[0]! : null,
        remedy: wish.remedy,
        inputs: wish.inputs,
      }),
  );
}

/** A fix of one finding, filled in. */
export type Part = Omit<Fix, keyof OnPage>;

/** Applies fixes of one thing that were filled in together, all or none, as one revision. */
export function fixTogether(
  services: Services,
  actor: Actor,
  wish: OnPage & { parts: readonly (Part & { remedy: RemedyName })[] },
): Promise<Result<Revised>> {
  const { parts, ...on } = wish;
  return fixByHand(services, actor, on, parts, (text, findings) =>
    services.engine.run('fix together', {
      page: text,
      parts: parts.map(({ remedy, inputs }, nth) => ({ finding: keyOf(findings[nth]!), remedy, inputs })),
    }),
  );
}

/** Fixes that a person filled in, of findings that are still there; `run` has the engine make them. */
function fixByHand(
  services: Services,
  actor: Actor,
  on: OnPage,
  parts: readonly Part[],
  run: (text: Seen['text'], findings: readonly StoredFinding[], engine: string) => Promise<Changed | Declined>,
): Promise<Result<Revised>> {
  let renamed: Changed['renamed'] = null;
  return changeText(services, actor, on, {
    about: parts.map(({ findingId }) => findingId),
    onTop: true,
    async make({ text, findings, engine }, before) {
      const meant = parts.map(({ findingId }) => findings.find((one) => one.id === findingId));
      const all = meant.filter((one) => one !== undefined);
      if (all.length < parts.length) return before === null ? madeBy(GONE, 'fixed', () => '', '') : MEETS;
      if (before !== null && !all.every(({ at }) => isUntouched(before, text.html, at))) return MEETS;
      const result = await run(text, all, engine);
      if (result.ok) renamed = result.renamed;
      const told = parts.map(({ remedy }, nth) => `${titleOf(all[nth]!.rule)} (${labelOf(remedy)})`);
      return madeBy(result, 'fixed', () => told.join('; '), 'The fix was not made');
    },
    vouched: parts.some(({ remedy }) => WRITES_DESCRIPTION.has(remedy)) ? 'images/true-to-picture' : null,
    // The file an image was renamed to lies where the page now looks for it; under its old name it stays for whoever still uses that.
    then: async (trx, page) => (renamed ? placeFileAlsoAt(trx, page.collection_id, renamed.from, renamed.to) : undefined),
  });
}

export const GONE = { ok: false, gone: true, reason: '' } as const;

/** Remedies with which a person says what an image shows. */
export const WRITES_DESCRIPTION = new Set(['describe', 'shorten', 'move-to-text', 'title-to-alt', 'from-file-name', 'unify']);

/** The open findings of a page that the house asks for. */
export function openOn(services: Services, { page, bar, findings }: Seen): StoredFinding[] {
  const today = dayIn(page.time_zone, services.now());
  return askedOf(
    findings.filter((finding) => isOpenOn(finding, today)),
    bar,
  );
}

/** Findings that are left as they are, though they could be fixed together with others. */
interface Without {
  without?: readonly number[] | undefined;
}

/** Fixes one slip wherever it stands on the page: `findingId` names one of them, `inputs` what was chosen for all. */
export function fixAllAlike(services: Services, actor: Actor, wish: Fix & Without & { remedy: RemedyName }): Promise<Result<Revised>> {
  return changeText(services, actor, wish, {
    about: 'the whole page',
    async make(seen) {
      const open = openOn(services, seen);
      const finding = open.find((one) => one.id === wish.findingId);
      if (!finding) return madeBy(GONE, 'fixed', () => '', '');
      const result = await services.engine.run('fix alike', {
        page: seen.text,
        finding: keyOf(finding),
        among: open.filter(({ id }) => !wish.without?.includes(id)).map(keyOf),
        remedy: wish.remedy,
        inputs: wish.inputs,
      });
      return madeBy(
        result,
        'fixed',
        ({ many }) => `${titleOf(finding.rule)}, ${many} times (${labelOf(wish.remedy)})`,
        'None of them was fixed',
      );
    },
  });
}

/** Applies every fix that needs no person. What was ruled out, excepted or is for others to fix is left alone. */
export function fixAllCertain(
  services: Services,
  actor: Actor,
  wish: OnPage & Without,
  then?: TextChange['then'],
): Promise<Result<Revised>> {
  return changeText(services, actor, wish, {
    about: 'the whole page',
    async make({ page, bar, text, findings }) {
      const today = dayIn(page.time_zone, services.now());
      const settled = findings.filter((finding) => !isOpenOn(finding, today) || wish.without?.includes(finding.id));
      const result = await services.engine.run('fix certain', { page: text, leave: settled.map(keyOf), profile: bar.profile });
      return madeBy(
        result,
        'fixed',
        ({ many }) => `${many} that were certain`,
        'There is nothing here that is certain',
        'The page is as it was.',
      );
    },
    ...(then ? { then } : {}),
  });
}

/** Changes structure as a person arranged it: levels, a table's headers and caption, a layout table taken away. */
export function arrange(services: Services, actor: Actor, wish: OnPage & { arrangement: Arrangement }): Promise<Result<Revised>> {
  return changeText(services, actor, wish, {
    about: 'its text',
    make: async ({ text }) =>
      madeBy(
        await services.engine.run('arrange', { page: text, arrangement: wish.arrangement }),
        'edited',
        () => wordsFor(wish.arrangement),
        'The change was not made',
      ),
  });
}

function wordsFor(arrangement: Arrangement): string {
  switch (arrangement.kind) {
    case 'levels':
      return arrangement.levels.length === 1 ? 'one heading’s level' : `levels of ${arrangement.levels.length} headings`;
    case 'table':
      return 'headers and caption of a table';
    case 'flatten':
      return 'a layout table taken away';
  }
}

/** Saves a page's source as a new revision. The same text again is not one. */
export async function saveSource(
  services: Services,
  actor: Actor,
  wish: OnPage & { html: string; note?: string | undefined },
): Promise<Result<Revised>> {
  const read = acceptText(wish.html);
  if (!read.ok) {
    return refused({
      code: 'bad-page',
      what: read.reason === 'empty' ? 'A page cannot be saved empty' : 'This text cannot be saved as a page',
      why: read.reason === 'too-large' ? 'It is over the largest size a page may have.' : 'It holds nothing that can be read.',
      kept: 'The page is as it was, and your text is still in the editor.',
    });
  }
  return changeText(services, actor, wish, {
    about: 'its text',
    onTop: true,
    make: ({ text }, before) => {
      const html = before === null ? read.text : mergedText(mergeTexts(before, read.text, text.html));
      if (html === null) return Promise.resolve(MEETS);
      return Promise.resolve<Result<Made>>(
        text.html === html
          ? refused({
              code: 'nothing-to-do',
              what: 'There is nothing to save',
              why: 'The text is the same as the page’s.',
              kept: 'The page is as it was.',
            })
          : done({ html, cause: 'edited', note: wish.note?.trim() ?? '' }),
      );
    },
  });
}
