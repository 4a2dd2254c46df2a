import { spawn } from 'node:child_process';
import { mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { INKWELL } from './command.ts';
import { generatedPage } from './pages.ts';

/** Most memory that `bin/inkwell audit` holds for a folder of so many pages, JSON out, in MB: as the system counts it. */
export async function peakMegabytes(pages: number, bytesEach: number): Promise<number> {
  const folder = mkdtempSync(join(tmpdir(), 'inkwell-bench-'));
  const site = join(folder, 'site');
  mkdirSync(site);
  for (let i = 0; i < pages; i++) writeFileSync(join(site, `page-${i}.html`), generatedPage(bytesEach, i + 1));
  const child = spawn(process.execPath, [INKWELL, 'audit', '--format', 'json', site], { stdio: ['ignore', 'ignore', 'inherit'] });
  let peak = 0;
  const look = setInterval(() => (peak = Math.max(peak, residentPeak(child.pid!))), 100);
  await new Promise((resolve) => child.on('exit', resolve));
  clearInterval(look);
  rmSync(folder, { recursive: true });
  return peak;
}

/** The high-water mark of a process in MB (proc(5), VmHWM); 0 once it is gone. */
function residentPeak(pid: number): number {
  try {
    return Number(/^VmHWM:\s*(\d+) kB/m.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))?.[1] ?? 0) / 1024;
  } catch {
    return 0;
  }
}
