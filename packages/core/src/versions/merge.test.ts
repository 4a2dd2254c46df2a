import fc from 'fast-check';
import { isUntouched, mergedText, mergeTexts, type Piece } from './merge.ts';

const PAGE = '<h1>Locks</h1>\n<p>The cut is open.</p>\n<ul><li>Mind the gates</li><li>Mind the dog</li></ul>\n<p>Bring a windlass.</p>';

const WORDS = ['<p>', '</p>', '<li>', ' ', '\n', 'lock', 'gate', '<img src="heron.png">', 'heron', '<', '<td>'];
const text = fc.array(fc.constantFrom(...WORDS), { maxLength: 40 }).map((parts) => parts.join(''));

describe('two changes of one text', () => {
  it('come together where they are in different blocks', () => {
    const mine = PAGE.replace('the dog', 'our dog').replace('</h1>', '</h1>\n<p>By the towpath.</p>');
    const theirs = PAGE.replace('the gates', 'the paddles').replace('windlass', 'lamp');
    expect(mergedText(mergeTexts(PAGE, mine, theirs))).toBe(mine.replace('the gates', 'the paddles').replace('windlass', 'lamp'));
  });

  it('stand apart where both changed one block, and everything else still comes together', () => {
    const mine = PAGE.replace('is open', 'is open all year').replace('a windlass', 'two windlasses');
    const theirs = PAGE.replace('is open', 'is closed').replace('Mind the dog', 'Mind the heron');
    const pieces = mergeTexts(PAGE, mine, theirs);
    expect(mergedText(pieces)).toBeNull();
    expect(pieces.filter((piece) => piece.kind === 'apart')).toEqual([
      { kind: 'apart', base: '<p>The cut is open.', mine: '<p>The cut is open all year.', theirs: '<p>The cut is closed.' },
    ]);
    expect(pieces.flatMap((piece) => (piece.kind === 'agreed' && piece.by ? [piece.by] : []))).toEqual(['theirs', 'mine']);
  });

  it('agree where both did the same, and have no order where both put something in at one place', () => {
    const same = PAGE.replace('Locks', 'Deep locks');
    expect(mergedText(mergeTexts(PAGE, same, same))).toBe(same);
    const [mine, theirs] = ['heron', 'otter'].map((word) => PAGE.replace('<ul>', `<p>A ${word}.</p>\n<ul>`));
    expect(mergedText(mergeTexts(PAGE, mine!, theirs!))).toBeNull();
  });

  it('keep what one side put in right before a block that the other changed', () => {
    const mine = PAGE.replace('<p>Bring', '<hr><p>Bring');
    const theirs = PAGE.replace('windlass', 'lamp');
    expect(mergedText(mergeTexts(PAGE, mine, theirs))).toBe(mine.replace('windlass', 'lamp'));
  });

  it('are each side whole when every piece apart is chosen from it, where only that side changed anything', () => {
    fc.assert(
      fc.property(text, text, (base, mine) => {
        expect(mergedText(mergeTexts(base, mine, base))).toBe(mine);
        expect(mergedText(mergeTexts(base, base, mine))).toBe(mine);
        expect(mergedText(mergeTexts(base, mine, mine))).toBe(mine);
      }),
      { numRuns: 1_000 },
    );
  });

  it('come to the same whoever is asked: one side chosen throughout is one text', () => {
    const chosen = (pieces: Piece[], side: 'mine' | 'theirs') =>
      pieces.map((piece) => (piece.kind === 'apart' ? piece[side] : piece.text)).join('');
    fc.assert(
      fc.property(text, text, text, (base, mine, theirs) => {
        expect(chosen(mergeTexts(base, mine, theirs), 'mine')).toBe(chosen(mergeTexts(base, theirs, mine), 'theirs'));
      }),
      { numRuns: 500 },
    );
  });
});

describe('a stretch of a newer text', () => {
  const newer = PAGE.replace('is open', 'is closed');
  const place = (words: string) => ({ start: newer.indexOf(words), end: newer.indexOf(words) + words.length });

  it('is untouched where nobody changed it, wherever it has moved to', () => {
    expect(isUntouched(PAGE, newer, place('<li>Mind the dog</li>'))).toBe(true);
    expect(isUntouched(PAGE, newer, place('The cut is closed.'))).toBe(false);
  });
});
