// Made by `npm run registry` from the folders beside it. Do not edit.
import type { Rule } from './types.ts';
import { rule as documentNoLanguage } from './document/no-language/index.ts';
import { rule as documentNoTitle } from './document/no-title/index.ts';
import { rule as headingsBlank } from './headings/blank/index.ts';
import { rule as headingsFirstLevel } from './headings/first-level/index.ts';
import { rule as headingsImitated } from './headings/imitated/index.ts';
import { rule as headingsLeap } from './headings/leap/index.ts';
import { rule as headingsSeveralH1 } from './headings/several-h1/index.ts';
import { rule as imagesAnnouncedTwice } from './images/announced-twice/index.ts';
import { rule as imagesFileNameAlt } from './images/file-name-alt/index.ts';
import { rule as imagesNoAlternative } from './images/no-alternative/index.ts';
import { rule as imagesPlaceholderAlt } from './images/placeholder-alt/index.ts';
import { rule as linksBlank } from './links/blank/index.ts';
import { rule as linksNewWindow } from './links/new-window/index.ts';
import { rule as linksRawAddress } from './links/raw-address/index.ts';
import { rule as linksVague } from './links/vague/index.ts';
import { rule as listsStrayItem } from './lists/stray-item/index.ts';
import { rule as listsTyped } from './lists/typed/index.ts';
import { rule as tablesNoCaption } from './tables/no-caption/index.ts';
import { rule as tablesNoHeaders } from './tables/no-headers/index.ts';

/** Every rule, by id. */
export const RULES: readonly Rule[] = [
  documentNoLanguage,
  documentNoTitle,
  headingsBlank,
  headingsFirstLevel,
  headingsImitated,
  headingsLeap,
  headingsSeveralH1,
  imagesAnnouncedTwice,
  imagesFileNameAlt,
  imagesNoAlternative,
  imagesPlaceholderAlt,
  linksBlank,
  linksNewWindow,
  linksRawAddress,
  linksVague,
  listsStrayItem,
  listsTyped,
  tablesNoCaption,
  tablesNoHeaders,
];
