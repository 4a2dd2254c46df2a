import type { GateGroup } from '@inkwell/review';

/** In the order in which a page goes through them. */
export const GROUPS_IN_ORDER: readonly GateGroup[] = ['to sign', 'to publish', 'going out', 'published', 'lapsed', 'drifted', 'held'];
