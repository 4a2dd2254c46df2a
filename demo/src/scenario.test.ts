import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { auditPage, parsePage, RULES, surroundingsFrom, titleText, type Neighbours } from '@inkwell/core';
import { COLLECTIONS, PEOPLE, STEPS } from './scenario.ts';

const folder = join(__dirname, '..');
const sources = COLLECTIONS.flatMap((collection) =>
  collection.pages.map((page) => ({ collection, page, html: readFileSync(join(folder, 'pages', collection.folder, page.file), 'utf8') })),
);

/** What a collection of the demo holds, as the engine is told of it. */
function neighboursOf(collection: (typeof COLLECTIONS)[number]): Neighbours {
  const own = sources.filter((source) => source.collection === collection);
  return {
    titles: Object.fromEntries(own.map(({ page, html }) => [page.file, titleText(parsePage(html)) || page.title])),
    files: [...Object.keys(collection.images), ...collection.texts],
    sheets: Object.fromEntries(
      collection.texts.map((file) => [file, readFileSync(join(folder, 'pages', collection.folder, file), 'utf8')]),
    ),
  };
}

test('the demo holds a slip of every rule, somewhere', () => {
  const found = new Set(
    sources.flatMap(({ collection, page, html }) => {
      const { scope } = collection;
      const surroundings = surroundingsFrom({ address: page.file, scope, title: page.title }, neighboursOf(collection));
      return auditPage(parsePage(html, { scope, surroundings })).findings.map((finding) => finding.rule);
    }),
  );
  expect(RULES.map((rule) => rule.id).filter((id) => !found.has(id))).toEqual([]);
});

test('courses are fragments and sites whole pages', () => {
  for (const { collection, html } of sources) expect(parsePage(html).scope).toBe(collection.scope);
});

test('every image and style sheet a page uses is there, and drawn for the project', () => {
  for (const { collection, page, html } of sources) {
    const used = [...html.matchAll(/(?:src|href)="([^":#]+\.(?:png|jpg|css))"/g)].map((match) => decodeURIComponent(match[1]!));
    for (const address of used)
      expect([
        page.file,
        address,
        address in collection.images || collection.texts.includes(address) || collection.missing.includes(address),
      ]).toEqual([page.file, address, true]);
    for (const drawing of Object.values(collection.images))
      expect(/ \d+$/.test(drawing) || existsSync(join(folder, 'drawings', `${drawing}.svg`))).toBe(true);
  }
});

test('links between pages lead somewhere, and no address is a real one', () => {
  for (const { collection, html } of sources) {
    for (const [, address] of html.matchAll(/href="([^"]+)"/g)) {
      if (/^(?:https?|mailto):/.test(address!)) expect(address).toMatch(/(?:\.example)(?:[/?:]|$)/);
      else if (address!.endsWith('.html')) expect([...collection.pages.map((page) => page.file), ...collection.missing]).toContain(address);
    }
  }
});

test('every step of the scenario names a page and a person that exist', () => {
  const files = sources.map(({ page }) => page.file);
  for (const step of STEPS) {
    expect(files).toContain(step.page);
    expect(PEOPLE.map((person) => person.id)).toContain(step.by);
  }
});
