import anyAscii from 'any-ascii';
import { oddNameOf, troubleOfFileName } from '@inkwell/core';

/** Most characters of a file's name without its ending. Common practice. */
const LONGEST_NAME = 60;

/**
 * Whether a file’s name says something, and else one it might have: words that are known of it, in lower case and plain letters, joined
 * by dashes, unlike any other there.
 *
 * @param words what is known of the image: its alternative, a caption; null where nothing is
 */
export function nameForFile(
  path: string,
  words: string | null,
  isTaken: (path: string) => boolean,
): { good: boolean; proposed: string | null } {
  const [, folder = '', name = '', ending = ''] = /^(.*\/)?([^/]*?)(\.[a-z0-9]+)?$/i.exec(path) ?? [];
  const trouble = troubleOfFileName(`${name}${ending}`);
  if (trouble === null && ending === ending.toLowerCase()) return { good: true, proposed: null };
  const base = plainName(words ?? (trouble === 'camera' || trouble === 'wordless' ? '' : name));
  if (base === '') return { good: false, proposed: null };
  const proposed = freeName(path, folder, base, ending.toLowerCase(), isTaken);
  return proposed === path ? { good: true, proposed: null } : { good: false, proposed: proposed.slice(folder.length) };
}

function freeName(path: string, folder: string, base: string, ending: string, isTaken: (path: string) => boolean): string {
  let proposed = `${folder}${base}${ending}`;
  for (let nth = 2; isTaken(proposed) && proposed !== path; nth++) proposed = `${folder}${base}-${nth}${ending}`;
  return proposed;
}

/** A name made of words, whatever the one a file has now. Null where they say no more than an odd name does. */
export function nameFromWords(path: string, words: string, isTaken: (path: string) => boolean): string | null {
  const [, folder = '', , ending = ''] = /^(.*\/)?([^/]*?)(\.[a-z0-9]+)?$/i.exec(path) ?? [];
  // A file's name in place of a description names nothing.
  const base = /\.[a-z0-9]{2,5}$/i.test(words.trim()) ? '' : plainName(words);
  if (base === '' || oddNameOf(`${base}${ending}`) !== null) return null;
  return freeName(path, folder, base, ending.toLowerCase(), isTaken).slice(folder.length);
}

/** Lower case, ASCII, words joined by dashes, cut at a word. */
export function plainName(text: string): string {
  const words =
    anyAscii(text)
      .toLowerCase()
      .match(/[a-z0-9]+/g) ?? [];
  let name = '';
  for (const word of words) {
    const longer = name === '' ? word.slice(0, LONGEST_NAME) : `${name}-${word}`;
    if (longer.length > LONGEST_NAME) break;
    name = longer;
  }
  return name;
}
