import { COLOUR_VISION, type ColourVision } from '@inkwell/core';

/** Filters that show the proof through other eyes. SVG filters reckon in linear light unless told otherwise, as the matrices ask. */
export function ColourFilters() {
  return (
    <svg aria-hidden="true" width="0" height="0" style={{ position: 'absolute' }}>
      {(Object.keys(COLOUR_VISION) as ColourVision[]).map((name) => (
        <filter key={name} id={`eyes-${name}`}>
          <feColorMatrix type="matrix" values={matrixOf(COLOUR_VISION[name])} />
        </filter>
      ))}
    </svg>
  );
}

/** Three rows of three become four of five: no part of alpha, no offset. */
function matrixOf(rows: readonly number[]): string {
  return [0, 3, 6]
    .map((at) => `${rows.slice(at, at + 3).join(' ')} 0 0`)
    .concat('0 0 0 1 0')
    .join(' ');
}
