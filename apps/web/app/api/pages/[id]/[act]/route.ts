import { lookup } from '@inkwell/core';
import {
  amHere,
  arrange,
  changePage,
  compareRevisions,
  deskOf,
  endException,
  fix,
  fixAllAlike,
  fixAllCertain,
  fixTogether,
  imageUses,
  keepOpen,
  letStand,
  lookAt,
  movePage,
  redo,
  remark,
  remarks,
  replacePage,
  restore,
  rule,
  sameSlip,
  saveSource,
  setElsewhere,
  signOff,
  spendTime,
  strokeOver,
  takeBackRuling,
  undo,
  type Actor,
  type OnPage,
  type Result,
  type Services,
} from '@inkwell/review';
import { answer, PAGE_BODY, problemResponse, SHORT_BODY } from '@/server/answer';
import { ownAddress } from '@/server/auth';
import {
  AM_HERE,
  ARRANGE,
  CHANGE_PAGE,
  COMPARE,
  ELSEWHERE,
  FIX,
  FIX_ALIKE,
  FIX_CERTAIN,
  FIX_TOGETHER,
  IMAGE,
  KEEP_OPEN,
  LET_STAND,
  LOOK_AT,
  MOVE_PAGE,
  NOTHING,
  ON_ONE,
  ON_SLIP,
  REMARKS,
  REPLACE_PAGE,
  RESTORE,
  RULE,
  SOURCE,
  SPENT,
  STEP,
  STROKE,
  type Checker,
} from '@/server/inputs';

type Act = (request: Request, pageId: number) => Promise<Response>;

/** Something done to a page: answers with what came of it and the page as the Desk now shows it. */
function change<T extends { version: number }>(
  check: Checker<T>,
  act: (services: Services, actor: Actor, wish: T & OnPage) => Promise<Result<unknown>>,
  most = SHORT_BODY,
): Act {
  return (request, pageId) =>
    answer(
      request,
      check,
      async (services, actor, input) => {
        const result = await act(services, actor, { ...input, pageId });
        return result.ok ? withDesk(services, actor, pageId, result.value) : result;
      },
      most,
    );
}

const ACTS: Record<string, Act> = {
  look: (request, pageId) => answer(request, NOTHING, (services, actor) => withDesk(services, actor, pageId, null)),
  fix: change(FIX, fix),
  'fix-alike': change(FIX_ALIKE, fixAllAlike),
  'fix-together': change(FIX_TOGETHER, fixTogether),
  'fix-certain': change(FIX_CERTAIN, fixAllCertain),
  arrange: change(ARRANGE, arrange, 4 * 1024 * 1024),
  source: change(SOURCE, saveSource, PAGE_BODY),
  undo: change(STEP, undo),
  redo: change(STEP, redo),
  restore: change(RESTORE, restore),
  rule: change(RULE, rule),
  'take-back': change(ON_ONE, takeBackRuling),
  'let-stand': change(LET_STAND, letStand),
  'end-exception': change(ON_ONE, endException),
  elsewhere: change(ELSEWHERE, setElsewhere),
  'sign-off': change(STEP, signOff),
  'look-at': change(LOOK_AT, lookAt),
  change: change(CHANGE_PAGE, changePage),
  move: change(MOVE_PAGE, movePage),
  replace: change(
    REPLACE_PAGE,
    (services, actor, { bytes, ...on }) => replacePage(services, actor, { ...on, bytes: Buffer.from(bytes, 'base64') }),
    PAGE_BODY,
  ),
  compare: (request, pageId) =>
    answer(request, COMPARE, (services, actor, input) => compareRevisions(services, actor, { pageId, ...input })),
  'image-uses': (request, pageId) => answer(request, IMAGE, (services, actor, input) => imageUses(services, actor, { pageId, ...input })),
  'same-slip': (request, pageId) => answer(request, ON_SLIP, (services, actor, input) => sameSlip(services, actor, { pageId, ...input })),
  stroke: (request, pageId) => answer(request, STROKE, (services, actor, input) => strokeOver(services, actor, { pageId, ...input })),
  open: (request, pageId) => answer(request, KEEP_OPEN, (services, actor, input) => keepOpen(services, actor, { pageId, ...input })),
  remarks: (request, pageId) =>
    answer(request, REMARKS, (services, actor, { finding, words }) =>
      words === null
        ? remarks(services, actor, { pageId, findingId: finding })
        : remark(services, actor, { pageId, findingId: finding, words, site: ownAddress() }),
    ),
  here: (request, pageId) => answer(request, AM_HERE, (services, actor, { here }) => amHere(services, actor, { page: pageId, here })),
  time: (request, pageId) => answer(request, SPENT, (services, actor, input) => spendTime(services, actor, { pageId, ...input })),
};

export async function POST(request: Request, { params }: { params: Promise<{ id: string; act: string }> }): Promise<Response> {
  const { id, act } = await params;
  const run = Object.hasOwn(ACTS, act) ? lookup(ACTS, act) : undefined;
  if (!run || !/^\d{1,9}$/.test(id)) return problemResponse({ code: 'not-found', what: 'There is nothing to do at this address' });
  return run(request, Number(id));
}

async function withDesk(services: Services, actor: Actor, pageId: number, result: unknown): Promise<Result<unknown>> {
  const shown = await deskOf(services, actor, { pageId });
  return shown.ok ? { ok: true, value: { result, desk: shown.value } } : shown;
}
