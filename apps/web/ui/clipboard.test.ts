import { takeFromClipboard } from './clipboard';

const clipboard = (parts: Record<string, string>) => ({ getData: (type: string) => parts[type] ?? '' });

test('source that was copied as text comes in as that source', () => {
  expect(takeFromClipboard(clipboard({ 'text/plain': '<p>One</p>', 'text/html': '<pre>&lt;p&gt;One&lt;/p&gt;</pre>' }))).toEqual({
    text: '<p>One</p>',
    rich: false,
  });
});

test('rich text comes in as its markup, without the frame the system puts around it', () => {
  const html = '<html><body>\r\n<!--StartFragment--><p><b>One</b></p><!--EndFragment-->\r\n</body></html>';
  expect(takeFromClipboard(clipboard({ 'text/plain': 'One', 'text/html': html }))).toEqual({ text: '<p><b>One</b></p>', rich: true });
  expect(takeFromClipboard(clipboard({ 'text/plain': 'One', 'text/html': "<meta charset='utf-8'><p>One</p>" }))).toEqual({
    text: '<p>One</p>',
    rich: true,
  });
});

test('plain words stay words', () => {
  expect(takeFromClipboard(clipboard({ 'text/plain': 'a < b, said Ines' }))).toEqual({ text: 'a < b, said Ines', rich: false });
});
