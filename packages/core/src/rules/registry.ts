// Made by `npm run registry` from the folders beside it. Do not edit.
import type { Rule } from './types.ts';
import { rule as colourCellStatus } from './colour/cell-status/index.ts';
import { rule as colourContrast } from './colour/contrast/index.ts';
import { rule as colourContrastMore } from './colour/contrast-more/index.ts';
import { rule as colourControlContrast } from './colour/control-contrast/index.ts';
import { rule as colourHalfSet } from './colour/half-set/index.ts';
import { rule as colourOnlyCue } from './colour/only-cue/index.ts';
import { rule as colourPlaceholder } from './colour/placeholder/index.ts';
import { rule as colourSensory } from './colour/sensory/index.ts';
import { rule as colourUnknownGround } from './colour/unknown-ground/index.ts';
import { rule as documentBadLanguage } from './document/bad-language/index.ts';
import { rule as documentFixedWidth } from './document/fixed-width/index.ts';
import { rule as documentLandmarks } from './document/landmarks/index.ts';
import { rule as documentNoLanguage } from './document/no-language/index.ts';
import { rule as documentNoMain } from './document/no-main/index.ts';
import { rule as documentNoSkip } from './document/no-skip/index.ts';
import { rule as documentNoTitle } from './document/no-title/index.ts';
import { rule as documentOrientation } from './document/orientation/index.ts';
import { rule as documentPassageLanguage } from './document/passage-language/index.ts';
import { rule as documentRefresh } from './document/refresh/index.ts';
import { rule as documentSameId } from './document/same-id/index.ts';
import { rule as documentSameTitle } from './document/same-title/index.ts';
import { rule as documentVagueTitle } from './document/vague-title/index.ts';
import { rule as documentWholeLanguage } from './document/whole-language/index.ts';
import { rule as documentZoomBlocked } from './document/zoom-blocked/index.ts';
import { rule as formsAutocomplete } from './forms/autocomplete/index.ts';
import { rule as formsButtonBlank } from './forms/button-blank/index.ts';
import { rule as formsButtonVague } from './forms/button-vague/index.ts';
import { rule as formsGroupUnnamed } from './forms/group-unnamed/index.ts';
import { rule as formsLabelLost } from './forms/label-lost/index.ts';
import { rule as formsRequiredByColour } from './forms/required-by-colour/index.ts';
import { rule as formsUnlabelled } from './forms/unlabelled/index.ts';
import { rule as headingsBlank } from './headings/blank/index.ts';
import { rule as headingsFirstLevel } from './headings/first-level/index.ts';
import { rule as headingsForLooks } from './headings/for-looks/index.ts';
import { rule as headingsImitated } from './headings/imitated/index.ts';
import { rule as headingsLastEmpty } from './headings/last-empty/index.ts';
import { rule as headingsLeap } from './headings/leap/index.ts';
import { rule as headingsNoneInLongText } from './headings/none-in-long-text/index.ts';
import { rule as headingsRepeated } from './headings/repeated/index.ts';
import { rule as headingsSeveralH1 } from './headings/several-h1/index.ts';
import { rule as headingsVague } from './headings/vague/index.ts';
import { rule as imagesAltRepeatsText } from './images/alt-repeats-text/index.ts';
import { rule as imagesAnnouncedTwice } from './images/announced-twice/index.ts';
import { rule as imagesAsciiArt } from './images/ascii-art/index.ts';
import { rule as imagesBackgroundMeaning } from './images/background-meaning/index.ts';
import { rule as imagesBorrowed } from './images/borrowed/index.ts';
import { rule as imagesBroken } from './images/broken/index.ts';
import { rule as imagesCaptionTyped } from './images/caption-typed/index.ts';
import { rule as imagesComplex } from './images/complex/index.ts';
import { rule as imagesControlKind } from './images/control-kind/index.ts';
import { rule as imagesDecorativeDoubt } from './images/decorative-doubt/index.ts';
import { rule as imagesDecorativeMixed } from './images/decorative-mixed/index.ts';
import { rule as imagesDifferentAltSameImage } from './images/different-alt-same-image/index.ts';
import { rule as imagesEmoticon } from './images/emoticon/index.ts';
import { rule as imagesFileName } from './images/file-name/index.ts';
import { rule as imagesFileNameAlt } from './images/file-name-alt/index.ts';
import { rule as imagesLongAlt } from './images/long-alt/index.ts';
import { rule as imagesMachineWords } from './images/machine-words/index.ts';
import { rule as imagesNoAlternative } from './images/no-alternative/index.ts';
import { rule as imagesNoCaption } from './images/no-caption/index.ts';
import { rule as imagesOfText } from './images/of-text/index.ts';
import { rule as imagesPlaceholderAlt } from './images/placeholder-alt/index.ts';
import { rule as imagesQuoteMarks } from './images/quote-marks/index.ts';
import { rule as imagesSameAltDifferentImage } from './images/same-alt-different-image/index.ts';
import { rule as imagesStuffed } from './images/stuffed/index.ts';
import { rule as imagesThinAlt } from './images/thin-alt/index.ts';
import { rule as imagesTitleOnly } from './images/title-only/index.ts';
import { rule as imagesTrueToPicture } from './images/true-to-picture/index.ts';
import { rule as linksAnchorName } from './links/anchor-name/index.ts';
import { rule as linksBlank } from './links/blank/index.ts';
import { rule as linksColourAlone } from './links/colour-alone/index.ts';
import { rule as linksDoubled } from './links/doubled/index.ts';
import { rule as linksFileUnsaid } from './links/file-unsaid/index.ts';
import { rule as linksLong } from './links/long/index.ts';
import { rule as linksMissingAnchor } from './links/missing-anchor/index.ts';
import { rule as linksMissingPage } from './links/missing-page/index.ts';
import { rule as linksNewWindow } from './links/new-window/index.ts';
import { rule as linksNoDestination } from './links/no-destination/index.ts';
import { rule as linksRawAddress } from './links/raw-address/index.ts';
import { rule as linksSameTextElsewhere } from './links/same-text-elsewhere/index.ts';
import { rule as linksSplit } from './links/split/index.ts';
import { rule as linksTitleRepeats } from './links/title-repeats/index.ts';
import { rule as linksVague } from './links/vague/index.ts';
import { rule as listsBlank } from './lists/blank/index.ts';
import { rule as listsBrokenRun } from './lists/broken-run/index.ts';
import { rule as listsForeignChild } from './lists/foreign-child/index.ts';
import { rule as listsImageBullets } from './lists/image-bullets/index.ts';
import { rule as listsIndentByQuote } from './lists/indent-by-quote/index.ts';
import { rule as listsMarkerLeft } from './lists/marker-left/index.ts';
import { rule as listsPairs } from './lists/pairs/index.ts';
import { rule as listsRoleLost } from './lists/role-lost/index.ts';
import { rule as listsSingle } from './lists/single/index.ts';
import { rule as listsStepsApart } from './lists/steps-apart/index.ts';
import { rule as listsStrayItem } from './lists/stray-item/index.ts';
import { rule as listsTyped } from './lists/typed/index.ts';
import { rule as mediaBareEmbed } from './media/bare-embed/index.ts';
import { rule as mediaCaptionsNoTranscript } from './media/captions-no-transcript/index.ts';
import { rule as mediaFrameUnnamed } from './media/frame-unnamed/index.ts';
import { rule as mediaNoCaptions } from './media/no-captions/index.ts';
import { rule as mediaNoControls } from './media/no-controls/index.ts';
import { rule as mediaNoDescription } from './media/no-description/index.ts';
import { rule as mediaNoTranscript } from './media/no-transcript/index.ts';
import { rule as mediaPlaysByItself } from './media/plays-by-itself/index.ts';
import { rule as mediaSameTitle } from './media/same-title/index.ts';
import { rule as mediaUnclosedFrame } from './media/unclosed-frame/index.ts';
import { rule as structureAccessKey } from './structure/access-key/index.ts';
import { rule as structureBadAria } from './structure/bad-aria/index.ts';
import { rule as structureBadRole } from './structure/bad-role/index.ts';
import { rule as structureChangeActs } from './structure/change-acts/index.ts';
import { rule as structureClickOnly } from './structure/click-only/index.ts';
import { rule as structureControlInControl } from './structure/control-in-control/index.ts';
import { rule as structureDirection } from './structure/direction/index.ts';
import { rule as structureFocusUnseen } from './structure/focus-unseen/index.ts';
import { rule as structureHiddenButFocusable } from './structure/hidden-but-focusable/index.ts';
import { rule as structureLostPart } from './structure/lost-part/index.ts';
import { rule as structureNameLost } from './structure/name-lost/index.ts';
import { rule as structureNameless } from './structure/nameless/index.ts';
import { rule as structureOrder } from './structure/order/index.ts';
import { rule as structureRoleUndone } from './structure/role-undone/index.ts';
import { rule as structureTabOrder } from './structure/tab-order/index.ts';
import { rule as structureTabsAccordion } from './structure/tabs-accordion/index.ts';
import { rule as structureWordsInCss } from './structure/words-in-css/index.ts';
import { rule as tablesAmbiguous } from './tables/ambiguous/index.ts';
import { rule as tablesBlankHeader } from './tables/blank-header/index.ts';
import { rule as tablesBlankRows } from './tables/blank-rows/index.ts';
import { rule as tablesCaptionInside } from './tables/caption-inside/index.ts';
import { rule as tablesHeadersBroken } from './tables/headers-broken/index.ts';
import { rule as tablesImitatedHeaders } from './tables/imitated-headers/index.ts';
import { rule as tablesLarge } from './tables/large/index.ts';
import { rule as tablesLayout } from './tables/layout/index.ts';
import { rule as tablesLayoutMarked } from './tables/layout-marked/index.ts';
import { rule as tablesLayoutOrder } from './tables/layout-order/index.ts';
import { rule as tablesNested } from './tables/nested/index.ts';
import { rule as tablesNoCaption } from './tables/no-caption/index.ts';
import { rule as tablesNoHeaders } from './tables/no-headers/index.ts';
import { rule as tablesRagged } from './tables/ragged/index.ts';
import { rule as tablesScopeWrong } from './tables/scope-wrong/index.ts';
import { rule as tablesSummaryRepeats } from './tables/summary-repeats/index.ts';
import { rule as tablesTyped } from './tables/typed/index.ts';
import { rule as tablesVagueCaption } from './tables/vague-caption/index.ts';
import { rule as textAbbreviation } from './text/abbreviation/index.ts';
import { rule as textBrParagraphs } from './text/br-paragraphs/index.ts';
import { rule as textCapitals } from './text/capitals/index.ts';
import { rule as textEmphasisOverused } from './text/emphasis-overused/index.ts';
import { rule as textFiller } from './text/filler/index.ts';
import { rule as textForcedFace } from './text/forced-face/index.ts';
import { rule as textForcedSize } from './text/forced-size/index.ts';
import { rule as textFormula } from './text/formula/index.ts';
import { rule as textHardToRead } from './text/hard-to-read/index.ts';
import { rule as textJustified } from './text/justified/index.ts';
import { rule as textLooksNotMeaning } from './text/looks-not-meaning/index.ts';
import { rule as textMoving } from './text/moving/index.ts';
import { rule as textPastedMarkup } from './text/pasted-markup/index.ts';
import { rule as textQuoteMisused } from './text/quote-misused/index.ts';
import { rule as textQuoteUnmarked } from './text/quote-unmarked/index.ts';
import { rule as textSpacedLetters } from './text/spaced-letters/index.ts';
import { rule as textSpacerBlocks } from './text/spacer-blocks/index.ts';
import { rule as textSpacingLocked } from './text/spacing-locked/index.ts';
import { rule as textStruck } from './text/struck/index.ts';
import { rule as textTooManyColours } from './text/too-many-colours/index.ts';
import { rule as textUnderline } from './text/underline/index.ts';

/** Every rule, by id. */
export const RULES: readonly Rule[] = [
  colourCellStatus,
  colourContrast,
  colourContrastMore,
  colourControlContrast,
  colourHalfSet,
  colourOnlyCue,
  colourPlaceholder,
  colourSensory,
  colourUnknownGround,
  documentBadLanguage,
  documentFixedWidth,
  documentLandmarks,
  documentNoLanguage,
  documentNoMain,
  documentNoSkip,
  documentNoTitle,
  documentOrientation,
  documentPassageLanguage,
  documentRefresh,
  documentSameId,
  documentSameTitle,
  documentVagueTitle,
  documentWholeLanguage,
  documentZoomBlocked,
  formsAutocomplete,
  formsButtonBlank,
  formsButtonVague,
  formsGroupUnnamed,
  formsLabelLost,
  formsRequiredByColour,
  formsUnlabelled,
  headingsBlank,
  headingsFirstLevel,
  headingsForLooks,
  headingsImitated,
  headingsLastEmpty,
  headingsLeap,
  headingsNoneInLongText,
  headingsRepeated,
  headingsSeveralH1,
  headingsVague,
  imagesAltRepeatsText,
  imagesAnnouncedTwice,
  imagesAsciiArt,
  imagesBackgroundMeaning,
  imagesBorrowed,
  imagesBroken,
  imagesCaptionTyped,
  imagesComplex,
  imagesControlKind,
  imagesDecorativeDoubt,
  imagesDecorativeMixed,
  imagesDifferentAltSameImage,
  imagesEmoticon,
  imagesFileName,
  imagesFileNameAlt,
  imagesLongAlt,
  imagesMachineWords,
  imagesNoAlternative,
  imagesNoCaption,
  imagesOfText,
  imagesPlaceholderAlt,
  imagesQuoteMarks,
  imagesSameAltDifferentImage,
  imagesStuffed,
  imagesThinAlt,
  imagesTitleOnly,
  imagesTrueToPicture,
  linksAnchorName,
  linksBlank,
  linksColourAlone,
  linksDoubled,
  linksFileUnsaid,
  linksLong,
  linksMissingAnchor,
  linksMissingPage,
  linksNewWindow,
  linksNoDestination,
  linksRawAddress,
  linksSameTextElsewhere,
  linksSplit,
  linksTitleRepeats,
  linksVague,
  listsBlank,
  listsBrokenRun,
  listsForeignChild,
  listsImageBullets,
  listsIndentByQuote,
  listsMarkerLeft,
  listsPairs,
  listsRoleLost,
  listsSingle,
  listsStepsApart,
  listsStrayItem,
  listsTyped,
  mediaBareEmbed,
  mediaCaptionsNoTranscript,
  mediaFrameUnnamed,
  mediaNoCaptions,
  mediaNoControls,
  mediaNoDescription,
  mediaNoTranscript,
  mediaPlaysByItself,
  mediaSameTitle,
  mediaUnclosedFrame,
  structureAccessKey,
  structureBadAria,
  structureBadRole,
  structureChangeActs,
  structureClickOnly,
  structureControlInControl,
  structureDirection,
  structureFocusUnseen,
  structureHiddenButFocusable,
  structureLostPart,
  structureNameLost,
  structureNameless,
  structureOrder,
  structureRoleUndone,
  structureTabOrder,
  structureTabsAccordion,
  structureWordsInCss,
  tablesAmbiguous,
  tablesBlankHeader,
  tablesBlankRows,
  tablesCaptionInside,
  tablesHeadersBroken,
  tablesImitatedHeaders,
  tablesLarge,
  tablesLayout,
  tablesLayoutMarked,
  tablesLayoutOrder,
  tablesNested,
  tablesNoCaption,
  tablesNoHeaders,
  tablesRagged,
  tablesScopeWrong,
  tablesSummaryRepeats,
  tablesTyped,
  tablesVagueCaption,
  textAbbreviation,
  textBrParagraphs,
  textCapitals,
  textEmphasisOverused,
  textFiller,
  textForcedFace,
  textForcedSize,
  textFormula,
  textHardToRead,
  textJustified,
  textLooksNotMeaning,
  textMoving,
  textPastedMarkup,
  textQuoteMisused,
  textQuoteUnmarked,
  textSpacedLetters,
  textSpacerBlocks,
  textSpacingLocked,
  textStruck,
  textTooManyColours,
  textUnderline,
];
