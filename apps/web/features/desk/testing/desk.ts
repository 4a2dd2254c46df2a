import {
  applyRemedy,
  arrange,
  auditPage,
  DEFAULT_PROFILE,
  parsePage,
  ruleOf,
  selectFindings,
  sentenceOf,
  surroundingsFrom,
  type Arrangement,
  type Inputs,
  type Page,
} from '@inkwell/core';
import type { Desk, Note, Problem } from '@inkwell/review';
import { PageReader } from '../engine/answer';
import type { Question } from '../engine/protocol';
import type { Engine } from '../engine/useEngine';
import { NO_FILTER } from '../note/filter';
import type { Draft, DraftShelf } from '../source/drafts';
import type { DeskPlace } from '../place';
import { USUAL_VIEW } from '../proof/views';

/** The Desk's beginning, with nothing chosen. */
export const AT_FIRST: DeskPlace = { note: null, face: 'proof', filter: NO_FILTER, view: USUAL_VIEW, pair: null };

function pageOf(html: string): Page {
  return parsePage(html, {
    scope: 'fragment',
    surroundings: surroundingsFrom({ address: 'wax.html', scope: 'fragment', title: 'Wax' }, { titles: {} }),
  });
}

/** A desk as the server would give it, its notes from the engine itself. */
export function deskOf(html: string, number = 1, over: Partial<Desk> = {}): Desk {
  const revision = { number, cause: 'brought in', note: '', by: 'Ines Calder', at: '2026-03-02T09:00:00.000Z' };
  return {
    pageId: 7,
    version: number,
    collection: { id: 1, slug: 'bees', title: 'Bees' },
    slug: 'wax',
    title: 'Wax',
    contentType: 'lesson',
    scope: 'fragment',
    packaged: false,
    out: false,
    address: 'wax.html',
    revision,
    html,
    notes: notesOf(html),
    failedRules: [],
    verdict: 'held',
    release: 'draft',
    tally: { must: 0, should: 0, consider: 0, judge: 0 },
    elsewhere: 0,
    fixedHere: 0,
    canUndo: number > 1,
    canRedo: false,
    signOff: null,
    beside: { before: null, after: null, open: null },
    neighbours: { titles: {} },
    history: [revision],
    looked: [],
    ...over,
  };
}

/** Ids are made of what a note is about, so that a note keeps its id from revision to revision. */
function notesOf(html: string): Note[] {
  return selectFindings(auditPage(pageOf(html)).findings, DEFAULT_PROFILE).map((finding) => {
    const rule = ruleOf(finding.rule)!;
    return {
      ...finding,
      id: parseInt(finding.fingerprint.slice(0, 7), 16),
      standing: 'open',
      ruled: null,
      firstRevision: 1,
      placeNumbers: [0],
      title: rule.title,
      sentence: sentenceOf(finding),
      why: rule.why,
      fix: rule.fix,
      question: rule.question ?? null,
      sure: false,
      ruling: null,
      exception: null,
      waitsFor: null,
      handed: null,
      remarks: 0,
    };
  });
}

/** The engine without its worker. */
export function engineHere(): Engine {
  const reader = new PageReader();
  return {
    ask: (question: Question) => Promise.resolve(reader.answer(question)),
    stop: () => undefined,
    again: () => undefined,
    subscribe: () => () => undefined,
    health: { trouble: null, begun: 0 },
  } as unknown as Engine;
}

/** A server that holds one page: what was asked of it, and answers to the actions the tests use. */
export class OnePageServer {
  readonly asked: { action: string; body: Record<string, unknown> }[] = [];
  /** Answers with this once, in place of doing what is asked. */
  refuses: Problem | null = null;

  constructor(public desk: Desk) {
    globalThis.fetch = ((address: string, init: { body: string }) =>
      Promise.resolve({
        json: () => Promise.resolve(this.answer(address.split('/').at(-1)!, JSON.parse(init.body) as Record<string, unknown>)),
      })) as unknown as typeof fetch;
  }

  private answer(action: string, body: Record<string, unknown>): unknown {
    this.asked.push({ action, body });
    const problem = this.refuses;
    this.refuses = null;
    if (problem) return { ok: false, problem };
    const html = this.htmlAfter(action, body);
    if (html !== this.desk.html) this.desk = deskOf(html, this.desk.revision.number + 1);
    else
      this.desk = {
        ...this.desk,
        notes: this.desk.notes.map((note) => (note.id === body.findingId ? { ...note, ...settled(action, body) } : note)),
      };
    return { ok: true, value: { result: null, desk: this.desk } };
  }

  private htmlAfter(action: string, body: Record<string, unknown>): string {
    const page = pageOf(this.desk.html);
    if (action === 'source') return body.html as string;
    if (action === 'arrange') return valueOf(arrange(page, body.arrangement as Arrangement));
    if (action !== 'fix') return this.desk.html;
    const note = this.desk.notes.find(({ id }) => id === body.findingId)!;
    return valueOf(
      applyRemedy(
        page,
        auditPage(page).findings.find(({ fingerprint }) => fingerprint === note.fingerprint)!,
        body.remedy as string,
        body.inputs as Inputs,
      ),
    );
  }
}

function valueOf(result: { ok: true; value: { after: string } } | { ok: false; reason: string }): string {
  if (!result.ok) throw new Error(result.reason);
  return result.value.after;
}

function settled(action: string, body: Record<string, unknown>): Partial<Note> {
  if (action === 'rule')
    return body.answer === 'no problem'
      ? { standing: 'ruled out', ruled: 'no problem' }
      : { ruled: body.answer as Note['ruled'], ...(body.answer === 'not sure' ? { waitsFor: 'specialist' } : {}) };
  return action === 'let-stand' ? { standing: 'excepted' } : {};
}

/** The problem of saving on top of what someone else saved meanwhile. */
export function conflictWith(theirs: string): Problem {
  return {
    code: 'conflict',
    what: 'Someone saved before you',
    theirs: { revision: 9, version: 9, html: theirs, by: 'Tom Arkle', at: '2026-03-02T10:00:00.000Z' },
  };
}

/** Drafts without a browser: what is kept, and whether anything is. */
export class DraftsHere implements DraftShelf {
  full = false;

  constructor(public draft: Draft | null = null) {}

  read = () => Promise.resolve(this.draft);

  keep = (draft: Draft) => {
    if (!this.full) this.draft = draft;
    return Promise.resolve(!this.full);
  };

  drop = () => {
    this.draft = null;
    return Promise.resolve();
  };
}
