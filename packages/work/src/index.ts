/** The queue: jobs in the database, their parents and progress. It knows no use-case; who does the work gives it handlers. */
export {
  cancelJob,
  claimJob,
  enqueue,
  enqueueUnder,
  extendLeases,
  failJob,
  finishJob,
  jobById,
  reclaimLapsed,
  runningOf,
  sweepJobs,
  wasCancelled,
  type Job,
  type JobState,
  type NewJob,
} from './queue.ts';
export { work, type Handler, type WorkOptions } from './work.ts';
