import { sql, type Selectable } from 'kysely';
import type { Finding } from '@inkwell/core';
import type { Database, Write } from '../database.ts';
import type { Answer, Findings, Occurrences, Standing } from '../schema.ts';

/** A finding of a page with its occurrence in one revision. */
export interface StoredFinding extends Finding {
  id: number;
  standing: Standing;
  ruled: Answer | null;
  firstRevision: number;
  /** Whether the house's profile asks for it. */
  asked: boolean;
}

export const OPEN_STANDINGS: readonly Standing[] = ['open', 'in hand', 'returned'];

type Row = Selectable<Findings> & Selectable<Occurrences>;

function toFinding(row: Row): StoredFinding {
  return {
    id: row.id,
    rule: row.rule,
    family: row.family,
    weight: row.weight,
    outcome: row.outcome,
    criteria: row.criteria,
    techniques: row.techniques,
    message: row.message,
    values: row.message_values,
    at: { path: row.path, ...(row.through === null ? {} : { through: row.through }), start: row.start_at, end: row.end_at, line: row.line, column: row.line_column },
    fingerprint: row.fingerprint,
    subject: row.subject,
    remedies: row.remedies,
    standing: row.standing,
    ruled: row.ruled,
    firstRevision: row.first_revision,
    asked: row.asked,
  };
}

/** The findings an audit of a revision saw, in its order. */
export async function findingsIn(db: Database | Write, pageId: number, revision: number): Promise<StoredFinding[]> {
  const rows = await db
    .selectFrom('occurrences')
    .innerJoin('findings', 'findings.id', 'occurrences.finding_id')
    .selectAll('occurrences')
    .selectAll('findings')
    .where('occurrences.page_id', '=', pageId)
    .where('occurrences.revision', '=', revision)
    .orderBy('occurrences.ordinal')
    .execute();
  return rows.map((row) => toFinding(row as Row));
}

/** Findings of a page that the last audit no longer saw, each with the newest place it had. */
export async function fixedFindings(db: Database | Write, pageId: number): Promise<StoredFinding[]> {
  const rows = await db
    .selectFrom('findings')
    .innerJoin('occurrences', (join) => join.onRef('occurrences.finding_id', '=', 'findings.id').onRef('occurrences.revision', '=', 'findings.last_revision'))
    .selectAll('occurrences')
    .selectAll('findings')
    .where('findings.page_id', '=', pageId)
    .where('findings.standing', '=', 'fixed')
    .orderBy('findings.id')
    .execute();
  return rows.map((row) => toFinding(row as Row));
}

export interface RulingLine {
  finding_id: number;
  answer: Answer;
  by: string;
  made_at: Date;
}

/** The rulings in force on a page. */
export function rulingsOn(db: Database, pageId: number): Promise<RulingLine[]> {
  return db
    .selectFrom('rulings')
    .innerJoin('findings', 'findings.id', 'rulings.finding_id')
    .innerJoin('people', 'people.id', 'rulings.made_by')
    .select(['rulings.finding_id', 'rulings.answer', 'people.name as by', 'rulings.made_at'])
    .where('findings.page_id', '=', pageId)
    .where('rulings.taken_back_at', 'is', null)
    .execute();
}

export interface WaiverLine {
  finding_id: number;
  reason: string;
  /** YYYY-MM-DD. */
  until: string;
  by: string;
  made_at: Date;
}

/** The waivers in force on a page. */
export function waiversOn(db: Database | Write, pageId: number): Promise<WaiverLine[]> {
  return db
    .selectFrom('waivers')
    .innerJoin('findings', 'findings.id', 'waivers.finding_id')
    .innerJoin('people', 'people.id', 'waivers.made_by')
    .select(['waivers.finding_id', 'waivers.reason', sql<string>`to_char(until, 'YYYY-MM-DD')`.as('until'), 'people.name as by', 'waivers.made_at'])
    .where('findings.page_id', '=', pageId)
    .where('waivers.ended_at', 'is', null)
    .execute();
}

/** Waivers whose last day has passed, with the page each is on. */
export function dueWaivers(db: Database | Write): Promise<{ id: number; finding_id: number; made_by: string; page_id: number; standing: Standing; head: number }[]> {
  return db
    .selectFrom('waivers')
    .innerJoin('findings', 'findings.id', 'waivers.finding_id')
    .innerJoin('pages', 'pages.id', 'findings.page_id')
    .select(['waivers.id', 'waivers.finding_id', 'waivers.made_by', 'findings.page_id', 'findings.standing', 'pages.head'])
    .where('waivers.ended_at', 'is', null)
    .where('waivers.until', '<', sql<string>`current_date`)
    .execute();
}
