/**
 * Tells observers of the browser's timeline how long something took, up to now; nothing is kept of it. `from`: as `performance.now()` gave
 * it.
 */
export function measured(name: 'keystroke to notes' | 'answer in the worker', from: number): void {
  performance.measure(`inkwell: ${name}`, { start: from });
  performance.clearMeasures(`inkwell: ${name}`);
}
