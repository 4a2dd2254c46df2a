import { getDocument, VerbosityLevel, type PDFDocumentProxy } from 'pdfjs-dist/legacy/build/pdf.mjs';

/** What was read in a PDF. */
export interface PdfFacts {
  of: 'PDF';
  /** Whether it opens only with a password: then nothing else is known of it. */
  locked: boolean;
  pages: number;
  /** Whether it says that it is tagged, and has tags on its first pages. */
  tagged: boolean;
  title: string | null;
  language: string | null;
  /** Whether it has bookmarks. */
  outline: boolean;
  /** Of the pages looked at, how many have text; and how many show images alone, which are read by nobody. */
  looked: number;
  withText: number;
  imagesOnly: number;
}

/** Pages of a PDF that are looked at: enough to know what sort it is. */
const LOOKED_AT = 30;
/** Letters below which a page counts as one without text. */
const SOME_TEXT = 5;

/**
 * What a PDF says of itself, as far as it can be read without a person (ISO 32000-1: 14.8 "Tagged PDF", 14.9.2 "Natural language
 * specification", 14.3.3 "Document information dictionary"). Throws when it is no PDF that can be read.
 */
export async function readPdf(bytes: Uint8Array): Promise<PdfFacts> {
  // It is given a copy: it keeps what it is given.
  const loading = getDocument({
    data: Uint8Array.from(bytes),
    verbosity: VerbosityLevel.ERRORS,
    isEvalSupported: false,
    disableFontFace: true,
  });
  try {
    return await factsOf(await loading.promise);
  } catch (error) {
    if (error instanceof Error && error.name === 'PasswordException') return { ...NOTHING, locked: true };
    throw error;
  } finally {
    await loading.destroy();
  }
}

const NOTHING: PdfFacts = {
  of: 'PDF',
  locked: false,
  pages: 0,
  tagged: false,
  title: null,
  language: null,
  outline: false,
  looked: 0,
  withText: 0,
  imagesOnly: 0,
};

async function factsOf(pdf: PDFDocumentProxy): Promise<PdfFacts> {
  const [marks, metadata, outline] = [await pdf.getMarkInfo(), await pdf.getMetadata(), await pdf.getOutline()];
  const info = metadata.info as { Title?: unknown; Language?: unknown };
  const facts: PdfFacts = {
    ...NOTHING,
    pages: pdf.numPages,
    title: wordsOf(info.Title) ?? wordsOf(metadata.metadata?.get('dc:title')),
    language: wordsOf(info.Language),
    outline: (outline as unknown[] | null)?.length ? true : false,
    looked: Math.min(pdf.numPages, LOOKED_AT),
  };
  let tags = false;
  for (let nth = 1; nth <= facts.looked; nth++) {
    const page = await pdf.getPage(nth);
    tags ||= ((await page.getStructTree()) as { children?: unknown[] } | null)?.children?.length ? true : false;
    const { items } = await page.getTextContent();
    const letters = items.reduce((sum, item) => sum + ('str' in item ? item.str.trim().length : 0), 0);
    if (letters >= SOME_TEXT) facts.withText++;
    else if (await showsImages(page)) facts.imagesOnly++;
    page.cleanup();
  }
  return { ...facts, tagged: (marks as { Marked?: boolean } | null)?.Marked === true && tags };
}

type PdfPage = Awaited<ReturnType<PDFDocumentProxy['getPage']>>;

/** Operators that paint images (pdf.js OPS: paintImageMaskXObject to paintSolidColorImageMask). */
const PAINTS_IMAGE = new Set([83, 84, 85, 86, 87, 88, 89, 90]);

async function showsImages(page: PdfPage): Promise<boolean> {
  const { fnArray } = await page.getOperatorList();
  return fnArray.some((operator) => PAINTS_IMAGE.has(operator));
}

function wordsOf(value: unknown): string | null {
  const words = typeof value === 'string' ? value.replaceAll('\u0000', '').trim() : '';
  return words === '' || /^untitled$/i.test(words) ? null : words.slice(0, 500);
}
