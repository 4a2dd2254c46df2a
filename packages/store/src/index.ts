export { isAway, isDuplicate, isGivenUp, migrate, openDatabase, snapshot, writing, type Database, type Write } from './database.ts';
export type { Answer, Cause, Release, Role, Standing, Tables } from './schema.ts';
export { keepTime, logTime, people, personById, setPeople, SYSTEM, type Membership, type Person, type Spent } from './queries/people.ts';
export { emptyHouse, house, isFurnished, lockProfiles, type HouseRow } from './queries/house.ts';
export {
  addProfileVersion, addWeights, allKinds, barById, barFor, dropOldWeights, kindIds, profileByName, type Bar, type Kind, type KindWeight, type StoredKind, type StoredProfile,
} from './queries/profiles.ts';
export { addCollection, collectionBySlug, dropCollection, type Collection } from './queries/collections.ts';
export { bytesOf, fileAt, hashOf, keepFile, placeFileAlsoAt, placeFiles, type NewFile, type StoredFile } from './queries/files.ts';
export {
  addPage, addRevision, addSignOff, confirmSignOff, headText, lapseSignOff, lastSignOff, lockPage, pageAtAddress, pageById, pageForEngine, pagesBeside, revisionLines, revisionOf, slugsLike, touchPage,
  type Lapse, type PageForEngine, type PageLink, type PlacedPage, type Revision, type RevisionLine, type SignOff, type StoredPage,
} from './queries/pages.ts';
export { auditOf, findingById, findingsIn, fixedFindings, isOpenOn, OPEN_STANDINGS, type StoredFinding } from './queries/findings.ts';
export { addAudit, writeSightings, type NewOccurrence, type OtherKind, type OtherName, type Sightings } from './queries/audits.ts';
export {
  addException, askAbout, decidedSince, endExceptionsOn, exceptionsOn, pagesToReopen, questionsOn, ranOut, rulingsOn, writeRulings, writeStandings,
  type Decided, type ExceptionLine, type NewStanding, type RulingLine, type Waiting,
} from './queries/decisions.ts';
export {
  lapseUnder, ledgerLines, ledgerSums, moveToBars, pagesUnder, placeOf, refreshStatus, shelfSums, statusNow, type LedgerLine, type LedgerOrder, type LedgerSums, type LedgerWish, type ShelfSums, type Status,
} from './queries/status.ts';
export { named, pagesNaming, pagesOfOtherEngines, referencesOf, textsOfFiles, usesOfImage, writeReferences, type ImageUse, type Named } from './queries/references.ts';
