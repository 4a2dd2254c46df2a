import { ruleOf, sentenceOf } from '@inkwell/core';
import { findingsIn, revisionOf, type Database, type StoredFinding } from '@inkwell/store';
import { done, notFound, type Result } from './problems.ts';

export interface ComparedNote {
  id: number;
  weight: StoredFinding['weight'];
  title: string;
  sentence: string;
}

/** Two revisions of a page: their texts, and what became of the notes between them. */
export interface RevisionsCompared {
  from: { number: number; html: string };
  to: { number: number; html: string };
  fixed: ComparedNote[];
  kept: ComparedNote[];
  brought: ComparedNote[];
}

/** Compares any two revisions. A finding is the same one in both by its identity, not by its place. */
export async function compareRevisions(db: Database, wish: { pageId: number; from: number; to: number }): Promise<Result<RevisionsCompared>> {
  const [from, to] = await Promise.all([revisionOf(db, wish.pageId, wish.from), revisionOf(db, wish.pageId, wish.to)]);
  if (!from || !to) return notFound(`Revision ${from ? wish.to : wish.from}`);
  const [before, after] = (await Promise.all([findingsIn(db, wish.pageId, wish.from), findingsIn(db, wish.pageId, wish.to)])).map((seen) => seen.filter((finding) => finding.asked)) as [StoredFinding[], StoredFinding[]];
  const [old, now] = [new Set(before.map((one) => one.id)), new Set(after.map((one) => one.id))];
  return done({
    from: { number: from.number, html: from.html },
    to: { number: to.number, html: to.html },
    fixed: before.filter((one) => !now.has(one.id)).map(line),
    kept: after.filter((one) => old.has(one.id)).map(line),
    brought: after.filter((one) => !old.has(one.id)).map(line),
  });
}

function line(finding: StoredFinding): ComparedNote {
  return { id: finding.id, weight: finding.weight, title: ruleOf(finding.rule)?.title ?? finding.rule, sentence: sentenceOf(finding) };
}
