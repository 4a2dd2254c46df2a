import {
  around,
  keepCopy,
  lookOutside,
  mend,
  offersOn,
  outlines,
  palette,
  proposeName,
  proposeNames,
  recolour,
  recolouring,
  register,
  setPalette,
  thing,
  tryMends,
} from '@inkwell/review';
import { answer, problemResponse, SHORT_BODY } from '@/server/answer';
import {
  AROUND,
  KEEP_COPY,
  MEND,
  NAME,
  NAMES,
  OFFERS,
  OUTLINES,
  PALETTE,
  REACH,
  RECOLOUR,
  RECOLOURING,
  REGISTER,
  THING,
  TRY_MENDS,
} from '@/server/registerInputs';

/** Bytes of a wish for many things, each with its own words. */
const LONG_BODY = 8 * SHORT_BODY;

/** What a register is asked, and what is done to what it lists. */
export async function POST(request: Request, { params }: { params: Promise<{ act: string }> }): Promise<Response> {
  switch ((await params).act) {
    case 'lines':
      return answer(request, REGISTER, (services, actor, wish) => register(services, actor, wish));
    case 'thing':
      return answer(request, THING, (services, actor, wish) => thing(services, actor, wish));
    case 'around':
      return answer(request, AROUND, (services, actor, wish) => around(services, actor, wish));
    case 'offers':
      return answer(request, OFFERS, (services, actor, wish) => offersOn(services, actor, wish));
    case 'name':
      return answer(request, NAME, (services, actor, wish) => proposeName(services, actor, wish));
    case 'outlines':
      return answer(request, OUTLINES, (services, actor, wish) => outlines(services, actor, wish));
    case 'keep-copy':
      return answer(request, KEEP_COPY, (services, actor, wish) => keepCopy(services, actor, wish));
    case 'look-outside':
      return answer(request, REACH, (services, actor, wish) => lookOutside(services, actor, wish));
    case 'names':
      return answer(request, NAMES, (services, actor, wish) => proposeNames(services, actor, wish));
    case 'recolouring':
      return answer(request, RECOLOURING, (services, actor, wish) => recolouring(services, actor, wish));
    case 'recolour':
      return answer(request, RECOLOUR, (services, actor, wish) => recolour(services, actor, wish));
    case 'palette':
      return answer(request, REACH, (services, actor, wish) => palette(services, actor, wish));
    case 'set-palette':
      return answer(request, PALETTE, (services, actor, wish) => setPalette(services, actor, wish));
    case 'try':
      return answer(request, TRY_MENDS, (services, actor, wish) => tryMends(services, actor, wish));
    case 'mend':
      return answer(request, MEND, (services, actor, wish) => mend(services, actor, wish), LONG_BODY);
    default:
      return problemResponse({ code: 'not-found', what: 'There is nothing at this address', kept: 'Nothing was changed.' });
  }
}
