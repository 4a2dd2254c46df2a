import { arrange, compareRevisions, desk, endWaiver, mend, mendAllAlike, mendAllCertain, pictureUses, redo, restore, rule, saveSource, signOff, takeBackRuling, undo, waive, type Problem } from '@inkwell/review';
import type { Database } from '@inkwell/store';
import { answer, problemResponse } from '@/server/answer';
import { ARRANGE, COMPARE, MEND, MEND_ALIKE, NOTHING, PICTURE, RESTORE, RULE, SOURCE, STEP, TAKE_BACK, WAIVE } from '@/server/inputs';

type Act = (request: Request, pageId: number) => Promise<Response>;
type Done = { ok: true; value: unknown } | { ok: false; problem: Problem };

/** What can be done to a page. Each answers with what came of it and the page as the Desk now shows it. */
const ACTS: Record<string, Act> = {
  look: (request, pageId) => answer(request, NOTHING, (db) => withDesk(db, pageId, Promise.resolve({ ok: true, value: null }))),
  mend: (request, pageId) => answer(request, MEND, (db, actor, input) => withDesk(db, pageId, mend(db, actor, { pageId, ...input }))),
  'mend-alike': (request, pageId) => answer(request, MEND_ALIKE, (db, actor, input) => withDesk(db, pageId, mendAllAlike(db, actor, { pageId, ...input }))),
  'mend-certain': (request, pageId) => answer(request, STEP, (db, actor, input) => withDesk(db, pageId, mendAllCertain(db, actor, { pageId, ...input }))),
  arrange: (request, pageId) => answer(request, ARRANGE, (db, actor, input) => withDesk(db, pageId, arrange(db, actor, { pageId, ...input }))),
  waive: (request, pageId) => answer(request, WAIVE, (db, actor, input) => withDesk(db, pageId, waive(db, actor, { pageId, ...input }))),
  'end-waiver': (request, pageId) => answer(request, TAKE_BACK, (db, actor, input) => withDesk(db, pageId, endWaiver(db, actor, { pageId, ...input }))),
  compare: (request, pageId) => answer(request, COMPARE, (db, _actor, input) => compareRevisions(db, { pageId, ...input })),
  'picture-uses': (request, pageId) => answer(request, PICTURE, (db, _actor, input) => pictureUses(db, { pageId, ...input })),
  source: (request, pageId) => answer(request, SOURCE, (db, actor, input) => withDesk(db, pageId, saveSource(db, actor, { pageId, ...input }))),
  undo: (request, pageId) => answer(request, STEP, (db, actor, input) => withDesk(db, pageId, undo(db, actor, { pageId, ...input }))),
  redo: (request, pageId) => answer(request, STEP, (db, actor, input) => withDesk(db, pageId, redo(db, actor, { pageId, ...input }))),
  restore: (request, pageId) => answer(request, RESTORE, (db, actor, input) => withDesk(db, pageId, restore(db, actor, { pageId, ...input }))),
  rule: (request, pageId) => answer(request, RULE, (db, actor, input) => withDesk(db, pageId, rule(db, actor, { pageId, ...input }))),
  'take-back': (request, pageId) => answer(request, TAKE_BACK, (db, actor, input) => withDesk(db, pageId, takeBackRuling(db, actor, { pageId, ...input }))),
  'sign-off': (request, pageId) => answer(request, STEP, (db, actor, input) => withDesk(db, pageId, signOff(db, actor, { pageId, ...input }))),
};

export async function POST(request: Request, { params }: { params: Promise<{ id: string; act: string }> }): Promise<Response> {
  const { id, act } = await params;
  const run = Object.hasOwn(ACTS, act) ? ACTS[act] : undefined;
  if (!run || !/^\d{1,9}$/.test(id)) return problemResponse({ code: 'not-found', what: 'There is nothing to do at this address' });
  return run(request, Number(id));
}

async function withDesk(db: Database, pageId: number, acting: Promise<Done>): Promise<Done> {
  const result = await acting;
  if (!result.ok) return result;
  const place = await db.selectFrom('pages').innerJoin('collections', 'collections.id', 'pages.collection_id').select(['pages.slug', 'collections.slug as collection']).where('pages.id', '=', pageId).executeTakeFirstOrThrow();
  const shown = await desk(db, place.collection, place.slug);
  return shown.ok ? { ok: true, value: { result: result.value, desk: shown.value } } : shown;
}
