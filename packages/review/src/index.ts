/** Use-cases: what people and background work do with pages. They know nothing of HTTP; each takes the actor, reading too. */
export { may, NOBODY, THE_SYSTEM, visibleTo, type Act, type ActedOn, type Actor } from './actor.ts';
export { dayIn, type Services } from './services.ts';
export { HERE, perform, type Engine, type TaskName, type Tasks } from './engine/index.ts';
export { bringIn, slugOf, type BringIn, type Brought, type Incoming } from './bringIn.ts';
export { setKeys } from './ownKeys.ts';
export { arrange, fix, fixAllAlike, fixAllCertain, fixTogether, saveSource, type Fix } from './fix.ts';
export { redo, restore, undo } from './history.ts';
export { compareRevisions, type ComparedNote, type RevisionsCompared } from './compare.ts';
export { endException, letStand, rule, setElsewhere, takeBackRuling, type LetStand, type OnFinding, type Settled } from './judge.ts';
export {
  bringImage,
  chooseHeading,
  chooseImage,
  choosePage,
  LARGEST_IMAGE,
  type BroughtImage,
  type Choices,
  type HeadingToChoose,
} from './choosing.ts';
export { imageUses } from './imageUses.ts';
export type { AttachmentFacts } from '@inkwell/formats';
export type {
  AttachmentStanding,
  AttachmentWish,
  Became,
  ImageToChoose,
  ImageUse,
  Looked,
  PageToChoose,
  PageWithSlip,
} from '@inkwell/store';
export { proof, type Proof } from './proof.ts';
export type { OnPage } from './conflicts.ts';
export type { Problem, Result } from './problems.ts';
export type { Revised } from './record.ts';
export type { PagesChosen } from './chosenPages.ts';
export { ledger, LEDGER_PAGES, shelf, type Ledger, type LedgerChoice, type LedgerRow, type ShelfRow } from './shelf.ts';
export { desk, deskOf, type Desk, type Note, type RevisionView, type SignOffView } from './desk.ts';
export { nameProfile, newProfile, holdElsewhere, setStandard, standard, type SetStandard, type StandardSet } from './standard.ts';
export { dismissPackage, LARGEST_PACKAGE, packagesOf, receivePackage } from './packages/receive.ts';
export { PACKAGE_PAGES, showPackage, type PackageView } from './packages/show.ts';
export { acceptIntoShelf, examineArrivals, unpackPackage, type Accept } from './packages/arrive.ts';
export { allowedHosts, askForPages, type AskForPages } from './packages/fetched.ts';
export { readPackage } from './packages/read.ts';
export { chooseCleaning, door, tryCleaning, type CleanedView, type DoorView } from './packages/door.ts';
export { sendOutFolder, sendOutPage } from './packages/sendPart.ts';
export { goesOut, sendOut, type GoesOut } from './packages/sendOut.ts';
export { inScratch, scratch, sweepScratch } from './packages/files.ts';
export {
  bringBack,
  clearOut,
  lookAfter,
  removable,
  takeOut,
  takenOutOf,
  type LookAfter,
  type Removable,
  type TakenOut,
} from './lookAfter.ts';
export { auditAgain, auditAllAgain, auditPagesAgain, cancelWork, endExceptions, progress, type Progress } from './background.ts';
export {
  ARRIVE,
  AUDIT_ALL,
  AUDIT_PAGE,
  CLEAR_OUT,
  COUNT_USES,
  END_EXCEPTIONS,
  FOLLOW,
  LOOK_AT_IMAGES,
  LOOK_INTO,
  LOOK_OUTSIDE,
  DIGEST,
  FORGET,
  NOTE_DAY,
  READ_PACKAGE,
  SEND_MAIL,
  SETTLE_ANSWER,
  STROKE,
  STROKE_BACK,
  UNPACK,
} from './jobs.ts';
export { setTimeLog, spendTime } from './timeLog.ts';
export type { Tally } from './tally.ts';
export { makeStroke, strokeOver, strokePagesOver, type WishedOnPages, type WishedStroke } from './strokes/make.ts';
export { repeated, sameSlip, showStroke, type Repeated, type RepeatedSlip, type StrokeView } from './strokes/repeated.ts';
export { takeStrokeBackOn, unmakeStroke } from './strokes/takeBack.ts';
export type { PagesAct, SlipAct } from './strokes/acts.ts';
export { setContentType, type Retype } from './pages/types.ts';
export { changePage, type ChangePage } from './pages/change.ts';
export { followMove, movePage } from './pages/move.ts';
export { replacePage } from './pages/replace.ts';
export { bringPages, pagesTakenOut, takePages, type OutView } from './pages/takeOut.ts';
export { newTerm } from './newTerm.ts';
export { everythingIn } from './everything.ts';
export { attached, judgeAttachments, lookIntoAttachments, type Attached, type JudgeAttachments, type LookInto } from './attachments.ts';
export { noteDay, trend, type Trend } from './trend.ts';
export { spread, type Spread, type SpreadType } from './spread.ts';
export { lookAt, walk, type Walk, type WalkPage } from './steps.ts';
export {
  register,
  REGISTER_LINES,
  rulesIn,
  USUAL_GROUPING,
  type RegisterChoice,
  type RegisterShown,
  type ThingLine,
  type Chosen,
} from './registers/register.ts';
export { proposeName, proposeNames, type NameForFile, type ProposedName } from './registers/rename.ts';
export { around, offersOn, thing, type CaseView, type RuleOffers, type ThingView, type UseView } from './registers/thing.ts';
export { mend, tryMends, type MendTried, type WishedMends } from './registers/mend.ts';
export { showMend, unmakeMend, type MendView } from './registers/together.ts';
export type { Grouping, RegisterOrder } from '@inkwell/store';
export type { Reach, ReachedCollection } from './registers/reach.ts';
export { lookAtImages, lookWhereNobodyHas, type LookAtImage } from './registers/look.ts';
export { thumbnail } from './registers/thumbnail.ts';
export { redirects } from './registers/redirects.ts';
export { recolour, recolouring, type Recolouring } from './registers/recolour.ts';
export { palette, setPalette, type PaletteView } from './registers/palette.ts';
export { registerSheet, takeSheet, type SheetTaken } from './registers/sheet.ts';
export { countUsesAgain } from './uses.ts';
export { outlines, type OutlineView } from './registers/outlines.ts';
export type { Cost } from './effort.ts';
export { lookAtOutside, lookOutside, lookOutsideAgain, type LookAtAddress, type OutsideView } from './registers/outside.ts';
export { keepCopy } from './registers/borrowed.ts';
export { keepOpen } from './openPages.ts';

export { mayTry, signedIn, WRONG_PASSWORD, type Try } from './people/signIn.ts';
export { askForPassword, choosePassword, firstAdministrator, linkFor, readLink, SHORTEST_PASSWORD, type LinkTo } from './people/links.ts';
export { addressFrom, nameFrom } from './people/words.ts';
export {
  deedsSheet,
  endMySessions,
  endSecondFactor,
  endTheirSessions,
  givePart,
  invite,
  inviteAgain,
  leave,
  moveTo,
  PEOPLE_AT_ONCE,
  mySessions,
  myWaysIn,
  noteSecondFactor,
  removePerson,
  showDeeds,
  showMessages,
  showPeople,
  takePart,
  type Invitation,
  type PeopleShown,
} from './people/people.ts';
export { actorOfToken, endToken, newToken, REACHES, tokens, type TokenWish } from './api/tokens.ts';
export {
  collectionsTold,
  pagesTold,
  pageTold,
  publishPage,
  putPage,
  signPage,
  type CollectionTold,
  type PageFound,
  type PageTold,
} from './api/pages.ts';
export {
  decideOn,
  FINDING_FILTERS,
  findingsTold,
  findingTold,
  type Decision,
  type FindingFilters,
  type FindingTold,
} from './api/findings.ts';
export { checkText, type Check, type CheckWish } from './api/checks.ts';
export type { TokenLine, TokenReach } from '@inkwell/store';
export { rollSheet, takeRoll, type RollRead } from './people/roll.ts';
export { forget, personData, setKeeping, showKeeping } from './people/keeping.ts';
export { sendMail, type SendMail } from './people/mail.ts';
export type { KeptDays, WaysIn } from '@inkwell/store';

export { changeHanded, handedOut, type HandedChange, type HandedChanged, type HandedChoice, type HandedShown } from './docket/handed.ts';
export { docketSheet, takeDocketSheet, type DocketSheetTaken } from './docket/sheet.ts';
export type { HandedBy, HandedColumn } from '@inkwell/store';
export { docket, handOut, handOutChosen, takeFrom, takers, type DocketShown, type DocketThing, type HandOut } from './docket/docket.ts';
export type { DocketPlace, DocketState } from '@inkwell/store';
export { giveAnswer, settleAnswer, takeAnswerBack, type AnswerGiven, type AnswerReach, type GiveAnswer } from './questions/answers.ts';
export {
  answersGiven,
  questions,
  type AnswerView,
  type KindView,
  type QuestionsShown,
  type QuestionView,
  type ShowQuestions,
} from './questions/questions.ts';
export { turnKindOff } from './questions/turnOff.ts';
export { describeAsked, type DescribeAsked } from './questions/describe.ts';
export { readStandard, showHouse, standardFile, trySelection, type HouseShown, type StandardVersion, type EffectShown } from './house.ts';
export { amHere, notices, readUpTo, unread, type NoticeView } from './live.ts';
export { learning, noteFor, type BackUnder, type Learning, type NoteFor, type OwnSlipView } from './learning.ts';
export { calendarAt, endCalendar, hasCalendar, newCalendar } from './docket/calendar.ts';
export { remark, remarks, type RemarkView } from './docket/remarks.ts';
export { sendDigests } from './docket/digest.ts';
export { search, type Found } from './search.ts';
export { signMany, signOff, lookedAt, setSigning, LOOKS, type Look, type Signed } from './release/sign.ts';
export { showGate, type GateRow, type GateShown } from './release/board.ts';
export { askPublication, callPublicationOff, runPublication, type ChosenAtGate, type GateDone } from './release/publish.ts';
export { lookAtHostsDue, seePublic } from './release/seePublic.ts';
export { connect, disconnect, lookNow, newHost, placesOnHost, removeHost, showHosts, type HostView } from './release/hosts.ts';
export { bringFromHost } from './release/bringFrom.ts';
export { lookAtHost, settleBoth, type Pulled } from './release/pull.ts';
export { GATE_GROUPS, type GateGroup, type SigningRules } from '@inkwell/store';
export { LOOK_AT_HOST, PUBLISH, SEE_PUBLIC } from './jobs.ts';
export { EVENTS, eventsTold, type EventTold } from './api/events.ts';
export { deliverAgain, deliveries, endWebhook, newWebhook, sendDeliveries, signatureOf, webhooks, type NewHook } from './api/webhooks.ts';
export type { DeliveryLine, HookLine } from '@inkwell/store';
export { acceptBegun, cancelJobBegun, jobTold, sendIn, type JobTold, type SentIn } from './api/packages.ts';
export { makeReport, type ReportWish } from './report/make.ts';
export {
  compareReports,
  drawSample,
  judgeCriterion,
  keepReportNow,
  showReport,
  type ReportsCompared,
  type ReportShown,
} from './report/keep.ts';
export {
  answerReader,
  ownStatement,
  publicStatement,
  setStatement,
  showBarriers,
  tellBarrier,
  type StatementShown,
} from './report/statement.ts';
export type { BarrierLine, KeptReport, StatementRow } from '@inkwell/store';
export { REPORT_COLUMNS, REPORT_FORMATS, REPORT_TYPES, reportFile, type FileOfReport, type ReportFile } from './report/file.ts';
export type { ReportSaid } from '@inkwell/formats';
