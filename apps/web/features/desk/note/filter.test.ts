import type { Note } from '@inkwell/review';
import { filterFrom, filters, NO_FILTER, passes, writeFilter, type NoteFilter } from './filter';

const NOTE = {
  family: 'links',
  weight: 'should',
  criteria: ['2.4.4'],
  standing: 'open',
  outcome: 'cantTell',
  ruled: null,
  title: 'Link with vague text',
  sentence: 'A link says only “here”',
} as unknown as Note;
const asked = (part: Partial<NoteFilter>) => passes({ ...NO_FILTER, ...part }, NOTE);

test('every part of a filter has to hold', () => {
  expect(asked({})).toBe(true);
  expect(asked({ step: 'links' })).toBe(true);
  expect(asked({ family: 'links', weight: 'should', criterion: '2.4.4', standing: 'to judge' })).toBe(true);
  for (const part of [
    { family: 'lists' },
    { step: 'outline' },
    { weight: 'must' },
    { criterion: '2.4.9' },
    { standing: 'excepted' },
  ] as Partial<NoteFilter>[])
    expect([part, asked(part)]).toEqual([part, false]);
});

test('words are looked for in any order, in either case, in title, sentence and criterion', () => {
  expect(asked({ words: 'HERE vague' })).toBe(true);
  expect(asked({ words: '2.4.4' })).toBe(true);
  expect(asked({ words: 'vague table' })).toBe(false);
});

test('a question that is answered is no longer to judge', () => {
  expect(passes({ ...NO_FILTER, standing: 'to judge' }, { ...NOTE, ruled: 'stands' } as Note)).toBe(false);
});

test('a filter comes back from its address, and what an address makes up asks for nothing', () => {
  const filter: NoteFilter = {
    family: 'links',
    step: 'links',
    weight: 'must',
    criterion: '1.4.3',
    standing: 'ruled out',
    words: 'faint grey',
  };
  const search = new URLSearchParams();
  writeFilter(filter, search);
  expect(filterFrom(search)).toEqual(filter);
  expect(filterFrom(new URLSearchParams('family=nonsense&weight=heavy'))).toEqual(NO_FILTER);
  expect(filters(NO_FILTER)).toBe(false);
});
