import { bare, PHRASES, phrasesFor } from '../standards/phrases/index.ts';
import { isAddress, isVagueText, openingOf } from './wording.ts';

test.each([
  'Click here',
  'HERE!',
  '» more «',
  'Read more…',
  'read more ›',
  '(link)',
  'mehr',
  'En savoir plus',
  'leer más',
  'lees meer',
  'saiba mais',
  'scopri di più',
])('“%s” says nothing of where it goes', (text) => {
  expect(isVagueText(text)).toBe(true);
});

test.each(['', 'More about locks', 'Here and there in Larkmoor', 'Download the map', 'Hereford', '2026'])(
  '“%s” is not on the list',
  (text) => {
    expect(isVagueText(text)).toBe(false);
  },
);

test.each<[string, boolean]>([
  ['https://larkmoor.example', true],
  ['HTTP://LARKMOOR.EXAMPLE/a', true],
  ['www.larkmoor.example', true],
  ['larkmoor.example/walks/long', true],
  ['larkmoor.example', false],
  ['walks and locks', false],
  ['bees@larkmoor.example', false],
  ['and/or', false],
  ['see https://larkmoor.example', false],
])('“%s” is an address: %s', (text, address) => {
  expect(isAddress(text)).toBe(address);
});

test.each<[string, string | null]>([
  ['Image of a lock', 'Image of'],
  ['A photograph of two', 'A photograph of'],
  ['Photo: two locks', 'Photo:'],
  ['This image shows a heron', 'This image shows'],
  ['Imagery of war', null],
  ['Photo of', null],
  ['Map of locks', null],
])('“%s” opens with %s', (alt, opening) => {
  expect(openingOf(alt)).toBe(opening);
});

test('every language has every list, in lower case, with no phrase twice', () => {
  for (const phrases of Object.values(PHRASES)) {
    for (const list of [phrases.vagueLinks, phrases.placeholders, phrases.announcements, phrases.newWindow]) {
      expect(list.length).toBeGreaterThan(1);
      expect(new Set(list).size).toBe(list.length);
      for (const phrase of list) expect(phrase).toBe(phrase.toLowerCase());
    }
    // What a remedy writes is what the rule accepts as a word of it.
    expect(phrases.newWindow.some((phrase) => phrases.newWindowNote.toLowerCase().includes(phrase))).toBe(true);
  }
});

test('a language we lack falls back to English', () => {
  expect(phrasesFor('cy').newWindowNote).toBe(PHRASES.en!.newWindowNote);
  expect(phrasesFor('de-AT').newWindowNote).toBe(PHRASES.de!.newWindowNote);
  expect(bare('  «Mehr…»  ')).toBe('mehr');
});
