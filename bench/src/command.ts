import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';

export const INKWELL = fileURLToPath(new URL('../../bin/inkwell', import.meta.url));

/** Processor time of `bin/inkwell audit` on one page, JSON out, as a whole process: the least of some runs, in seconds. */
export function commandSeconds(html: string, runs: number): number {
  const folder = mkdtempSync(join(tmpdir(), 'inkwell-bench-'));
  const file = join(folder, 'page.html');
  writeFileSync(file, html);
  const all = Array.from({ length: runs }, () => {
    const shell = spawnSync('bash', ['-c', '"$0" audit --format json "$1" >/dev/null; times', INKWELL, file], { encoding: 'utf8' });
    return secondsIn(shell.stdout.trim().split('\n').at(-1)!);
  });
  rmSync(folder, { recursive: true });
  return Math.min(...all);
}

/** Reads what `times` says of a shell's children: "0m1.200s 0m0.080s", user and system. */
function secondsIn(line: string): number {
  const parts = [...line.matchAll(/(\d+)m([\d.]+)s/g)].map(([, minutes, seconds]) => Number(minutes) * 60 + Number(seconds));
  if (parts.length !== 2) throw new Error(`the shell told no times: ${line}`);
  return parts[0]! + parts[1]!;
}
