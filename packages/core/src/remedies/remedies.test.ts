import { readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import fc from 'fast-check';
import { DEFAULT_PROFILE, selectFindings } from '../audit/profile.ts';
import { auditPage } from '../audit/run.ts';
import type { Finding } from '../audit/findings.ts';
import { compareAudits } from '../audit/compare.ts';
import { parsePage, type Page, type Surroundings } from '../document/page.ts';
import { applyChange, invertChange } from '../source/edits.ts';
import { RULES } from '../rules/registry.ts';
import type { RuleCase } from '../rules/types.ts';
import { applyRemedy, offersFor } from './apply.ts';
import { fixCertain } from './certain.ts';
import { REMEDY_NAMES } from './names.ts';
import { REMEDIES } from './registry.ts';
import { repairedLevels } from './repairedLevels.ts';
import type { Inputs } from './types.ts';

const surroundings: Surroundings = { titleOf: (address) => (address.includes('spring') ? 'Spring work' : undefined) };

function open(html: string): Page {
  return parsePage(html, { surroundings });
}

/** What the usual profile sees: the audit itself also reports what only a stricter one asks for. */
function findingsOf(page: Page): Finding[] {
  return selectFindings(auditPage(page).findings, DEFAULT_PROFILE);
}

/** The page after a remedy of its first finding of a rule. */
function fixed(html: string, rule: string, remedy: string, inputs?: Inputs): string {
  const page = open(html);
  const finding = auditPage(page).findings.find((one) => one.rule === rule);
  if (!finding) throw new Error(`${rule} finds nothing in ${html}`);
  const result = applyRemedy(page, finding, remedy, inputs ?? offersFor(page, finding).find((offer) => offer.name === remedy)!.inputs);
  return result.ok ? result.value.after : `declined: ${result.reason}`;
}

test('every remedy that is named has its file, and every rule’s remedies exist', () => {
  expect(Object.keys(REMEDIES).sort()).toEqual([...REMEDY_NAMES].sort());
  for (const rule of RULES) for (const name of rule.remedies) expect(REMEDIES[name]).toBeDefined();
});

// What made work twice over when it was applied as proposed.
test.each<[string, string, string, string, string]>([
  [
    'a label that is tied to nothing is tied, not doubled',
    '<p><label>Age</label> <input></p>',
    'forms/unlabelled',
    'label',
    '<p><label for="age">Age</label> <input id="age"></p>',
  ],
  [
    'cells that become headers lose the tags that made them bold, and no others',
    '<table><tr><td><b>Lock</b></td><td><strong>Depth <i>m</i></strong></td></tr><tr><td>One</td><td>2</td></tr><tr><td>Two</td><td>3</td></tr></table>',
    'tables/imitated-headers',
    'set-headers',
    '<table><tr><th scope="col">Lock</th><th scope="col">Depth <i>m</i></th></tr><tr><td>One</td><td>2</td></tr><tr><td>Two</td><td>3</td></tr></table>',
  ],
])('%s', (_shows, html, rule, remedy, after) => {
  expect(fixed(html, rule, remedy, remedy === 'set-headers' ? { headers: 'row' } : undefined)).toBe(after);
});

const offersOn = (html: string, rule: string, nth = 0, around: Surroundings = surroundings) => {
  const page = parsePage(html, { scope: 'fragment', surroundings: around });
  return offersFor(page, auditPage(page).findings.filter((one) => one.rule === rule)[nth]!);
};

test('of two tables under one heading the first is offered it as its caption, the second nothing', () => {
  const table = '<table><tr><th scope="col">Lock</th><th scope="col">Depth</th></tr><tr><td>One</td><td>2 m</td></tr></table>';
  expect([0, 1].map((nth) => offersOn(`<h2>Locks</h2>${table}${table}`, 'tables/no-caption', nth)[0]!.inputs.caption)).toEqual([
    'Locks',
    '',
  ]);
});

test('a description that is to be looked at again begins with what is there; a missing one with nothing', () => {
  const again = offersOn(
    '<h2>Wax</h2><p>A hive stands on legs.</p><p><img src="smoker.png" alt="A hive on legs"></p>',
    'images/true-to-picture',
  );
  expect(again.find(({ name }) => name === 'describe')?.inputs).toEqual({ alt: 'A hive on legs' });
  const [first] = offersOn('<p><img src="smoker.png"></p>', 'images/no-alternative');
  expect(first).toMatchObject({ name: 'describe', inputs: { alt: '' } });
});

test('a caption is never put into a heading', () => {
  const page = open('<h2>Locks <img src="plan.png" alt="Plan of the locks"></h2>');
  const finding = { rule: 'images/caption', message: '', values: {}, at: { path: '/html[1]/body[1]/h2[1]/img[1]' } } as never;
  const element = page.elements.find(({ tag }) => tag === 'img')!;
  expect(REMEDIES['add-caption'].plan({ page, element, finding }, { caption: 'Plan' })).toMatchObject({ ok: false });
});

test('a file is not named after a description that is a file name itself', () => {
  for (const alt of ['IMG_2034.jpg', 'DSC 0098', 'photo.png'])
    expect(offersOn(`<p><img src="x/IMG_2034.JPEG" alt="${alt}"></p>`, 'images/file-name')[0]!.inputs.name).toBe('');
});

test('a fix that lives on words to start from is offered only where there are some', () => {
  const usable = (html: string, rule: string) =>
    offersOn(html, rule)
      .filter((offer) => !offer.declines)
      .map(({ name }) => name);
  expect(usable('<p><a href="away.html">here</a></p>', 'links/vague')).toEqual(['reword']);
  expect(usable('<p>Read about the spring work <a href="spring.html">here</a></p>', 'links/vague')).toEqual([
    'reword',
    'absorb-words',
    'use-target-title',
  ]);
  expect(usable('<p><img src="IMG_2034.jpg" alt="IMG_2034.jpg"></p>', 'images/file-name-alt')).toEqual(['describe', 'decorative']);
});

test('a heading that says the title once more can be taken out', () => {
  const [first] = offersOn('<h1>Inside the hive</h1><p>Text.</p>', 'headings/several-h1', 0, { shownTitle: 'Inside the Hive' });
  expect(first).toMatchObject({ name: 'remove' });
  expect(first!.certain).toBe(false);
  expect(
    offersOn('<h1>Combs</h1><p>Text.</p>', 'headings/several-h1', 0, { shownTitle: 'Inside the hive' }).map(({ name }) => name),
  ).toEqual(['repair-outline', 'set-level']);
});

test('a heading is put before a paragraph that has words, never before one that is only a picture', () => {
  const blocks = Array.from({ length: 40 }, (_, i) =>
    i % 4 === 0
      ? '<p><img src="a.png" alt=""></p>'
      : `<p>On day ${i} the bees fly far for heather, lime and clover, and come home late.</p>`,
  );
  const [offer] = offersOn(`<p>${'Bees fly far. '.repeat(60)}</p>${blocks.join('')}`, 'headings/none-in-long-text');
  const { options } = offer!.fields.find(({ name }) => name === 'before')!;
  expect(options!.length).toBe(30);
  expect(options!.every(({ label }) => label !== '')).toBe(true);
  expect(options!.map(({ value }) => value)).toContain(offer!.inputs.before);
});

test.each<[string, string, string]>([
  ['paragraphs', '<p>1. One</p>\n<p>2. Two</p>', '<ol><li>One</li>\n<li>Two</li></ol>'],
  ['paragraphs whose end tags are left out', '<p>- One<p>- Two', '<ul><li>One</li><li>Two</li></ul>'],
  [
    'a nested list by its letters',
    '<p>1. One</p><p>a) In</p><p>b) Out</p><p>2. Two</p>',
    '<ol><li>One<ol type="a"><li>In</li><li>Out</li></ol></li><li>Two</li></ol>',
  ],
  ['lines broken by br', '<p>1. One<br>\n2. Two</p>', '<ol><li>One</li>\n<li>Two</li></ol>'],
  [
    'a lead-in before the lines and a remark after',
    '<p>Bring:<br>- a veil<br>- gloves<br>Nothing else.</p>',
    '<p>Bring:</p><ul><li>a veil</li><li>gloves</li></ul><p>Nothing else.</p>',
  ],
  [
    'markup inside the items',
    '<p>• <b>One</b> of it</p><p>• <a href="x">Two</a></p>',
    '<ul><li><b>One</b> of it</li><li><a href="x">Two</a></li></ul>',
  ],
  ['markers written as character references', '<p>&bull;&nbsp;One</p><p>&#8226; Two</p>', '<ul><li>One</li><li>Two</li></ul>'],
  [
    'a marker in an element of its own, and a word processor’s indent',
    '<p class="k" style="margin-left:36pt"><span>·<span>&nbsp;&nbsp; </span></span>One</p><p>· Two</p>',
    '<ul><li class="k">One</li><li>Two</li></ul>',
  ],
])('make-list: %s', (_shows, html, after) => {
  expect(fixed(html, 'lists/typed', 'make-list')).toBe(after);
});

test.each<[string, string, string]>([
  [
    'words beside numbers and an empty corner',
    '<table border=1><tr><td></td><td>Adult</td></tr><tr><td>Hour</td><td>7</td></tr></table>',
    '<table border=1><tr><td></td><th scope="col">Adult</th></tr><tr><th scope="row">Hour</th><td>7</td></tr></table>',
  ],
  [
    'a header over two columns',
    '<table border=1><tr><td>Lock</td><td colspan=2>Depth</td></tr><tr><td>1</td><td>2</td><td>3</td></tr></table>',
    '<table border=1><tr><th scope="col">Lock</th><th scope="col" colspan=2>Depth</th></tr><tr><td>1</td><td>2</td><td>3</td></tr></table>',
  ],
  [
    'two rows of headers where one spans and the one beside it reaches down',
    '<table border=1><tr><td rowspan=2>Lock</td><td colspan=2>Depth</td></tr><tr><td>Up</td><td>Down</td></tr><tr><td>1</td><td>2</td><td>3</td></tr></table>',
    '<table border=1><tr><th scope="col" rowspan=2>Lock</th><th scope="col" colspan=2>Depth</th></tr><tr><th scope="col">Up</th><th scope="col">Down</th></tr><tr><td>1</td><td>2</td><td>3</td></tr></table>',
  ],
])('set-headers infers %s', (_shows, html, after) => {
  expect(fixed(html, 'tables/no-headers', 'set-headers')).toBe(after);
});

test.each<[string, string, string, Inputs, RegExp]>([
  ['images/no-alternative', 'decorative', '<p><a href="x"><img src=a></a></p>', {}, /does not belong/],
  ['images/no-alternative', 'describe', '<img src="a.png">', { alt: ' ' }, /Write a description/],
  ['images/no-alternative', 'describe', '<img src="a.png">', { alt: 'a.png' }, /no more than/],
  ['links/vague', 'reword', '<p><a href="x">here</a></p>', { text: 'click here' }, /still does not say/],
  ['links/vague', 'absorb-words', '<p>The chart. <a href="x">here</a></p>', { words: 'map' }, /do not stand right before/],
  ['links/vague', 'use-target-title', '<p><a href="x.html">here</a></p>', {}, /not known here/],
  ['document/no-language', 'set-language', '<html><body>x</body></html>', { language: 'not a tag' }, /registered language tag/],
  ['tables/no-headers', 'set-headers', '<table border=1><tr><td>A<td>B<tr><td>1<td>2</table>', { headers: 'all' }, /Choose/],
])('%s, %s declines with a reason where it cannot help: %s', (rule, remedy, html, inputs, reason) => {
  expect(fixed(html, rule, remedy, inputs)).toMatch(reason);
});

describe('repair-outline', () => {
  const levels = fc.array(fc.integer({ min: 1, max: 6 }), { minLength: 1, maxLength: 14 });
  const under = (run: readonly number[]) => run.map((level, i) => run.slice(0, i).findLastIndex((before) => before < level));

  test.each<[number[], 'fragment' | 'document', number[]]>([
    [[3, 4, 4, 3], 'fragment', [2, 3, 3, 2]],
    [[1, 3, 3, 2], 'document', [1, 2, 2, 2]],
    [[1, 2, 1, 2], 'document', [1, 2, 2, 3]],
    [[2, 1, 2], 'document', [2, 1, 2]],
    [[4, 2], 'document', [1, 2]],
    [[2, 5, 6, 3], 'fragment', [2, 3, 4, 3]],
  ])('%j in a %s becomes %j', (before, scope, after) => {
    expect(repairedLevels(before, scope)).toEqual(after);
  });

  test('leaves no leap, begins right, and fixes nothing twice', () => {
    fc.assert(
      fc.property(levels, fc.constantFrom('fragment' as const, 'document' as const), (before, scope) => {
        const after = repairedLevels(before, scope);
        const parents = under(after);
        const noLeap = after.every((level, i) => parents[i] === -1 || level === after[parents[i]!]! + 1);
        const top =
          scope === 'fragment' ? after[0] === 2 && !after.includes(1) : after[0]! <= 2 && after.filter((level) => level === 1).length <= 1;
        return noLeap && top && JSON.stringify(repairedLevels(after, scope)) === JSON.stringify(after);
      }),
      { seed: 7, numRuns: 2_000 },
    );
  });

  test('keeps what is under what, where level 1 stands at most once at the front', () => {
    fc.assert(
      fc.property(levels, (before) => JSON.stringify(under(repairedLevels(before, 'fragment'))) === JSON.stringify(under(before))),
      { seed: 8, numRuns: 2_000 },
    );
  });
});

/** Pages with slips: the failing cases of every rule, and the demo’s pages. */
function pagesWithSlips(): [string, string][] {
  const cases = RULES.flatMap((rule) =>
    // eslint-disable-next-line @typescript-eslint/no-require-imports -- the folder name is known only here
    (require(`../rules/${rule.id}/cases.ts`) as { cases: RuleCase[] }).cases
      .filter((one) => one.at)
      .map((one): [string, string] => [`${rule.id}: ${one.shows}`, one.html]),
  );
  const demo = join(__dirname, '../../../../demo/pages');
  const files = readdirSync(demo, { recursive: true, encoding: 'utf8' }).filter((file) => file.endsWith('.html'));
  return [...cases, ...files.map((file): [string, string] => [file, readFileSync(join(demo, file), 'utf8')])];
}

/** Questions that new words only ask anew, and files that only whoever keeps them can rename. */
function settledByHand(finding: Finding): boolean {
  return ['images/true-to-picture', 'images/file-name', 'links/missing-anchor'].includes(finding.rule);
}

/** Something sensible to enter for every remedy. */
const ENTERED: Inputs = {
  href: 'walks.html',
  id: 'part-two',
  name: 'two-boats',
  color: '#000000',
  order: 'rows',
  before: '3',
  alt: 'Two boats in the top lock',
  text: 'Walks along the towpath',
  title: 'Walks along the towpath',
  caption: 'Walks by length',
  words: '',
  language: 'en',
  level: '3',
  headers: 'row',
};

test.each(pagesWithSlips())(
  'any remedy on %s settles its finding, brings no new must, undoes byte for byte, and acts once',
  (_name, html) => {
    const page = open(html);
    const before = findingsOf(page);
    for (const finding of before) {
      for (const offer of offersFor(page, finding)) {
        const result = applyRemedy(page, finding, offer.name, { ...ENTERED, ...dropBlank(offer.inputs) });
        if (!result.ok) {
          expect(result.reason).toMatch(/\.$/);
          continue;
        }
        const { change, after } = result.value;
        const back = applyChange(after, invertChange(html, change));
        expect(back).toEqual({ ok: true, value: html });
        const compared = compareAudits(before, findingsOf(open(after)), change);
        // A long stretch cut in two may still be long; it is shorter.
        const kept = compared.kept.find((pair) => pair.old === finding);
        if (kept && finding.rule === 'headings/none-in-long-text')
          expect(Number(kept.new.values.words)).toBeLessThan(Number(finding.values.words));
        else expect([offer.name, kept?.new]).toEqual([offer.name, undefined]);
        expect(compared.new.filter(isSureMust).map((one) => `${one.rule} ${one.at.path}`)).toEqual([]);
      }
    }
  },
);

function dropBlank(inputs: Inputs): Inputs {
  return Object.fromEntries(Object.entries(inputs).filter(([, value]) => value !== ''));
}

function isSureMust(finding: Finding): boolean {
  return finding.weight === 'must' && finding.outcome === 'failed';
}

test.each(pagesWithSlips())('fixing what is certain on %s twice is the same as once', (_name, html) => {
  const once = fixCertain(open(html));
  const twice = fixCertain(open(once.after));
  expect(twice.after).toBe(once.after);
  expect(twice.fixed).toEqual([]);
});

test.each(pagesWithSlips())('%s can be made right from its notes alone', (_name, html) => {
  let here = open(html);
  for (let step = 0; step < 60; step++) {
    const next = findingsOf(here)
      .filter((finding) => !settledByHand(finding))
      .flatMap((finding) =>
        offersFor(here, finding).map((offer) => applyRemedy(here, finding, offer.name, { ...ENTERED, ...dropBlank(offer.inputs) })),
      )
      .find((result) => result.ok);
    if (!next?.ok) break;
    here = open(next.value.after);
  }
  // What parsers make up for broken markup has no source to fix: such a page is fixed in Source.
  // A rule without remedies, and what was declined with a reason, is left to a person.
  expect(
    findingsOf(here)
      .filter(
        (finding) =>
          finding.remedies.length > 0 &&
          !settledByHand(finding) &&
          offersFor(here, finding).some((offer) => applyRemedy(here, finding, offer.name, { ...ENTERED, ...dropBlank(offer.inputs) }).ok),
      )
      .map((finding) => `${finding.rule} ${finding.at.path}`),
  ).toEqual([]);
});

test.each<[string, string, string]>([
  ['an image', '<p><img src="a.png"></p>', 'what does the image show?'],
  ['an image that is all a link holds', '<p><a href="b.html"> <img src="a.png"></a></p>', 'where does the link lead?'],
  ['an image beside words in a link', '<p><a href="b.html"><img src="a.png"> The locks</a></p>', 'what does the image show?'],
])('describe asks of %s what its alternative has to say (WCAG technique H30)', (_shows, html, question) => {
  const page = parsePage(html);
  const image = auditPage(page).findings.find(({ rule, remedies }) => rule.startsWith('images/') && remedies.includes('describe'));
  const offer = image && offersFor(page, image).find(({ name }) => name === 'describe');
  expect(offer?.fields.map(({ label }) => label)).toEqual([`Alternative text: ${question}`]);
});

test('a remedy whose questions depend on the page says beforehand what they are called, and asks just those', () => {
  const asking = REMEDY_NAMES.filter((name) => typeof REMEDIES[name].fields === 'function');
  expect(asking.map((name) => [name, (REMEDIES[name].needs ?? []).length > 0])).toEqual(asking.map((name) => [name, true]));
  const seen = new Set<string>();
  for (const [, html] of pagesWithSlips()) {
    const page = open(html);
    for (const finding of auditPage(page).findings)
      for (const { name, fields } of offersFor(page, finding))
        if (asking.includes(name)) {
          seen.add(name);
          expect([name, fields.map((field) => field.name)]).toEqual([name, REMEDIES[name].needs]);
        }
  }
  expect([...seen].sort()).toEqual([...asking].sort());
});
