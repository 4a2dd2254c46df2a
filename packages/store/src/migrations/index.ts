import type { Migration } from 'kysely';
import * as firstTables from './001-first-tables.ts';
import * as askedFindings from './002-asked-findings.ts';
import * as waivers from './003-waivers.ts';
import * as solidGround from './004-solid-ground.ts';
import * as packages from './005-packages.ts';
import * as versions from './006-versions.ts';
import * as slips from './007-slips.ts';
import * as steps from './008-steps.ts';
import * as attachments from './009-attachments.ts';
import * as cleaning from './010-cleaning.ts';
import * as fetching from './011-fetching.ts';
import * as parts from './012-parts.ts';
import * as makeUp from './013-make-up.ts';
import * as days from './014-days.ts';
import * as lighterFindings from './015-lighter-findings.ts';
import * as ownKeys from './016-own-keys.ts';
import * as pagesTakenOut from './017-pages-taken-out.ts';
import * as registers from './018-registers.ts';
import * as outsideAddresses from './019-outside-addresses.ts';
import * as packageSamples from './020-package-samples.ts';
import * as signIn from './021-sign-in.ts';
import * as docket from './022-docket.ts';
import * as answers from './023-answers.ts';
import * as live from './024-live.ts';
import * as learning from './025-learning.ts';
import * as remarks from './026-remarks.ts';
import * as doors from './027-doors.ts';
import * as tokens from './028-tokens.ts';
import * as gate from './029-gate.ts';
import * as hostFiles from './030-host-files.ts';
import * as signaturesEnd from './031-signatures-end.ts';
import * as messageSecrets from './032-message-secrets.ts';

/** In order, forward only. Imported, not read from a folder, so that they survive bundling. */
export const MIGRATIONS: Record<string, Migration> = {
  '001-first-tables': firstTables,
  '002-asked-findings': askedFindings,
  '003-waivers': waivers,
  '004-solid-ground': solidGround,
  '005-packages': packages,
  '006-versions': versions,
  '007-slips': slips,
  '008-steps': steps,
  '009-attachments': attachments,
  '010-cleaning': cleaning,
  '011-fetching': fetching,
  '012-parts': parts,
  '013-make-up': makeUp,
  '014-days': days,
  '015-lighter-findings': lighterFindings,
  '016-own-keys': ownKeys,
  '017-pages-taken-out': pagesTakenOut,
  '018-registers': registers,
  '019-outside-addresses': outsideAddresses,
  '020-package-samples': packageSamples,
  '021-sign-in': signIn,
  '022-docket': docket,
  '023-answers': answers,
  '024-live': live,
  '025-learning': learning,
  '026-remarks': remarks,
  '027-doors': doors,
  '028-tokens': tokens,
  '029-gate': gate,
  '030-host-files': hostFiles,
  '031-signatures-end': signaturesEnd,
  '032-message-secrets': messageSecrets,
};
