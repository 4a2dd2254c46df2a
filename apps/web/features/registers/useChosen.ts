'use client';
import type { ThingLine } from '@inkwell/review';
import { useState } from 'react';

/** Lines chosen one by one, or all that the choice comes to. */
export function useChosen(choice: string) {
  const [state, setState] = useState<{ of: string; lines: ReadonlyMap<string, ThingLine>; all: boolean }>({
    of: choice,
    lines: new Map(),
    all: false,
  });
  const now = state.of === choice ? state : { of: choice, lines: new Map<string, ThingLine>(), all: false };
  return {
    set: new Set(now.lines.keys()),
    lines: [...now.lines.values()],
    all: now.all,
    toggle: (line: ThingLine) => {
      const lines = new Map(now.lines);
      if (!lines.delete(line.key)) lines.set(line.key, line);
      setState({ of: choice, lines, all: false });
    },
    chooseAll: () => setState({ of: choice, lines: new Map(), all: true }),
    clear: () => setState({ of: choice, lines: new Map(), all: false }),
  };
}

export type ChosenLines = ReturnType<typeof useChosen>;
