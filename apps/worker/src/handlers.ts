import { lookup } from '@inkwell/core';
import {
  acceptBegun,
  ARRIVE,
  AUDIT_PAGE,
  auditAgain,
  CLEAR_OUT,
  COUNT_USES,
  countUsesAgain,
  clearOut,
  DIGEST,
  END_EXCEPTIONS,
  FOLLOW,
  followMove,
  FORGET,
  forget,
  endExceptions,
  examineArrivals,
  LOOK_AT_IMAGES,
  lookAtImages,
  LOOK_AT_HOST,
  lookAtHost,
  LOOK_INTO,
  LOOK_OUTSIDE,
  lookAtOutside,
  lookIntoAttachments,
  makeStroke,
  NOTE_DAY,
  noteDay,
  PUBLISH,
  READ_PACKAGE,
  readPackage,
  runPublication,
  SEE_PUBLIC,
  seePublic,
  SEND_MAIL,
  sendDigests,
  sendMail,
  SETTLE_ANSWER,
  settleAnswer,
  STROKE,
  STROKE_BACK,
  takeStrokeBackOn,
  THE_SYSTEM,
  UNPACK,
  unpackPackage,
  type LookAtImage,
  type LookInto,
  type SendMail,
  type Services,
} from '@inkwell/review';
import type { Handler, Job } from '@inkwell/work';

/** How often a job is tried. */
export const MOST_ATTEMPTS = 5;

/** What a worker does its work with. */
export interface Tools {
  /** What looks at files, each in a thread of its own. */
  lookInto: LookInto;
  lookAtImage: LookAtImage;
  /** Gives messages to a mail server; null where none is set. */
  send: SendMail | null;
}

/** What a worker does, by the kind of job. Each handler may run twice for one job, and does its work once. */
export function handlers(services: Services, { lookInto, lookAtImage, send }: Tools): Record<string, Handler> {
  return {
    async [AUDIT_PAGE]({ payload }) {
      const result = await auditAgain(services, THE_SYSTEM, { pageId: numberIn(payload, 'page') });
      // A page that was taken out meanwhile needs no audit.
      if (!result.ok && result.problem.code !== 'not-found') throw new Error(result.problem.what);
    },
    async [READ_PACKAGE]({ payload, attempts }) {
      await readPackage(services, { id: numberIn(payload, 'package'), last: attempts >= MOST_ATTEMPTS });
      await acceptBegun(services, { package: numberIn(payload, 'package'), last: attempts >= MOST_ATTEMPTS });
    },
    [UNPACK]: ({ payload, by, attempts }) =>
      unpackPackage(services, { id: numberIn(payload, 'package'), by, last: attempts >= MOST_ATTEMPTS }),
    [ARRIVE]: ({ payload, by, attempts }) =>
      examineArrivals(services, {
        package: numberIn(payload, 'package'),
        pages: payload.pages as number[],
        by,
        last: attempts >= MOST_ATTEMPTS,
      }),
    [FOLLOW]: ({ payload, by }) =>
      followMove(services, { page: numberIn(payload, 'page'), by, from: String(payload.from), to: String(payload.to) }),
    [LOOK_INTO]: ({ payload }) => lookIntoAttachments(services, lookInto, { collection: numberIn(payload, 'collection') }),
    [LOOK_AT_IMAGES]: ({ payload }) => lookAtImages(services, lookAtImage, { collection: numberIn(payload, 'collection') }),
    [PUBLISH]: ({ payload, attempts }) =>
      runPublication(services, { publication: numberIn(payload, 'publication'), last: attempts >= MOST_ATTEMPTS }),
    async [LOOK_AT_HOST]({ payload }) {
      await lookAtHost(services, { collection: numberIn(payload, 'collection') });
    },
    async [SEE_PUBLIC]({ payload }) {
      await seePublic(services, THE_SYSTEM, { collection: numberIn(payload, 'collection') });
    },
    [LOOK_OUTSIDE]: () => lookAtOutside(services),
    [COUNT_USES]: ({ payload }) => countUsesAgain(services, { pages: payload.pages as number[] }),
    [SETTLE_ANSWER]: ({ payload }) => settleAnswer(services, { answer: numberIn(payload, 'answer') }),
    [STROKE]: ({ payload }) => makeStroke(services, { stroke: numberIn(payload, 'stroke'), pages: payload.pages as number[] }),
    [STROKE_BACK]: ({ payload }) => takeStrokeBackOn(services, { stroke: numberIn(payload, 'stroke'), pages: payload.pages as number[] }),
    async [DIGEST]() {
      await sendDigests(services, THE_SYSTEM, { site: process.env.INKWELL_ADDRESS ?? '' });
    },
    async [SEND_MAIL]() {
      if (send) await sendMail(services, THE_SYSTEM, { send });
    },
    async [FORGET]() {
      await forget(services, THE_SYSTEM);
    },
    async [NOTE_DAY]() {
      await noteDay(services, THE_SYSTEM);
    },
    async [CLEAR_OUT]() {
      await clearOut(services, THE_SYSTEM);
    },
    async [END_EXCEPTIONS]() {
      await endExceptions(services, THE_SYSTEM);
    },
  };
}

function numberIn(payload: Job['payload'], name: string): number {
  const value = lookup(payload, name);
  if (typeof value !== 'number') throw new Error(`A job names no ${name}: ${JSON.stringify(payload)}`);
  return value;
}
