import { ruleOf, sentenceOf } from '@inkwell/core';
import { auditOf, barById, findingsIn, pageById, revisionOf, snapshot, type StoredFinding, type Write } from '@inkwell/store';
import { unlessAllowed, type Actor } from './actor.ts';
import { askedOf } from './bars.ts';
import { done, notFound, type Result } from './problems.ts';
import type { Services } from './services.ts';

export interface ComparedNote {
  id: number;
  weight: StoredFinding['weight'];
  title: string;
  sentence: string;
}

/** Two revisions of a page: their texts, and what became of the findings between them. */
export interface RevisionsCompared {
  from: { number: number; html: string };
  to: { number: number; html: string };
  fixed: ComparedNote[];
  kept: ComparedNote[];
  brought: ComparedNote[];
}

/** Compares any two revisions, each as its newest audit saw it. A finding is the same one in both by its identity, not by its place. */
export function compareRevisions(
  services: Services,
  actor: Actor,
  wish: { pageId: number; from: number; to: number },
): Promise<Result<RevisionsCompared>> {
  return snapshot(services.db, async (at) => {
    const page = await pageById(at, wish.pageId);
    if (!page) return notFound('This page');
    const barred = unlessAllowed(actor, 'see', { collection: page.collection_id });
    if (barred) return barred;
    const bar = await barById(at, page.bar_id);
    const [from, to] = [await revisionIn(at, page.id, wish.from), await revisionIn(at, page.id, wish.to)];
    if (!from || !to) return notFound(`Revision ${from ? wish.to : wish.from}`);
    const [before, after] = [askedOf(from.findings, bar), askedOf(to.findings, bar)];
    const [old, now] = [new Set(before.map((one) => one.id)), new Set(after.map((one) => one.id))];
    return done({
      from: { number: from.number, html: from.html },
      to: { number: to.number, html: to.html },
      fixed: before.filter((one) => !now.has(one.id)).map(line),
      kept: after.filter((one) => old.has(one.id)).map(line),
      brought: after.filter((one) => !old.has(one.id)).map(line),
    });
  });
}

async function revisionIn(
  at: Write,
  pageId: number,
  number: number,
): Promise<{ number: number; html: string; findings: StoredFinding[] } | null> {
  const revision = await revisionOf(at, pageId, number);
  const audit = revision && (await auditOf(at, pageId, number));
  return revision && audit ? { number, html: revision.html, findings: await findingsIn(at, pageId, revision.html, audit.id) } : null;
}

function line(finding: StoredFinding): ComparedNote {
  return { id: finding.id, weight: finding.weight, title: ruleOf(finding.rule)?.title ?? finding.rule, sentence: sentenceOf(finding) };
}
