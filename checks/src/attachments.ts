import { execFileSync } from 'node:child_process';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { lookInto } from '@inkwell/formats/attachments';

/**
 * `npm run check:attachments FOLDER`: what we read in every PDF below a folder, held against what Debian's poppler-utils read in it: pages,
 * title, tags, and whether a page without text has none for them either.
 */
async function main(): Promise<void> {
  const [folder] = process.argv.slice(2);
  if (!folder) throw new Error('Name a folder with PDFs, such as unpacked documentation packages.');
  const files = readdirSync(folder, { recursive: true, withFileTypes: true })
    .filter((entry) => entry.isFile() && /\.pdf$/i.test(entry.name))
    .map((entry) => join(entry.parentPath, entry.name))
    .sort();
  let differing = 0;
  for (const file of files) {
    const differences = await compared(file);
    if (differences.length === 0) continue;
    differing++;
    console.log(`${file}: ${differences.join('; ')}`);
  }
  console.log(`${files.length} PDFs, ${differing} read otherwise`);
  process.exitCode = differing === 0 ? 0 : 1;
}

async function compared(file: string): Promise<string[]> {
  const [facts, theirs] = [await lookInto(readFileSync(file), file), poppler('pdfinfo', file)];
  if (facts.of !== 'PDF') return theirs === null ? [] : ['only poppler reads it'];
  if (theirs === null) return facts.locked ? [] : ['only we read it'];
  const field = (name: string) => new RegExp(`^${name}:[ \\t]*(.*)$`, 'm').exec(theirs)?.[1]?.trim() ?? '';
  const title = /^untitled$/i.test(field('Title')) ? '' : field('Title');
  const words = facts.imagesOnly === facts.looked ? (poppler('pdftotext', '-l', '30', file, '-') ?? '').trim() : '';
  return [
    facts.pages !== Number(field('Pages')) && `${facts.pages} pages, not ${field('Pages')}`,
    (facts.title ?? '') !== title && `title “${facts.title ?? ''}”, not “${title}”`,
    facts.tagged !== (field('Tagged') === 'yes') && `tagged: ${facts.tagged}`,
    words !== '' && `no text, but poppler reads ${words.length} letters`,
  ].filter((one) => typeof one === 'string');
}

/** What one of poppler's programs says; null when it cannot read the file. */
function poppler(program: string, ...args: string[]): string | null {
  try {
    return execFileSync(program, args, { encoding: 'utf8', stdio: ['ignore', 'pipe', 'ignore'] });
  } catch {
    return null;
  }
}

await main();
