/** Every remedy's name: one file each in this folder. */
export const REMEDY_NAMES = [
  'absorb-words', 'add-anchor', 'add-caption', 'add-controls', 'add-legend', 'add-transcript-link', 'add-words', 'allow-zoom', 'associate', 'caption-from-row', 'change-ground', 'clean', 'clear', 'clear-align', 'clear-size', 'close-up', 'decorative', 'describe', 'fill', 'flatten',
  'from-file-name', 'house-colour', 'insert-heading', 'join', 'keep-as-presentation', 'label', 'make-heading', 'make-list', 'make-paragraph', 'make-paragraphs', 'make-table', 'mean-it', 'move-into-item', 'move-to-text', 'name', 'nearest-passing', 'point-to-text', 'remove',
  'remove-title', 'rename', 'rename-anchor', 'rename-id', 'repair-outline', 'reword', 'same-window', 'say-so', 'sentence-case', 'set-headers', 'set-language', 'set-level', 'set-scope', 'set-target', 'set-title', 'shorten', 'stop', 'strip-marker', 'strip-marks', 'title-to-alt',
  'trim-opening', 'underline', 'unify', 'unlink', 'unwrap', 'use-target-title', 'wrap-list', 'wrap-with-name',
] as const;

export type RemedyName = (typeof REMEDY_NAMES)[number];
