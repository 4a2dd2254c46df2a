import { decodeHtml } from '@inkwell/formats';
import { addNewerText, arrivingAmong } from '@inkwell/store';
import type { Actor } from '../actor.ts';
import { REFUSALS } from '../bringIn.ts';
import { onPage, type OnPage } from '../conflicts.ts';
import { examineNewer } from '../packages/renew.ts';
import { done, refused, type Result } from '../problems.ts';
import type { Services } from '../services.ts';

/**
 * Puts a newer file in the place of a page's text, as a revision; what was mended here is made again on it where the file did not change
 * the same place, as with a newer version of a whole collection. Gives the page's newest revision.
 */
export async function replacePage(services: Services, actor: Actor, wish: OnPage & { bytes: Uint8Array }): Promise<Result<null>> {
  const read = decodeHtml(wish.bytes);
  if (!read.ok) return refused({ code: 'bad-page', ...REFUSALS[read.reason], kept: 'The page is as it was.' });
  const waiting = await onPage(services, actor, 'change a page', wish, 'its text', async (trx, page) => {
    await addNewerText(trx, { id: page.id, html: read.text, encoding: read.encoding, bom: read.bom });
    return done(page.id);
  });
  if (!waiting.ok) return waiting;
  const [arriving] = await arrivingAmong(services.db, [waiting.value]);
  // In its package the page stays as it came: what goes out is told apart from that.
  if (arriving) await examineNewer(services, actor, arriving, false);
  return done(null);
}
