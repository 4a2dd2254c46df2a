import { auditPage } from '../../../audit/run.ts';
import { parsePage } from '../../../document/page.ts';

const found = (html: string, fillers?: readonly string[]) =>
  auditPage(parsePage(html, { scope: 'fragment', surroundings: fillers ? { vocabulary: { fillers } } : {} })).findings.filter(
    ({ rule }) => rule === 'text/filler',
  );

test('a text of the house’s own templates is found where it stands alone, and not where a passage begins with its words', () => {
  const html = '<p>Week summary goes here.</p><p>Write an introduction of about a hundred words</p>';
  expect(found(html)).toHaveLength(0);
  expect(found(html, ['week summary', 'Write an introduction'])).toHaveLength(2);
  const long = `<p>Week summary: ${'the hives were opened on a warm day, and the frames lifted one by one. '.repeat(2)}</p>`;
  expect(found(long, ['Week summary'])).toHaveLength(0);
  expect(found(html, [''])).toHaveLength(0);
});
