import { callAnswer } from '@/server/v1/door';

/** Every call of the API, for programs: which there are stands in one table. */
async function call(request: Request, { params }: { params: Promise<{ path?: string[] }> }): Promise<Response> {
  return callAnswer(request, `/${((await params).path ?? []).map(plain).join('/')}`);
}

/** A part of an address as it was meant; one that cannot be read names nothing there is. */
function plain(part: string): string {
  try {
    return decodeURIComponent(part);
  } catch {
    return '';
  }
}

export { call as DELETE, call as GET, call as HEAD, call as OPTIONS, call as PATCH, call as POST, call as PUT };
