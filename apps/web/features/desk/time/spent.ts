/** Something that took time at one finding, as the time log keeps it. */
export interface Spent {
  finding_id: number;
  what: 'shown' | 'first input' | 'applied' | 'skipped' | 'ruled';
  /** Since it was shown, pauses left out. */
  seconds: number;
}

/** Nobody works for so long without a sign: a longer pause is no work. */
const LONGEST_PAUSE_MS = 60_000;

/** Measures the time one finding is worked on: from when it is shown until it is left, pauses over a minute left out. */
export class Stopwatch {
  readonly spent: Spent[] = [];
  private finding: number | null = null;
  private worked = 0;
  private last = 0;
  private touched = false;

  constructor(private readonly now: () => number) {}

  /** A finding comes to hand; `left` is what became of the one before. */
  show(finding: number | null, left: 'applied' | 'skipped' | 'ruled' | null): void {
    if (finding === this.finding) return;
    if (this.finding !== null) {
      this.sign();
      if (left) this.tell(left);
    }
    this.finding = finding;
    this.worked = 0;
    this.touched = false;
    this.last = this.now();
    if (finding !== null) this.tell('shown');
  }

  /** A sign of life: a key, the pointer. */
  sign(): void {
    const now = this.now();
    if (now - this.last <= LONGEST_PAUSE_MS) this.worked += now - this.last;
    this.last = now;
  }

  /** Something was entered for the finding. */
  input(): void {
    this.sign();
    if (this.touched || this.finding === null) return;
    this.touched = true;
    this.tell('first input');
  }

  /** What was measured since the last time. */
  take(): Spent[] {
    return this.spent.splice(0);
  }

  private tell(what: Spent['what']): void {
    this.spent.push({ finding_id: this.finding!, what, seconds: Math.round(this.worked / 100) / 10 });
  }
}
