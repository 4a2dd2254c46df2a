import { ruleOf, sentenceOf, type Weight } from '@inkwell/core';
import {
  agreement,
  answerLines,
  askedQuestions,
  pagesAsking,
  questionPlaces,
  snapshot,
  type AnswerLine,
  type AskedQuestion,
  type AskingPage,
  type KindAsked,
  type QuestionPlace,
  type Write,
} from '@inkwell/store';
import { may, unlessAllowed, type Actor } from '../actor.ts';
import { titleOf } from '../fix.ts';
import { done, type Result } from '../problems.ts';
import { mayReachAnywhere } from './sameness.ts';
import type { Services } from '../services.ts';

/** A question as it is put to a person, on the first finding that asks it. */
export interface QuestionView {
  same: string;
  finding: number;
  page: number;
  rule: string;
  title: string;
  weight: Weight;
  ask: string;
  yes: string;
  no: string;
  why: string;
  sentence: string;
  /** Where it is shown: the page, and the element on it. */
  place: Pick<QuestionPlace, 'slug' | 'title' | 'address' | 'revision' | 'collection' | 'collectionTitle' | 'path' | 'through'>;
  /** Findings and pages that ask it; pages that wait for nothing else. */
  many: number;
  pages: number;
  holding: number;
  /** Whether an answer may reach other collections. */
  anywhere: boolean;
  /** The first pages that ask it, by collection: its own first. */
  asking: { collection: string; title: string; pages: number; first: { slug: string; title: string }[] }[];
  /** The alternative text of the image it is about, which may be written anew; null where it is about none, or may not be. */
  alternative: string | null;
  /** What was said of it already: by whoever was not sure, or by the first of two. */
  said: AnswerView[];
}

export interface AnswerView extends Omit<AnswerLine, 'at' | 'message' | 'values'> {
  at: string;
  title: string;
  sentence: string | null;
}

/** A kind of question, how many there are, and how it was answered so far. */
export interface KindView extends KindAsked {
  title: string;
  /** Answered “no problem” so often running that it may be turned off. */
  mayGo: boolean;
}

export interface QuestionsShown {
  waiting: 'anybody' | 'specialist';
  questions: QuestionView[];
  kinds: KindView[];
  /** How often two people answered alike, where two were asked. */
  agreement: { agreed: number; apart: number };
  /** Whether whoever looks may answer for all collections, and may turn a kind off. */
  mayAnswerEverywhere: boolean;
  maySetStandard: boolean;
}

export interface ShowQuestions {
  waiting: 'anybody' | 'specialist';
  rule: string | null;
  /** A finding whose question is put first. */
  first?: number | null;
  /** Sums of questions that are passed over. */
  skip: readonly string[];
}

/** Questions put at once. */
const AT_ONCE = 30;
/** Pages named of each collection that asks. */
const NAMED = 4;
/** Answers “no problem” running after which a kind is offered to be turned off. */
const RUNNING = 30;

/** The collections whose questions somebody may answer: ids, or null for all. Whoever may answer none is told so. */
function answeredBy(actor: Actor): Result<number[] | null> {
  if (may(actor, 'rule', 'house')) return done(null);
  const own = actor.memberships.flatMap(({ collection }) => (collection === null ? [] : [collection]));
  const collections = own.filter((collection) => may(actor, 'rule', { collection }));
  if (collections.length > 0) return done(collections);
  return unlessAllowed(actor, 'rule', own[0] === undefined ? 'house' : { collection: own[0] }, 'This screen') ?? done([]);
}

/** The questions worth most now, with all that is needed to answer them. */
export function questions(services: Services, actor: Actor, wish: ShowQuestions): Promise<Result<QuestionsShown>> {
  return snapshot(services.db, async (at) => {
    const own = answeredBy(actor);
    if (!own.ok) return own;
    const collections = own.value;
    const of = { collections, waiting: wish.waiting, me: actor.id, rule: wish.rule, first: wish.first ?? null };
    const { questions: asked, kinds } = await askedQuestions(at, of, { skip: wish.skip, limit: AT_ONCE });
    return done({
      waiting: wish.waiting,
      questions: await viewsOf(at, asked, collections, wish.waiting),
      kinds: kinds.map((kind) => ({ ...kind, title: titleOf(kind.rule), mayGo: kind.running >= RUNNING })),
      agreement: await agreement(at),
      mayAnswerEverywhere: collections === null,
      maySetStandard: may(actor, 'set the standard', 'house'),
    });
  });
}

async function viewsOf(
  at: Write,
  asked: readonly AskedQuestion[],
  collections: readonly number[] | null,
  waiting: ShowQuestions['waiting'],
): Promise<QuestionView[]> {
  if (asked.length === 0) return [];
  const found = await questionPlaces(
    at,
    asked.map(({ finding }) => finding),
  );
  const places = new Map(found.map((place) => [place.finding, place]));
  const sums = asked.map(({ same }) => same);
  const asking = await pagesAsking(at, sums, collections, NAMED);
  const said = await saidOf(at, sums, collections, waiting);
  return asked.flatMap((one) => {
    const place = places.get(one.finding);
    return place ? [viewOf(one, place, asking.get(one.same) ?? [], said.get(one.same) ?? [])] : [];
  });
}

function viewOf(one: AskedQuestion, place: QuestionPlace, asking: readonly AskingPage[], said: AnswerView[]): QuestionView {
  const rule = ruleOf(one.rule);
  const { slug, title, address, revision, collection, collectionTitle, path, through } = place;
  return {
    same: one.same,
    finding: one.finding,
    page: place.page,
    rule: one.rule,
    title: titleOf(one.rule),
    weight: one.weight,
    ask: rule?.question?.ask ?? 'Is this a problem?',
    yes: rule?.question?.yes ?? 'Yes',
    no: rule?.question?.no ?? 'No',
    why: rule?.why ?? '',
    sentence: sentenceOf(place),
    place: { slug, title, address, revision, collection, collectionTitle, path, through },
    many: one.many,
    pages: one.pages,
    holding: one.holding,
    anywhere: mayReachAnywhere(one.same),
    asking: byCollection(asking, collection),
    alternative: rule?.remedies.includes('describe') && typeof place.values.alt === 'string' ? place.values.alt : null,
    said,
  };
}

function byCollection(asking: readonly AskingPage[], own: string): QuestionView['asking'] {
  const groups = new Map<string, QuestionView['asking'][number]>();
  for (const { collection, collectionTitle, slug, title, pages } of asking) {
    const group = groups.get(collection) ?? { collection, title: collectionTitle, pages, first: [] };
    group.first.push({ slug, title });
    groups.set(collection, group);
  }
  return [...groups.values()].sort((a, b) => Number(b.collection === own) - Number(a.collection === own));
}

/**
 * What was said of some questions and holds; a specialist is told what two said who do not agree. The second of two is not told what the
 * first said.
 */
async function saidOf(
  at: Write,
  sums: readonly string[],
  collections: readonly number[] | null,
  waiting: ShowQuestions['waiting'],
): Promise<Map<string, AnswerView[]>> {
  const states = waiting === 'specialist' ? (['in force', 'apart'] as const) : (['in force'] as const);
  const lines = await answerLines(at, { collections, before: null, sums, states }, AT_ONCE * 4);
  const said = new Map<string, AnswerView[]>();
  for (const line of lines) said.set(line.same, [...(said.get(line.same) ?? []), answerView(line)]);
  return said;
}

function answerView({ at, message, values, ...line }: AnswerLine): AnswerView {
  return {
    ...line,
    at: at.toISOString(),
    title: titleOf(line.rule),
    sentence: message === null ? null : sentenceOf({ rule: line.rule, message, values: values ?? {} }),
  };
}

/** Answers told at once. */
const ANSWERS = 50;

/** What was answered, by whom, why, and where it holds; the newest first. */
export function answersGiven(
  services: Services,
  actor: Actor,
  wish: { before: number | null; rule: string | null },
): Promise<Result<{ answers: AnswerView[]; next: number | null }>> {
  return snapshot(services.db, async (at) => {
    const own = answeredBy(actor);
    if (!own.ok) return own;
    const lines = await answerLines(at, { collections: own.value, before: wish.before, rule: wish.rule }, ANSWERS + 1);
    const answers = lines.slice(0, ANSWERS).map(answerView);
    return done({ answers, next: lines.length > ANSWERS ? answers.at(-1)!.id : null });
  });
}
