import 'server-only';
import { createReadStream } from 'node:fs';
import { rm, stat } from 'node:fs/promises';
import { Readable } from 'node:stream';
import {
  checkText,
  collectionsTold,
  decideOn,
  FINDING_FILTERS,
  findingsTold,
  findingTold,
  pagesTold,
  pageTold,
  publishPage,
  putPage,
  scratch,
  sendOut,
  signPage,
  type Actor,
  type CheckWish,
  type Decision,
  type FindingFilters,
  type PageFound,
  type Result,
  type Services,
  type TokenReach,
} from '@inkwell/review';
import { cursorOf } from './cursors';
import { Trouble } from './problems';
import { ownAddress } from '../auth';
import type { Asked, Call } from './call';
import { EVENT_CALLS } from './eventCalls';
import { PACKAGE_CALLS } from './packageCalls';
import { REPORT_CALL } from './reportCall';
import { json, numberOf, span, valueOf, wrong } from './parts';
import { ASSIGNMENT, CHECK, EXCEPTION, NOTHING, PAGE_TEXT, PUBLICATION, RULING } from './schemas';

const etagOf = (version: number) => `"${version}"`;
const pageAnswer = ({ page, version }: PageFound) => json(page, { etag: etagOf(version) });

/** The version that `If-Match` names; null for any. */
function versionFrom(ifMatch: string | null): number | null {
  if (ifMatch === null) throw new Trouble('no-match', { next: 'Get the page, and send its ETag as `If-Match`.' });
  if (ifMatch.trim() === '*') return null;
  const tag = /^"(\d{1,9})"$/.exec(ifMatch.trim());
  // A weak tag, or one that is none of ours, matches nothing (RFC 9110, 13.1.1).
  if (!tag) throw new Trouble('moved-on');
  return Number(tag[1]);
}

/** Where a page is looked for: in a collection, or wherever it is. */
const placeIn = (named: Asked['named']) => ({ id: numberOf(named.id!), collection: named.slug ?? null });

/** A conflict of versions is told as a precondition that failed. */
function changed(result: Result<PageFound>): Response {
  if (!result.ok && result.problem.code === 'conflict') {
    const { what, kept, next } = result.problem;
    throw new Trouble('moved-on', { detail: what, kept, next });
  }
  return pageAnswer(valueOf(result));
}

const PAGE_CALLS: readonly Omit<Call, 'path'>[] = [
  {
    method: 'GET',
    summary: 'A page with its text',
    reach: 'read',
    answers: { one: 'Page' },
    act: async ({ services, actor, named }) => pageAnswer(valueOf(await pageTold(services, actor, placeIn(named)))),
  },
  {
    method: 'PUT',
    summary: 'Gives a page another text: a revision, and its audit',
    reach: 'bring-in',
    body: PAGE_TEXT,
    answers: { one: 'Page' },
    ifMatch: true,
    act: async ({ services, actor, named, body, ifMatch }) => {
      const { html, note } = body as { html: string; note?: string };
      return changed(await putPage(services, actor, { ...placeIn(named), version: versionFrom(ifMatch), html, note }));
    },
  },
];
const SIGN: Omit<Call, 'path'> = {
  method: 'POST',
  summary: 'Signs a page off as it stands',
  reach: 'publish',
  answers: { one: 'Page' },
  ifMatch: true,
  act: async ({ services, actor, named, ifMatch }) =>
    changed(await signPage(services, actor, { ...placeIn(named), version: versionFrom(ifMatch) })),
};

/** Publishing, and taking off. */
const PUBLICATIONS = (['publish', 'unpublish'] as const).map((act): Omit<Call, 'path'> & { name: string } => ({
  ...{ name: act, method: 'POST', reach: 'publish', answers: { one: 'Page' }, ifMatch: true },
  ...{ body: act === 'publish' ? PUBLICATION : NOTHING, bodyOptional: true },
  summary:
    act === 'publish'
      ? 'Publishes a page as it was signed off, now or at a time, and reads it back from its host'
      : 'Takes a page off its host',
  statuses: { '200': 'Done, and seen on the host', '202': 'On its way: later, or the host is away for now' },
  act: async ({ services, actor, named, body, ifMatch }) => {
    const at = (body as { at?: string } | undefined)?.at;
    const wish = { ...placeIn(named), version: versionFrom(ifMatch), act, at: at === undefined ? null : new Date(at) };
    const result = await publishPage(services, actor, wish);
    if (!result.ok) return changed(result);
    const { page, version, state } = result.value;
    return Response.json(page, { status: state === 'done' ? 200 : 202, headers: { etag: etagOf(version) } });
  },
}));

/** What a list of findings is narrowed by. */
function filtersFrom(search: URLSearchParams): FindingFilters {
  const filters: Record<string, string[]> = {};
  for (const [name, known] of Object.entries(FINDING_FILTERS) as [string, readonly string[] | null][]) {
    const said = search.getAll(name);
    const bad = said.find((one) => (known ? !known.includes(one) : one.length > 100 || (name === 'page' && numberOf(one) === 0)));
    if (bad !== undefined) throw wrong(name, `says “${bad.slice(0, 100)}”, which it may not`);
    if (said.length > 0) filters[name] = said;
  }
  return filters;
}

const FINDING_CALL: Omit<Call, 'path'> = {
  method: 'GET',
  summary: 'A finding as it stands',
  reach: 'read',
  answers: { one: 'Finding' },
  act: async ({ services, actor, named }) => json(valueOf(await findingTold(services, actor, placeIn(named)))),
};

/** What may be decided about a finding: the same as on the screens, through the same door. */
const DECISIONS: readonly { kind: Decision['kind']; summary: string; body: object; decision(said: never): Decision }[] = [
  {
    kind: 'rule',
    summary: 'Answers the question a finding asks',
    body: RULING,
    decision: ({ answer }: { answer: Extract<Decision, { kind: 'rule' }>['answer'] }) => ({ kind: 'rule', answer }),
  },
  {
    kind: 'except',
    summary: 'Lets a finding stand until a day, for a reason',
    body: EXCEPTION,
    decision: ({ reason, until }: { reason: string; until: string }) => ({ kind: 'except', reason, until }),
  },
  {
    kind: 'assign',
    summary: 'Hands a finding to somebody, or takes it back',
    body: ASSIGNMENT,
    decision: ({ to, due = null, words = '' }: { to: string | null; due?: string | null; words?: string }) => ({
      ...{ kind: 'assign', to, due, words, site: ownAddress() },
    }),
  },
];

/** All that may be asked. What is described is what is served: both are made from this. */
export const CALLS: readonly Call[] = [
  {
    method: 'POST',
    path: '/checks',
    summary: 'Looks at a text and keeps nothing of it: what holds it in plain words, and how it would be after every certain fix',
    reach: 'check',
    body: CHECK,
    answers: { one: 'Check' },
    async act({ services, actor, reach, body }) {
      const wish = body as CheckWish;
      if (wish.page && !reach.has('read')) throw lacks('read');
      return json(valueOf(await checkText(services, actor, wish)));
    },
  },
  {
    method: 'GET',
    path: '/collections',
    summary: 'The collections, with how far they are',
    reach: 'read',
    answers: { list: 'Collection' },
    async act({ services, actor, search }) {
      const { limit, after } = span(search, 'collections');
      const behind = valueOf(await collectionsTold(services, actor)).filter(({ slug }) => after === null || slug > after);
      const items = behind.slice(0, limit);
      return json({ items, next: behind.length > limit ? cursorOf('collections', items.at(-1)!.slug) : null });
    },
  },
  {
    method: 'GET',
    path: '/collections/{slug}',
    summary: 'A collection, with how far it is',
    reach: 'read',
    answers: { one: 'Collection' },
    async act({ services, actor, named }) {
      const found = valueOf(await collectionsTold(services, actor)).find(({ slug }) => slug === named.slug);
      if (!found) throw new Trouble('not-found', { detail: 'This collection is not here.' });
      return json(found);
    },
  },
  {
    method: 'GET',
    path: '/collections/{slug}/pages',
    summary: 'The pages of a collection, by id',
    reach: 'read',
    answers: { list: 'Page' },
    async act({ services, actor, named, search }) {
      const of = `pages ${named.slug}`;
      const { limit, after } = span(search, of);
      const { pages, next } = valueOf(await pagesTold(services, actor, { collection: named.slug!, after: Number(after ?? 0), limit }));
      return json({ items: pages, next: next === null ? null : cursorOf(of, String(next)) });
    },
  },
  {
    method: 'GET',
    path: '/collections/{slug}/findings',
    summary: 'The findings of a collection that its house asks for, by id',
    reach: 'read',
    answers: { list: 'Finding' },
    filters: FINDING_FILTERS,
    async act({ services, actor, named, search }) {
      const of = `findings ${named.slug}`;
      const { limit, after } = span(search, of, Object.keys(FINDING_FILTERS));
      const wish = { collection: named.slug!, after: Number(after ?? 0), limit, filters: filtersFrom(search) };
      const { findings, next } = valueOf(await findingsTold(services, actor, wish));
      return json({ items: findings, next: next === null ? null : cursorOf(of, String(next)) });
    },
  },
  {
    method: 'GET',
    path: '/collections/{slug}/package',
    summary: 'A collection as the package it came in, with what was fixed in its place',
    reach: 'read',
    answers: { bytes: 'application/octet-stream' },
    act: ({ services, actor, named }) => packaged(services, actor, named.slug!),
  },
  ...['/collections/{slug}/findings/{id}', '/findings/{id}'].flatMap((path) => [
    { ...FINDING_CALL, path },
    ...DECISIONS.map(({ kind, summary, body, decision }): Call => ({
      ...{ method: 'POST', path: `${path}/${kind}`, summary, reach: 'decide', body, answers: { one: 'Finding' } },
      act: async ({ services, actor, named, body: said }) =>
        json(valueOf(await decideOn(services, actor, { ...placeIn(named), decision: decision(said as never) }))),
    })),
  ]),
  ...['/collections/{slug}/pages/{id}', '/pages/{id}'].flatMap((path) => [
    ...PAGE_CALLS.map((call) => ({ ...call, path })),
    { ...SIGN, path: `${path}/sign` },
    ...PUBLICATIONS.map(({ name, ...call }) => ({ ...call, path: `${path}/${name}` })),
  ]),
  ...PACKAGE_CALLS,
  REPORT_CALL,
  ...EVENT_CALLS,
];

export const lacks = (reach: TokenReach) =>
  new Trouble('not-allowed', { detail: `This wants the reach \`${reach}\`, which the token has not.`, next: 'Have one made that has it.' });

async function packaged(services: Services, actor: Actor, collection: string): Promise<Response> {
  const folder = await scratch();
  const clear = () => rm(folder, { recursive: true, force: true });
  try {
    const { name, file } = valueOf(await sendOut(services, actor, { collection, folder }));
    const { size } = await stat(file);
    const bytes = createReadStream(file);
    bytes.once('close', () => void clear());
    const headers = {
      'content-type': name.endsWith('.epub') ? 'application/epub+zip' : 'application/zip',
      'content-length': String(size),
      'content-disposition': `attachment; filename*=UTF-8''${encodeURIComponent(name)}`,
    };
    return new Response(Readable.toWeb(bytes) as ReadableStream, { headers });
  } catch (error) {
    await clear();
    throw error;
  }
}
