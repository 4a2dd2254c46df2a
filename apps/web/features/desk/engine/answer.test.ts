import { PageReader } from './answer';
import type { Answers, DraftNote, PageText, Question } from './protocol';

const reader = new PageReader();

function ask<K extends Question['kind']>(question: Extract<Question, { kind: K }>): Answers[K] {
  return reader.answer(question) as Answers[K];
}

function page(source: string): PageText {
  return { source, scope: 'fragment', title: 'Wax', address: 'unit-1/wax.html', neighbours: { titles: { 'unit-1/spring.html': 'Spring work', 'images/hive.png': '' } } };
}

function first(text: PageText): DraftNote {
  return ask({ kind: 'audit', page: text })[0]!;
}

test('a draft’s notes say where, how heavy and what', () => {
  expect(ask({ kind: 'audit', page: page('<h2>Wax</h2>\n<p><img src="hive.png"></p>') })).toEqual([
    { rule: 'images/no-alternative', family: 'images', weight: 'must', outcome: 'failed', path: '/html[1]/body[1]/p[1]/img[1]', start: 16, end: 36, line: 2, title: 'Picture with no alternative', sentence: 'The picture hive.png has no alternative' },
  ]);
});

test('offers come with what they propose, and the picture with its place in the collection', () => {
  const text = page('<p><img src="../images/hive.png"></p>');
  const { offers, picture } = ask({ kind: 'offers', page: text, finding: first(text) });
  expect(offers.map((offer) => [offer.name, offer.certain])).toEqual([['describe', false], ['decorative', false]]);
  expect(picture).toBe('images/hive.png');
  const link = page('<p><a href="spring.html">here</a></p>');
  expect(ask({ kind: 'offers', page: link, finding: first(link) }).offers.find((offer) => offer.name === 'use-target-title')?.inputs).toEqual({ text: 'Spring work' });
});

test('a preview shows both sides as said and as written', () => {
  const text = page('<h2>Wax</h2><p>- One</p><p>- Two</p><p>End</p>');
  expect(ask({ kind: 'preview', page: text, finding: first(text), remedy: 'make-list', inputs: {} })).toEqual({
    ok: true,
    now: { spoken: '- One - Two', markup: '<p>- One</p><p>- Two</p>' },
    then: { spoken: 'List of 2. Item: One. Item: Two. End of list.', markup: '<ul><li>One</li><li>Two</li></ul>' },
  });
});

test('repairing the outline is shown as the whole outline', () => {
  const text = page('<h2>Wax</h2><h4>Bees</h4><h5>Queens</h5>');
  const preview = ask({ kind: 'preview', page: text, finding: first(text), remedy: 'repair-outline', inputs: {} });
  expect(preview).toMatchObject({ now: { spoken: '2 Wax · 4 Bees · 5 Queens' }, then: { spoken: '2 Wax · 3 Bees · 4 Queens' } });
});

test('a correction of the whole page is heard when it opens', () => {
  const text = { ...page('<html>\n<head><title>Wax</title></head><body><main><p>x</p></main></body></html>'), scope: 'document' as const };
  expect(ask({ kind: 'preview', page: text, finding: first(text), remedy: 'set-language', inputs: { language: 'en-GB' } })).toMatchObject({
    now: { spoken: 'Page, Wax; read in whatever voice is set', markup: '<html>' },
    then: { spoken: 'Page, Wax; read in the voice for en-GB', markup: '<html lang="en-GB">' },
  });
});

test('a remedy that declines says why, and a note that is gone says so', () => {
  const text = page('<p><img src="hive.png"></p>');
  expect(ask({ kind: 'preview', page: text, finding: first(text), remedy: 'describe', inputs: { alt: '' } })).toMatchObject({ ok: false });
  expect(ask({ kind: 'preview', page: text, finding: { rule: 'links/blank', path: '/html[1]', start: 0 }, remedy: 'fill', inputs: {} })).toEqual({ ok: false, reason: 'This note is no longer on the page.' });
  expect(ask({ kind: 'offers', page: text, finding: { rule: 'links/blank', path: '/html[1]', start: 0 } })).toEqual({ offers: [], picture: null, subject: null });
});

test('a text to be brought in is sized up', () => {
  expect(ask({ kind: 'size-up', source: '<p>One</p>' })).toEqual({ scope: 'fragment', title: '', notes: 0 });
  expect(ask({ kind: 'size-up', source: '<html lang="en"><title> Wax </title><body><main><h1>Wax</h1><p>Text.</p></main></body></html>' })).toEqual({ scope: 'document', title: 'Wax', notes: 0 });
});
