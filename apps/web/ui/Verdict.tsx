'use client';
import type { PageStanding } from '@inkwell/review';
import styled from 'styled-components';

export const STANDING_WORDS: Record<PageStanding, string> = { held: 'Held', judge: 'Judge', ready: 'Ready', 'signed off': 'Signed off', lapsed: 'Lapsed' };

/** The page's verdict as a word; its weight of line, not a light, sets Held apart. */
export const Verdict = styled.strong<{ $standing: PageStanding }>`
  font: 600 1.125rem/1.3 var(--serif);
  color: ${({ $standing }) => ($standing === 'held' || $standing === 'lapsed' ? 'var(--rubric)' : $standing === 'judge' ? 'var(--ink)' : 'var(--gall)')};
  white-space: nowrap;
  border-bottom: ${({ $standing }) => ($standing === 'held' || $standing === 'lapsed' ? '2px solid' : $standing === 'judge' ? '2px dotted' : $standing === 'signed off' ? '4px double' : '1px solid')} currentColor;
`;

export function VerdictWord({ standing }: { standing: PageStanding }) {
  return <Verdict $standing={standing}>{STANDING_WORDS[standing]}</Verdict>;
}
