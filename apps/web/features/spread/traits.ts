import { lookup, type Trait } from '@inkwell/core';

/** In the order in which a page is looked at. */
export const TRAITS: readonly Trait[] = [
  'opens',
  'introduction',
  'imageAtTop',
  'firstHeading',
  'levels',
  'firstSection',
  'lastSection',
  'captions',
];

/** What a page does in one trait, to be read after "it" or "most". `many`: of several pages. */
export function traitWords(trait: Trait, value: string, many: boolean): string {
  const does = (one: string, more: string) => (many ? more : one);
  switch (trait) {
    case 'opens':
      return value === 'nothing' ? does('has no content', 'have no content') : `${does('opens', 'open')} with ${value}`;
    case 'introduction':
      return `${does('has', 'have')} ${value === 'yes' ? 'an' : 'no'} introduction before the first section`;
    case 'imageAtTop':
      return `${does('has', 'have')} ${value === 'yes' ? 'an' : 'no'} image at the top`;
    case 'firstHeading':
      return value === 'none' ? does('has no heading', 'have no heading') : `${does('begins', 'begin')} with a heading of level ${value}`;
    case 'levels':
      return value === 'none'
        ? does('has no headings', 'have no headings')
        : `${does('uses', 'use')} headings of level ${listed(value.split(' '))}`;
    case 'firstSection':
      return value === '' ? does('has no sections', 'have no sections') : `first section: “${value}”`;
    case 'lastSection':
      return value === '' ? does('ends without a section', 'end without a section') : `last section: “${value}”`;
    case 'captions':
      return `${does('captions', 'caption')} ${lookup(CAPTIONS, value) ?? value}`;
  }
}

const CAPTIONS: Readonly<Record<string, string>> = { all: 'every image', some: 'some of the images', none: 'no image' };

function listed(levels: readonly string[]): string {
  return levels.length < 2 ? (levels[0] ?? '') : `${levels.slice(0, -1).join(', ')} and ${levels.at(-1)}`;
}
