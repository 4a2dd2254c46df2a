import type { RevisionView } from '@inkwell/review';

/** Revisions that stand in one line: one, or several steps of undo and redo in a row, the newest first. */
export type Line = readonly [RevisionView, ...RevisionView[]];

const isStep = ({ cause, note }: RevisionView) => cause === 'restored' && /^(?:undid|redid) /.test(note);

/** A history with each run of undo and redo as one line; `open`: the newest numbers of runs that are to be shown whole. */
export function folded(history: readonly RevisionView[], open: ReadonlySet<number>): Line[] {
  const lines: [RevisionView, ...RevisionView[]][] = [];
  for (const revision of history) {
    const run = lines.at(-1);
    if (run && isStep(run[0]) && isStep(revision)) run.push(revision);
    else lines.push([revision]);
  }
  return lines.flatMap((line): Line[] => (open.has(line[0].number) ? line.map((one): Line => [one]) : [line]));
}

/** What a run came to: how often one went back and on again. */
export function wordsOfRun(run: Line): string {
  const many = (word: string) => run.filter(({ note }) => note.startsWith(word)).length;
  const [undone, redone] = [many('undid'), many('redid')];
  return [undone > 0 && `${undone} undone`, redone > 0 && `${redone} done again`].filter(Boolean).join(', ');
}
