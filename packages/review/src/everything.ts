import { ruleOf, sentenceOf } from '@inkwell/core';
import { csvRows, toCsvTable } from '@inkwell/formats';
import { collectionBySlug, findingLines, type FindingLine } from '@inkwell/store';
import { unlessAllowed, type Actor } from './actor.ts';
import { done, notFound, type Result } from './problems.ts';
import type { Services } from './services.ts';

const COLUMNS = [
  ...['page', 'title', 'content type', 'verdict', 'revision', 'family', 'weight', 'outcome', 'standing', 'excepted until'],
  ...['rule', 'finding', 'criteria', 'place'],
] as const;

/** Findings written at once. */
const TOGETHER = 2_000;

/** A list of every finding of a collection, fixed and settled ones too, as CSV in parts (RFC 4180). */
export async function everythingIn(
  services: Services,
  actor: Actor,
  wish: { collection: string },
): Promise<Result<{ name: string; parts: AsyncGenerator<string> }>> {
  const collection = await collectionBySlug(services.db, wish.collection);
  if (!collection) return notFound('This collection');
  const barred = unlessAllowed(actor, 'see', { collection: collection.id }, 'This collection');
  return barred ?? done({ name: `${collection.slug}.csv`, parts: partsOf(services, collection.id) });
}

async function* partsOf({ db }: Services, collectionId: number): AsyncGenerator<string> {
  yield toCsvTable([], COLUMNS);
  for (let after: FindingLine | null = null; ;) {
    const lines: FindingLine[] = await findingLines(db, collectionId, after, TOGETHER);
    if (lines.length === 0) return;
    after = lines.at(-1)!;
    yield csvRows(lines.map(rowOf), COLUMNS);
  }
}

function rowOf(line: FindingLine): Record<(typeof COLUMNS)[number], unknown> {
  return {
    page: line.address,
    title: line.title,
    'content type': line.content_type,
    verdict: line.verdict,
    revision: line.revision,
    family: line.family,
    weight: line.weight,
    outcome: line.outcome,
    standing: line.standing,
    'excepted until': line.standing === 'excepted' ? line.until : null,
    rule: line.rule,
    finding: sentenceOf(line),
    criteria: (ruleOf(line.rule)?.criteria ?? []).join(' '),
    place: line.path,
  };
}
