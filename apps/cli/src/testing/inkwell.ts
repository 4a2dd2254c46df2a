import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

const INKWELL = join(__dirname, '../../../../bin/inkwell');

export interface Answer {
  status: number | null;
  out: string;
  error: string;
}

/** A folder of its own with `bin/inkwell` to call in it, as a user would. */
export function inkwellFolder() {
  const folder = mkdtempSync(join(tmpdir(), 'inkwell-cli-'));
  return {
    folder,
    file(name: string, content: string | Buffer): void {
      writeFileSync(join(folder, name), content);
    },
    call(args: string[], input?: string): Answer {
      const { status, stdout, stderr } = spawnSync(process.execPath, [INKWELL, ...args], {
        encoding: 'utf8',
        cwd: folder,
        ...(input === undefined ? {} : { input }),
      });
      return { status, out: stdout, error: stderr };
    },
    remove(): void {
      rmSync(folder, { recursive: true });
    },
  };
}
