import fc from 'fast-check';
import { applyEdits as applied, changeBetween } from '@inkwell/core';
import { editsInXml, pagesInXml } from './insideXml.ts';
import { readXmlTree } from './xmlTree.ts';

/** The file after one of its pages became another text. */
function changed(xml: string, after: string, nth = 0): string {
  const inside = pagesInXml(xml)[nth]!;
  return applied(xml, editsInXml(xml, inside, changeBetween(inside.html, after).edits));
}

const TOPIC =
  '<?xml version="1.0"?>\r\n<topic xmlns="urn:dt">\r\n<title>Hello</title><text texttype="text/html">&lt;p&gt;Wax &amp;amp; honey&#x2014;&lt;/p&gt;\r\n&lt;p&gt;Bye&lt;/p&gt;</text></topic>';

test('HTML in a topic is read as it was meant, and its place and title are told', () => {
  expect(pagesInXml(TOPIC)).toMatchObject([{ path: '/topic[1]/text[1]', title: 'Hello', html: '<p>Wax &amp; honey—</p>\n<p>Bye</p>' }]);
});

test('each question of a quiz is a page of its own, and plain text is none (QTI 1.2)', () => {
  const xml =
    '<q:quiz xmlns:q="urn:q"><q:item title="First"><q:mattext texttype="text/html"><![CDATA[<p>One</p>]]></q:mattext><q:mattext texttype="text/plain">A</q:mattext></q:item><q:item title="Second"><q:mattext texttype="TEXT/HTML">&lt;p&gt;Two</q:mattext><q:mattext texttype="text/html"/></q:item></q:quiz>';
  expect(pagesInXml(xml).map(({ path, title, html }) => [path, title, html])).toEqual([
    ['/quiz[1]/item[1]/mattext[1]', 'First', '<p>One</p>'],
    ['/quiz[1]/item[2]/mattext[1]', 'Second', '<p>Two'],
  ]);
});

test('an edit is escaped as its neighbours are, and nothing else changes', () => {
  expect(changed(TOPIC, '<p>Wax &amp; honey—</p>\n<h2>Bye & "thanks"</h2>')).toBe(
    TOPIC.replace('&lt;p&gt;Bye&lt;/p&gt;', '&lt;h2&gt;Bye &amp; "thanks"&lt;/h2&gt;'),
  );
  const quoted = '<t><text texttype="text/html">&lt;a href=&quot;x&quot;></text></t>';
  expect(changed(quoted, '<a href="y" title="z">')).toBe(
    '<t><text texttype="text/html">&lt;a href=&quot;y&quot; title=&quot;z&quot;></text></t>',
  );
});

test('CDATA stays CDATA, even where it is left and entered again', () => {
  const xml = '<t><text texttype="text/html"><![CDATA[<p>One</p>]]>&lt;p&gt;Two<![CDATA[</p>]]></text></t>';
  expect(changed(xml, '<p>One</p><p>Three</p>')).toBe(xml.replace('Two', 'Three'));
  expect(pagesInXml(changed(xml, '<p>]]></p>'))[0]!.html).toBe('<p>]]></p>');
});

test('whatever a text becomes, it is read back as that from its file', () => {
  const sign = fc.constantFrom('<p>', '</p>', '&amp;', '&', '<', '>', '"', ']]>', '\n', 'é', '😀', 'a b');
  const text = fc.array(sign, { maxLength: 12 }).map((parts) => `x${parts.join('')}x`);
  const held = fc.array(
    fc.oneof(
      sign.map((one) => one.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll(']]>', ']]&gt;')),
      sign.filter((one) => one !== ']]>').map((one) => `<![CDATA[${one}]]>`),
      fc.constantFrom('&#x41;', '&quot;', '\r\n', '<!-- note -->'),
    ),
    { maxLength: 12 },
  );
  fc.assert(
    fc.property(held, text, (parts, after) => {
      const xml = `<t><text texttype="text/html">x${parts.join('')}x</text></t>`;
      expect(pagesInXml(changed(xml, after))[0]!.html).toBe(after);
    }),
    { seed: 21, numRuns: 1_500 },
  );
});

test('XML that brings entities of its own, or is no XML, is not read', () => {
  expect(readXmlTree('<!DOCTYPE a [<!ENTITY x "y">]><a>&x;</a>').ok).toBe(false);
  expect(readXmlTree('<a><b></a>').ok).toBe(false);
  expect(readXmlTree('<a>'.repeat(500) + '</a>'.repeat(500)).ok).toBe(false);
  expect(pagesInXml('<t><text texttype="text/html">&lt;p&gt;</t>')).toEqual([]);
});
