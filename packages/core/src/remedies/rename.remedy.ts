import { tidy, valueOf, type ElementNode } from '../document/tree.ts';
import { troubleOfFileName } from '../semantics/fileNames.ts';
import { addressOf, fileNameOf, writtenAlternative } from '../semantics/images.ts';
import type { Page } from '../document/page.ts';
import { tagged } from '../document/tagged.ts';
import { NO_SOURCE, setAttribute } from './markup.ts';
import { decline, planned, type Remedy } from './types.ts';

const PLAIN = /^[a-z0-9]+(?:-[a-z0-9]+)*$/;

/** Gives an image's file a name of lower-case words. The page's addresses follow; whoever keeps the files gives the file its new name. */
export const remedy: Remedy = {
  name: 'rename',
  label: 'Rename the file',
  certain: false,
  fields: [
    {
      name: 'name',
      label: 'New name, without its ending',
      kind: 'text',
      hint: 'Lower-case words with dashes: heron-at-lock. Outside the application the file itself has to be given the same name.',
    },
  ],
  propose: ({ element }) => ({ name: nameFor(element) }),
  plan({ page, element }, inputs) {
    const name = tidy(inputs.name ?? '').replace(/\.[a-z0-9]{2,5}$/i, '');
    if (!PLAIN.test(name)) return decline('Use lower-case letters, digits and dashes, for example heron-at-lock.');
    const address = addressOf(element);
    const file = fileNameOf(address);
    const ending = /\.[a-z0-9]{2,5}$/i.exec(file)?.[0].toLowerCase() ?? '';
    if (troubleOfFileName(name)) return decline('This name says no more than the one it has. Use a few words, for example heron-at-lock.');
    if (`${name}${ending}` === file) return decline('The file has this name already.');
    const renamed = renamedAddress(address, `${name}${ending}`);
    const edits = usesOf(page, address).map((image) => setAttribute(image, 'src', renamed));
    return edits.length > 0 && edits.every((edit) => edit !== null) ? planned(edits) : decline(NO_SOURCE);
  },
};

function usesOf(page: Page, address: string): ElementNode[] {
  return tagged(page, 'img').filter((element) => valueOf(element, 'src') === address);
}

/** The address with another file name at its end; query and fragment stay. */
export function renamedAddress(address: string, name: string): string {
  const [, folder, , rest] = /^((?:[^?#]*\/)?)([^/?#]*)([?#].*)?$/s.exec(address)!;
  return `${folder}${name}${rest ?? ''}`;
}

/** Up to six words of the description; nothing where that is a file's name itself, or says no more than one. */
function nameFor(element: ElementNode): string {
  const alternative = writtenAlternative(element) ?? '';
  if (/\.[a-z0-9]{2,5}$/i.test(alternative.trim())) return '';
  const words =
    alternative
      .toLowerCase()
      .normalize('NFKD')
      .replace(/[\u0300-\u036f]/g, '')
      .match(/[a-z0-9]+/g) ?? [];
  const name = words
    .filter((word) => !['a', 'an', 'the', 'of', 'and'].includes(word))
    .slice(0, 6)
    .join('-');
  return troubleOfFileName(name) ? '' : name;
}
