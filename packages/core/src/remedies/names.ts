/** Every remedy's name: one file each in this folder. */
export const REMEDY_NAMES = [
  'absorb-words', 'add-caption', 'decorative', 'describe', 'fill', 'from-file-name', 'make-heading', 'make-list', 'remove', 'repair-outline', 'reword', 'same-window',
  'say-so', 'set-headers', 'set-language', 'set-level', 'set-title', 'trim-opening', 'unlink', 'use-target-title', 'wrap-list',
] as const;

export type RemedyName = (typeof REMEDY_NAMES)[number];
