import { outlinesOf, snapshot } from '@inkwell/store';
import type { Actor } from '../actor.ts';
import { done, type Result } from '../problems.ts';
import type { Services } from '../services.ts';
import { reached, type Reach } from './reach.ts';

export interface OutlineView {
  collection: string;
  slug: string;
  title: string;
  contentType: string;
  lines: {
    text: string;
    level: number;
    /** It goes down by more than one level. */
    leaps: boolean;
    /** The level this text has on most pages, where it has another here, and on how many. */
    usually: { level: number; pages: number } | null;
  }[];
}

/** Pages told at once. */
const SOME = 40;
/** Pages that have a text at one level before another is odd. */
const SEVERAL = 2;

/** Outlines of pages, one under the other by content type: the odd ones out are seen beside the rest. */
export function outlines(
  services: Services,
  actor: Actor,
  wish: Reach & { contentType: string | null; skip: number },
): Promise<Result<{ pages: OutlineView[]; more: boolean }>> {
  return snapshot(services.db, async (at) => {
    const found = await reached(at, actor, 'see', wish);
    if (!found.ok) return found;
    const slugs = new Map(found.value.map(({ id, slug }) => [id, slug]));
    const pages = await outlinesOf(at, [...slugs.keys()], { contentType: wish.contentType, skip: wish.skip, limit: SOME + 1 });
    return done({
      more: pages.length > SOME,
      pages: pages.slice(0, SOME).map(({ collection_id, slug, title, content_type, lines }) => ({
        collection: slugs.get(collection_id)!,
        slug,
        title,
        contentType: content_type,
        lines: lines.map(({ text, level, usual, elsewhere }, nth) => ({
          text,
          level,
          leaps: nth > 0 && level > lines[nth - 1]!.level + 1,
          usually: level !== usual && elsewhere >= SEVERAL ? { level: usual, pages: elsewhere } : null,
        })),
      })),
    });
  });
}
