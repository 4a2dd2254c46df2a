import { gutter, GutterMarker, hoverTooltip, keymap, Decoration, EditorView, type DecorationSet, type Tooltip } from '@codemirror/view';
import { RangeSet, StateEffect, StateField, type EditorState, type Extension } from '@codemirror/state';
import type { Weight } from '@inkwell/core';
import { WEIGHT_WORDS } from '@/ui/Drop';

/** A note as the editor shows it: where it stands in the editor, and what it says. */
export interface SourceNote {
  id: string;
  from: number;
  to: number;
  weight: Weight;
  sentence: string;
}

const put = StateEffect.define<readonly SourceNote[]>();

/** The notes, moved along with the text until the engine has looked again. */
const field = StateField.define<{ notes: readonly SourceNote[]; marks: DecorationSet }>({
  create: () => ({ notes: [], marks: Decoration.none }),
  update(value, transaction) {
    let { notes, marks } = value;
    if (transaction.docChanged) {
      notes = notes.map((note) => ({
        ...note,
        from: transaction.changes.mapPos(note.from, 1),
        to: transaction.changes.mapPos(note.to, -1),
      }));
      marks = marks.map(transaction.changes);
    }
    for (const effect of transaction.effects) {
      if (!effect.is(put)) continue;
      notes = effect.value.map((note) => ({
        ...note,
        from: Math.min(note.from, transaction.state.doc.length),
        to: Math.min(note.to, transaction.state.doc.length),
      }));
      marks = Decoration.set(
        notes
          .filter((note) => note.to > note.from)
          .map((note) => UNDERLINES[note.weight].range(note.from, endOnLine(transaction.state, note))),
        true,
      );
    }
    return notes === value.notes && marks === value.marks ? value : { notes, marks };
  },
  provide: (own) => EditorView.decorations.from(own, (value) => value.marks),
});

const UNDERLINES: Record<Weight, Decoration> = {
  must: Decoration.mark({ class: 'note must' }),
  should: Decoration.mark({ class: 'note should' }),
  consider: Decoration.mark({ class: 'note consider' }),
};

/** Only the first line of what a note speaks of is marked: a whole table underlined would hide the rest. */
function endOnLine(state: EditorState, { from, to }: SourceNote): number {
  return Math.max(Math.min(to, state.doc.lineAt(from).to), Math.min(from + 1, state.doc.length));
}

class Mark extends GutterMarker {
  constructor(
    private readonly notes: readonly SourceNote[],
    private readonly onTake: (id: string) => void,
  ) {
    super();
  }

  override eq(other: Mark): boolean {
    return (
      this.notes.length === other.notes.length &&
      this.notes.every((note, i) => note.id === other.notes[i]!.id && note.sentence === other.notes[i]!.sentence)
    );
  }

  override toDOM(): HTMLElement {
    const mark = document.createElement('span');
    const [heaviest] = [...this.notes].sort((a, b) => WEIGHTS.indexOf(a.weight) - WEIGHTS.indexOf(b.weight));
    mark.className = `drop ${heaviest!.weight}`;
    mark.textContent = String(this.notes.length);
    mark.title = this.notes.map(told).join('\n');
    mark.addEventListener('mousedown', (event) => {
      event.preventDefault();
      this.onTake(heaviest!.id);
    });
    return mark;
  }
}

const WEIGHTS: readonly Weight[] = ['must', 'should', 'consider'];

function told(note: SourceNote): string {
  return `${WEIGHT_WORDS[note.weight]}: ${note.sentence}`;
}

function marksOf(state: EditorState, onTake: (id: string) => void) {
  const byLine = new Map<number, SourceNote[]>();
  for (const note of state.field(field).notes) {
    const { from } = state.doc.lineAt(note.from);
    byLine.set(from, [...(byLine.get(from) ?? []), note]);
  }
  return RangeSet.of(
    [...byLine].map(([from, notes]) => new Mark(notes, onTake).range(from)),
    true,
  );
}

function tooltipAt(view: EditorView, place: number, onTake: (id: string) => void): Tooltip | null {
  const notes = view.state
    .field(field)
    .notes.filter((note) => place >= note.from && place <= Math.max(note.from, endOnLine(view.state, note)));
  if (notes.length === 0) return null;
  return {
    pos: Math.min(...notes.map((note) => note.from)),
    above: true,
    create() {
      const dom = document.createElement('div');
      dom.className = 'notes-here';
      for (const note of notes) {
        const line = dom.appendChild(document.createElement('p'));
        line.textContent = `${told(note)}. `;
        const take = line.appendChild(document.createElement('button'));
        take.type = 'button';
        take.textContent = 'Take it up';
        take.addEventListener('click', () => onTake(note.id));
      }
      return { dom };
    },
  };
}

/** Goes to the note after or before the caret, round the ends, and takes it up. */
function step(view: EditorView, way: 1 | -1, onTake: (id: string) => void): boolean {
  const notes = [...view.state.field(field).notes].sort((a, b) => a.from - b.from);
  if (notes.length === 0) return false;
  const here = view.state.selection.main.head;
  const next =
    way === 1 ? (notes.find((note) => note.from > here) ?? notes[0]!) : (notes.findLast((note) => note.from < here) ?? notes.at(-1)!);
  view.dispatch({ selection: { anchor: next.from }, effects: EditorView.scrollIntoView(next.from, { y: 'center' }) });
  onTake(next.id);
  return true;
}

/** Notes in the gutter, under their words and on hover; F8 and Shift F8 go from one to the next. */
export function sourceNotes(onTake: (id: string) => void): Extension {
  return [
    field,
    gutter({
      class: 'note-gutter',
      markers: (view) => marksOf(view.state, onTake),
      initialSpacer: () => new Mark([{ id: '', from: 0, to: 0, weight: 'must', sentence: '' }], () => undefined),
    }),
    hoverTooltip((view, place) => tooltipAt(view, place, onTake)),
    keymap.of([
      { key: 'F8', run: (view) => step(view, 1, onTake) },
      { key: 'Shift-F8', run: (view) => step(view, -1, onTake) },
    ]),
  ];
}

export function showNotes(view: EditorView, notes: readonly SourceNote[]): void {
  // Most keys leave the notes where they moved along to: nothing is drawn anew for those.
  const shown = view.state.field(field).notes;
  if (shown.length === notes.length && notes.every((note, i) => isSame(note, shown[i]!))) return;
  view.dispatch({ effects: put.of(notes) });
}

function isSame(one: SourceNote, other: SourceNote): boolean {
  return (
    one.id === other.id && one.from === other.from && one.to === other.to && one.weight === other.weight && one.sentence === other.sentence
  );
}
