/** What stood open at the end of a day. */
export interface OpenOn {
  /** YYYY-MM-DD. */
  day: string;
  open: number;
}

export interface Forecast {
  /** How many fewer each day; below 0: more. */
  perDay: number;
  /** The day on which nothing is open any more at that pace, and at the paces of the quicker and slower days. Null: never at that pace. */
  done: string | null;
  soonest: string | null;
  latest: string | null;
  /** Days it was told from. */
  days: number;
}

const DAY_MS = 86_400_000;
/** The latest days that count. */
const LOOKED_BACK = 28;
/** Fewer days tell no pace. */
const FEWEST = 3;
/** Further ahead nothing is told. */
const FURTHEST = 3_650;

/**
 * When nothing will be open any more, from the pace of the last four weeks: the median of the slopes between any two days (the Theil–Sen
 * estimator; Theil 1950, Sen 1968), which a single day of much or little work does not bend. Its spread are the slopes of which a tenth
 * are quicker, and a tenth slower. Null where too few days are known, or nothing is open.
 */
export function forecast(days: readonly OpenOn[]): Forecast | null {
  const last = days.slice(-LOOKED_BACK);
  const now = last.at(-1);
  if (last.length < FEWEST || !now || now.open === 0) return null;
  const slopes: number[] = [];
  for (const [nth, one] of last.entries())
    for (const other of last.slice(nth + 1)) {
      const apart = (Date.parse(other.day) - Date.parse(one.day)) / DAY_MS;
      if (apart > 0) slopes.push((one.open - other.open) / apart);
    }
  slopes.sort((a, b) => a - b);
  const at = (part: number) => slopes[Math.min(slopes.length - 1, Math.floor(part * slopes.length))]!;
  const median = slopes.length % 2 === 1 ? at(0.5) : (at(0.5) + slopes[slopes.length / 2 - 1]!) / 2;
  const dayAt = (pace: number) => {
    const left = Math.ceil(now.open / pace);
    return pace > 0 && left <= FURTHEST ? new Date(Date.parse(now.day) + left * DAY_MS).toISOString().slice(0, 10) : null;
  };
  return { perDay: median, done: dayAt(median), soonest: dayAt(at(0.9)), latest: dayAt(at(0.1)), days: last.length };
}
