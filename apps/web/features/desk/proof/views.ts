import type { ColourVision } from '@inkwell/core';

/**
 * How the proof is looked at: as wide as its pane or as one of three windows, at usual or doubled text, through which eyes, with images or
 * their words.
 */
export interface ProofView {
  width: 'pane' | '1280' | '768' | '320';
  text: '100' | '200';
  eyes: 'all' | ColourVision;
  images: 'shown' | 'words';
}

export const USUAL_VIEW: ProofView = { width: 'pane', text: '100', eyes: 'all', images: 'shown' };

export const WIDTHS = [
  { value: 'pane', label: 'Pane' },
  { value: '1280', label: 'Desktop' },
  { value: '768', label: 'Tablet' },
  { value: '320', label: 'Phone' },
] as const;

export const EYES = [
  { value: 'all', label: 'all colours' },
  { value: 'no-colour', label: 'achromatopsia (no colour)' },
  { value: 'no-red', label: 'protanopia (no red)' },
  { value: 'no-green', label: 'deuteranopia (no green)' },
  { value: 'no-blue', label: 'tritanopia (no blue)' },
] as const;

const CHOICES: { [K in keyof ProofView]: readonly string[] } = {
  width: WIDTHS.map((one) => one.value),
  text: ['100', '200'],
  eyes: EYES.map((one) => one.value),
  images: ['shown', 'words'],
};
const KEYS = Object.keys(CHOICES) as (keyof ProofView)[];

/** The view an address asks for; what it does not know is as usual. */
export function viewFrom(search: { get(name: string): string | null }): ProofView {
  return Object.fromEntries(
    KEYS.map((key) => [key, CHOICES[key].includes(search.get(key) ?? '') ? search.get(key) : USUAL_VIEW[key]]),
  ) as unknown as ProofView;
}

/** Writes into an address what is not as usual. */
export function writeView(view: ProofView, search: URLSearchParams): void {
  for (const key of KEYS) if (view[key] !== USUAL_VIEW[key]) search.set(key, view[key]);
}
