import { lookup, type Family } from '@inkwell/core';
import type { Cost, Tally } from '@inkwell/review';

export const FAMILY_WORDS: Record<Family, string> = {
  headings: 'Headings',
  images: 'Images',
  links: 'Links',
  lists: 'Lists',
  tables: 'Tables',
  colour: 'Colour',
  text: 'Text',
  media: 'Media',
  document: 'Document',
  forms: 'Forms',
  structure: 'Structure',
};

/** Sorts of pages that are offered; a house may have others. */
export const CONTENT_TYPES = ['lesson', 'assignment', 'announcement', 'article', 'chapter', 'discussion', 'question', 'page'];

export const FAMILIES = Object.keys(FAMILY_WORDS) as Family[];

export function counted(many: number, one: string, more = `${one}s`): string {
  return `${many} ${many === 1 ? one : more}`;
}

/** Bytes as people write them. */
export function sizeWords(bytes: number): string {
  return bytes >= 1_000_000 ? `${(bytes / 1_000_000).toFixed(1)} MB` : `${Math.ceil(bytes / 1_000)} KB`;
}

/** "4 must, 3 should, 2 to judge"; nothing open says so. */
export function tallyWords(tally: Tally): string {
  const parts = [
    tally.must && `${tally.must} must`,
    tally.should && `${tally.should} should`,
    tally.consider && `${tally.consider} to consider`,
    tally.judge && `${tally.judge} to judge`,
  ];
  return parts.filter(Boolean).join(', ') || 'nothing open';
}

const CAUSES: Record<string, string> = { imported: 'brought in', edited: 'edited', fixed: 'fixed', pulled: 'pulled', restored: 'restored' };

export function causeWord(cause: string): string {
  return lookup(CAUSES, cause) ?? cause;
}

/** What open findings will take, with its spread, and in money where the house has a rate. */
export function costWords({ hours, from, to, money }: Cost): string {
  const spread = from === to ? '' : ` (${from.toLocaleString('en')} to ${to.toLocaleString('en')} h)`;
  const paid = money === null ? '' : `, ${money.from.toLocaleString('en')} to ${money.to.toLocaleString('en')} ${money.currency}`;
  return `about ${hours.toLocaleString('en')} h of work${spread}${paid}`;
}

/** What that rests on. */
export function costBasis({ isDefault, minutesEach, samples }: Cost): string {
  const each = `${minutesEach.toLocaleString('en', { maximumFractionDigits: 1 })} minutes each`;
  if (!isDefault) return `Learned from ${counted(samples, 'finding')} timed here.`;
  return samples === 0
    ? `${each}: the usual figure, for none was timed here yet.`
    : `${each}: the usual figure counts where fewer than 20 were timed here; ${counted(samples, 'finding')} were in all.`;
}
