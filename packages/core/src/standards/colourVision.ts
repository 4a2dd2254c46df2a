/**
 * Ways of seeing colour, as 3×3 matrices on linear RGB, row by row. The three of a missing cone are those of Machado, Oliveira and
 * Fernandes, "A Physiologically-based Model for Simulation of Color Vision Deficiency" (2009), at severity 1.0 (values from memory;
 * each row sums to 1, so greys stay grey). Without colour only relative luminance is left (WCAG 2.2).
 */
export const COLOUR_VISION = {
  'no-colour': [0.2126, 0.7152, 0.0722, 0.2126, 0.7152, 0.0722, 0.2126, 0.7152, 0.0722],
  'no-red': [0.152286, 1.052583, -0.204868, 0.114503, 0.786281, 0.099216, -0.003882, -0.048116, 1.051998],
  'no-green': [0.367322, 0.860646, -0.227968, 0.280085, 0.672501, 0.047413, -0.01182, 0.04294, 0.968881],
  'no-blue': [1.255528, -0.076749, -0.178779, -0.078411, 0.930809, 0.147602, 0.004733, 0.691367, 0.3039],
} as const satisfies Record<string, readonly number[]>;

export type ColourVision = keyof typeof COLOUR_VISION;
