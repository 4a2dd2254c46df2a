import { resolveAddress } from '@inkwell/core';
import { changePlacing, isTaken, pageById, pagesNaming, personById } from '@inkwell/store';
import { enqueue } from '@inkwell/work';
import { THE_SYSTEM, type Actor } from '../actor.ts';
import { auditAgain } from '../background.ts';
import { changeText, madeBy } from '../changeText.ts';
import { onPage, type OnPage } from '../conflicts.ts';
import { examine, see } from '../examine.ts';
import { followJob } from '../jobs.ts';
import { done, refused, type Problem, type Result } from '../problems.ts';
import { record } from '../record.ts';
import type { Services } from '../services.ts';

/**
 * Lets a page that came alone lie elsewhere in its collection, or under another name. What it refers to is written as seen from there;
 * pages that lead to it follow in the background, each as a revision. Gives how many.
 */
export async function movePage(
  services: Services,
  actor: Actor,
  wish: OnPage & { address: string },
): Promise<Result<{ following: number }>> {
  const seen = await see(services, actor, 'change a page', wish.pageId);
  if (!seen.ok) return seen;
  const { page, text } = seen.value;
  const address = resolveAddress('', wish.address.trim());
  const why = await whyNot(services, page, wish.address, address);
  if (why || address === null) return refused({ code: 'bad-page', kept: 'It lies where it did.', ...(why ?? NO_ADDRESS) });
  const renames: [string, string][] = [[page.address, address]];
  const followed = await services.engine.run('follow', { page: text, renames });
  const there = { ...seen.value, page: { ...page, address }, text: { ...text, address } };
  const examined = followed.ok ? await examine(services, there, followed.html) : null;
  const moved = await onPage(services, actor, 'change a page', wish, 'its text', async (trx, locked) => {
    if (followed.ok && examined)
      await record(trx, services, actor, locked, seen.value, {
        html: followed.html,
        examined,
        moves: followed.moves,
        cause: 'edited',
        note: `moved from ${page.address} to ${address}`,
      });
    await changePlacing(trx, page.id, { address });
    const leading = await pagesNaming(trx, page.collection_id, page.id, { links: [page.address] });
    await enqueue(
      trx,
      actor.id,
      leading.map((id) => followJob(id, page.address, address)),
    );
    return done({ following: leading.length });
  });
  if (moved.ok) await auditAgain(services, THE_SYSTEM, { pageId: page.id });
  return moved;
}

type Why = Pick<Problem, 'what' | 'why' | 'next'>;

const NO_ADDRESS: Why = {
  what: 'This is no address of a page',
  why: 'It has to name a file inside the collection, such as spring/swarms.html.',
  next: 'Write it with plain letters, and folders parted by slashes.',
};

/** A browser stops at the top of a host; whoever writes so meant something else. */
const leavesFolders = (written: string) => written.split('/').includes('..');

async function whyNot(
  { db }: Services,
  page: { collection_id: number; entry: string | null; address: string },
  written: string,
  address: string | null,
): Promise<Why | null> {
  if (page.entry !== null)
    return {
      what: 'This page lies where its package has it',
      why: 'The host that takes the package back looks for it there.',
      next: 'Move it where the package is made, and bring in the newer version.',
    };
  if (address === null || leavesFolders(written) || !/\.x?html?$/i.test(address) || address.includes('#')) return NO_ADDRESS;
  if (address === page.address) return { what: 'It lies there already', next: 'Write another address.' };
  if (await isTaken(db, page.collection_id, address)) return { what: 'Something lies there already', next: 'Write another address.' };
  return null;
}

/** Lets a page lead to where another lies now, as the person who moved that. Done twice is done once. */
export async function followMove(services: Services, wish: { page: number; by: string; from: string; to: string }): Promise<void> {
  const [actor, page] = [await personById(services.db, wish.by), await pageById(services.db, wish.page)];
  if (!actor || !page) return;
  const followed = await changeText(
    services,
    actor,
    { pageId: page.id, version: page.version },
    {
      about: 'its text',
      make: async ({ text }) =>
        madeBy(
          await services.engine.run('follow', { page: text, renames: [[wish.from, wish.to]] }),
          'edited',
          () => `leads to ${wish.to}, which lay at ${wish.from}`,
          'Nothing here leads there',
        ),
    },
  );
  // Somebody changed it meanwhile: the job is done again.
  if (!followed.ok && followed.problem.code === 'conflict') throw new Error(followed.problem.what);
}
