// Made by `npm run registry` from the folders beside it. Do not edit.
import type { Remedy } from './types.ts';
import type { RemedyName } from './names.ts';
import { remedy as absorbWords } from './absorb-words.remedy.ts';
import { remedy as addCaption } from './add-caption.remedy.ts';
import { remedy as decorative } from './decorative.remedy.ts';
import { remedy as describe } from './describe.remedy.ts';
import { remedy as fill } from './fill.remedy.ts';
import { remedy as fromFileName } from './from-file-name.remedy.ts';
import { remedy as makeHeading } from './make-heading.remedy.ts';
import { remedy as makeList } from './make-list.remedy.ts';
import { remedy as remove } from './remove.remedy.ts';
import { remedy as repairOutline } from './repair-outline.remedy.ts';
import { remedy as reword } from './reword.remedy.ts';
import { remedy as sameWindow } from './same-window.remedy.ts';
import { remedy as saySo } from './say-so.remedy.ts';
import { remedy as setHeaders } from './set-headers.remedy.ts';
import { remedy as setLanguage } from './set-language.remedy.ts';
import { remedy as setLevel } from './set-level.remedy.ts';
import { remedy as setTitle } from './set-title.remedy.ts';
import { remedy as trimOpening } from './trim-opening.remedy.ts';
import { remedy as unlink } from './unlink.remedy.ts';
import { remedy as useTargetTitle } from './use-target-title.remedy.ts';
import { remedy as wrapList } from './wrap-list.remedy.ts';

/** Every remedy, by name. */
export const REMEDIES: Readonly<Record<RemedyName, Remedy>> = {
  'absorb-words': absorbWords,
  'add-caption': addCaption,
  decorative: decorative,
  describe: describe,
  fill: fill,
  'from-file-name': fromFileName,
  'make-heading': makeHeading,
  'make-list': makeList,
  remove: remove,
  'repair-outline': repairOutline,
  reword: reword,
  'same-window': sameWindow,
  'say-so': saySo,
  'set-headers': setHeaders,
  'set-language': setLanguage,
  'set-level': setLevel,
  'set-title': setTitle,
  'trim-opening': trimOpening,
  unlink: unlink,
  'use-target-title': useTargetTitle,
  'wrap-list': wrapList,
};
