/** @jest-environment jsdom */
import { dropDraft, keepDraft, readDraft } from './drafts';

afterEach(() => localStorage.clear());

test('a draft is kept until it is dropped', () => {
  expect(readDraft(localStorage, 7)).toBeNull();
  expect(keepDraft(localStorage, 7, { base: 3, html: '<p>mine</p>', at: '2026-11-24T08:00:00Z' })).toBe(true);
  expect(readDraft(localStorage, 7)).toMatchObject({ base: 3, html: '<p>mine</p>' });
  expect(readDraft(localStorage, 8)).toBeNull();
  dropDraft(localStorage, 7);
  expect(readDraft(localStorage, 7)).toBeNull();
});

test('what is not a draft is not taken for one', () => {
  localStorage.setItem('inkwell-draft-7', 'not json');
  expect(readDraft(localStorage, 7)).toBeNull();
  localStorage.setItem('inkwell-draft-7', '{"html":5}');
  expect(readDraft(localStorage, 7)).toBeNull();
});

test('a full browser says that it did not keep it', () => {
  const full = { setItem: () => { throw new Error('quota'); } } as unknown as Storage;
  expect(keepDraft(full, 7, { base: 1, html: 'x', at: '' })).toBe(false);
});
