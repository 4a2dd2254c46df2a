import { readFileSync } from 'node:fs';
import { basename } from 'node:path';
import { expect, test, type Page as Tab } from '../support/test';
import { applyRemedy, auditPage, DEFAULT_PROFILE, fixCertain, offersFor, parsePage, selectFindings } from '@inkwell/core';
import { openBrowser } from '../../checks/src/browser.ts';
import { demoPages } from '../../checks/src/pages.ts';

/**
 * A remedy is certain when it needs no person: then what a reader sees must be the same as before. Chromium says what is seen: the text
 * as laid out, where each link leads and which images stand there.
 */

interface Seen {
  text: string;
  links: string[];
  images: string[];
}

/** Certain remedies whose point is in words: a typed marker becomes a real one, a doubled sign goes, a link says that it opens a window. */
const CHANGES_WORDS = new Set(['strip-marker', 'strip-marks', 'say-so', 'trim-opening', 'close']);
/** Two neighbouring links to one place become one; an anchor is renamed with the links to it. */
const CHANGES_LINKS = new Set(['join', 'rename-anchor']);

async function seen(tab: Tab, html: string): Promise<Seen> {
  await tab.setContent(html, { waitUntil: 'domcontentloaded' });
  return tab.evaluate(() => ({
    text: document.body.innerText,
    links: [...document.querySelectorAll<HTMLAnchorElement>('a[href]')]
      .filter((link) => link.innerText.trim() || link.querySelector('img'))
      .map((link) => link.getAttribute('href')!),
    images: [...document.images].map((image) => image.getAttribute('src') ?? ''),
  }));
}

/** Words in reading order. Markers of lists are drawn and not text once a list is real; letters that were spaced apart close up. */
function words(text: string): string {
  return text
    .split('\n')
    .map((line) => line.replace(/^\s*(?:[-–—•·*o]|\(?(?:\d{1,2}|[a-z]|[ivx]+)[.)])\s+/i, ''))
    .join('')
    .replace(/\s+/g, '');
}

/** A slip for every certain remedy that the demo's pages have no use for. */
const SLIPS = [
  '<p><img src="a.png" alt="" title="The lock" aria-label="Lock"> The lock</p>',
  '<p><a href="x"><img src="a.png" alt="Boat trips"></a> <a href="x">Boat trips</a></p>',
  '<p>See the <a href="x">plan of</a> <a href="x"><b>the lock</b></a>.</p>',
  '<p><a href="#lock%20four">Lock 4</a></p><h2 id="lock four">Lock 4</h2><p>Text.</p>',
  "<p><a title='Boat trips'\n href=x>Boat trips</a></p>",
  '<div><li>One\n<li>Two</div>',
  '<p>Bring:</p>\n<ul></ul>\n<p>Or not.</p>',
  '<ul><li>Boxes</li><ul><li>Brood box</li></ul></ul>',
  '<table><caption>Locks</caption>\n<tr><th>Lock</th><th>Depth</th></tr>\n<tr><td>&nbsp;</td><td></td></tr>\n<tr><td>2</td><td>3 m</td></tr></table>',
  '<table border="1"><caption>Locks</caption><tr><td><b>Lock</b><td><b>Depth</b></tr><tr><td>1<td>2 m</tr><tr><td>2<td>3 m</tr></table>',
  '<table role="presentation" summary="Layout"><tr><th scope="row">Walks</th><td>Text of the walks.</td></tr></table>',
  '<table><caption>Locks</caption><tr><th scope="column">Lock</th><th scope="col">Depth</th></tr><tr><td>1</td><td>2 m</td></tr></table>',
  '<p style="margin:0;color:#777777">The lock is closed.</p>',
  '<p class="k">The lock is closed.<br>\n<br>It opens again in May.</p>',
  '<p><font face="Arial" color="#000000">The lock</font> is <font face="Arial">closed.</font></p>',
  '<p style="font-size:11pt">The lock</p><p style="color:#000;font-size:11pt">is <span style="font-size:11pt">closed</span>.</p>',
  '<p lang="ar">البوابة مغلقة حتى مايو</p>',
  '<p style="line-height:1 !important">The lock is closed.</p>',
  '<h2 role="none">Locks</h2><p>Text.</p>',
  '<html><head><title>Locks</title></head><body lang="de"><p>Text.</p></body></html>',
  '<p class="MsoNormal" style="mso-margin-top-alt:auto">The <b>lock</b> is <span lang="en">closed</span>.<o:p></o:p></p>',
  '<h2>L&nbsp;O&nbsp;C&nbsp;K&nbsp;S</h2><p>Text.</p>',
  '<p>One.</p>\n<p>&nbsp;</p>\n<p>&nbsp;</p>\n<p>Two.</p>',
  '<video src="water.mp4" autoplay muted loop></video>',
  '<p><a tabindex=3 href="x">Boats</a></p>',
];

let browser: Awaited<ReturnType<typeof openBrowser>>;
test.beforeAll(async () => void (browser = await openBrowser()));
test.afterAll(() => browser.close());

/** Applies each certain remedy of each of a page's findings, and compares what is seen with what was. */
async function compareEach(tab: Tab, source: string): Promise<string[]> {
  const page = parsePage(source);
  const before = await seen(tab, source);
  const names: string[] = [];
  for (const finding of selectFindings(auditPage(page).findings, DEFAULT_PROFILE)) {
    for (const offer of offersFor(page, finding).filter((one) => one.certain && !one.declines)) {
      const result = applyRemedy(page, finding, offer.name, offer.inputs);
      if (!result.ok) continue;
      names.push(offer.name);
      const after = await seen(tab, result.value.after);
      const what = `${offer.name} on ${finding.rule}: ${source.slice(finding.at.start, finding.at.end).slice(0, 120)}`;
      if (!CHANGES_WORDS.has(offer.name)) expect(words(after.text), what).toBe(words(before.text));
      if (!CHANGES_LINKS.has(offer.name)) expect(after.links, what).toEqual(before.links);
      expect(after.images, what).toEqual(before.images);
    }
  }
  return names;
}

for (const file of demoPages()) {
  test(`${basename(file)}: what is certain leaves text, links and images as they are seen`, async () => {
    const tab = await browser.context.newPage();
    const source = readFileSync(file, 'utf8');
    await compareEach(tab, source);
    // All of it at once, too.
    const before = await seen(tab, source);
    const after = await seen(tab, fixCertain(parsePage(source)).after);
    expect(after.images).toEqual(before.images);
    expect(new Set(after.links)).toEqual(new Set(before.links));
    await tab.close();
  });
}

test('a slip for each certain remedy: text, links and images stay as they are seen', async () => {
  const tab = await browser.context.newPage();
  const names = new Set<string>();
  const idle: string[] = [];
  for (const slip of SLIPS) {
    const applied = await compareEach(tab, slip);
    if (applied.length === 0) idle.push(slip);
    for (const name of applied) names.add(name);
  }
  expect(idle).toEqual([]);
  expect(names.size).toBeGreaterThanOrEqual(18);
  await tab.close();
});
