import { pino } from 'pino';

/** What the worker says of its work: a JSON object a line on standard error, from `INKWELL_LOG` (info) upwards. */
export const log = pino(
  { name: 'inkwell worker', level: process.env.INKWELL_LOG ?? 'info', base: { pid: process.pid } },
  pino.destination(2),
);
