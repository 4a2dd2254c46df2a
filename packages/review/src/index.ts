/** Use-cases: what people and background work do with pages. They know nothing of HTTP; each change takes the actor who makes it. */
export { may, type Act, type Actor } from './actor.ts';
export { bringIn, slugOf, type BringIn, type Brought, type Incoming } from './bringIn.ts';
export { mend, saveSource, type Mend } from './mend.ts';
export { redo, restore, undo } from './history.ts';
export { compareRevisions, type ComparedNote, type RevisionsCompared } from './compare.ts';
export { rule, signOff, takeBackRuling } from './judge.ts';
export { arrange, mendAllAlike, mendAllCertain } from './mendMany.ts';
export { endDueWaivers, endWaiver, waive, type Waive } from './waive.ts';
export { pictureUses, type PictureUse } from './pictureUses.ts';
export type { Problem, Result } from './problems.ts';
export { revise, type Revised } from './revise.ts';
export { desk, isOpen, ledger, shelf, type Desk, type Ledger, type LedgerRow, type Note, type RevisionView, type ShelfRow } from './views.ts';
export type { PageStanding, Tally } from './standing.ts';
