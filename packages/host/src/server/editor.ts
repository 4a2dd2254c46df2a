import type { IncomingMessage } from 'node:http';
import { joinParts, splitParts, type Part } from '../connector/parts.ts';
import { bodyOf, escape, html, seeOther, type Answer } from './answer.ts';
import { partsFrom, publicPath } from './api.ts';
import { checkPage, type CheckedPage, type Checker } from './check.ts';
import {
  addHosted,
  handOver,
  history,
  movePage,
  nthOf,
  pageBy,
  pagesIn,
  places,
  saveDraft,
  setPublished,
  type HistoryLine,
  type HostDatabase,
  type HostedPage,
} from './store.ts';

/** Pages listed on the editor's first screen, of each place. */
const LISTED = 500;

/** The plain editor of the host: its list of pages, and one page with its parts. */
export async function editorAnswer(db: HostDatabase, checker: Checker | null, request: IncomingMessage, url: URL): Promise<Answer> {
  if (url.pathname === '/') return listed(db);
  // Another site's page may not press our buttons.
  const isElsewhere =
    request.method === 'POST' && !['same-origin', undefined].includes(request.headers['sec-fetch-site'] as string | undefined);
  if (isElsewhere) return html(screen('Not from there', ''), 403);
  if (url.pathname === '/new' && request.method === 'POST') return begun(db, await saidIn(request));
  const [, id] = /^\/edit\/(\d{1,9})$/.exec(url.pathname) ?? [];
  const page = id === undefined ? undefined : await pageBy(db, { id: Number(id) });
  if (!page) return html(screen('Nothing here', '<p>There is nothing at this address.</p>'), 404);
  const nth = await nthOf(db, page);
  if (request.method !== 'POST') return html(form({ ...page, nth }, await history(db, page.id), url.searchParams.get('said') ?? ''));
  return saved(db, checker, { ...page, nth }, await saidIn(request));
}

const saidIn = async (request: IncomingMessage) => new URLSearchParams((await bodyOf(request))?.toString('utf8') ?? '');

/** An author begins a page, which has its address from its title. */
async function begun(db: HostDatabase, said: URLSearchParams): Promise<Answer> {
  const [place = '', title = ''] = [said.get('place') ?? '', (said.get('title') ?? '').trim()];
  const plain =
    title
      .normalize('NFKD')
      .replace(/[\u0300-\u036f]/g, '')
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-|-$/g, '') || 'page';
  if (title === '' || !(await places(db)).some((one) => one.place === place)) return seeOther('/');
  const parts = [{ name: 'main', html: '' }];
  for (let nth = 1; nth < 50; nth++) {
    const address = `${plain}${nth === 1 ? '' : `-${nth}`}.html`;
    const id = await addHosted(db, { place, address, title, kind: 'page', summary: '', parts }, 'an author');
    if (id !== null) return seeOther(`/edit/${id}`);
  }
  return html(screen('Not begun', '<p>There are too many pages of this title. Give it another one.</p>'), 409);
}

async function listed(db: HostDatabase): Promise<Answer> {
  const all = await Promise.all((await places(db)).map(async (at) => ({ ...at, pages: await pagesIn(db, at.place, 0, LISTED) })));
  const rows = all.map(({ title, place, pages }) => {
    const [name, id] = [escape(place), `new-${escape(place)}`];
    const items = pages.map((page) => `<li><a href="/edit/${page.id}">${escape(page.title)}</a> – ${stateOf(page)}</li>`);
    return `<h2>${escape(title)}</h2>
<p><a href="/site/${escape(encodeURIComponent(place))}/">What readers see</a></p>
<ul>${items.join('\n')}</ul>
<form method="post" action="/new"><input type="hidden" name="place" value="${name}">
<p><label for="${id}">A new page: its title</label><input id="${id}" name="title"> <button>Begin it</button></p></form>`;
  });
  return html(screen('Pages', rows.join('\n') || '<p>There is no place here yet.</p>'));
}

function stateOf({ published, head, handedOver }: HostedPage): string {
  const out = published === null ? 'draft' : published === head ? 'published' : 'published, with a newer draft';
  return handedOver === head ? `${out}, handed over for sign-off` : out;
}

/** A page with where it stands in its site's contents, from 1 on. */
type Edited = HostedPage & { nth: number };

/** What was typed, as parts; line ends as the page had them. */
function partsIn(page: HostedPage, said: URLSearchParams): Part[] | null {
  const usesCrLf = page.parts.some(({ html: text }) => text.includes('\r\n'));
  const typed = (text: string) => (usesCrLf ? text : text.replace(/\r\n/g, '\n'));
  return partsFrom(page.parts.map(({ name, html: own }, nth) => ({ name, html: typed(said.get(`part-${nth}`) ?? own) })));
}

function typedIn(page: Edited, said: URLSearchParams): { parts: Part[] | null; typed: Edited } {
  const parts = partsIn(page, said);
  const word = (name: 'title' | 'kind') => said.get(name)?.trim() || page[name];
  const nth = Math.trunc(Number(said.get('nth'))) || page.nth;
  const summary = said.get('summary') ?? page.summary;
  return { parts, typed: { ...page, parts: parts ?? page.parts, title: word('title'), kind: word('kind'), summary, nth } };
}

async function saved(db: HostDatabase, checker: Checker | null, page: Edited, said: URLSearchParams): Promise<Answer> {
  const { parts, typed } = typedIn(page, said);
  const lines = await history(db, page.id);
  if (!parts) return html(form(typed, lines, 'A part holds a comment that the host writes itself. Nothing was saved.'), 422);
  const head = Number(said.get(said.get('do') === 'over' ? 'over' : 'head'));
  const isSame =
    joinParts(parts) === joinParts(page.parts) && (['title', 'summary', 'kind'] as const).every((what) => typed[what] === page[what]);
  if (head !== page.head) return late({ ...typed, head }, lines, page);
  const now = isSame ? page.head : await saveDraft(db, page.id, page.head, { ...typed, note: '', by: 'an author' });
  if (now === null) return late(typed, lines, (await pageBy(db, { id: page.id }))!);
  if (typed.nth !== page.nth) await movePage(db, page, typed.nth);
  const changed = !isSame || typed.nth !== page.nth;
  if (said.get('do') !== 'publish')
    return seeOther(`/edit/${page.id}?said=${encodeURIComponent(changed ? 'Saved as a draft.' : 'Nothing was changed.')}`);
  if (!checker) {
    await setPublished(db, page.id, now);
    return seeOther(`/edit/${page.id}?said=Published.`);
  }
  const draft = { ...typed, head: now };
  const checked = await checkPage(checker, draft);
  if (checked?.verdict === 'ready') {
    await handOver(db, page.id, now);
    return seeOther(
      `/edit/${page.id}?said=${encodeURIComponent('Nothing holds it. It is handed over for sign-off, and goes out after that.')}`,
    );
  }
  return html(form(draft, await history(db, page.id), '', held(draft, checked ?? 'away')));
}

/** What an author typed on an older draft, beside the one that is there now: nothing is written over until they say so. */
function late(typed: Edited, lines: readonly HistoryLine[], there: HostedPage): Answer {
  const parts = there.parts.map(
    ({ name, html: text }) => `<h3>${escape(name === 'main' ? 'Text' : name)}</h3><pre>\n${escape(text)}</pre>`,
  );
  const beside = `<section class="held"><h2>What is saved now: r${there.head}, “${escape(there.title)}”</h2>
<p>Take into your text below what you want of it. Then save yours in its place; it stays among what was saved before.</p>
${parts.join('\n')}</section>`;
  const said = 'Somebody saved this page meanwhile. What you typed is below, and was not saved.';
  return html(form(typed, lines, said, beside, there.head), 409);
}

/** Over: the draft somebody else saved, which the author may put this one in place of. */
function form(page: Edited, lines: readonly HistoryLine[], said: string, beside = '', over: number | null = null): string {
  const parts = page.parts.map(
    ({ name, html: text }, nth) => `<p><label for="part-${nth}">${escape(name === 'main' ? 'Text' : name)}</label>
<textarea id="part-${nth}" name="part-${nth}" rows="14" spellcheck="true">
${escape(text)}</textarea></p>`,
  );
  return screen(
    page.title,
    `${said ? `<p class="said" role="status">${escape(said)}</p>` : ''}${beside}
<p>${escape(stateOf(page))}${page.published === null ? '' : ` – <a href="${escape(publicPath(page))}">what readers see</a>`}</p>
<form method="post"><input type="hidden" name="head" value="${page.head}">
<p><label for="title">Title</label><input id="title" name="title" value="${escape(page.title)}"></p>
<p><label for="summary">Summary for search</label><input id="summary" name="summary" value="${escape(page.summary)}"></p>
<p><label for="kind">Kind</label><input id="kind" name="kind" value="${escape(page.kind)}"></p>
<p><label for="nth">Place in the contents</label><input id="nth" name="nth" inputmode="numeric" value="${page.nth}"></p>
${parts.join('\n')}
<p>${over === null ? SAVE : `<input type="hidden" name="over" value="${over}"><button name="do" value="over">Save mine in place of r${over}</button>`}</p></form>
<h2>Saved before</h2><ol reversed>${lines.map(lineOf).join('')}</ol>`,
  );
}

const SAVE = '<button name="do" value="save">Save draft</button> <button name="do" value="publish">Publish</button>';

function lineOf({ number, by, at, note }: HistoryLine): string {
  const when = at.toISOString().slice(0, 16).replace('T', ' ');
  return `<li>r${number}, ${when}, ${escape(by)}${note ? `: ${escape(note)}` : ''}</li>`;
}

const AWAY = `<section class="held"><h2>Not published</h2>
<p>The check could not be asked just now. Your draft is saved; press Publish again in a while.</p></section>`;

function held(page: HostedPage, checked: CheckedPage | 'away'): string {
  if (checked === 'away') return AWAY;
  const items = checked.holding.map(
    ({ sentence, why, fix, line }) => `<li><strong>${escape(sentence)}</strong> (line ${line})<br>${escape(why)}<br>${escape(fix)}</li>`,
  );
  const mended =
    checked.fixed === null
      ? null
      : splitParts(
          checked.fixed,
          page.parts.map(({ name }) => name),
        );
  const offer = mended
    ? `<form method="post"><input type="hidden" name="head" value="${page.head}">
<input type="hidden" name="title" value="${escape(page.title)}"><input type="hidden" name="summary" value="${escape(page.summary)}">
${mended.map((part, nth) => `<textarea hidden name="part-${nth}">\n${escape(part.html)}</textarea>`).join('')}
<button name="do" value="publish">Make every certain fix, and publish</button></form>`
    : '';
  const why = checked.verdict === 'held' ? 'Something on it has to be fixed first:' : 'Somebody has to answer a question about it first:';
  return `<section class="held"><h2>Saved, and not published</h2><p>${why}</p><ol>${items.join('\n')}</ol>${offer}</section>`;
}

function screen(title: string, body: string): string {
  return `<!doctype html>
<html lang="en-GB"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width"><title>${escape(title)} – editor</title>
<style>body{font:1rem/1.5 system-ui,sans-serif;max-width:60rem;margin:0 auto;padding:1rem;color:#222;background:#f6f7f4}
label{display:block;font-weight:600}
input:not([type=hidden]),textarea{width:100%;box-sizing:border-box;font:inherit;padding:.4rem}textarea{font-family:ui-monospace,monospace}
button{font:inherit;padding:.4rem 1rem;min-height:2rem}
.held{border-left:4px solid #7a3b12;padding:.1rem 1rem;background:#fffaf2}
pre{white-space:pre-wrap;overflow-wrap:anywhere;background:#fff;padding:.5rem}
.said{background:#e7efe4;padding:.5rem 1rem}</style></head>
<body><header><a href="/">All pages</a></header><main><h1>${escape(title)}</h1>
${body}
</main></body></html>
`;
}
