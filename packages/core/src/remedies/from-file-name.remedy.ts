import { addressOf, fileNameOf } from '../semantics/images.ts';
import { NO_SOURCE, setAttribute } from './markup.ts';
import { decline, planned, type Remedy } from './types.ts';
import { tidy, type ElementNode } from '../document/tree.ts';
import { placesOf } from './lastingColour.ts';

/** Starts the description from the words of the file's name, for a person to fix. */
export const remedy: Remedy = {
  name: 'from-file-name',
  label: 'Start from the file’s name',
  certain: false,
  fromProposal: true,
  fields: [{ name: 'alt', label: 'Description', kind: 'passage', hint: 'Taken from the file’s name: make a phrase of it.' }],
  propose: ({ element }) => ({ alt: wordsOfFile(element) ?? '' }),
  plan(target, inputs) {
    const { element } = target;
    const proposal = wordsOfFile(element);
    if (!proposal) return decline('The file’s name holds no words to start from.');
    const alt = tidy(inputs.alt ?? proposal);
    if (!alt) return decline('Write a description first.');
    const edits = placesOf(target).map((place) => setAttribute(place, 'alt', alt));
    return edits.every((edit) => edit !== null) ? planned(edits) : decline(NO_SOURCE);
  },
};

/** `brood-frame_in-april.jpg` as “Brood frame in april”; null for names without at least two words. */
function wordsOfFile(element: ElementNode): string | null {
  const words = fileNameOf(addressOf(element))
    .replace(/\.[a-z0-9]{2,5}$/i, '')
    .replace(/([\p{Ll}])(\p{Lu})/gu, '$1 $2')
    .split(/[^\p{L}]+/u)
    .filter((word) => word.length > 1 && !/^(?:img|dsc|dscn|dscf|image|photo|final|copy|scan|pict?|px|web|small|large|thumb)$/i.test(word));
  if (words.length < 2) return null;
  const text = words.join(' ').toLowerCase();
  return text[0]!.toUpperCase() + text.slice(1);
}
