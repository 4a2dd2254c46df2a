import { has } from '../document/tree.ts';
import type { Edit } from '../source/edits.ts';
import { dropAttribute, renameTag } from './markup.ts';
import { dropDeclarations } from './styling.ts';
import { decline, planned, type Remedy } from './types.ts';
import { append } from '../source/lists.ts';

/** Lets text begin at one edge again. */
export const remedy: Remedy = {
  name: 'clear-align',
  label: 'Let it begin at one edge',
  certain: true,
  fields: [],
  plan({ page, element }) {
    const edits: (Edit | null)[] = [dropDeclarations(page, element, (property) => property === 'text-align')];
    if (has(element, 'align')) edits.push(dropAttribute(page, element, 'align'));
    if (element.tag === 'center') append(edits, renameTag(page, element, 'div') ?? []);
    const real = edits.filter((edit) => edit !== null);
    return real.length > 0 ? planned(real) : decline('The alignment comes from a style sheet; fix it there.');
  },
};
