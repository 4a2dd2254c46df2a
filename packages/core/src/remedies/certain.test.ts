import { DEFAULT_PROFILE, selectFindings, verdictOf } from '../audit/profile.ts';
import { auditPage } from '../audit/run.ts';
import type { Finding } from '../audit/findings.ts';
import { parsePage, type Page, type Surroundings } from '../document/page.ts';
import { fixCertain, withActingRemedies } from './certain.ts';
import { harmOf } from './harm.ts';
import { REMEDIES } from './registry.ts';
import { isCertain } from './types.ts';

const open = (html: string, surroundings: Surroundings = {}) => parsePage(html, { surroundings });
const fixed = (html: string, surroundings?: Surroundings) => fixCertain(open(html, surroundings)).after;
const seen = (page: Page) => selectFindings(auditPage(page).findings, DEFAULT_PROFILE);
/** Rules of the findings that are offered a certain fix on a page. */
const certainOn = (html: string, surroundings?: Surroundings) => {
  const page = open(html, surroundings);
  return withActingRemedies(page, seen(page))
    .filter((finding) => finding.remedies.some((name) => isCertain(REMEDIES[name], finding.rule)))
    .map((finding) => finding.rule);
};

describe('a certain fix never takes away what an open must or question rests on', () => {
  test('a heading that only its size and weight tell stays as it is, and the page stays held', () => {
    const html = '<h2>Hive</h2><p><span style="font-size:18pt;font-weight:bold">Reading a frame</span></p><p>Hold it up to the light.</p>';
    expect(fixed(html)).toBe(html);
    expect(certainOn(html)).toEqual([]);
    expect(verdictOf(seen(open(fixed(html))), DEFAULT_PROFILE)).toBe('held');
  });

  test('colours that the text speaks of stay', () => {
    const html =
      '<p>Dates in red are sold out: <span style="color:#c00">2 May</span>, <span style="color:#080">9 May</span> and <span style="color:#c00">16 May</span>.</p>';
    expect(fixed(html)).toBe(html);
  });

  test('letters shown as signs stay signs', () => {
    const html = '<p><font face="Wingdings">n</font> <font face="Wingdings">n</font> Floor and <font face="Arial">box</font></p>';
    expect(fixed(html)).toContain('<font face="Wingdings">n</font>');
  });
});

describe('a certain fix brings nothing new', () => {
  test('a menu that loses its summary is said to be layout, and needs no headers', () => {
    const html =
      '<table summary="Navigation header"><tr><th colspan="3">Locks</th></tr><tr><td><a href="a">Prev</a></td><td><a href="u">Up</a></td><td><a href="b">Next</a></td></tr></table>';
    const after = fixed(html);
    expect(after).toBe(
      '<table role="presentation"><tr><td colspan="3">Locks</td></tr><tr><td><a href="a">Prev</a></td><td><a href="u">Up</a></td><td><a href="b">Next</a></td></tr></table>',
    );
    expect(seen(open(after)).filter((finding) => finding.outcome === 'failed')).toEqual([]);
  });

  test('items that paragraphs left open hold stand in their list again', () => {
    const html = '<ul><li>Out of order</li><p>\n<li>Closed</li><p>\n<li>Open</li></ul>';
    const after = fixed(html);
    expect(seen(open(after)).filter(({ rule }) => /spacer-blocks|stray-item|foreign-child/.test(rule))).toEqual([]);
    expect(open(after).elements.filter(({ tag }) => tag === 'p')).toEqual([]);
  });

  test('a heading in a list is left to a person', () => {
    const html = '<ol><li>Floor</li><h3>Above the floor</h3><li>Box</li></ol>';
    expect([fixed(html), certainOn(html)]).toEqual([html, []]);
  });

  test('bold and italics are names and terms more often than stress', () => {
    expect(certainOn('<p>Press <b>Open</b>, and mind the <i>Apis mellifera</i> in it.</p>')).toEqual([]);
  });

  test('colours of code stay', () => {
    const html = '<pre><font color="#0000ff">if</font> <font color="#008000">open</font> <font face="Arial">x</font></pre>';
    expect(fixed(html)).toBe(html);
  });
});

describe('contrast is mended where the colour comes from', () => {
  const linked: Surroundings = { sheetAt: (address) => ({ address, text: '.k{color:#999}' }) };

  test('in the page’s own sheet, once for all', () => {
    const html = '<style>.k{color:#999}</style><p class="k">Closed.</p><p class="k">Open.</p>';
    expect(fixed(html)).toBe('<style>.k{color:#767676}</style><p class="k">Closed.</p><p class="k">Open.</p>');
  });

  test('a sheet that pages share is left to its own place', () => {
    const html = '<link rel="stylesheet" href="house.css"><p class="k">Closed.</p>';
    expect([fixed(html, linked), certainOn(html, linked)]).toEqual([html, []]);
  });

  test('where a sheet could not be read it is a question, and nothing is done', () => {
    const html = '<link rel="stylesheet" href="https://styles.larkmoor.example/house.css"><p style="color:#999">Closed.</p>';
    expect(seen(open(html)).map((finding) => [finding.rule, finding.outcome])).toContainEqual(['colour/contrast', 'cantTell']);
    expect(fixed(html)).toBe(html);
  });

  test('a colour that is well elsewhere is not changed for one place', () => {
    const html = '<style>.k{color:#999}</style><p class="k">Faint.</p><div style="background:#222"><p class="k">Well seen.</p></div>';
    expect(fixed(html)).toBe(html);
  });
});

test.each([
  ['arrows before links', '<p>→ <a href="a">Locks</a><br>→ <a href="b">Walks</a></p>'],
  ['initials of names', '<p>A. Miller</p><p>B. Moss</p>'],
  ['what people say', '<p>– Is the lock open?</p><p>– Not before May.</p>'],
])('%s are no list that is made without a word', (_shows, html) => {
  expect(fixed(html)).toBe(html);
});

test('bullets behind the last number are a list of their own', () => {
  expect(fixed('<p>1. Floor</p><p>2. Box</p><p>- a veil</p><p>- gloves</p>')).toBe(
    '<ol><li>Floor</li><li>Box</li></ol><ul><li>a veil</li><li>gloves</li></ul>',
  );
});

test('a hundred slips are fixed in a few audits, and once is enough', () => {
  const html = Array.from(
    { length: 120 },
    (_none, i) => `<p>Leaf ${i}: <a href="${i}.html" title="Leaf ${i}">Leaf ${i}</a>.</p><p></p>`,
  ).join('');
  const once = fixCertain(open(html));
  expect(once.fixed.length).toBeGreaterThanOrEqual(121);
  expect(once.after).not.toMatch(/title=|<p><\/p>/);
  expect(fixCertain(open(once.after)).fixed).toEqual([]);
});

test('what a person has settled is left alone, and the rest is fixed', () => {
  const html = '<h2></h2><p>One.</p><h2></h2><p>Two.</p>';
  const page = open(html);
  const [first] = auditPage(page).findings.filter((finding) => finding.rule === 'headings/blank');
  expect(fixCertain(page, undefined, DEFAULT_PROFILE, (one) => one.fingerprint === first!.fingerprint).after).toBe(
    '<h2></h2><p>One.</p><p>Two.</p>',
  );
});

describe('harm', () => {
  const finding = (rule: string, weight: Finding['weight'], outcome: Finding['outcome']): Finding =>
    ({ rule, weight, outcome, values: {}, at: { path: '/p[1]', start: 0, end: 1, line: 1, column: 1 } }) as unknown as Finding;
  const acted = finding('lists/typed', 'must', 'failed');
  const acting = new Set([acted]);

  test('is a finding that stays open', () => {
    const now = finding('lists/typed', 'must', 'failed');
    const compared = { fixed: [], kept: [{ old: acted, new: now }], new: [] };
    expect(harmOf([acted], [now], compared, acting)).toMatchObject({ open: [acted] });
  });

  test('is a new failure that must or should be fixed, and not one that only moved', () => {
    const brought = finding('tables/no-headers', 'must', 'failed');
    expect(harmOf([acted], [brought], { fixed: [acted], kept: [], new: [brought] }, acting)).toMatchObject({ brought });
    const before = finding('tables/no-headers', 'must', 'failed');
    expect(harmOf([acted, before], [brought], { fixed: [acted, before], kept: [], new: [brought] }, acting)).toBeNull();
    const lesser = finding('tables/blank-rows', 'consider', 'failed');
    expect(harmOf([acted], [lesser], { fixed: [acted], kept: [], new: [lesser] }, acting)).toBeNull();
  });

  test('is another must or question that is gone, unless the fix answers it or it was about looks', () => {
    const gone = (rule: string) => {
      const other = finding(rule, 'should', 'cantTell');
      return harmOf([acted, other], [], { fixed: [acted, other], kept: [], new: [] }, acting);
    };
    expect(gone('headings/imitated')?.reason).toMatch(/^it would take away what another note rests on: bold line/);
    expect([gone('text/hard-to-read'), gone('colour/contrast'), gone('headings/none-in-long-text')]).toEqual([null, null, null]);
  });
});
