import { sentenceOf } from '@inkwell/core';
import {
  addMessages,
  addRemark,
  findingById,
  handedOn,
  pageById,
  people,
  remarksOn,
  writing,
  type Person,
  type PlacedPage,
  type Remark,
} from '@inkwell/store';
import { may, unlessAllowed, type Actor } from '../actor.ts';
import { done, notFound, refused, type Result } from '../problems.ts';
import type { Services } from '../services.ts';

export interface RemarkView {
  id: number;
  words: string;
  by: string;
  at: string;
}

/** Remarks told of one finding, and the longest one, in characters. */
const MOST = 100;
const LONGEST = 4_000;

/** What was said about a finding. */
export async function remarks({ db }: Services, actor: Actor, wish: { pageId: number; findingId: number }): Promise<Result<RemarkView[]>> {
  const page = await pageById(db, wish.pageId);
  if (!page) return notFound('This page');
  const barred = unlessAllowed(actor, 'see', { collection: page.collection_id });
  if (barred) return barred;
  if (!(await findingById(db, page.id, wish.findingId, ''))) return notFound('This finding');
  return done(viewsOf(await remarksOn(db, wish.findingId, MOST)));
}

const viewsOf = (said: readonly Remark[]): RemarkView[] => said.map(({ id, words, by, at }) => ({ id, words, by, at: at.toISOString() }));

/** Says something about a finding. Whoever is named with an @, has it in hand or spoke before is told, once. */
export function remark(
  services: Services,
  actor: Actor,
  wish: { pageId: number; findingId: number; words: string; site: string },
): Promise<Result<RemarkView[]>> {
  return writing(services.db, async (trx) => {
    const page = await pageById(trx, wish.pageId);
    if (!page) return notFound('This page');
    const barred = unlessAllowed(actor, 'see', { collection: page.collection_id });
    if (barred) return barred;
    const finding = await findingById(trx, page.id, wish.findingId, '');
    if (!finding) return notFound('This finding');
    const words = wish.words.trim();
    if (words === '' || [...words].length > LONGEST)
      return refused({
        code: 'declined',
        what: 'This was not said',
        why: words === '' ? 'There are no words in it.' : `It is longer than ${LONGEST} characters.`,
        kept: 'What you wrote is still in the box.',
      });
    const before = await remarksOn(trx, finding.id, MOST);
    await addRemark(trx, { page: page.id, finding: finding.id, words, by: actor.id });
    const holder = (await handedOn(trx, page.id)).find((one) => one.finding === finding.id)?.to;
    const told = toldOf(await people(trx), actor, page, words, new Set([holder, ...before.map(({ byId }) => byId)]));
    const address = `${wish.site}/collections/${page.collection_slug}/${page.slug}?note=${finding.id}`;
    const body = `${actor.name} says about “${sentenceOf(finding)}” on ${page.title}:\n\n${words}\n\n${address}\n`;
    await addMessages(
      trx,
      told.map(({ id, email }) => ({ person: id, address: email!, subject: `${actor.name} says something about ${page.title}`, body })),
    );
    return done(viewsOf(await remarksOn(trx, finding.id, MOST)));
  });
}

/** Whoever is to know: named, concerned, and able to see the page. */
function toldOf(
  all: readonly Person[],
  actor: Actor,
  page: PlacedPage,
  words: string,
  concerned: ReadonlySet<string | undefined>,
): Person[] {
  const lower = words.toLowerCase();
  return all.filter(
    (person) =>
      person.id !== actor.id &&
      person.email !== null &&
      !person.disabled &&
      may(person, 'see', { collection: page.collection_id }) &&
      (concerned.has(person.id) || lower.includes(`@${person.name.toLowerCase()}`)),
  );
}
