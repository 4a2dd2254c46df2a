import { SaxesParser } from 'saxes';
import { lookup, tidy, type Edit } from '@inkwell/core';
import { localName } from './xmlTree.ts';

/** HTML that lies inside an XML file: a discussion topic, an assignment, a question. */
export interface Inside {
  /** The element that holds it: steps of local names, each with its 1-based place among those of its name. */
  path: string;
  /** The nearest title around it. */
  title: string;
  /** The HTML as it reads: references and CDATA resolved, line ends as XML 1.0 (2.11) normalises them. */
  html: string;
  stretches: readonly Stretch[];
}

/** A piece of the HTML with its place in the file. */
interface Stretch {
  /** UTF-16 offset in the HTML, and how long it is there. */
  at: number;
  length: number;
  /** UTF-16 offsets in the file. */
  start: number;
  end: number;
  /** Text that reads as it is written, a reference or line end that reads otherwise, or text in a CDATA section. */
  kind: 'text' | 'sign' | 'cdata';
}

/** Elements that hold HTML when they say so (IMS Common Cartridge: topics and assignments; QTI 1.2: mattext). */
const HOLDERS = new Set(['text', 'mattext']);

/** All HTML in an XML file, in document order; nothing when it is not well formed. */
export function pagesInXml(xml: string): Inside[] {
  const found: Inside[] = [];
  const open: { counts: Map<string, number>; path: string; title: string; from: number; whole: boolean }[] = [];
  const top = { counts: new Map<string, number>(), path: '', title: '', from: -1, whole: true };
  let texts = '';
  const parser = new SaxesParser<{ xmlns: false; position: true }>({ xmlns: false, position: true });
  parser.on('error', (error) => {
    throw error;
  });
  parser.on('opentag', ({ name, attributes, isSelfClosing }) => {
    const parent = open.at(-1) ?? top;
    parent.whole = false;
    const local = localName(name);
    const nth = (parent.counts.get(local) ?? 0) + 1;
    parent.counts.set(local, nth);
    const holds = HOLDERS.has(local) && !isSelfClosing && attributes.texttype?.trim().toLowerCase() === 'text/html';
    open.push({
      counts: new Map(),
      path: `${parent.path}/${local}[${nth}]`,
      title: tidy(attributes.title ?? '') || parent.title,
      from: holds ? parser.position : -1,
      whole: true,
    });
    texts = '';
  });
  const add = (text: string) => (texts += text);
  parser.on('text', add);
  parser.on('cdata', add);
  parser.on('closetag', ({ name }) => {
    const element = open.pop()!;
    if (localName(name) === 'title' && open.length > 0) open.at(-1)!.title = tidy(texts) || open.at(-1)!.title;
    if (element.from < 0 || !element.whole) return;
    const read = readStretches(xml, element.from, xml.lastIndexOf('</', parser.position - 1));
    if (read.html.trim() !== '') found.push({ path: element.path, title: element.title, ...read });
  });
  try {
    parser.write(xml).close();
  } catch {
    return [];
  }
  return found;
}

const REFERENCE = /^&(?:#x([0-9a-f]+)|#([0-9]+)|(amp|lt|gt|quot|apos));/i;
const NAMED: Readonly<Record<string, string>> = { amp: '&', lt: '<', gt: '>', quot: '"', apos: "'" };
const OPEN_CDATA = '<![CDATA[';

function readStretches(xml: string, from: number, to: number): { html: string; stretches: Stretch[] } {
  const stretches: Stretch[] = [];
  let html = '';
  const add = (kind: Stretch['kind'], start: number, end: number, text: string) => {
    if (text === '') return;
    stretches.push({ at: html.length, length: text.length, start, end, kind });
    html += text;
  };
  /** Text from one place to another, its line ends one by one. */
  const addLines = (kind: 'text' | 'cdata', start: number, end: number) => {
    for (let at = start; at < end;) {
      const line = xml.indexOf('\r', at);
      const stop = line < 0 || line >= end ? end : line;
      add(kind, at, stop, xml.slice(at, stop));
      if (stop === end) return;
      at = stop + (xml[stop + 1] === '\n' ? 2 : 1);
      add(kind === 'cdata' ? 'cdata' : 'sign', stop, at, '\n');
    }
  };
  for (let at = from; at < to;) {
    if (xml.startsWith(OPEN_CDATA, at)) {
      const end = xml.indexOf(']]>', at);
      addLines('cdata', at + OPEN_CDATA.length, end);
      at = end + 3;
    } else if (xml[at] === '<') {
      // A comment or a processing instruction is no part of the text.
      const close = xml.startsWith('<!--', at) ? '-->' : '?>';
      at = xml.indexOf(close, at + 2) + close.length;
    } else if (xml[at] === '&') {
      const [written, hex, decimal, name] = REFERENCE.exec(xml.slice(at, at + 12))!;
      add('sign', at, at + written.length, name ? lookup(NAMED, name)! : String.fromCodePoint(hex ? parseInt(hex, 16) : Number(decimal)));
      at += written.length;
    } else {
      const next = nextOf(xml, at, to);
      addLines('text', at, next);
      at = next;
    }
  }
  return { html, stretches };
}

function nextOf(xml: string, from: number, to: number): number {
  for (let at = from; at < to; at++) if (xml[at] === '<' || xml[at] === '&') return at;
  return to;
}

/**
 * Edits of the HTML as edits of the file around it. Each stretch stays what it was: CDATA stays CDATA, what was escaped is escaped as its
 * neighbours are, and no byte outside an edit changes.
 */
export function editsInXml(xml: string, inside: Inside, edits: readonly Edit[]): Edit[] {
  const manner = mannerOf(xml, inside);
  return edits.flatMap((edit) => {
    const touched = inside.stretches.filter(({ at, length }) => at < edit.end && at + length > edit.start);
    const first = touched[0] ?? nearest(inside, edit.start);
    const text = written(edit.text, first.kind === 'cdata', manner);
    if (touched.length === 0) {
      const place = placeIn(first, edit.start);
      return [{ start: place, end: place, text }];
    }
    return touched.map((stretch, nth) => {
      const start = placeIn(stretch, Math.max(edit.start, stretch.at));
      const end = placeIn(stretch, Math.min(edit.end, stretch.at + stretch.length));
      return { start, end, text: (nth === 0 && text) || gap(xml, { start, end }, stretch.kind === 'cdata') };
    });
  });
}

/** The stretch that ends at an offset, or the one that begins there. */
function nearest({ stretches }: Inside, offset: number): Stretch {
  return (
    stretches.find(({ at, length }) => at < offset && offset <= at + length) ??
    stretches.find(({ at }) => at >= offset) ??
    stretches.at(-1)!
  );
}

function placeIn({ at, length, start, end }: Stretch, offset: number): number {
  if (offset <= at) return start;
  // A reference is one sign, whatever its length: nothing lies within it.
  return offset >= at + length ? end : start + (offset - at);
}

interface Manner {
  quotes: boolean;
  greater: boolean;
  lineEnd: string;
}

function mannerOf(xml: string, { stretches }: Inside): Manner {
  const [from, to] = [stretches[0]?.start ?? 0, stretches.at(-1)?.end ?? 0];
  const raw = xml.slice(from, to);
  const plain = stretches.some(({ kind, start, end }) => kind === 'text' && xml.slice(start, end).includes('>'));
  return { quotes: /&(?:quot|#34|#x22);/i.test(raw), greater: !plain, lineEnd: /\r\n/.exec(raw)?.[0] ?? (/\r/.test(raw) ? '\r' : '\n') };
}

const SPLIT = ']]><![CDATA[';

function written(text: string, cdata: boolean, { quotes, greater, lineEnd }: Manner): string {
  const lines = lineEnd === '\n' ? text : text.replace(/\n/g, lineEnd);
  if (cdata)
    return lines
      .replaceAll(']]>', `]]${SPLIT}>`)
      .replace(/^(?=\]?>)/, SPLIT)
      .replace(/\]$/, `]${SPLIT}`);
  const escaped = lines.replaceAll('&', '&amp;').replaceAll('<', '&lt;');
  // What stands before or after must not make `]]>` with it.
  const closed = greater ? escaped.replaceAll('>', '&gt;') : escaped.replaceAll(']]>', ']]&gt;').replace(/^(\]?)>/, '$1&gt;');
  const safe = closed.replace(/\]$/, '&#93;');
  return quotes ? safe.replaceAll('"', '&quot;') : safe;
}

/** What is put in place of a stretch that goes away: something, where its neighbours would make `]]>`, which ends a CDATA section. */
function gap(xml: string, { start, end }: { start: number; end: number }, cdata: boolean): string {
  if (!`${xml.slice(Math.max(0, start - 2), start)}${xml.slice(end, end + 2)}`.includes(']]>')) return '';
  return cdata ? SPLIT : '<![CDATA[]]>';
}
