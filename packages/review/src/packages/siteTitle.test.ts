import { ownTitle, siteTitle } from './siteTitle.ts';

const PAGES = ['Visit – Larkmoor Canal Trust', 'Boat trips – Larkmoor Canal Trust', 'Locks - and walks – Larkmoor Canal Trust', 'Notices'];

test('a site is called what half of its titles and more begin or end with', () => {
  expect(siteTitle(PAGES)).toBe('Larkmoor Canal Trust');
  expect(siteTitle(['Larkmoor | Visit', 'Larkmoor | Trips', 'Larkmoor | Walks'])).toBe('Larkmoor');
  expect(siteTitle(['Chapter 1: Bees', 'Chapter 2: Hives', 'Honey'])).toBe('');
  expect(siteTitle(['Visit – Trust', 'Trips – Trust'])).toBe('');
  expect(siteTitle([])).toBe('');
});

test('a page’s own title is what is left', () => {
  expect(PAGES.map((title) => ownTitle(title, 'Larkmoor Canal Trust'))).toEqual(['Visit', 'Boat trips', 'Locks - and walks', 'Notices']);
  expect(ownTitle('Larkmoor | Visit', 'Larkmoor')).toBe('Visit');
  expect(ownTitle('Larkmoor', 'Larkmoor')).toBe('Larkmoor');
  expect(ownTitle('Visit – Trust', '')).toBe('Visit – Trust');
});
