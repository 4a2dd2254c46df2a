import type { CriterionResult } from './outcomes.ts';

export const OUTCOME_WORDS = {
  passed: 'Passed',
  failed: 'Failed',
  'cannot tell': 'Cannot tell',
  'not present': 'Not present',
  'not looked at': 'Not looked at',
} as const;

/** What the outcome of a criterion rests on, in a sentence. */
export function evidenceOf({ basis, outcome, rules, judged, counts }: CriterionResult): string {
  switch (basis) {
    case 'nobody':
      return 'Neither the audit nor a person looked at it.';
    case 'content':
      return 'The pages hold nothing it speaks of.';
    case 'person':
      return `${judged!.by}, ${judged!.at}: ${judged!.words}`;
    case 'audit':
      return outcome === 'failed' ? failures(counts) : foundNothing(outcome, rules, counts);
  }
}

function failures({ failed, excepted, elsewhere, pages }: CriterionResult['counts']): string {
  const parts = [
    failed > 0 && `${failed} open`,
    excepted > 0 && `${excepted} let stand for now`,
    elsewhere > 0 && `${elsewhere} for the theme or the host`,
  ];
  return `${parts.filter(Boolean).join(', ')}, on ${pages === 1 ? '1 page' : `${pages} pages`}.`;
}

function foundNothing(outcome: CriterionResult['outcome'], rules: number, { open, answered }: CriterionResult['counts']): string {
  if (open > 0) return open === 1 ? '1 question waits for an answer.' : `${open} questions wait for an answer.`;
  const by = rules === 1 ? '1 rule' : `${rules} rules`;
  if (outcome === 'cannot tell')
    return `${by} found nothing, and ${rules === 1 ? 'sees' : 'see'} a part of it. Nobody has judged the whole.`;
  const people = answered === 0 ? '' : `; people answered ${answered === 1 ? '1 question' : `${answered} questions`}`;
  return `${by} found nothing${people}.`;
}
