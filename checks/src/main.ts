/** `npm run check:browser`: the engine's roles, names, styles and contrast beside Chromium's, over the demo and real books. */
import { writeFileSync } from 'node:fs';
import { openBrowser, show } from './browser.ts';
import { compareNames, type NameTally } from './names.ts';
import { bookPages, BOOKS, demoPages, openFile } from './pages.ts';
import { compareStyles, type StyleTally } from './styles.ts';

const PAGES_EACH = Number(process.env.INKWELL_CHECK_PAGES ?? 40);

/** Bounds, as shares of 1. */
const BOUNDS = { names: 0.995, style: 0.995, certain: 0.97, contrast: 0.995 };

const styles: StyleTally = { texts: 0, equalStyle: 0, certain: 0, equalRatio: 0, shownUnlike: 0, unlike: [] };
const names: NameTally = { exposed: 0, equal: 0, unlike: [] };

function add<T extends object>(sum: T, one: T): void {
  for (const [key, value] of Object.entries(one) as [keyof T, unknown][]) {
    if (typeof value === 'number') (sum[key] as number) += value;
    else (sum[key] as string[]).push(...(value as string[]));
  }
}

const share = (part: number, whole: number) => (whole === 0 ? 1 : part / whole);
const percent = (value: number) => `${(100 * value).toFixed(2)} %`;

async function main(): Promise<void> {
  const { context, close } = await openBrowser();
  const sources: [string, string[]][] = [
    ['demo', demoPages()],
    ...BOOKS.map((book): [string, string[]] => [book, bookPages(book, PAGES_EACH)]),
  ];
  for (const [source, files] of sources) {
    const here: [StyleTally, NameTally] = [
      { texts: 0, equalStyle: 0, certain: 0, equalRatio: 0, shownUnlike: 0, unlike: [] },
      { exposed: 0, equal: 0, unlike: [] },
    ];
    for (const file of files) {
      const tab = await context.newPage();
      await show(tab, file);
      const page = openFile(file)!;
      add(here[1], await compareNames(context, tab, page, file));
      add(here[0], await compareStyles(tab, page, file));
      await tab.close();
    }
    console.log(
      `${source.padEnd(22)} ${String(files.length).padStart(3)} pages  names ${percent(share(here[1].equal, here[1].exposed))} of ${here[1].exposed}  styles ${percent(share(here[0].equalStyle, here[0].texts))} of ${here[0].texts}  certain ${percent(share(here[0].certain, here[0].texts))}  contrast ${percent(share(here[0].equalRatio, here[0].certain))}`,
    );
    add(styles, here[0]);
    add(names, here[1]);
  }
  await close();
  const results: [string, number, number][] = [
    ['names and roles equal', share(names.equal, names.exposed), BOUNDS.names],
    ['colour, size, weight equal', share(styles.equalStyle, styles.texts), BOUNDS.style],
    ['contrast certain', share(styles.certain, styles.texts), BOUNDS.certain],
    ['contrast equal where certain', share(styles.equalRatio, styles.certain), BOUNDS.contrast],
  ];
  for (const [name, value, bound] of results)
    console.log(`${value >= bound ? 'ok    ' : 'FAILED'} ${name}: ${percent(value)} (bound ${percent(bound)})`);
  if (process.env.INKWELL_CHECK_OUT) writeFileSync(process.env.INKWELL_CHECK_OUT, [...names.unlike, ...styles.unlike].join('\n'));
  process.exitCode = results.every(([, value, bound]) => value >= bound) ? 0 : 1;
}

await main();
