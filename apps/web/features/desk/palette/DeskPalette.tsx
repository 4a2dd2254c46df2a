'use client';
import { useMemo } from 'react';
import { WEIGHT_WORDS } from '@/ui/Drop';
import { FAMILIES, FAMILY_WORDS } from '@/ui/words';
import { NO_FILTER } from '../note/filter';
import { EYES, USUAL_VIEW, WIDTHS, type ProofView } from '../proof/views';
import type { DeskActions, DeskState } from '../useDesk';
import type { Shortcut } from '../useShortcuts';
import { entriesOf, type Entry } from './entries';
import { Palette } from './Palette';

export interface DeskPaletteProps {
  state: DeskState;
  actions: DeskActions;
  shortcuts: readonly Shortcut[];
  view: ProofView;
  onView(view: ProofView): void;
  onClose(): void;
}

/** The palette of the Desk: its keys, its notes, the ways of looking at the proof and of narrowing the list. */
export function DeskPalette({ state, actions, shortcuts, view, onView, onClose }: DeskPaletteProps) {
  const entries = useMemo((): Entry[] => {
    const look = (part: Partial<ProofView>) => () => {
      onView({ ...view, ...part });
      actions.setFace('proof');
    };
    const present = FAMILIES.filter((family) => state.desk.notes.some((note) => note.family === family));
    return [
      ...entriesOf(shortcuts),
      ...state.open.map(({ number, note }) => ({
        id: `note ${note.id}`,
        group: 'Notes',
        does: `Note ${number}, ${WEIGHT_WORDS[note.weight].toLowerCase()}: ${note.sentence}`,
        run: () => actions.choose(note.id),
      })),
      ...WIDTHS.map(({ value, label }) => ({
        id: `width ${value}`,
        group: 'The proof',
        does: `Show the proof at ${label.toLowerCase()} width`,
        run: look({ width: value }),
      })),
      ...EYES.map(({ value, label }) => ({
        id: `eyes ${value}`,
        group: 'The proof',
        does: `Show the proof with ${label}`,
        run: look({ eyes: value }),
      })),
      {
        id: 'text',
        group: 'The proof',
        does: view.text === '200' ? 'Show text at its usual size' : 'Show text doubled',
        run: look({ text: view.text === '200' ? '100' : '200' }),
      },
      {
        id: 'images',
        group: 'The proof',
        does: view.images === 'words' ? 'Show images' : 'Show images in words',
        run: look({ images: view.images === 'words' ? 'shown' : 'words' }),
      },
      { id: 'usual', group: 'The proof', does: 'Show the proof as usual', run: look(USUAL_VIEW) },
      ...present.map((family) => ({
        id: `family ${family}`,
        group: 'The list',
        does: `Only ${FAMILY_WORDS[family].toLowerCase()}`,
        run: () => actions.setFilter({ ...NO_FILTER, family }),
      })),
      { id: 'must', group: 'The list', does: 'Only what must be fixed', run: () => actions.setFilter({ ...NO_FILTER, weight: 'must' }) },
      {
        id: 'judge',
        group: 'The list',
        does: 'Only questions to judge',
        run: () => actions.setFilter({ ...NO_FILTER, standing: 'to judge' }),
      },
      { id: 'all', group: 'The list', does: 'Every note', run: () => actions.setFilter(NO_FILTER) },
    ];
  }, [state, actions, shortcuts, view, onView]);
  return <Palette open onClose={onClose} entries={entries} />;
}
