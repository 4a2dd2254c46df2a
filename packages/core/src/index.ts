/** The public surface of the engine. Everything else inside this package may change. */
export { hashText } from './source/hash.ts';
export { append, greatest, least } from './source/lists.ts';
export { listsBy, lookup } from './source/lookup.ts';
export {
  applyChange,
  applyEdits,
  changeBetween,
  changeOf,
  composeChanges,
  composeMoves,
  editsAlong,
  invertChange,
  mapChange,
  mapOffset,
  placeUnder,
  type Change,
  type Edit,
  type Moves,
} from './source/edits.ts';
export { LineIndex } from './source/lines.ts';
export { amendPage } from './document/amend.ts';
export { browserReadsAsXml, isNamedXhtml } from './document/xml.ts';
export { parseAgain, parsePage, type Page, type Scope, type Surroundings, type Vocabulary } from './document/page.ts';
export { FILE_BASE_FOLDER, relativeTo, resolveAddress, surroundingsFrom, type Neighbours } from './document/addresses.ts';
export { elementAt, pathOf } from './document/paths.ts';
export { childElements, rawText, tidy, valueOf, type ElementNode, type Range } from './document/tree.ts';
export { outline, type Heading } from './semantics/outline.ts';
export { nameOf } from './semantics/names.ts';
export { anchorOf } from './semantics/links.ts';
export { addressOf, fileNameOf } from './semantics/images.ts';
export { titleText } from './semantics/title.ts';
export { escapeText } from './remedies/markup.ts';
export { isExposed, isSeen } from './semantics/visibility.ts';
export { clauseOf } from './standards/clauses.ts';
export {
  NO_COUNTS,
  outcomesUnder,
  type CriterionCounts,
  type CriterionOutcome,
  type CriterionResult,
  type Judged,
  type Present,
} from './report/outcomes.ts';
export { forecast, type Forecast } from './report/forecast.ts';
export { evidenceOf, OUTCOME_WORDS } from './report/words.ts';
export { samplePages, type Candidate, type Chosen } from './report/sampling.ts';
export { CRITERIA, criterionOf, type Criterion, type Level } from './standards/criteria.ts';
export { COLOUR_VISION, type ColourVision } from './standards/colourVision.ts';
export { RULES } from './rules/registry.ts';
export { familyOf, type Family, type FindingOutcome, type Rule, type Values, type Weight } from './rules/types.ts';
export { isCertain } from './remedies/types.ts';
export { REMEDIES } from './remedies/registry.ts';
export { REMEDY_NAMES, type RemedyName } from './remedies/names.ts';
export type { Field, Inputs } from './remedies/types.ts';
export { alikeTo, applyRemedy, fixAlike, fixTogether, offersFor, type FixedMany, type RemedyOffer } from './remedies/apply.ts';
export { fixCertain, withActingRemedies, type FixedCertain } from './remedies/certain.ts';
export { alternativeEdit } from './remedies/filledIn.ts';
export { renameInStyles, renameInXml, renameOnPage, type Renames } from './remedies/renamed.ts';
export { cleanPaste, type Pasted } from './remedies/pasted.ts';
export { cleanAtTheDoor, doorQuestions, proposedAnswers, type Cleaned, type DoorAnswers, type DoorQuestion } from './cleaning/atTheDoor.ts';
export { makeUpOf, type MakeUp, type Trait } from './inspect/makeUp.ts';
export { manyPasted } from './semantics/pastedMarks.ts';
export { arrange, type Arrangement, type Headers } from './remedies/arrange.ts';
export { repairedLevels } from './remedies/repairedLevels.ts';
export { auditPage, ENGINE_VERSION } from './audit/run.ts';
export { identityOf, type Audit, type Finding, type Place, type RuleTrouble, type Sameness } from './audit/findings.ts';
export { ruleOf, sentenceOf } from './audit/prose.ts';
export { reported, type ReportedFinding, type ReportedPlace } from './audit/reported.ts';
export { stepOf, STEPS, type StepId, type WalkStep } from './audit/steps.ts';
export { compareAudits, type Comparison, type Texts } from './audit/compare.ts';
export {
  DEFAULT_PROFILE,
  PROFILES,
  selectFindings,
  settingsFor,
  verdictOf,
  type Profile,
  type Settings,
  type Verdict,
} from './audit/profile.ts';
export {
  estimate,
  estimateFromSample,
  hoursFor,
  learnEffort,
  MINUTES_EACH,
  type Effort,
  type Estimate,
  type Timed,
} from './audit/effort.ts';
export { techniqueSays } from './standards/techniques.ts';
export { looksOf, speakRange, speakWhole, type Look } from './spoken/passage.ts';
export { inspectColours, type ColourRow } from './inspect/colours.ts';
export { inspectKinds, type KindRow, type Kinds } from './inspect/kinds.ts';
export { inspectNames, type NameRow } from './inspect/names.ts';
export { subjectOf, type ColourSubject, type PassingColour, type ImageSubject, type Subject } from './inspect/subject.ts';
export { textBlocks, type TextBlock } from './inspect/textBlocks.ts';
export {
  inspectStructure,
  type GridCell,
  type ListItemView,
  type ListView,
  type OutlineLine,
  type Structure,
  type TableView,
} from './inspect/structure.ts';
export {
  inspectImages,
  inspectLinks,
  inspectLists,
  inspectOutline,
  inspectTables,
  type ImageRow,
  type LinkRow,
  type ListRow,
  type OutlineRow,
  type TableRow,
} from './inspect/views.ts';
export { speakPage, type SpokenLine } from './spoken/page.ts';
export {
  backgroundsIn,
  fileAt,
  inspectImageUses,
  inspectLinkUses,
  type ImageUseKind,
  type ImageUseRow,
  type LinkUseRow,
} from './inspect/uses.ts';
export { oddNameOf, troubleOfFileName, type OddName } from './semantics/fileNames.ts';
export { digestOf, neighboursFrom, type Digest } from './inspect/digest.ts';
export { importsOf, referencesOf, type Reference } from './inspect/references.ts';
export { REGISTERS, thingOf, TRAITS, traitsOf, type RegisterName, type Use, type UseFacts } from './registers/types.ts';
export { pieceOf, usesAround, type UseAround } from './registers/around.ts';
export {
  colourChoices,
  colourSources,
  coloursOfSheets,
  type ColourChoice,
  type ColourSource,
  type PaletteColour,
} from './registers/colours.ts';
export { contrastRatio, hexOf, parseColour } from './style/colour.ts';
export { caseOf, mendUses, PASSING, type Mend, type Mended, type MendPart } from './registers/mend.ts';
export { FAMILY_OF, findingsOn, usesIn, useRowsOf, type UseRow } from './registers/uses.ts';
export { FLOORS, USUAL_THRESHOLDS, type Thresholds } from './rules/types.ts';
export { carryOver, type Carried, type Step } from './versions/carryOver.ts';
export { difference } from './versions/difference.ts';
export { isUntouched, mergedText, mergeTexts, type Piece } from './versions/merge.ts';
export { slipsOf, type Part, type Slip } from './pieces/equalPieces.ts';
export { samenessOf } from './pieces/sameness.ts';
export { commonIn, matchPages, resemblance, sketchOf, type Matchable, type Sketch } from './versions/matchPages.ts';
