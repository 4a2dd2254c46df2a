import { bare, phrasesOf } from '../standards/phrases/index.ts';

/** Whether a text, as the whole of a link, says nothing of where it goes. */
export function isVagueText(name: string): boolean {
  return name !== '' && phrasesOf('vagueLinks').has(bare(name));
}

/**
 * A web address written out: a scheme, a www, or a host with a path. A bare name such as `larkmoor.example` may be what a place is called.
 */
export function isAddress(text: string): boolean {
  if (/\s/.test(text)) return false;
  return /^(?:https?:\/\/|ftp:\/\/|www\.)\S+$/i.test(text) || /^[a-z0-9-]{1,63}(?:\.[a-z0-9-]{1,63}){1,8}\/\S+$/i.test(text);
}

/** The announcing words an alternative begins with ("image of"), as written; null when it has none or nothing after them. */
export function openingOf(alt: string): string | null {
  const lower = alt.toLowerCase();
  let longest = '';
  for (const opening of phrasesOf('announcements')) {
    if (opening.length <= longest.length || !lower.startsWith(opening)) continue;
    const next = lower.slice(opening.length);
    if (/[\p{L}\p{N}]$/u.test(opening) ? /^\s+\S/.test(next) : /^\s*\S/.test(next)) longest = opening;
  }
  return longest ? alt.slice(0, longest.length) : null;
}
