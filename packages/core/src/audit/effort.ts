/**
 * Minutes one open finding takes, on average. Common practice: 1,000 images to rename, describe and redirect are about 40 hours,
 * so 2.4 minutes each. No better figure is known for the other families yet; a house's own measured times will replace it.
 */
export const MINUTES_EACH = 2.4;

/** Estimated hours for so many findings, to the nearest tenth; never zero while something is left. */
export function hoursFor(findings: number): number {
  if (findings === 0) return 0;
  return Math.max(0.1, Math.round((findings * MINUTES_EACH) / 6) / 10);
}
