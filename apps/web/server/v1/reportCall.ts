import 'server-only';
import { REPORT_COLUMNS, REPORT_FORMATS, REPORT_TYPES, reportFile, type ReportFile } from '@inkwell/review';
import { streamed } from '../streamed';
import type { Call } from './call';
import { valueOf } from './parts';
import { Trouble } from './problems';

/** The record of a collection. */
export const REPORT_CALL: Call = {
  method: 'GET',
  path: '/collections/{slug}/report',
  summary: `The record as it stands now; the columns of CSV are ${REPORT_COLUMNS.join(', ')}`,
  reach: 'read',
  answers: {
    formats: Object.fromEntries(REPORT_FORMATS.map((format) => [typeOf(format), format === 'json' ? 'Report' : ''])),
  },
  search: {
    format: { description: 'In which form; `Accept` says it too. `json` unless said.', enum: REPORT_FORMATS },
    page: { description: 'The address of one page in the application, to have the record of that alone.' },
  },
  async act({ services, actor, named, search, request }) {
    const format = formatOf(search.get('format'), request.headers.get('accept'));
    const { name, type, parts } = valueOf(await reportFile(services, actor, { collection: named.slug!, page: search.get('page'), format }));
    const headers = { 'content-type': type, 'content-disposition': `attachment; filename*=UTF-8''${encodeURIComponent(name)}` };
    return new Response(streamed(parts), { headers });
  },
};

function typeOf(format: ReportFile): string {
  return REPORT_TYPES[format].split(';')[0]!;
}

/** The form that is asked for: by name, or the first that `Accept` takes (RFC 9110, 12.5.1), those it wants most first. */
function formatOf(asked: string | null, accept: string | null): ReportFile {
  if (asked !== null) {
    const found = REPORT_FORMATS.find((one) => one === asked);
    if (!found) throw unknown();
    return found;
  }
  const wanted = (accept ?? '*/*')
    .split(',')
    .map((part, nth) => {
      const [type = '', ...rest] = part.split(';').map((one) => one.trim().toLowerCase());
      const quality = Number(rest.find((one) => one.startsWith('q='))?.slice(2) ?? 1);
      return { type, quality: Number.isNaN(quality) ? 0 : quality, nth };
    })
    .filter(({ quality, type }) => quality > 0 && type !== '')
    .sort((a, b) => b.quality - a.quality || a.nth - b.nth);
  for (const { type } of wanted) {
    const found = REPORT_FORMATS.find(
      (one) => type === '*/*' || type === typeOf(one) || (type.endsWith('/*') && typeOf(one).startsWith(type.slice(0, -1))),
    );
    if (found) return found;
  }
  throw unknown();
}

const unknown = () => new Trouble('not-acceptable', { detail: `A report is given as ${REPORT_FORMATS.join(', ')}.` });
