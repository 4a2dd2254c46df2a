import { OUTCOME_WORDS, type CriterionOutcome } from '@inkwell/core';

/** In the order in which a reader wants them. */
const IN_ORDER: readonly CriterionOutcome[] = ['failed', 'cannot tell', 'not looked at', 'passed', 'not present'];

export const OUTCOMES = IN_ORDER.map((outcome) => ({ outcome, label: OUTCOME_WORDS[outcome] }));
