import type { Family } from '../rules/types.ts';

/** One step of the walk through a page, in the order practitioners take them (common practice). */
export interface WalkStep {
  id: 'outline' | 'lists' | 'links' | 'images' | 'tables' | 'colour' | 'media' | 'rest';
  name: string;
  families: readonly Family[];
}

/** What lies under everything comes first: the title and the headings carry the page, the rest hangs on them. */
export const STEPS: readonly WalkStep[] = [
  { id: 'outline', name: 'Title and outline', families: ['document', 'headings'] },
  { id: 'lists', name: 'Lists', families: ['lists'] },
  { id: 'links', name: 'Links', families: ['links'] },
  { id: 'images', name: 'Images', families: ['images'] },
  { id: 'tables', name: 'Tables', families: ['tables'] },
  { id: 'colour', name: 'Colour', families: ['colour'] },
  { id: 'media', name: 'Media', families: ['media'] },
  { id: 'rest', name: 'The rest', families: ['text', 'forms', 'structure'] },
];

export type StepId = WalkStep['id'];

/** The step in which a family is looked at: each belongs to one. */
export function stepOf(family: Family): StepId {
  return STEPS.find(({ families }) => families.includes(family))!.id;
}
