import { writeFileSync } from 'node:fs';
import type { Reporter, TestCase, TestResult } from '@playwright/test/reporter';

/** Writes how many browser tests passed and failed, for the one line that sums everything up. A skipped test counts as failed. */
export default class CountReporter implements Reporter {
  private readonly last = new Map<string, boolean>();

  onTestEnd(test: TestCase, result: TestResult): void {
    this.last.set(test.id, result.status === 'passed');
  }

  onEnd(): void {
    const passed = [...this.last.values()].filter(Boolean).length;
    if (process.env.INKWELL_COUNTS) writeFileSync(process.env.INKWELL_COUNTS, `${passed} ${this.last.size - passed}\n`);
  }
}
