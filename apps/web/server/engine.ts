import 'server-only';
import { existsSync } from 'node:fs';
import { join } from 'node:path';
import Piscina from 'piscina';
import { HERE, type Engine } from '@inkwell/review';
import { once } from './once';
import { log } from './log';

/** Made beside the application's own build: the engine as one file for a thread. */
const FILE = join(process.cwd(), '.next', 'engine-thread.mjs');

/** The engine in threads of its own: answering others never waits for an audit. */
export function engine(): Promise<Engine> {
  return once('engine', () => Promise.resolve(start()));
}

function start(): Engine {
  if (!existsSync(FILE)) {
    log.warn({ file: FILE }, 'the engine has no thread of its own: pages are examined in the server’s; bin/demo makes it');
    return HERE;
  }
  const pool = new Piscina({ filename: FILE, minThreads: 1, maxThreads: 2, idleTimeout: 60_000 });
  return { run: (name, wish) => pool.run({ name, wish }) as ReturnType<Engine['run']> as never };
}
