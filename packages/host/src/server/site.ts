import { CONTENT_BEGINS, CONTENT_ENDS, joinParts } from '../connector/parts.ts';
import { escape, html, problem, type Answer } from './answer.ts';
import { publicPath } from './api.ts';
import { fileIn, pageBy, pagesIn, places, publishedParts, type HostDatabase } from './store.ts';

/** What is published, as readers are shown it. The frame is the host's; between the two comments it is the author's, byte for byte. */
export async function siteAnswer(db: HostDatabase, url: URL): Promise<Answer> {
  const [, , place = '', ...rest] = url.pathname.split('/').map(decodeURIComponent);
  const at = (await places(db)).find((one) => one.place === place);
  if (!at) return html(framed('Nothing here', '', '<p>There is nothing at this address.</p>'), 404);
  const address = rest.join('/');
  if (address === '') return contents(db, at);
  const page = await pageBy(db, { place, address });
  if (page) {
    const parts = page.published === null ? null : await publishedParts(db, page);
    if (!parts) return html(framed('Not published', at.title, '<p>This page is not published.</p>'), 404);
    return html(framed(page.title, at.title, `${CONTENT_BEGINS}${joinParts(parts)}${CONTENT_ENDS}`, page.summary, place));
  }
  const file = await fileIn(db, place, address);
  return file ? { status: 200, type: file.type, body: file.bytes } : problem(404, 'There is nothing at this address.');
}

async function contents(db: HostDatabase, at: { place: string; title: string }): Promise<Answer> {
  const pages = (await pagesIn(db, at.place, 0, 1_000)).filter(({ published }) => published !== null);
  const list = pages
    .map((page) => `<li><a href="${escape(publicPath(page))}">${escape(page.title)}</a>${about(page.summary)}</li>`)
    .join('\n');
  return html(framed('Contents', at.title, pages.length > 0 ? `<ul>\n${list}\n</ul>` : '<p>Nothing is published yet.</p>'));
}

const about = (summary: string) => (summary ? `<br>${escape(summary)}` : '');

function framed(title: string, site: string, body: string, summary = '', place = ''): string {
  const description = summary ? `\n<meta name="description" content="${escape(summary)}">` : '';
  const nav = place ? `<nav aria-label="Site"><a href="/site/${escape(encodeURIComponent(place))}/">Contents</a></nav>` : '';
  return `<!doctype html>
<html lang="en-GB">
<head><meta charset="utf-8"><meta name="viewport" content="width=device-width">
<title>${escape(site ? `${title} – ${site}` : title)}</title>${description}
<style>body{font:1.05rem/1.6 Georgia,serif;max-width:46rem;margin:0 auto;padding:1rem;color:#1f2a22;background:#fbfcf8}
header{border-bottom:2px solid #41603f;margin-bottom:1.5rem}img{max-width:100%;height:auto}a{color:#1d4f2a}</style></head>
<body><header><p>${escape(site)}</p>${nav}</header>
<main><h1>${escape(title)}</h1>
${body}
</main></body></html>
`;
}
