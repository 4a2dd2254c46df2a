import { auditPage } from '../audit/run.ts';
import { applyRemedy } from '../remedies/apply.ts';
import { fixCertain } from '../remedies/certain.ts';
import { parsePage } from './page.ts';
import { browserReadsAsXml } from './xml.ts';

const book = (body: string, attributes = 'xml:lang="en"') =>
  `<?xml version="1.0" encoding="UTF-8"?>\n<!DOCTYPE html>\n<!-- a > b -->\n<html xmlns="http://www.w3.org/1999/xhtml" ${attributes}>\n<head><title>Locks &amp; walks</title></head>\n<body>${body}</body>\n</html>\n`;
const open = (source: string) => parsePage(source, { xhtml: true });

test('well-formed XHTML is read as XML: what is closed is closed, nothing is implied, and paragraphs hold what they hold', () => {
  const page = open(book('<p>One <a id="x"/>two<pre>k</pre> three&nbsp;<![CDATA[<b>]]></p><table><tr><td>1</td></tr></table>'));
  expect(page.xml).toBe('read');
  const paths = page.elements.map((element) => element.tag);
  expect(paths).toEqual(['html', 'head', 'title', 'body', 'p', 'a', 'pre', 'table', 'tr', 'td']);
  const anchor = page.elements[5]!;
  expect([anchor.selfClosed, anchor.children, page.source.slice(anchor.range!.start, anchor.range!.end)]).toEqual([
    true,
    [],
    '<a id="x"/>',
  ]);
  expect(page.texts.map((text) => text.text).join('|')).toContain('three\u00a0|<b>');
});

test('every element, attribute and text has its place in the source', () => {
  const page = open(
    book('<p id="a" title=\'x > y\'>Bees &eacute; <b class="k">hum</b>.</p><br/><svg:svg xmlns:svg="http://www.w3.org/2000/svg"/>'),
  );
  for (const element of page.elements) {
    expect(page.source.slice(element.startTag!.start, element.startTag!.end)).toMatch(new RegExp(`^<(?:svg:)?${element.tag}\\b[^]*>$`));
    if (element.endTag) expect(page.source.slice(element.endTag.start, element.endTag.end)).toBe(`</${element.tag}>`);
    for (const { name, value, range } of element.attributes) {
      const written = page.source.slice(range!.start, range!.end);
      expect([written.startsWith(name), written.includes(value)]).toEqual([true, true]);
    }
  }
  expect(page.elements.at(-1)).toMatchObject({ space: 'svg', prefix: 'svg' });
});

test.each([
  ['an element left open', book('<p>One')],
  ['an entity nobody knows', book('<p>&bees;</p>')],
  ['an attribute without quotes', book('<p class=k>One</p>')],
  ['a document type with a subset of its own', book('<p>One</p>').replace('<!DOCTYPE html>', '<!DOCTYPE html [<!ENTITY a "b">]>')],
  ['no head', '<html xmlns="http://www.w3.org/1999/xhtml"><body><p>One</p></body></html>'],
])('with %s it is read as HTML', (_shows, source) => {
  expect(open(source).xml).toBe('broken');
});

test('a page that does not say that it is XHTML is HTML', () => {
  expect(parsePage('<html><head><title>a</title></head><body><p>b</p></body></html>').xml).toBeNull();
  expect(parsePage(book('<p>One</p>')).xml).toBe('read');
});

test('in XML xml:lang is enough; where the same is sent as HTML, lang is copied from it', () => {
  const rules = (page: ReturnType<typeof open>) => auditPage(page).findings.map((finding) => `${finding.rule} ${finding.message}`);
  expect(rules(open(book('<h1>Locks</h1>')))).not.toContain('document/no-language elsewhere');
  const sent = parsePage(book('<h1>Locks</h1>'));
  expect(rules(sent)).toContain('document/no-language elsewhere');
  expect(fixCertain(sent).after).toContain('<html lang="en" xmlns="http://www.w3.org/1999/xhtml" xml:lang="en">');
});

test('what certain fixes make of XHTML is as well formed as before', () => {
  const slips =
    '<h1>Locks</h1><h2/><p>- a veil<br/>- gloves</p><p><video src="a.mp4"/></p><p>One.<br/><br/>Two, and a little more of it.<br/><br/>Three goes on here.</p>' +
    '<ul><li>Floor</li><ul><li>Box</li></ul></ul><p><a href="x" title="Boats" target="_blank">Boats</a></p><p style="color:#777">Faint words.</p>';
  const page = open(book(slips));
  const { after, fixed } = fixCertain(page);
  expect(fixed.length).toBeGreaterThanOrEqual(7);
  const again = open(after);
  expect([again.xml, fixCertain(again).after]).toEqual(['read', after]);
  expect(after).toContain('controls="controls"');
});

test('a fix that would leave the page no longer well formed declines', () => {
  const page = open(book('<h1>Locks</h1><h2/><p>Text.</p>'));
  const blank = auditPage(page).findings.find((finding) => finding.rule === 'headings/blank')!;
  expect(applyRemedy(page, blank, 'fill', { text: 'Walks' })).toMatchObject({ ok: false });
  expect(applyRemedy(page, blank, 'remove', {})).toMatchObject({ ok: true });
});

test('a browser is given XML only where it knows every entity that is named', () => {
  expect(browserReadsAsXml(book('<p>One</p>'), 'a.xhtml')).toBe(true);
  expect(browserReadsAsXml(book('<p>One&nbsp;two</p>'), 'a.xhtml')).toBe(false);
  const known = '<!DOCTYPE html PUBLIC "-//W3C//DTD XHTML 1.1//EN" "http://www.w3.org/TR/xhtml11/DTD/xhtml11.dtd">';
  expect(browserReadsAsXml(book('<p>One&nbsp;two</p>').replace('<!DOCTYPE html>', known), 'a.xhtml')).toBe(true);
});
