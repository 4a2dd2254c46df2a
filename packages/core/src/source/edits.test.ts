import fc from 'fast-check';
import {
  applyChange,
  changeBetween,
  changeOf,
  composeChanges,
  composeMoves,
  editsAlong,
  invertChange,
  mapChange,
  mapOffset,
  placeUnder,
  type Change,
  type Edit,
} from './edits.ts';

const SEEDED = { seed: 20261124, numRuns: 500 };
const text = fc.string({ minLength: 0, maxLength: 60 });

/** Edits that never overlap, for a text of the given length. */
function editsFor(length: number): fc.Arbitrary<Edit[]> {
  return fc.array(fc.tuple(fc.nat(length), fc.nat(length), fc.string({ maxLength: 6 })), { maxLength: 5 }).map((rows) => {
    const edits: Edit[] = [];
    let reached = 0;
    for (const [a, b, put] of rows.sort((x, y) => Math.min(x[0], x[1]) - Math.min(y[0], y[1]))) {
      const start = Math.max(reached, Math.min(a, b));
      const end = Math.max(start, Math.max(a, b) > start + 8 ? start + 2 : Math.max(a, b));
      if (start > length || end > length) continue;
      edits.push({ start, end, text: put });
      reached = end + 1;
    }
    return edits;
  });
}

const changed = text.chain((source) => editsFor(source.length).map((edits) => ({ source, edits })));

function must(source: string, edits: Edit[]): Change {
  const made = changeOf(source, edits);
  if (!made.ok) throw new Error(made.reason);
  return made.value;
}

function apply(source: string, change: Change): string {
  const after = applyChange(source, change);
  if (!after.ok) throw new Error(after.reason);
  return after.value;
}

test('bytes outside the edits stay', () => {
  const source = '<p>One</p><p>Two</p>';
  expect(
    apply(
      source,
      must(source, [
        { start: 13, end: 16, text: 'Three' },
        { start: 3, end: 3, text: '<b>' },
      ]),
    ),
  ).toBe('<p><b>One</p><p>Three</p>');
});

test('overlapping edits and edits beyond the text are refused', () => {
  expect(
    changeOf('abcdef', [
      { start: 1, end: 4, text: '' },
      { start: 3, end: 5, text: '' },
    ]),
  ).toEqual({ ok: false, reason: 'overlap' });
  expect(changeOf('abc', [{ start: 2, end: 9, text: '' }])).toEqual({ ok: false, reason: 'out-of-range' });
});

test('a change is refused by any other text, also one of the same length', () => {
  const change = must('abc', [{ start: 0, end: 1, text: 'x' }]);
  expect(applyChange('abd', change)).toEqual({ ok: false, reason: 'other-text' });
});

test('undoing gives the text back, byte for byte', () => {
  fc.assert(
    fc.property(changed, ({ source, edits }) => {
      const change = must(source, edits);
      return apply(apply(source, change), invertChange(source, change)) === source;
    }),
    SEEDED,
  );
});

test('two changes composed do what one after the other does', () => {
  fc.assert(
    fc.property(
      changed.chain(({ source, edits }) => {
        const first = must(source, edits);
        const middle = apply(source, first);
        return editsFor(middle.length).map((more) => ({ source, first, middle, second: must(middle, more) }));
      }),
      ({ source, first, middle, second }) => {
        const both = composeChanges(source, first, second);
        return both.ok && apply(source, both.value) === apply(middle, second);
      },
    ),
    SEEDED,
  );
});

test('independent changes agree in either order', () => {
  fc.assert(
    fc.property(changed, ({ source, edits }) => {
      const [some, others] = [edits.filter((_edit, i) => i % 2 === 0), edits.filter((_edit, i) => i % 2 === 1)];
      const [a, b] = [must(source, some), must(source, others)];
      const mappedB = mapChange(b, a, apply(source, a));
      const mappedA = mapChange(a, b, apply(source, b));
      // Touching edits may decline; what is mapped must agree.
      if (!mappedA || !mappedB) return true;
      return apply(apply(source, a), mappedB) === apply(apply(source, b), mappedA);
    }),
    SEEDED,
  );
});

test('an offset outside the edits still points at the same unit', () => {
  fc.assert(
    fc.property(changed, fc.nat(59), ({ source, edits }, offset) => {
      const change = must(source, edits);
      if (offset >= source.length || change.edits.some((edit) => offset >= edit.start && offset < edit.end)) return true;
      const mapped = mapOffset(change, offset, 1);
      return mapped !== null && apply(source, change)[mapped] === source[offset];
    }),
    SEEDED,
  );
});

test('the change between two texts leads from one to the other', () => {
  fc.assert(
    fc.property(text, text, (before, after) => apply(before, changeBetween(before, after)) === after),
    SEEDED,
  );
});

test('the change between two long texts is as small as one found unit by unit', () => {
  const long = fc
    .tuple(fc.constantFrom('a', 'ab', 'the keeper '), fc.integer({ min: 1_000, max: 9_000 }))
    .map(([piece, many]) => piece.repeat(many));
  fc.assert(
    fc.property(long, fc.nat(60_000), fc.nat(3_000), fc.constantFrom('', 'a', 'x', 'b'), (before, where, over, put) => {
      const at = where % (before.length + 1);
      const after = before.slice(0, at) + put + before.slice(at + over);
      const [edit] = changeBetween(before, after).edits;
      expect(apply(before, changeBetween(before, after))).toBe(after);
      if (!edit) return void expect(after).toBe(before);
      // Neither the first nor the last unit that is replaced is the one put in its place.
      if (edit.start < edit.end && edit.text !== '') {
        expect(before[edit.start]).not.toBe(edit.text[0]);
        expect(before[edit.end - 1]).not.toBe(edit.text.at(-1));
      }
      expect(Math.min(edit.end - edit.start, edit.text.length)).toBeLessThanOrEqual(put.length);
    }),
    { ...SEEDED, numRuns: 40 },
  );
});

describe('where places go', () => {
  const text = fc.string({ minLength: 1, maxLength: 40 });
  /** Edits of a text that do not meet. */
  const someEdits = (length: number) =>
    fc.array(fc.tuple(fc.nat(length), fc.nat(6), fc.string({ maxLength: 5 })), { maxLength: 4 }).map((raw) => {
      const edits: Edit[] = [];
      for (const [start, size, put] of raw.sort((a, b) => a[0] - b[0])) {
        const from = Math.max(start, edits.at(-1)?.end ?? 0);
        if (from <= length) edits.push({ start: from, end: Math.min(length, from + size), text: put });
      }
      return edits;
    });

  test('two moves one after another are one, and its edits make the same text', () => {
    fc.assert(
      fc.property(
        text.chain((before) => fc.tuple(fc.constant(before), someEdits(before.length))),
        fc.nat(1_000),
        ([before, edits], seed) => {
          const first = changeOf(before, edits);
          if (!first.ok) return;
          const middle = applyChange(before, first.value);
          if (!middle.ok) return;
          const [start] = [seed % (middle.value.length + 1)];
          const second = changeOf(middle.value, [
            { start, end: Math.min(middle.value.length, start + (seed % 4)), text: 'xy'.slice(seed % 3) },
          ]);
          const after = second.ok ? applyChange(middle.value, second.value) : null;
          if (!second.ok || !after?.ok) return;
          const moves = composeMoves(first.value, second.value);
          const made = changeOf(before, editsAlong(moves, after.value));
          const result = made.ok ? applyChange(before, made.value) : made;
          expect(result.ok && result.value).toBe(after.value);
        },
      ),
      { seed: 12, numRuns: 2_000 },
    );
  });

  test('a place goes past what is put in right before it, and is unknown where it was replaced', () => {
    const change = {
      edits: [
        { start: 3, end: 3, text: 'ab' },
        { start: 5, end: 8, text: '' },
        { start: 10, end: 12, text: 'xyz' },
      ],
    };
    expect([2, 3, 4, 5, 7, 8, 9, 10, 11, 12].map((at) => placeUnder(change, at))).toEqual([2, 5, 6, null, null, 7, 8, null, null, 12]);
  });
});
