import { PageReader } from './answer';
import type { Answers, DraftNote, PageText, Question } from './protocol';

const reader = new PageReader();

function ask<K extends Question['kind']>(question: Extract<Question, { kind: K }>): Answers[K] {
  return reader.answer(question) as Answers[K];
}

function page(source: string): PageText {
  return {
    source,
    scope: 'fragment',
    title: 'Wax',
    address: 'unit-1/wax.html',
    neighbours: { titles: { 'unit-1/spring.html': 'Spring work', 'images/hive.png': '' } },
  };
}

function first(text: PageText): DraftNote {
  return ask({ kind: 'audit', page: text })[0]!;
}

test('a draft’s notes say where, how heavy and what', () => {
  expect(ask({ kind: 'audit', page: page('<h2>Wax</h2>\n<p><img src="hive.png"></p>') })).toEqual([
    {
      rule: 'images/no-alternative',
      family: 'images',
      weight: 'must',
      outcome: 'failed',
      path: '/html[1]/body[1]/p[1]/img[1]',
      start: 16,
      end: 36,
      line: 2,
      title: 'Image with no alternative text',
      sentence: 'The image hive.png has no alternative text',
      why: expect.stringContaining('cannot see it') as string,
    },
  ]);
});

test('offers come with what they propose, and the image with its place in the collection', () => {
  const text = page('<p><img src="../images/hive.png"></p>');
  const { offers, image } = ask({ kind: 'offers', page: text, finding: first(text) });
  expect(offers.map((offer) => [offer.name, offer.certain])).toEqual([
    ['describe', false],
    ['decorative', false],
  ]);
  expect(image).toBe('images/hive.png');
  const link = page('<p><a href="spring.html">here</a></p>');
  expect(
    ask({ kind: 'offers', page: link, finding: first(link) }).offers.find((offer) => offer.name === 'use-target-title')?.inputs,
  ).toEqual({ text: 'Spring work' });
});

test('a preview shows both sides as said and as written', () => {
  const text = page('<h2>Wax</h2><p>- One</p><p>- Two</p><p>End</p>');
  expect(ask({ kind: 'preview', page: text, finding: first(text), remedy: 'make-list', inputs: {} })).toMatchObject({
    ok: true,
    shows: 'words',
    now: { spoken: '- One. - Two', markup: '<p>- One</p><p>- Two</p>' },
    then: { spoken: 'List of 2. 1 of 2: One. 2 of 2: Two. End of list', markup: '<ul><li>One</li><li>Two</li></ul>' },
  });
});

// Where the same is heard before and after, a preview shows what changes: how it looks, or else the markup.
test.each([
  ['colour/contrast', '<p><span style="color:#bbb">Pale words</span> and more of them</p>', 'looks'],
  ['text/justified', `<p style="text-align:justify">${'Bees fly far for heather. '.repeat(6)}</p>`, 'looks'],
  ['links/new-window', '<p><a href="spring.html" target="_blank">Spring work</a></p>', 'markup'],
  ['images/file-name', '<p><img src="images/DSC 0098.JPG" alt="A smoker on a hive stand"></p>', 'markup'],
])('%s shows what changes for a reader', (rule, html, shows) => {
  const text = page(html);
  const finding = ask({ kind: 'audit', page: text }).find((note) => note.rule === rule)!;
  expect(finding).toBeDefined();
  const { offers } = ask({ kind: 'offers', page: text, finding });
  const offer = offers.find((one) => !one.declines)!;
  const inputs = offer.fields.length > 0 && !Object.values(offer.inputs).some(Boolean) ? { name: 'smoker-on-stand.jpg' } : offer.inputs;
  const shown = ask({ kind: 'preview', page: text, finding, remedy: offer.name, inputs });
  if (!shown.ok) throw new Error(shown.reason);
  const { now, then } = shown;
  expect(shown.shows).toBe(shows);
  expect(now.spoken === then.spoken).toBe(shows !== 'words');
  expect(JSON.stringify(now.looks) !== JSON.stringify(then.looks)).toBe(shows === 'looks');
  expect(now.markup).not.toBe(then.markup);
});

test('markup beside a preview is never cut in the middle of a tag, and shows the place that changes', () => {
  const cells = Array.from({ length: 60 }, (_, i) => `<td class="a long class name ${i}">Cell number ${i}</td>`).join('');
  const text = page(`<table><tr>${cells}</tr><tr>${cells}</tr></table><p><a href="spring.html">here</a></p>`);
  const finding = ask({ kind: 'audit', page: text }).find(
    (note) => note.rule === 'tables/no-caption' || note.rule === 'tables/no-headers',
  )!;
  const offer = ask({ kind: 'offers', page: text, finding }).offers.find((one) => !one.declines)!;
  const inputs = Object.fromEntries(offer.fields.map(({ name }) => [name, offer.inputs[name] || 'Frames']));
  const shown = ask({ kind: 'preview', page: text, finding, remedy: offer.name, inputs });
  if (!shown.ok) throw new Error(shown.reason);
  for (const { markup } of [shown.now, shown.then]) {
    expect(markup.replace(/<[^<>]*>/g, '')).not.toMatch(/[<>]/);
    expect(markup.length).toBeLessThan(500);
  }
});

test('repairing the outline is shown as the whole outline', () => {
  const text = page('<h2>Wax</h2><h4>Bees</h4><h5>Queens</h5>');
  const preview = ask({ kind: 'preview', page: text, finding: first(text), remedy: 'repair-outline', inputs: {} });
  expect(preview).toMatchObject({ now: { spoken: '2 Wax · 4 Bees · 5 Queens' }, then: { spoken: '2 Wax · 3 Bees · 4 Queens' } });
});

test('a fix of the whole page is heard when it opens', () => {
  const text = { ...page('<html>\n<head><title>Wax</title></head><body><main><p>x</p></main></body></html>'), scope: 'document' as const };
  expect(ask({ kind: 'preview', page: text, finding: first(text), remedy: 'set-language', inputs: { language: 'en-GB' } })).toMatchObject({
    now: { spoken: 'Page, Wax; read in whatever voice is set', markup: '<html>' },
    then: { spoken: 'Page, Wax; read in the voice for en-GB', markup: '<html lang="en-GB">' },
  });
});

test('a remedy that declines says why, and a note that is gone says so', () => {
  const text = page('<p><img src="hive.png"></p>');
  expect(ask({ kind: 'preview', page: text, finding: first(text), remedy: 'describe', inputs: { alt: '' } })).toMatchObject({ ok: false });
  expect(
    ask({ kind: 'preview', page: text, finding: { rule: 'links/blank', path: '/html[1]', start: 0 }, remedy: 'fill', inputs: {} }),
  ).toEqual({ ok: false, reason: 'This note is no longer on the page.' });
  expect(ask({ kind: 'offers', page: text, finding: { rule: 'links/blank', path: '/html[1]', start: 0 } })).toEqual({
    offers: [],
    image: null,
    subject: null,
    fix: '',
  });
});

test('a text to be brought in is sized up', () => {
  expect(ask({ kind: 'size-up', source: '<p>One</p>' })).toEqual({ scope: 'fragment', title: '', notes: 0, pasted: 0 });
  expect(
    ask({ kind: 'size-up', source: '<html lang="en"><title> Wax </title><body><main><h1>Wax</h1><p>Text.</p></main></body></html>' }),
  ).toEqual({ scope: 'document', title: 'Wax', notes: 0, pasted: 0 });
});

test('a pasted text is asked about, and shown cleaned', () => {
  const source = '<p class="MsoNormal"><b>Before you begin</b></p><p class="MsoNormal">Choose a warm day without wind for it.</p>';
  expect(ask<'size-up'>({ kind: 'size-up', source }).pasted).toBe(2);
  const { questions, cleaned } = ask<'door'>({ kind: 'door', source, answers: null });
  expect(questions.map(({ about }) => about)).toEqual(['heading']);
  expect(cleaned).toEqual({ ok: true, html: expect.stringContaining('<h2>Before you begin</h2>') as string });
  expect(ask<'door'>({ kind: 'door', source, answers: { [questions[0]!.key]: 'text' } }).cleaned).toEqual({
    ok: true,
    html: '<p><b>Before you begin</b></p><p>Choose a warm day without wind for it.</p>',
  });
});

const keys = (text: PageText, rule: string) => ask<'audit'>({ kind: 'audit', page: text }).filter((note) => note.rule === rule);

test('the same slip in other places is counted, and shown with what becomes of each', () => {
  const text = page('<h2>Links</h2>' + [1, 2, 3].map((n) => `<p>Leaf <a href="l${n}.html" target="_blank">number ${n}</a>.</p>`).join(''));
  const among = keys(text, 'links/new-window');
  const alike = ask<'alike'>({ kind: 'alike', page: text, finding: among[0]!, remedy: 'same-window', inputs: {}, among, shown: 2 });
  expect([alike.many, alike.shown.map((one) => one.preview.ok)]).toEqual([3, [true, true]]);
  expect(
    ask<'alike'>({ kind: 'alike', page: text, finding: among[0]!, remedy: 'same-window', inputs: {}, among: among.slice(0, 1), shown: 2 })
      .many,
  ).toBe(1);
});

test('what is certain leaves out what a person has settled', () => {
  const text = page('<h2>Wax</h2><p>1. Candles</p><p>2. Polish</p><h2>Hive</h2><p>- Roof</p><p>- Floor</p>');
  const [first] = keys(text, 'lists/typed');
  expect(ask<'certain'>({ kind: 'certain', page: text, settled: [] }).shown.map((one) => one.line)).toEqual([1, 1]);
  expect(ask<'certain'>({ kind: 'certain', page: text, settled: [first!] }).many).toBe(1);
});

test('a fix gives the text after it, or nothing where it declines', () => {
  const text = page('<p><img src="hive.png"></p>');
  const [finding] = keys(text, 'images/no-alternative');
  expect(ask<'remedied'>({ kind: 'remedied', page: text, finding: finding!, remedy: 'describe', inputs: { alt: 'A hive' } })).toBe(
    '<p><img alt="A hive" src="hive.png"></p>',
  );
  expect(ask<'remedied'>({ kind: 'remedied', page: text, finding: finding!, remedy: 'describe', inputs: { alt: '' } })).toBeNull();
});

test('a page is heard, taken apart and put in order', () => {
  const text = page('<h2>Wax</h2><table><tr><td>Hive</td><td>Yield</td></tr><tr><td>North</td><td>12</td></tr></table>');
  expect(ask<'heard'>({ kind: 'heard', page: text }).lines[0]).toMatchObject({ says: 'Heading level 2, Wax' });
  const [table] = ask<'structure'>({ kind: 'structure', page: text }).tables;
  const would = ask<'arranged'>({
    kind: 'arranged',
    page: text,
    arrangement: { kind: 'table', path: table!.path, headers: 'both', caption: '' },
  });
  expect(would.ok && would.table!.lines[1]![1]!.heads).toEqual(['North', 'Yield']);
  const flat = ask<'arranged'>({ kind: 'arranged', page: text, arrangement: { kind: 'flatten', path: table!.path, order: 'columns' } });
  expect(flat.ok && flat.lines.map((line) => line.says)).toEqual(['Hive', 'North', 'Yield', '12']);
  expect(
    ask<'arranged'>({
      kind: 'arranged',
      page: text,
      arrangement: { kind: 'levels', levels: [{ path: '/html[1]/body[1]/h2[9]', level: 2 }] },
    }),
  ).toMatchObject({ ok: false });
  expect(ask<'blocks'>({ kind: 'blocks', page: text })).toHaveLength(2);
});

test('a paste is cleaned, and its lines get the levels they were given', () => {
  const html = '<p class=MsoNormal><b>Wax</b></p><p class=MsoNormal>It keeps.<o:p></o:p></p>';
  const { bold } = ask<'pasted'>({ kind: 'pasted', html, levels: [] });
  expect(ask<'pasted'>({ kind: 'pasted', html, levels: [{ path: bold[0]!.path, level: 3 }] }).html).toBe('<h3>Wax</h3><p>It keeps.</p>');
});

const TYPED = '<h2>Wax</h2>\n<p>The keeper opens the hive at dawn, and looks.</p>\n<p><a href="spring.html">here</a></p>';

test('while one types, the notes are those a fresh look would give', () => {
  const typing = new PageReader();
  let source = TYPED;
  for (const letter of ' Red is bad: see the red box, <b>click here</b> &amp; go.') {
    const at = source.indexOf(', and');
    source = `${source.slice(0, at)}${letter}${source.slice(at)}`;
    expect(typing.answer({ kind: 'audit', page: page(source) })).toEqual(new PageReader().answer({ kind: 'audit', page: page(source) }));
  }
});

test('another place is looked at anew: the same words may say something else there', () => {
  const reading = new PageReader();
  const here = { ...page(TYPED), title: 'Wax' };
  const there = { ...here, source: TYPED.replace('dawn', 'dusk'), neighbours: { titles: {} } };
  reading.answer({ kind: 'audit', page: here });
  expect(reading.answer({ kind: 'audit', page: there })).toEqual(new PageReader().answer({ kind: 'audit', page: there }));
});

test('practice ends, and leaves the page as it was', () => {
  const practised = new PageReader();
  expect(practised.mayPractise).toBe(false);
  practised.answer({ kind: 'typing-ahead', page: page(TYPED) });
  let rounds = 0;
  for (; practised.mayPractise; rounds++) practised.practise();
  expect(rounds).toBeGreaterThan(5);
  expect(rounds).toBeLessThan(50);
  expect(practised.answer({ kind: 'audit', page: page(TYPED) })).toEqual(new PageReader().answer({ kind: 'audit', page: page(TYPED) }));
  expect(practised.answer({ kind: 'heard', page: page(TYPED) })).toEqual(new PageReader().answer({ kind: 'heard', page: page(TYPED) }));
});

test('a page with nothing to type into is not practised on', () => {
  const idle = new PageReader();
  idle.answer({ kind: 'typing-ahead', page: page('<h2>Wax</h2>') });
  idle.practise();
  expect(idle.mayPractise).toBe(false);
});

// What is typed into a fix is looked at by the same engine before it is applied; sentences are those a note would have.
test.each([
  ['images/no-alternative', 'describe', { alt: 'Photo of a smoker' }, /photo of/i],
  ['images/no-alternative', 'describe', { alt: 'image' }, /image/],
  ['images/no-alternative', 'describe', { alt: `A smoker ${'with bellows and a spout and a hook '.repeat(6)}` }, /long|characters/],
  ['images/no-alternative', 'describe', { alt: 'A smoker, lit with straw' }, null],
  ['links/blank', 'fill', { text: 'click here' }, /says nothing/],
  ['links/blank', 'fill', { text: 'The apiary plan' }, null],
] as const)('%s, %s with %j is warned of while it is written', (rule, remedy, inputs, words) => {
  const text = page('<h2>Wax</h2><p>Text.</p><p><img src="images/smoker.png"></p><p>See <a href="plan.html"></a></p>');
  const finding = ask({ kind: 'audit', page: text }).find((note) => note.rule === rule)!;
  const warned = ask({ kind: 'warned', page: text, finding, remedy, inputs });
  if (words === null) expect(warned).toEqual([]);
  else expect(warned.map(({ sentence }) => sentence).join(' ')).toMatch(words);
});

test('markup that may be put in is looked at by itself', () => {
  const text = page('<h2>Wax</h2><p>Text.</p>');
  const of = (html: string) => ask({ kind: 'warned-of', page: text, html }).length;
  expect(of('<p><img src="a.png" alt="Picture of a hive"></p>')).toBeGreaterThan(0);
  expect(of('<p><img src="straw-skep.png" alt="A straw skep on a wall"></p>')).toBe(0);
  expect(of('<p><a href="spring.html">here</a> is where to go.</p>')).toBeGreaterThan(0);
});
