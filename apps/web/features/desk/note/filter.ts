import { stepOf, STEPS, type Family, type StepId, type Weight } from '@inkwell/core';
import type { Note } from '@inkwell/review';
import { FAMILIES } from '@/ui/words';

/** What the list of notes is narrowed to; an empty string asks for everything. */
export interface NoteFilter {
  family: Family | '';
  /** A step of the walk, which may take in several families. */
  step: StepId | '';
  weight: Weight | '';
  criterion: string;
  standing: Note['standing'] | 'to judge' | 'specialist' | 'mine' | '';
  /** Words that have to stand in the note, in any order. */
  words: string;
}

export const NO_FILTER: NoteFilter = { family: '', step: '', weight: '', criterion: '', standing: '', words: '' };

export const WEIGHTS: readonly Weight[] = ['must', 'should', 'consider'];
export const STANDINGS = ['to judge', 'open', 'returned', 'mine', 'specialist', 'excepted', 'elsewhere', 'ruled out'] as const;

const KNOWN: Partial<Record<keyof NoteFilter, readonly string[]>> = {
  family: FAMILIES,
  step: STEPS.map(({ id }) => id),
  weight: WEIGHTS,
  standing: STANDINGS,
};
const KEYS = Object.keys(NO_FILTER) as (keyof NoteFilter)[];

export function filters(filter: NoteFilter): boolean {
  return KEYS.some((key) => filter[key] !== '');
}

export function passes(filter: NoteFilter, note: Note): boolean {
  if (filter.family && note.family !== filter.family) return false;
  if (filter.step && stepOf(note.family) !== filter.step) return false;
  if (filter.weight && note.weight !== filter.weight) return false;
  if (filter.criterion && !note.criteria.includes(filter.criterion)) return false;
  if (filter.standing && !stands(filter.standing, note)) return false;
  const said = `${note.title} ${note.sentence} ${note.criteria.join(' ')}`.toLowerCase();
  return filter.words
    .toLowerCase()
    .split(/\s+/)
    .every((word) => said.includes(word));
}

const OPEN: ReadonlySet<string> = new Set(['open', 'returned']);

function stands(standing: Exclude<NoteFilter['standing'], ''>, note: Note): boolean {
  if (standing === 'to judge') return isToJudge(note);
  if (standing === 'mine') return isOpen(note) && (note.handed?.mine ?? false);
  return standing === 'specialist' ? note.waitsFor !== null : note.standing === standing;
}

/** A note that still asks for something. */
export function isOpen(note: Note): boolean {
  return OPEN.has(note.standing);
}

/** A question that nobody has settled yet. */
export function isToJudge(note: Note): boolean {
  return note.outcome === 'cantTell' && (note.ruled === null || note.ruled === 'not sure');
}

/** The filter an address asks for; what it does not know asks for nothing. */
export function filterFrom(search: { get(name: string): string | null }): NoteFilter {
  return Object.fromEntries(
    KEYS.map((key) => {
      const asked = search.get(key) ?? '';
      return [key, !KNOWN[key] || KNOWN[key].includes(asked) ? asked : ''];
    }),
  ) as unknown as NoteFilter;
}

export function writeFilter(filter: NoteFilter, search: URLSearchParams): void {
  for (const key of KEYS) if (filter[key]) search.set(key, filter[key]);
}
