import { execFile } from 'node:child_process';
import { access, mkdtemp, readFile, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { promisify } from 'node:util';

/** Why a PDF could not be made, in words. */
export class NoPdf extends Error {}

/** How long Chromium may take, in ms. */
const PATIENCE_MS = 30_000;

/**
 * A page as PDF, printed by Chromium: tagged, with an outline of its headings, its title and its language. `INKWELL_CHROMIUM` says where
 * Chromium is. The page is one that forbids itself scripts and requests.
 *
 * @throws NoPdf
 */
export function htmlToPdf(html: string): Promise<Buffer> {
  // One after another: a browser takes hundreds of megabytes.
  const made = before.then(() => printed(html));
  before = made.catch(() => undefined);
  return made;
}

let before: Promise<unknown> = Promise.resolve();

async function printed(html: string): Promise<Buffer> {
  const program = process.env.INKWELL_CHROMIUM ?? '/usr/bin/chromium';
  await access(program).catch(() => {
    throw new NoPdf(`Chromium is not at ${program}, and PDFs are made by it.`);
  });
  const folder = await mkdtemp(join(tmpdir(), 'inkwell-pdf-'));
  try {
    const [source, made] = [join(folder, 'report.html'), join(folder, 'report.pdf')];
    await writeFile(source, html);
    await promisify(execFile)(
      program,
      [
        ...['--headless', '--no-sandbox', '--disable-gpu', '--disable-quic', '--no-first-run', '--disable-background-networking'],
        ...['--disable-component-update', '--disable-sync', `--user-data-dir=${join(folder, 'profile')}`],
        ...['--no-pdf-header-footer', '--generate-pdf-document-outline', '--export-tagged-pdf', `--print-to-pdf=${made}`],
        pathToFileURL(source).href,
      ],
      { timeout: PATIENCE_MS },
    ).catch(() => {
      throw new NoPdf('Chromium did not print the report in time.');
    });
    return await readFile(made).catch(() => {
      throw new NoPdf('Chromium printed nothing.');
    });
  } finally {
    await rm(folder, { recursive: true, force: true, maxRetries: 5 });
  }
}
