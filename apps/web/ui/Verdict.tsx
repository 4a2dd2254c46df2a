'use client';
import type { Verdict } from '@inkwell/core';
import type { Desk } from '@inkwell/review';
import styled from 'styled-components';

type Release = Desk['release'];

export const VERDICT_WORDS: Record<Verdict, string> = { held: 'Held', judge: 'To judge', ready: 'Ready' };
/** A draft has no word of its own: nothing has been done with it yet. */
export const RELEASE_WORDS: Record<Release, string> = { draft: '', 'signed off': 'Signed off', published: 'Published', lapsed: 'Lapsed' };

/** Whether a sign-off is in force. */
export const isSigned = (release: Release): boolean => release === 'signed off' || release === 'published';

const Word = styled.strong`
  font: 600 1.125rem/1.3 var(--serif);
  white-space: nowrap;
`;
/** The verdict as a word; its weight of line, not a light, sets Held apart. */
const Said = styled(Word)<{ $verdict: Verdict }>`
  color: ${({ $verdict }) => ($verdict === 'held' ? 'var(--rubric)' : $verdict === 'judge' ? 'var(--ink)' : 'var(--gall)')};
  border-bottom: ${({ $verdict }) => ($verdict === 'held' ? '2px solid' : $verdict === 'judge' ? '2px dotted' : '1px solid')} currentColor;
`;
const Done = styled(Word)<{ $lapsed: boolean }>`
  color: ${({ $lapsed }) => ($lapsed ? 'var(--rubric)' : 'var(--gall)')};
  border-bottom: ${({ $lapsed }) => ($lapsed ? '2px solid' : '4px double')} currentColor;
`;

export function VerdictWord({ verdict }: { verdict: Verdict }) {
  return <Said $verdict={verdict}>{VERDICT_WORDS[verdict]}</Said>;
}

/** What became of the page beside its verdict; nothing while it is a draft. */
export function ReleaseWord({ release }: { release: Release }) {
  return release === 'draft' ? null : <Done $lapsed={release === 'lapsed'}>{RELEASE_WORDS[release]}</Done>;
}
