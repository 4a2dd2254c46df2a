import type { Finding } from '@inkwell/core';
import { endException, fix, HERE, letStand, rule, saveSource, type Desk, type Engine, type Services } from './index.ts';
import { bench, INES } from './testing/bench.ts';

const { services, at, page, look, db } = bench();

/** An engine that tells all empty headings, and all vague links, of a page as one finding each, at several places. */
const GROUPING: Engine = {
  async run(name, wish) {
    const given = await HERE.run(name, wish);
    const of = given as { findings?: Finding[]; examined?: { findings: Finding[] } };
    if (of.findings) of.findings = grouped(of.findings);
    if (of.examined) of.examined.findings = grouped(of.examined.findings);
    return given;
  },
};

function grouped(findings: readonly Finding[]): Finding[] {
  const first = new Map<string, Finding>();
  return findings.flatMap((finding) => {
    if (finding.rule !== 'headings/blank' && finding.rule !== 'links/vague') return [finding];
    const one = first.get(finding.rule);
    if (one) one.places = [...(one.places ?? [one.at]), finding.at];
    else first.set(finding.rule, { ...finding });
    return one ? [] : [first.get(finding.rule)!];
  });
}

const grouping: Services = {
  get db() {
    return services.db;
  },
  engine: GROUPING,
  now: services.now,
};

const FOUR = '<h2>A</h2><p>one</p><h2></h2><p>two</p><h2></h2><p>three</p><h2></h2><p>four</p>';
const dayFromNow = (days: number) => new Date(Date.now() + days * 86_400_000).toISOString().slice(0, 10);

/** A page as the grouping engine sees it. */
async function groupedPage(html: string): Promise<Desk> {
  const view = await page('<h2>A</h2><p>x</p>');
  const saved = await saveSource(grouping, INES, { ...at(view), html });
  if (!saved.ok) throw new Error(saved.problem.what);
  return look(view.slug);
}

const blank = (view: Desk) => view.notes.filter((note) => note.rule === 'headings/blank');
const standing = (view: Desk) => blank(view).map((note) => [note.standing, note.placeNumbers]);
const grant = (view: Desk, places?: number[]) =>
  letStand(grouping, INES, {
    ...at(view),
    findingId: blank(view)[0]!.id,
    reason: 'It is filled by the platform.',
    until: dayFromNow(9),
    ...(places ? { places } : {}),
  });

test('one finding stands at several places, each found in the text', async () => {
  const view = await groupedPage(FOUR);
  expect(standing(view)).toEqual([['open', [0, 1, 2]]]);
  for (const place of blank(view)[0]!.places!) expect(view.html.slice(place.start, place.end)).toBe('<h2></h2>');
  expect([view.tally.must, view.verdict]).toEqual([1, 'held']);
});

test('places go and come; those that stay keep their numbers, and the finding is fixed with the last of them', async () => {
  const view = await groupedPage(FOUR);
  const id = blank(view)[0]!.id;
  await saveSource(grouping, INES, { ...at(view), html: FOUR.replace('<p>two</p><h2></h2>', '<p>two</p>') });
  const two = await look(view.slug);
  expect([blank(two)[0]!.id, standing(two)]).toEqual([id, [['open', [0, 2]]]]);
  await saveSource(grouping, INES, { ...at(two), html: `${two.html}<h2></h2><p>five</p>` });
  const three = await look(view.slug);
  expect([blank(three)[0]!.id, standing(three)]).toEqual([id, [['open', [0, 2, 3]]]]);
  await saveSource(grouping, INES, { ...at(three), html: '<h2>A</h2><p>one</p>' });
  expect(blank(await look(view.slug))).toEqual([]);
  expect(await db().selectFrom('findings').select('standing').where('id', '=', id).executeTakeFirst()).toEqual({ standing: 'fixed' });
});

test('an exception reaches all places, those to come too, or the ones it names: then the finding is open while another is left', async () => {
  const all = await groupedPage(FOUR);
  await grant(all);
  await saveSource(grouping, INES, { ...at(await look(all.slug)), html: `${FOUR}<h2></h2><p>five</p>` });
  expect(standing(await look(all.slug))).toEqual([['excepted', [0, 1, 2, 3]]]);

  const some = await groupedPage(FOUR);
  expect(await grant(some, [0, 9])).toMatchObject({ ok: false, problem: { code: 'not-found' } });
  await grant(some, [0, 2]);
  expect(standing(await look(some.slug))).toEqual([['open', [0, 1, 2]]]);
  await grant(await look(some.slug), [0, 1, 2]);
  const excepted = await look(some.slug);
  expect([standing(excepted), excepted.verdict]).toEqual([[['excepted', [0, 1, 2]]], 'ready']);
  // A new place is none of those that were named.
  await saveSource(grouping, INES, { ...at(excepted), html: `${FOUR}<h2></h2><p>five</p>` });
  expect(standing(await look(some.slug))).toEqual([['open', [0, 1, 2, 3]]]);
});

test('a ruling on named places settles the question once all it has are named', async () => {
  const view = await groupedPage(
    '<h2>A</h2><p>The chart of combs is <a href="https://larkmoor.example/a">here</a>, that of queens <a href="https://larkmoor.example/b">here</a>.</p>',
  );
  const [note] = view.notes.filter((one) => one.rule === 'links/vague');
  const answer = async (places: number[]) =>
    rule(grouping, INES, { ...at(await look(view.slug)), findingId: note!.id, answer: 'no problem', places });
  expect(await answer([0])).toMatchObject({ ok: true, value: { standing: 'open', verdict: 'judge' } });
  expect(await answer([0, 1])).toMatchObject({ ok: true, value: { standing: 'ruled out', verdict: 'ready' } });
});

test('what an exception on all places rested on is open again once it ends', async () => {
  const view = await groupedPage(FOUR);
  await grant(view);
  await endException(grouping, INES, { ...at(await look(view.slug)), findingId: blank(view)[0]!.id });
  expect(standing(await look(view.slug))).toEqual([['open', [0, 1, 2]]]);
  expect(
    await fix(grouping, INES, { ...at(await look(view.slug)), findingId: blank(view)[0]!.id, remedy: 'remove', inputs: {} }),
  ).toMatchObject({ ok: true });
  expect(standing(await look(view.slug))).toEqual([['open', [1, 2]]]);
});
