import type { NewJob } from '@inkwell/work';

/** The kinds of jobs there are; the worker has a handler for each. */
export const AUDIT_PAGE = 'audit a page again';
export const END_EXCEPTIONS = 'end exceptions';
/** Takes out for good what was taken out long enough ago. */
export const CLEAR_OUT = 'clear what was taken out';
/** Does to some pages what is done to one slip on many. */
export const STROKE = 'act on one slip';
/** Takes that back on some pages. */
export const STROKE_BACK = 'take back an act on one slip';
/** The parents of either. */
export const STROKES = 'act on one slip everywhere';

/** The parent of a whole shelf's audits. */
export const AUDIT_ALL = 'audit all again';

/** Finds out what a package holds. */
export const READ_PACKAGE = 'read a package';
/** Puts an accepted package's files and texts in place. */
export const UNPACK = 'unpack a package';
/** Examines pages that have arrived; under one parent for a whole package. */
export const ARRIVE = 'examine arrived pages';
/** Writes down how far every collection is today. */
export const NOTE_DAY = 'note the day';
/** Writes to people about what is due, overdue or came back, once a day. */
export const DIGEST = 'send digests';
/** Sends what waits in the outbox. */
export const SEND_MAIL = 'send mail';
/** Forgets what was kept for long enough. */
export const FORGET = 'forget what is old';
/** Looks into the attachments of a collection. */
export const LOOK_INTO = 'look into attachments';
/** Looks at the images of a collection, and reads its style sheets for those they set. */
export const LOOK_AT_IMAGES = 'look at images';
/** Looks whether addresses outside still answer, a few of each host. */
export const LOOK_OUTSIDE = 'look at addresses outside';
/** Has an answer hold, or hold no longer, on all the pages it reaches. */
export const SETTLE_ANSWER = 'settle an answer';
/** Counts anew what stands open on what pages use. */
export const COUNT_USES = 'count what is used';
/** Lets a page lead to where another lies now. */
export const FOLLOW = 'follow a page that moved';
/** Publishes a page on its host, or takes it off. */
export const PUBLISH = 'publish a page';
/** Looks for drafts that changed on a host. */
export const LOOK_AT_HOST = 'look at a host';
/** Reads what is published as readers are shown it. */
export const SEE_PUBLIC = 'see what is published';
export const BRING_IN = 'bring in a package';

export function lookIntoJob(collectionId: number): NewJob {
  return { kind: LOOK_INTO, payload: { collection: collectionId }, name: `${LOOK_INTO} ${collectionId}` };
}

export function lookAtImagesJob(collectionId: number): NewJob {
  return { kind: LOOK_AT_IMAGES, payload: { collection: collectionId }, name: `${LOOK_AT_IMAGES} ${collectionId}` };
}

export function lookAtHostJob(collectionId: number): NewJob {
  return { kind: LOOK_AT_HOST, payload: { collection: collectionId }, name: `${LOOK_AT_HOST} ${collectionId}` };
}

export function seePublicJob(collectionId: number): NewJob {
  return { kind: SEE_PUBLIC, payload: { collection: collectionId }, name: `${SEE_PUBLIC} ${collectionId}` };
}

export const lookOutsideJob: NewJob = { kind: LOOK_OUTSIDE, name: LOOK_OUTSIDE };

export function followJob(page: number, from: string, to: string): NewJob {
  return { kind: FOLLOW, payload: { page, from, to }, name: `${FOLLOW} ${page} ${from} ${to}` };
}

export function auditJob(pageId: number): NewJob {
  return { kind: AUDIT_PAGE, payload: { page: pageId }, name: `${AUDIT_PAGE} ${pageId}` };
}
