export { isAway, isDuplicate, migrate, openDatabase, type Database, type Write } from './database.ts';
export type { Answer, Cause, Role, Standing, Tables } from './schema.ts';
export { people, personById, type Person } from './queries/people.ts';
export { assetAt, placeFileAlsoAt, sheetsByPath, collectionBySlug, collections, type Collection } from './queries/collections.ts';
export { lapseSignOff, lastSignOff, lockPage, pageAtAddress, pageBySlug, pagesWithCounts, revisionLines, neighbourPages, pagesHolding, revisionOf, titlesByAddress, type PageCounts, type PageLink, type Revision, type RevisionLine, type SignOff, type StoredPage } from './queries/pages.ts';
export { dueWaivers, findingsIn, fixedFindings, OPEN_STANDINGS, rulingsOn, waiversOn, type RulingLine, type StoredFinding, type WaiverLine } from './queries/findings.ts';
