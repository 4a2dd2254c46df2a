import fc from 'fast-check';
import { applyChange, applyEdits, changeBetween, type Edit } from '../source/edits.ts';
import { carryOver, type Step } from './carryOver.ts';
import { difference } from './difference.ts';
import { commonIn, matchPages, resemblance, sketchOf, type Matchable } from './matchPages.ts';

const WORDS = ['<p>', '</p>', '<li>', ' ', '\n', 'lock', 'gate', '<img src="heron.png">', 'heron', 'é', '<', '<h2 id="a b">'];
const text = fc.array(fc.constantFrom(...WORDS), { maxLength: 60 }).map((parts) => parts.join(''));

const step = (before: string, ...edits: Edit[]): Step => ({ edits, after: applyEdits(before, edits) });
/** Puts `now` in the place of the only `was`. */
const swap = (before: string, was: string, now: string): Edit => {
  const start = before.indexOf(was);
  return { start, end: start + was.length, text: now };
};

describe('what differs between two texts', () => {
  test('makes the one of the other, whatever they are', () => {
    fc.assert(
      fc.property(text, text, (before, after) => {
        const made = applyChange(before, difference(before, after));
        expect(made).toEqual({ ok: true, value: after });
      }),
      { numRuns: 1_000 },
    );
  });

  test('is told place by place, not as one long stretch', () => {
    const before = '<h1>Locks</h1><p>The cut is open.</p><p>Mind the gates.</p>';
    const after = '<h1>Deep locks</h1><p>The cut is open.</p><p>Mind the paddles.</p>';
    const { edits } = difference(before, after);
    expect(edits).toHaveLength(2);
    expect(edits.map(({ start, end }) => before.slice(start, end)).join('|')).not.toContain('open');
  });

  test('of two long texts with nothing in common is one stretch', () => {
    const side = (word: string) => Array.from({ length: 4_000 }, (_, nth) => `${word}${nth}`).join(' ');
    expect(difference(side('a'), side('b')).edits).toHaveLength(1);
  });
});

describe('changes carried over to a newer version', () => {
  const base = '<h1>Locks</h1><p>The cut is open.</p><img src="heron.png"><p>Mind the gates.</p>';
  const described = step(base, swap(base, '<img src="heron.png">', '<img src="heron.png" alt="A heron">'));

  test('stand beside what the author changed', () => {
    const fresh = base.replace('The cut is open.', 'The cut is closed until May.');
    expect(carryOver(base, [described], fresh)).toEqual({
      text: fresh.replace('heron.png"', 'heron.png" alt="A heron"'),
      many: 1,
    });
  });

  test('are left out where the author changed the very same place, whole steps at a time', () => {
    const both = step(base, swap(base, 'Locks', 'Deep locks'), swap(base, 'Mind', 'Please mind'));
    const fresh = base.replace('Locks', 'The locks');
    expect(carryOver(base, [both], fresh)).toEqual({ text: fresh, many: 0 });
  });

  test('leave out what was built on a step that is left out, and take what was not', () => {
    const first = step(base, swap(base, 'Locks', 'Deep locks'));
    const second = step(first.after, swap(first.after, 'Deep', 'Very deep'));
    const third = step(second.after, swap(second.after, 'gates', 'paddles'));
    const fresh = base.replace('Locks', 'Weirs');
    expect(carryOver(base, [first, second, third], fresh)).toEqual({ text: fresh.replace('gates', 'paddles'), many: 1 });
  });

  test('that the newer version has already are not made twice', () => {
    expect(carryOver(base, [described], described.after)).toEqual({ text: described.after, many: 0 });
  });

  test('undone changes stay undone', () => {
    const back = { edits: changeBetween(described.after, base).edits, after: base };
    expect(carryOver(base, [described, back], `${base}<p>New.</p>`).text).toBe(`${base}<p>New.</p>`);
  });

  test('give the mended text where nothing else changed, and the newer one where nothing was mended', () => {
    fc.assert(
      fc.property(text, fc.array(text, { maxLength: 4 }), (start, made) => {
        const steps = made.map((after, nth) => ({ edits: difference(made[nth - 1] ?? start, after).edits, after }));
        expect(carryOver(start, steps, start).text).toBe(made.at(-1) ?? start);
        expect(carryOver(start, [], made[0] ?? start).text).toBe(made[0] ?? start);
      }),
      { numRuns: 500 },
    );
  });
});

const page = (path: string, html: string): Matchable => ({ path, hashes: [html], sketch: sketchOf(html) });
const story = (about: string, length = 40) =>
  Array.from({ length }, (_, nth) => `<p>${about} goes on in passage ${nth} of ${about}.</p>`).join('');

describe('pages of two versions', () => {
  test('are the same by place, then by text, then by what they have in common', () => {
    const old = [
      page('a.html', story('heron')),
      page('b.html', story('otter')),
      page('c.html', story('newt')),
      page('d.html', story('bat')),
    ];
    const fresh = [
      page('new/c.html', `${story('newt')}<p>And a word more.</p>`),
      page('a.html', story('something else')),
      page('moved/b.html', story('otter')),
      page('e.html', story('swan')),
    ];
    expect([...matchPages(old, fresh)].sort()).toEqual([
      [0, 1],
      [1, 2],
      [2, 0],
    ]);
  });

  test('are not the same for a header they share', () => {
    const header = story('the canal trust', 20);
    const texts = ['heron', 'otter', 'newt'].map((about) => `${header}<p>A ${about} by the lock, seen by ${about} friends only.</p>`);
    const common = commonIn(texts);
    const [heron, otter] = texts.map((html, nth) => ({ path: `${nth}`, hashes: [html], sketch: sketchOf(html, common) }));
    expect(matchPages([heron!], [{ ...otter!, path: 'elsewhere' }]).size).toBe(0);
    expect(matchPages([heron!], [{ ...heron!, path: 'elsewhere', hashes: ['other'] }]).size).toBe(1);
  });

  test('with one text and many places are paired one to one', () => {
    const same = (path: string) => page(path, '<p>Nothing here yet.</p>');
    const pairs = matchPages([same('a'), same('b')], [same('x'), same('y'), same('z')]);
    expect(new Set(pairs.values()).size).toBe(2);
  });
});

describe('resemblance (Broder 1997)', () => {
  test('is 1 for one text, 0 for texts without a common word, and near the share of what is common', () => {
    expect(resemblance(sketchOf(story('heron')), sketchOf(story('heron')))).toBe(1);
    expect(resemblance(sketchOf('<p>one two three four</p>'), sketchOf('<p>five six seven eight</p>'))).toBe(0);
    const half = resemblance(sketchOf(story('heron', 200)), sketchOf(story('heron', 200) + story('otter', 200)));
    expect(half).toBeGreaterThan(0.35);
    expect(half).toBeLessThan(0.65);
  });

  test('sees no markup, no scripts and no letter case', () => {
    expect(sketchOf('<p>The <b>cut</b> is OPEN</p><script>var x</script>')).toEqual(sketchOf('the cut is open'));
  });
});
