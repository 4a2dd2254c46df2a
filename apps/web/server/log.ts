import 'server-only';
import { pino } from 'pino';

/** What the server says of its work: a JSON object a line on standard error, from `INKWELL_LOG` (info) upwards. */
export const log = pino(
  { name: 'inkwell web', level: process.env.INKWELL_LOG ?? 'info', base: { pid: process.pid } },
  pino.destination({ dest: 2, sync: true }),
);
