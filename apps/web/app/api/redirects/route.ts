import { redirects } from '@inkwell/review';
import { currentActor } from '@/server/actor';
import { downloaded, guarded, problemResponse } from '@/server/answer';
import { services } from '@/server/services';
import { toCsvTable } from '@inkwell/formats';

/** Where files of a collection lie now that have another name, as a table of old and new. */
export function GET(request: Request): Promise<Response> {
  const collection = new URL(request.url).searchParams.get('collection') ?? '';
  return guarded(async () => {
    const found = await redirects(await services(), await currentActor(), { collection });
    if (!found.ok) return problemResponse(found.problem);
    const rows = found.value.map(({ path, leads_to: to }) => ({ old: `/${path}`, new: `/${to}` }));
    return downloaded(toCsvTable(rows, ['old', 'new']), { name: `${collection}-redirects.csv`, type: 'text/csv; charset=utf-8' });
  });
}
