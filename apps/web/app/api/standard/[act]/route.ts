import { holdElsewhere, nameProfile, newProfile, readStandard, setStandard, trySelection } from '@inkwell/review';
import { answer, problemResponse } from '@/server/answer';
import { ADD, CALL, ELSEWHERE_HOLDS, READ, SAVE, TRY } from '@/server/standardInputs';

/** The house's standard: read from a file, tried, saved, added beside others, and named for what it is to hold. */
export async function POST(request: Request, { params }: { params: Promise<{ act: string }> }): Promise<Response> {
  switch ((await params).act) {
    case 'read':
      return answer(request, READ, (_services, _actor, { file }) => Promise.resolve(readStandard(file)));
    case 'try':
      return answer(request, TRY, async (services, actor, { profile, file }) => {
        const read = readStandard(file);
        return read.ok ? trySelection(services, actor, { profile, selection: read.value.selection }) : read;
      });
    case 'save':
      return answer(request, SAVE, async (services, actor, { profile, version, file }) => {
        const read = readStandard(file);
        return read.ok ? setStandard(services, actor, { profile, version, ...read.value }) : read;
      });
    case 'add':
      return answer(request, ADD, async (services, actor, { name, file }) => {
        const read = readStandard(file);
        return read.ok ? newProfile(services, actor, { name, ...read.value }) : read;
      });
    case 'elsewhere':
      return answer(request, ELSEWHERE_HOLDS, (services, actor, wish) => holdElsewhere(services, actor, wish));
    case 'call':
      return answer(request, CALL, (services, actor, { profile, collection, contentType }) =>
        nameProfile(services, actor, { profile, ...(collection ? { collection } : {}), ...(contentType ? { contentType } : {}) }),
      );
    default:
      return problemResponse({ code: 'not-found', what: 'There is nothing at this address', kept: 'Nothing was changed.' });
  }
}
