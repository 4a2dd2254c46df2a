import {
  auditPagesAgain,
  bringBack,
  bringPages,
  chooseHeading,
  chooseImage,
  choosePage,
  goesOut,
  judgeAttachments,
  lookAfter,
  newTerm,
  pagesTakenOut,
  removable,
  setContentType,
  strokePagesOver,
  takeOut,
  takePages,
} from '@inkwell/review';
import { answer, problemResponse } from '@/server/answer';
import {
  ATTACHMENTS,
  BRING_PAGES,
  CHOOSE_HEADING,
  CHOOSE_IMAGE,
  CHOOSE_PAGE,
  CHOSEN_PAGES,
  LOOK_AFTER,
  NOTHING,
  ON_PAGES,
  PAGES_OUT,
  RETYPE,
  TITLED,
} from '@/server/inputs';

/** What is done with a whole collection, or with many of its pages: called otherwise, put away, taken out, brought back, fixed, signed. */
export async function POST(request: Request, { params }: { params: Promise<{ collection: string; act: string }> }): Promise<Response> {
  const { collection: written, act } = await params;
  const collection = decodeURIComponent(written);
  switch (act) {
    case 'change':
      return answer(request, LOOK_AFTER, (services, actor, wish) => lookAfter(services, actor, { collection, ...wish }));
    case 'pages':
      return answer(request, ON_PAGES, (services, actor, wish) => strokePagesOver(services, actor, { collection, ...wish }));
    case 'content-type':
      return answer(request, RETYPE, (services, actor, wish) => setContentType(services, actor, { collection, ...wish }));
    case 'audit-again':
      return answer(request, CHOSEN_PAGES, (services, actor, wish) => auditPagesAgain(services, actor, { collection, ...wish }));
    case 'attachments':
      return answer(request, ATTACHMENTS, (services, actor, wish) => judgeAttachments(services, actor, { collection, ...wish }));
    case 'choose-image':
      return answer(request, CHOOSE_IMAGE, (services, actor, wish) => chooseImage(services, actor, { collection, ...wish }));
    case 'choose-page':
      return answer(request, CHOOSE_PAGE, (services, actor, wish) => choosePage(services, actor, { collection, ...wish }));
    case 'choose-heading':
      return answer(request, CHOOSE_HEADING, (services, actor, wish) => chooseHeading(services, actor, { collection, ...wish }));
    case 'take-pages':
      return answer(request, CHOSEN_PAGES, (services, actor, wish) => takePages(services, actor, { collection, ...wish }));
    case 'bring-pages':
      return answer(request, BRING_PAGES, (services, actor, wish) => bringPages(services, actor, { collection, ...wish }));
    case 'pages-out':
      return answer(request, PAGES_OUT, (services, actor, wish) => pagesTakenOut(services, actor, { collection, ...wish }));
    case 'new-term':
      return answer(request, TITLED, (services, actor, wish) => newTerm(services, actor, { collection, ...wish }));
    case 'goes-out':
      return answer(request, NOTHING, (services, actor) => goesOut(services, actor, { collection }));
    case 'removable':
      return answer(request, NOTHING, (services, actor) => removable(services, actor, { collection }));
    case 'take-out':
      return answer(request, NOTHING, (services, actor) => takeOut(services, actor, { collection }));
    case 'bring-back':
      return answer(request, NOTHING, (services, actor) => bringBack(services, actor, { collection }));
    default:
      return problemResponse({ code: 'not-found', what: 'There is nothing at this address', kept: 'Nothing was changed.' });
  }
}
