import { filterFrom, writeFilter, type NoteFilter } from './note/filter';
import { viewFrom, writeView, type ProofView } from './proof/views';

/** The faces of a page, in the order of their tabs and keys. */
export const FACES = [
  { id: 'proof', label: 'Proof' },
  { id: 'text', label: 'Text' },
  { id: 'outline', label: 'Outline' },
  { id: 'spoken', label: 'Spoken' },
  { id: 'source', label: 'Source' },
  { id: 'changes', label: 'Changes' },
] as const;

export type Face = (typeof FACES)[number]['id'];

/** Two revisions to be laid side by side. */
export interface Pair {
  from: number;
  to: number;
}

/** Where someone is on the Desk: all of it stands in the address, so that it can be shared and come back to. */
export interface DeskPlace {
  note: number | null;
  face: Face;
  filter: NoteFilter;
  view: ProofView;
  pair: Pair | null;
}

export function placeFrom(search: { get(name: string): string | null }): DeskPlace {
  const [from, to] = [Number(search.get('from')), Number(search.get('to'))];
  return {
    note: Number(search.get('note')) || null,
    face: FACES.find((face) => face.id === search.get('face'))?.id ?? 'proof',
    filter: filterFrom(search),
    view: viewFrom(search),
    pair: from > 0 && to > 0 && from !== to ? { from, to } : null,
  };
}

/** The query of a place, with its question mark; empty when everything is as usual. */
export function queryOf({ note, face, filter, view, pair }: DeskPlace): string {
  const search = new URLSearchParams();
  if (face !== 'proof') search.set('face', face);
  if (pair) {
    search.set('from', String(pair.from));
    search.set('to', String(pair.to));
  }
  writeView(view, search);
  writeFilter(filter, search);
  if (note) search.set('note', String(note));
  const query = search.toString();
  return query && `?${query}`;
}
