import { fix, letStand, saveSource, type Desk } from './index.ts';
import { bench, INES, SAM } from './testing/bench.ts';

const { services, at, page, look } = bench();

const dayFromNow = (days: number) => new Date(Date.now() + days * 86_400_000).toISOString().slice(0, 10);

test('of two writers on one revision one wins, and the other is given both texts', async () => {
  const view = await page('<h2>A</h2>');
  const both = await Promise.all(['Mine', 'Theirs'].map((word) => saveSource(services, INES, { ...at(view), html: `<h2>${word}</h2>` })));
  const [won, lost] = [both.filter((one) => one.ok), both.filter((one) => !one.ok)];
  expect([won.length, lost.length]).toEqual([1, 1]);
  const now = await look(view.slug);
  expect(lost[0]).toMatchObject({ problem: { code: 'conflict', theirs: { revision: 2, html: now.html, by: 'Ines Calder' } } });
});

describe('of two writers on one revision', () => {
  const TEXT = '<h2>Locks</h2><p>The cut is open.</p><img src="heron.png"><p>Mind the gates.</p>';
  const known = (view: Desk) => ({ ...at(view), revision: view.revision.number });
  const image = (view: Desk) => view.notes.find(({ remedies }) => remedies.includes('describe'))!;
  const described = (view: Desk) => ({ ...known(view), findingId: image(view).id, remedy: 'describe', inputs: { alt: 'A heron' } });

  test('both get what they did when it stands in different places, even at the same moment', async () => {
    const view = await page(TEXT);
    const both = await Promise.all([
      saveSource(services, INES, { ...known(view), html: TEXT.replace('open', 'open all year') }),
      saveSource(services, SAM, { ...known(view), html: TEXT.replace('gates', 'paddles') }),
      fix(services, INES, described(view)),
    ]);
    expect(both.map(({ ok }) => ok)).toEqual([true, true, true]);
    expect(both.filter((one) => one.ok && one.value.onTopOf !== undefined)).toHaveLength(2);
    const now = await look(view.slug);
    expect(now.html).toBe(TEXT.replace('open', 'open all year').replace('gates', 'paddles').replace('<img', '<img alt="A heron"'));
    expect(now.revision.number).toBe(4);
  });

  test('a fix of what the other changed is a conflict, and so is one of what the other ruled on', async () => {
    const view = await page(TEXT);
    await saveSource(services, SAM, { ...known(view), html: TEXT.replace('<img src="heron.png">', '<img src="heron.png" title="x">') });
    expect(await fix(services, INES, described(view))).toMatchObject({
      ok: false,
      problem: { code: 'conflict', theirs: { revision: 2, base: TEXT } },
    });
    const later = await look(view.slug);
    await letStand(services, SAM, { ...at(later), findingId: image(later).id, reason: 'Later', until: dayFromNow(30) });
    await saveSource(services, SAM, { ...known(await look(view.slug)), html: `${later.html}<p>More.</p>` });
    expect(await fix(services, INES, described(later))).toMatchObject({ problem: { code: 'conflict', decided: [{ by: 'Sam Okello' }] } });
  });

  test('who changed the same block is given all three texts', async () => {
    const view = await page(TEXT);
    await saveSource(services, SAM, { ...known(view), html: TEXT.replace('open', 'closed') });
    expect(await saveSource(services, INES, { ...known(view), html: TEXT.replace('open', 'frozen') })).toMatchObject({
      problem: { code: 'conflict', theirs: { by: 'Sam Okello', html: TEXT.replace('open', 'closed'), base: TEXT } },
    });
  });
});
