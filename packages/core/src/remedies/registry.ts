// Made by `npm run registry` from the folders beside it. Do not edit.
import type { Remedy } from './types.ts';
import type { RemedyName } from './names.ts';
import { remedy as absorbWords } from './absorb-words.remedy.ts';
import { remedy as addAnchor } from './add-anchor.remedy.ts';
import { remedy as addCaption } from './add-caption.remedy.ts';
import { remedy as addControls } from './add-controls.remedy.ts';
import { remedy as addLegend } from './add-legend.remedy.ts';
import { remedy as addTranscriptLink } from './add-transcript-link.remedy.ts';
import { remedy as addWords } from './add-words.remedy.ts';
import { remedy as adoptCaption } from './adopt-caption.remedy.ts';
import { remedy as allowZoom } from './allow-zoom.remedy.ts';
import { remedy as associate } from './associate.remedy.ts';
import { remedy as captionFromRow } from './caption-from-row.remedy.ts';
import { remedy as changeGround } from './change-ground.remedy.ts';
import { remedy as clean } from './clean.remedy.ts';
import { remedy as clear } from './clear.remedy.ts';
import { remedy as clearAlign } from './clear-align.remedy.ts';
import { remedy as clearSize } from './clear-size.remedy.ts';
import { remedy as close } from './close.remedy.ts';
import { remedy as closeUp } from './close-up.remedy.ts';
import { remedy as copyLanguage } from './copy-language.remedy.ts';
import { remedy as decorative } from './decorative.remedy.ts';
import { remedy as describe } from './describe.remedy.ts';
import { remedy as describeInText } from './describe-in-text.remedy.ts';
import { remedy as fill } from './fill.remedy.ts';
import { remedy as flatten } from './flatten.remedy.ts';
import { remedy as fromFileName } from './from-file-name.remedy.ts';
import { remedy as houseColour } from './house-colour.remedy.ts';
import { remedy as insertHeading } from './insert-heading.remedy.ts';
import { remedy as join } from './join.remedy.ts';
import { remedy as keepAsPresentation } from './keep-as-presentation.remedy.ts';
import { remedy as label } from './label.remedy.ts';
import { remedy as makeHeading } from './make-heading.remedy.ts';
import { remedy as makeList } from './make-list.remedy.ts';
import { remedy as makeParagraph } from './make-paragraph.remedy.ts';
import { remedy as makeParagraphs } from './make-paragraphs.remedy.ts';
import { remedy as makeTable } from './make-table.remedy.ts';
import { remedy as meanIt } from './mean-it.remedy.ts';
import { remedy as moveIntoItem } from './move-into-item.remedy.ts';
import { remedy as moveToText } from './move-to-text.remedy.ts';
import { remedy as name } from './name.remedy.ts';
import { remedy as nearestPassing } from './nearest-passing.remedy.ts';
import { remedy as ownColour } from './own-colour.remedy.ts';
import { remedy as pointToText } from './point-to-text.remedy.ts';
import { remedy as remove } from './remove.remedy.ts';
import { remedy as removeTitle } from './remove-title.remedy.ts';
import { remedy as rename } from './rename.remedy.ts';
import { remedy as renameAnchor } from './rename-anchor.remedy.ts';
import { remedy as renameId } from './rename-id.remedy.ts';
import { remedy as repairOutline } from './repair-outline.remedy.ts';
import { remedy as reword } from './reword.remedy.ts';
import { remedy as sameWindow } from './same-window.remedy.ts';
import { remedy as saySo } from './say-so.remedy.ts';
import { remedy as sentenceCase } from './sentence-case.remedy.ts';
import { remedy as setDirection } from './set-direction.remedy.ts';
import { remedy as setHeaders } from './set-headers.remedy.ts';
import { remedy as setLanguage } from './set-language.remedy.ts';
import { remedy as setLevel } from './set-level.remedy.ts';
import { remedy as setScope } from './set-scope.remedy.ts';
import { remedy as setTarget } from './set-target.remedy.ts';
import { remedy as setTitle } from './set-title.remedy.ts';
import { remedy as shorten } from './shorten.remedy.ts';
import { remedy as stop } from './stop.remedy.ts';
import { remedy as stripMarker } from './strip-marker.remedy.ts';
import { remedy as stripMarks } from './strip-marks.remedy.ts';
import { remedy as titleToAlt } from './title-to-alt.remedy.ts';
import { remedy as trimOpening } from './trim-opening.remedy.ts';
import { remedy as underline } from './underline.remedy.ts';
import { remedy as unify } from './unify.remedy.ts';
import { remedy as unlink } from './unlink.remedy.ts';
import { remedy as unwrap } from './unwrap.remedy.ts';
import { remedy as useTargetTitle } from './use-target-title.remedy.ts';
import { remedy as wrapList } from './wrap-list.remedy.ts';
import { remedy as wrapWithName } from './wrap-with-name.remedy.ts';

/** Every remedy, by name. */
export const REMEDIES: Readonly<Record<RemedyName, Remedy>> = {
  'absorb-words': absorbWords,
  'add-anchor': addAnchor,
  'add-caption': addCaption,
  'add-controls': addControls,
  'add-legend': addLegend,
  'add-transcript-link': addTranscriptLink,
  'add-words': addWords,
  'adopt-caption': adoptCaption,
  'allow-zoom': allowZoom,
  associate: associate,
  'caption-from-row': captionFromRow,
  'change-ground': changeGround,
  clean: clean,
  clear: clear,
  'clear-align': clearAlign,
  'clear-size': clearSize,
  close: close,
  'close-up': closeUp,
  'copy-language': copyLanguage,
  decorative: decorative,
  describe: describe,
  'describe-in-text': describeInText,
  fill: fill,
  flatten: flatten,
  'from-file-name': fromFileName,
  'house-colour': houseColour,
  'insert-heading': insertHeading,
  join: join,
  'keep-as-presentation': keepAsPresentation,
  label: label,
  'make-heading': makeHeading,
  'make-list': makeList,
  'make-paragraph': makeParagraph,
  'make-paragraphs': makeParagraphs,
  'make-table': makeTable,
  'mean-it': meanIt,
  'move-into-item': moveIntoItem,
  'move-to-text': moveToText,
  name: name,
  'nearest-passing': nearestPassing,
  'own-colour': ownColour,
  'point-to-text': pointToText,
  remove: remove,
  'remove-title': removeTitle,
  rename: rename,
  'rename-anchor': renameAnchor,
  'rename-id': renameId,
  'repair-outline': repairOutline,
  reword: reword,
  'same-window': sameWindow,
  'say-so': saySo,
  'sentence-case': sentenceCase,
  'set-direction': setDirection,
  'set-headers': setHeaders,
  'set-language': setLanguage,
  'set-level': setLevel,
  'set-scope': setScope,
  'set-target': setTarget,
  'set-title': setTitle,
  shorten: shorten,
  stop: stop,
  'strip-marker': stripMarker,
  'strip-marks': stripMarks,
  'title-to-alt': titleToAlt,
  'trim-opening': trimOpening,
  underline: underline,
  unify: unify,
  unlink: unlink,
  unwrap: unwrap,
  'use-target-title': useTargetTitle,
  'wrap-list': wrapList,
  'wrap-with-name': wrapWithName,
};
