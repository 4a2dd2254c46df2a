/** @jest-environment jsdom */
import { EditorState } from '@codemirror/state';
import { EditorView, runScopeHandlers } from '@codemirror/view';
import { showNotes, sourceNotes, type SourceNote } from './sourceNotes';

const TEXT = '<h2></h2>\n<p>Wax</p>\n<p><img src="a.png"></p>\n';
const BLANK: SourceNote = { id: 'blank', from: 0, to: 9, weight: 'must', sentence: 'This heading has no text' };
const IMAGE: SourceNote = {
  id: 'image',
  from: TEXT.indexOf('<img'),
  to: TEXT.indexOf('</p>', 30),
  weight: 'consider',
  sentence: 'a.png has no caption',
};

function editor(notes: readonly SourceNote[]) {
  const taken: string[] = [];
  const view = new EditorView({
    parent: document.body,
    state: EditorState.create({ doc: TEXT, extensions: sourceNotes((id) => taken.push(id)) }),
  });
  showNotes(view, notes);
  return { view, taken };
}

const press = (view: EditorView, shiftKey = false) =>
  runScopeHandlers(view, new KeyboardEvent('keydown', { key: 'F8', shiftKey }), 'editor');
const underlined = (view: EditorView) => [...view.dom.querySelectorAll('.note')].map((mark) => [mark.className, mark.textContent]);

test('a note is underlined by its weight, on its first line alone', () => {
  const { view } = editor([{ ...BLANK, to: TEXT.length }, IMAGE]);
  expect(underlined(view)).toEqual([
    ['note must', '<h2></h2>'],
    ['note consider', '<img src="a.png">'],
  ]);
});

test('F8 goes from note to note and round the end, Shift F8 back, and each is taken up', () => {
  const { view, taken } = editor([IMAGE, BLANK]);
  press(view);
  expect(view.state.selection.main.head).toBe(IMAGE.from);
  press(view);
  expect(view.state.selection.main.head).toBe(0);
  press(view, true);
  expect(taken).toEqual(['image', 'blank', 'image']);
});

test('with no notes F8 is left to others', () => {
  const { view, taken } = editor([]);
  expect([press(view), taken]).toEqual([false, []]);
});

test('notes move along with what is typed before them, until the engine has looked again', () => {
  const { view, taken } = editor([IMAGE]);
  view.dispatch({ changes: { from: 0, insert: '<p>More</p>\n' } });
  expect(underlined(view)).toEqual([['note consider', '<img src="a.png">']]);
  press(view);
  expect([view.state.selection.main.head, taken]).toEqual([IMAGE.from + 12, ['image']]);
  showNotes(view, []);
  expect(underlined(view)).toEqual([]);
});

test('the gutter shows one drop for each line, with how many notes it has and the heaviest of them', () => {
  const { view, taken } = editor([BLANK, { ...BLANK, id: 'level', weight: 'should', sentence: 'It leaps' }, IMAGE]);
  const drops = [...view.dom.querySelectorAll<HTMLElement>('.note-gutter .drop')].filter((drop) => drop.title.length > 7);
  expect(drops.map((drop) => [drop.className, drop.textContent, drop.title])).toEqual([
    ['drop must', '2', 'Must: This heading has no text\nShould: It leaps'],
    ['drop consider', '1', 'Consider: a.png has no caption'],
  ]);
  drops[0]!.dispatchEvent(new MouseEvent('mousedown', { bubbles: true }));
  expect(taken).toEqual(['blank']);
});

test('a note that lies past the end of a shorter text is shown at its end', () => {
  const { view } = editor([{ ...IMAGE, from: 5_000, to: 5_010 }]);
  press(view);
  expect(view.state.selection.main.head).toBe(TEXT.length);
});
