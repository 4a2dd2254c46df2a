import type { NewJob } from '@inkwell/work';

/** The kinds of jobs there are; the worker has a handler for each. */
export const AUDIT_PAGE = 'audit a page again';
export const END_EXCEPTIONS = 'end exceptions';
/** The parent of a whole shelf's audits. */
export const AUDIT_ALL = 'audit all again';

export function auditJob(pageId: number): NewJob {
  return { kind: AUDIT_PAGE, payload: { page: pageId }, name: `${AUDIT_PAGE} ${pageId}` };
}
