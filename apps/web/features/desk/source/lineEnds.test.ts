import { EditorState } from '@codemirror/state';
import { Places, separatorOf } from './lineEnds';

test.each([
  ['<p>a</p>\n', '\n'],
  ['<p>a</p>\r\n<p>b</p>\r\n', '\r\n'],
  ['a\r\nb\nc', '\n'],
  ['a\rb\r\n', '\n'],
  ['', '\n'],
  ['\r\n', '\r\n'],
])('%j is split by %j', (text, separator) => {
  expect(separatorOf(text)).toBe(separator);
});

test('each offset leads to its place in the editor, and the editor gives the text back as it was', () => {
  for (const text of ['<h2>A</h2>\r\n<p>b</p>\r\n\r\n<p>c</p>', '<h2>A</h2>\n<p>b</p>\n']) {
    const state = EditorState.create({ doc: text, extensions: EditorState.lineSeparator.of(separatorOf(text)) });
    expect(state.sliceDoc()).toBe(text);
    const places = new Places(text);
    for (const piece of ['<h2>', '<p>b', 'b</p>'])
      expect(state.sliceDoc(places.of(text.indexOf(piece)), places.of(text.indexOf(piece) + piece.length))).toBe(piece);
  }
});
