import { lookup } from '@inkwell/core';
import { setFlagsFromString } from 'node:v8';
import { isMainThread } from 'node:worker_threads';
import { auditCommand } from './audit.ts';
import { checkCommand } from './check.ts';
import { compareCommand } from './compare.ts';
import { CallError } from './call.ts';
import { fillCommand } from './fill.ts';
import { fixCommand } from './fix.ts';
import { HELP } from './help.ts';
import { inspectCommand } from './inspect.ts';
import { renameCommand } from './rename.ts';
import { rulesCommand } from './rules.ts';
import { serveTasks } from './pool.ts';

const COMMANDS: Record<string, (args: string[]) => Promise<number>> = {
  audit: auditCommand,
  inspect: inspectCommand,
  fix: fixCommand,
  rename: renameCommand,
  fill: fillCommand,
  check: checkCommand,
  compare: compareCommand,
  rules: rulesCommand,
};

/** Exit codes: 0 done and nothing holds publication, 1 done and something does, 2 the call or an input was wrong. */
async function main(args: string[]): Promise<number> {
  const [name, ...rest] = args;
  if (name === undefined || name === 'help' || name === '--help' || name === '-h') {
    process.stdout.write(HELP.all!);
    return name === undefined ? 2 : 0;
  }
  const command = Object.hasOwn(COMMANDS, name) ? lookup(COMMANDS, name) : undefined;
  if (!command) throw new CallError(`there is no command "${name}"; the commands are ${Object.keys(COMMANDS).join(', ')}`);
  if (rest.includes('--help') || rest.includes('-h')) {
    process.stdout.write(lookup(HELP, name)!);
    return 0;
  }
  return command(rest);
}

if (isMainThread) {
  // A folder of thousands of pages is audited in threads of one process: none is to let its garbage lie for long.
  setFlagsFromString('--heap-growing-percent=40');
  // A reader that closes early (head, less) is no error of ours.
  process.stdout.on('error', (error: NodeJS.ErrnoException) => process.exit(error.code === 'EPIPE' ? 0 : 2));
  main(process.argv.slice(2)).then(
    (code) => (process.exitCode = code),
    (error: unknown) => {
      process.stderr.write(
        `inkwell: ${error instanceof CallError ? error.message : `something went wrong: ${error instanceof Error ? error.message : String(error)}`}\n`,
      );
      process.exitCode = 2;
    },
  );
} else serveTasks();
