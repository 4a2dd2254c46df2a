import { writeFileSync } from 'node:fs';
import { basename } from 'node:path';
import type { Reporter, TestCase, TestResult } from '@playwright/test/reporter';

/**
 * Writes how many browser tests passed and failed, for the one line that sums everything up, names those that needed a second try, and
 * tells how long each file took, the longest first.
 * A skipped test counts as failed.
 */
export default class CountReporter implements Reporter {
  private readonly last = new Map<string, boolean>();
  private readonly unsteady: string[] = [];
  private readonly seconds = new Map<string, number>();

  onTestEnd(test: TestCase, result: TestResult): void {
    const file = basename(test.location.file, '.spec.ts');
    this.seconds.set(file, (this.seconds.get(file) ?? 0) + result.duration / 1_000);
    this.last.set(test.id, result.status === 'passed');
    if (result.status === 'passed' && result.retry > 0) this.unsteady.push(test.title);
  }

  onEnd(): void {
    for (const title of this.unsteady) process.stdout.write(`Passed only at the second try: ${title}\n`);
    const longest = [...this.seconds].sort(([, one], [, other]) => other - one);
    process.stdout.write(`Seconds by file: ${longest.map(([file, seconds]) => `${file} ${seconds.toFixed(0)}`).join(', ')}\n`);
    const passed = [...this.last.values()].filter(Boolean).length;
    if (process.env.INKWELL_COUNTS) writeFileSync(process.env.INKWELL_COUNTS, `${passed} ${this.last.size - passed}\n`);
  }
}
