import { writeFileSync } from 'node:fs';
import type { Reporter, TestCase, TestResult } from '@playwright/test/reporter';

/**
 * Writes how many browser tests passed and failed, for the one line that sums everything up, and names those that needed a second try.
 * A skipped test counts as failed.
 */
export default class CountReporter implements Reporter {
  private readonly last = new Map<string, boolean>();
  private readonly unsteady: string[] = [];

  onTestEnd(test: TestCase, result: TestResult): void {
    this.last.set(test.id, result.status === 'passed');
    if (result.status === 'passed' && result.retry > 0) this.unsteady.push(test.title);
  }

  onEnd(): void {
    for (const title of this.unsteady) process.stdout.write(`Passed only at the second try: ${title}\n`);
    const passed = [...this.last.values()].filter(Boolean).length;
    if (process.env.INKWELL_COUNTS) writeFileSync(process.env.INKWELL_COUNTS, `${passed} ${this.last.size - passed}\n`);
  }
}
