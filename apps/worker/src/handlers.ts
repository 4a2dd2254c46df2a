import { AUDIT_PAGE, auditAgain, END_EXCEPTIONS, endExceptions, THE_SYSTEM, type Services } from '@inkwell/review';
import type { Handler } from '@inkwell/work';

/** What a worker does, by the kind of job. Each handler may run twice for one job, and does its work once. */
export function handlers(services: Services): Record<string, Handler> {
  return {
    async [AUDIT_PAGE]({ payload }) {
      const { page } = payload;
      if (typeof page !== 'number') throw new Error(`A job to audit a page names none: ${JSON.stringify(payload)}`);
      const result = await auditAgain(services, THE_SYSTEM, { pageId: page });
      // A page that was taken out meanwhile needs no audit.
      if (!result.ok && result.problem.code !== 'not-found') throw new Error(result.problem.what);
    },
    async [END_EXCEPTIONS]() {
      await endExceptions(services, THE_SYSTEM);
    },
  };
}
