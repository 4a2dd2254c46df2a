import { readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { expect, test, type CDPSession } from '@playwright/test';
import { inspectNames, parsePage, type Page as EnginePage } from '@inkwell/core';

/**
 * What the engine computes, compared with Chromium's accessibility tree over its debugging protocol: the exposed headings with their
 * levels, links and pictures of each page, by path, with their names.
 */
const demo = join(import.meta.dirname, '../../demo/pages');
const pages = readdirSync(demo, { recursive: true, encoding: 'utf8' }).filter((file) => file.endsWith('.html')).map((file): [string, string] => [file, readFileSync(join(demo, file), 'utf8')]);

interface AxNode {
  ignored: boolean;
  role?: { value: string };
  name?: { value: string };
  properties?: { name: string; value: { value: unknown } }[];
  backendDOMNodeId?: number;
}

const PATH_OF = `function () {
  const steps = [];
  for (let here = this; here && here.nodeType === 1; here = here.parentElement) {
    let place = 1;
    for (let other = here.previousElementSibling; other; other = other.previousElementSibling) if (other.localName === here.localName) place++;
    steps.unshift('/' + here.localName + '[' + place + ']');
  }
  return steps.join('');
}`;

async function told(session: CDPSession): Promise<string[]> {
  const { nodes } = (await session.send('Accessibility.getFullAXTree')) as unknown as { nodes: AxNode[] };
  const lines: string[] = [];
  for (const node of nodes) {
    const role = node.role?.value;
    if (node.ignored || !node.backendDOMNodeId || (role !== 'heading' && role !== 'link' && role !== 'image')) continue;
    const { object } = await session.send('DOM.resolveNode', { backendNodeId: node.backendDOMNodeId });
    const { result } = await session.send('Runtime.callFunctionOn', { objectId: object.objectId!, functionDeclaration: PATH_OF, returnByValue: true });
    const level = node.properties?.find((property) => property.name === 'level')?.value.value;
    // A drawing without a name is told as an image by Chromium and as a drawing of its own kind by HTML-AAM.
    if (role === 'image' && !node.name?.value && /svg\[\d+\]$/.test(String(result.value))) continue;
    lines.push(`${String(result.value)} ${role}${role === 'heading' ? ` ${String(level)}` : ''} “${(node.name?.value ?? '').replace(/\s+/g, ' ').trim()}”`);
  }
  return lines.sort();
}

function computed(page: EnginePage): string[] {
  const told = inspectNames(page).filter(({ role }) => role === 'heading' || role === 'link' || role === 'img');
  return told.map(({ path, role, level, name }) => `${path} ${role === 'img' ? 'image' : role}${level === undefined ? '' : ` ${level}`} “${name}”`).sort();
}

for (const [file, html] of pages) {
  test(`${file}: headings, links and pictures as Chromium tells them`, async ({ page }) => {
    await page.setContent(html, { waitUntil: 'domcontentloaded' });
    const session = await page.context().newCDPSession(page);
    await session.send('Accessibility.enable');
    expect(computed(parsePage(html))).toEqual(await told(session));
  });
}

test('names from every source, as Chromium computes them', async ({ page }) => {
  const html = `<h2 id="a">Spring</h2><h3 aria-labelledby="a b">x</h3><p id="b" hidden>work</p><a href="x" aria-label="Spring work">no</a><a href="x">Spring <img src="i" alt="work"></a><a href="x" title="Spring work"></a>
    <a href="x">one<span hidden> no</span><span aria-hidden="true"> no</span><b> two</b></a><a href="x"><div>one</div><div>two</div></a><img src="i" aria-label="Gate"><img src="i" title="Gate"><h4><img src="i" alt="Floor"> of wood</h4>
    <div role="heading" aria-level="5">Mesh</div><a href="x"><svg><title>Home</title></svg></a><h2 style="visibility:hidden">no<span style="visibility:visible"> yes</span></h2><label>Remind me in <input type="text" value="3"> days</label>`;
  await page.setContent(html, { waitUntil: 'domcontentloaded' });
  const session = await page.context().newCDPSession(page);
  await session.send('Accessibility.enable');
  expect(computed(parsePage(html))).toEqual(await told(session));
});
