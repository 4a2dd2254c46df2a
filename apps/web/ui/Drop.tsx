import type { Weight } from '@inkwell/core';

const OUTLINE = 'M16 1.5C16 1.5 4.5 14 4.5 20.2a11.5 9.3 0 0 0 23 0C27.5 14 16 1.5 16 1.5Z';
const HALF = 'M9.4 12C6.6 15.4 4.5 18.5 4.5 20.2a11.5 9.3 0 0 0 23 0C27.5 18.5 25.4 15.4 22.6 12Z';

/** The fuller the drop, the heavier the weight. It never stands without its word beside it, so it has no name of its own. */
export function Drop({ weight, size = 16, colour = 'var(--ink)' }: { weight: Weight; size?: number; colour?: string }) {
  return (
    <svg width={size} height={size} viewBox="0 0 32 31" aria-hidden="true" focusable="false">
      <path d={OUTLINE} fill={weight === 'must' ? colour : 'none'} stroke={colour} strokeWidth="2.6" />
      {weight === 'should' && <path d={HALF} fill={colour} />}
    </svg>
  );
}

export const WEIGHT_WORDS: Record<Weight, string> = { must: 'Must', should: 'Should', consider: 'Consider' };
