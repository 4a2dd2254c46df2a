import { applyChange, changeOf, composeChanges, invertChange, mapChange, type Change, type Edit } from '../source/edits.ts';
import { difference } from './difference.ts';

/** One change made to a text: its edits, and the text that came of it. */
export interface Step {
  edits: readonly Edit[];
  after: string;
}

export interface Carried {
  text: string;
  /** How many of the steps are in it. */
  many: number;
}

/**
 * Makes again, on a newer version of a text, the changes that were made to the older one. A step comes whole or not at all: what touches
 * the very place where the newer version differs is left out, and with it whatever was built on that.
 *
 * @param base the older version as it came
 * @param steps what was made of it since, in order
 * @param fresh the newer version as it came
 */
export function carryOver(base: string, steps: readonly Step[], fresh: string): Carried {
  let [own, text, many] = [base, fresh, 0];
  let onto = difference(base, fresh);
  for (const { edits, after } of steps) {
    const step = changeOf(own, edits);
    if (!step.ok) return { text, many };
    const next = madeOn(step.value, onto, { text, after });
    if (next) {
      [text, onto] = [next.text, next.onto];
      many += step.value.edits.length > 0 ? 1 : 0;
    } else {
      const back = composeChanges(after, invertChange(own, step.value), onto);
      if (!back.ok) return { text, many };
      onto = back.value;
    }
    own = after;
  }
  return { text, many };
}

/** A step on the newer text, and what then leads from the older text to it; null where the two meet. */
function madeOn(step: Change, onto: Change, { text, after }: { text: string; after: string }) {
  if (meet(step, onto)) return null;
  const mapped = mapChange(step, onto, text);
  const next = mapped && applyChange(text, mapped);
  const led = next?.ok ? mapChange(onto, step, after) : null;
  if (!next?.ok || !led) return null;
  const same = applyChange(after, led);
  return same.ok && same.value === next.value ? { text: next.value, onto: led } : null;
}

/** Whether two changes of one text speak of the same place: what both put in at one point has no order of its own. */
function meet(a: Change, b: Change): boolean {
  return a.edits.some((one) => b.edits.some((other) => one.start <= other.end && other.start <= one.end && touching(one, other)));
}

function touching(one: Edit, other: Edit): boolean {
  const overlap = one.start < other.end && other.start < one.end;
  return overlap || (one.start === one.end && one.start === other.start) || (other.start === other.end && one.start === other.start);
}
