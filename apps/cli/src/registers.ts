import { imageSize } from 'image-size';
import { backgroundsIn, fileAt, type ImageUseRow, type LinkUseRow } from '@inkwell/core';
import { byCodePoint, nameForFile, readPlace, type SourceFile } from '@inkwell/formats';
import type { Whole } from './pages.ts';

/** Where an image is used: on a page, or by a style sheet. */
export type ImageUse = Omit<ImageUseRow, 'file' | 'borrowed'> & { page: string | null; sheet?: string };

export interface ImageFile {
  file: string;
  uses: ImageUse[];
  width: number | null;
  height: number | null;
  bytes: number | null;
  /** Whether its name says something; else the name it might have. */
  fileName: { good: boolean; proposed: string | null };
  borrowed?: true;
  missing?: true;
}

const IMAGE = /\.(?:avif|bmp|gif|ico|jpe?g|png|svg|tiff?|webp)$/i;
/** Longest file whose size is measured. */
const LARGEST_IMAGE = 64 * 1024 * 1024;

/** Uses of images by file, in the order in which they were met. */
export class ImageRegister {
  private readonly uses = new Map<string, { borrowed: boolean; uses: ImageUse[] }>();

  addPage(page: string, rows: readonly ImageUseRow[]): void {
    for (const { file, borrowed, ...use } of rows) this.add(file, borrowed, { page, ...use });
  }

  addSheet(sheet: string, text: string): void {
    for (const { selector, url } of backgroundsIn(text)) {
      const file = fileAt(url, sheet);
      if (!file) continue;
      const use = {
        page: null,
        sheet,
        path: selector,
        kind: 'background' as const,
        alt: null,
        decorative: false,
        linked: false,
        caption: null,
      };
      this.add(file.file, file.borrowed, use);
    }
  }

  private add(file: string, borrowed: boolean, use: ImageUse): void {
    const known = this.uses.get(file);
    if (known) known.uses.push(use);
    else this.uses.set(file, { borrowed, uses: [use] });
  }

  /** One row for each image file: those of the collection, those it lacks, those of other hosts. */
  async rows(whole: Whole): Promise<ImageFile[]> {
    const there = new Map(whole.files.filter(({ path }) => IMAGE.test(path)).map((file) => [file.path, file]));
    const files = [...new Set([...there.keys(), ...this.uses.keys()])].sort(byCodePoint);
    const taken = new Set(whole.files.map(({ path }) => path));
    const rows: ImageFile[] = [];
    for (const file of files) {
      const { uses, borrowed } = this.uses.get(file) ?? { uses: [], borrowed: false };
      const at = there.get(file);
      rows.push({
        file,
        uses,
        ...(at ? await measured(at) : NOT_MEASURED),
        fileName: borrowed ? { good: true, proposed: null } : nameOfFile(file, uses, taken),
        ...(borrowed ? { borrowed: true as const } : {}),
        ...(!at && !borrowed && !whole.files.some(({ path }) => path === file) ? { missing: true as const } : {}),
      });
    }
    return rows;
  }
}

const NOT_MEASURED = { width: null, height: null, bytes: null };

async function measured(file: SourceFile): Promise<Pick<ImageFile, 'width' | 'height' | 'bytes'>> {
  try {
    const bytes = await readPlace(file.place, LARGEST_IMAGE);
    try {
      const { width, height } = imageSize(bytes);
      return { width, height, bytes: bytes.length };
    } catch {
      // It calls itself an image and is none that is known.
      return { ...NOT_MEASURED, bytes: bytes.length };
    }
  } catch {
    return NOT_MEASURED;
  }
}

/** Whether a file's name says something, and the name it might have, by the first words that are known of it. */
function nameOfFile(path: string, uses: readonly ImageUse[], taken: Set<string>): ImageFile['fileName'] {
  if (uses.length > 0 && uses.every(({ kind }) => kind === 'icon')) return { good: true, proposed: null };
  const known = uses.map(({ alt, caption }) => alt?.trim() || caption || '').find((words) => words !== '');
  const { good, proposed } = nameForFile(path, known ?? null, (other) => taken.has(other));
  if (proposed !== null) taken.add(`${path.slice(0, path.lastIndexOf('/') + 1)}${proposed}`);
  return { good, proposed };
}

export interface LinkRow {
  name: string;
  to: string;
  href: string;
  uses: { page: string; path: string }[];
  state: LinkUseRow['state'];
}

/** Links by their text and where they lead, in the order in which they were met. */
export class LinkRegister {
  private readonly byLink = new Map<string, LinkRow>();

  addPage(page: string, rows: readonly LinkUseRow[]): void {
    for (const { name, to, href, path, state } of rows) {
      const key = `${name}\n${to}\n${state}`;
      const row = this.byLink.get(key) ?? { name, to, href, uses: [], state };
      this.byLink.set(key, row);
      row.uses.push({ page, path });
    }
  }

  rows(): LinkRow[] {
    return [...this.byLink.values()];
  }
}

/** The columns of an images sheet. */
export const SHEET = ['page', 'path', 'file', 'alternative', 'decorative'] as const;

/** A row for each place where an image may be described, as `fill` takes them. */
export interface SheetRow {
  page: string;
  path: string;
  file: string;
  alternative: string;
  decorative: 'yes' | 'no' | '';
}

export function sheetRows(files: readonly ImageFile[]): SheetRow[] {
  return files.flatMap(({ file, uses }) =>
    uses.flatMap(({ page, path, kind, alt, decorative }) =>
      page !== null && (kind === 'img' || kind === 'input')
        ? { page, path, file, alternative: alt ?? '', decorative: alt === null && !decorative ? ('' as const) : decorative ? 'yes' : 'no' }
        : [],
    ),
  );
}
