import { tidy } from '../document/tree.ts';
import { writtenAlternative } from '../semantics/images.ts';
import { NO_SOURCE, setAttribute } from './markup.ts';
import { decline, planned, type Remedy } from './types.ts';
import { placesOf } from './lastingColour.ts';

/** Cuts an alternative down to its gist. */
export const remedy: Remedy = {
  name: 'shorten',
  label: 'Say it shorter',
  certain: false,
  fields: [{ name: 'alt', label: 'The gist of it', kind: 'passage', hint: 'What matters here; the rest belongs into the text.' }],
  propose: ({ element }) => ({ alt: firstClause(writtenAlternative(element) ?? '') }),
  plan(target, inputs) {
    const { element } = target;
    const alt = tidy(inputs.alt ?? '');
    if (!alt) return decline('Write what matters of it.');
    if (alt.length >= (writtenAlternative(element) ?? '').length) return decline('This is no shorter than what is there now.');
    const edits = placesOf(target).map((place) => setAttribute(place, 'alt', alt));
    return edits.every((edit) => edit !== null) ? planned(edits) : decline(NO_SOURCE);
  },
};

/** The first sentence or clause, for a person to fix. */
export function firstClause(alt: string): string {
  const clause = /^.{20,80}?(?=[,.;:–—]\s|\swith\s|\sand\s|$)/u.exec(alt)?.[0] ?? alt.slice(0, 80);
  return clause.length < alt.length ? clause.trim() : alt.slice(0, 80).replace(/\s+\S*$/, '');
}
