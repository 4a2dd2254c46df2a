'use client';
import type { Note } from '@inkwell/review';
import { Link } from '@/ui/Link';
import styled from 'styled-components';
import { Button } from '@/ui/Button';
import { When } from '@/ui/When';

const Group = styled.div`
  margin-top: 0.6rem;
  padding: 0.6rem 0.75rem;
  border: 1px dashed var(--edge);
  p {
    font-weight: 600;
  }
  p + p {
    font-weight: 400;
    font-size: 0.875rem;
  }
  > div {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 0.5rem;
    margin-top: 0.5rem;
  }
`;

export interface RulingProps {
  note: Note;
  disabled: boolean;
  onAnswer(answer: 'stands' | 'no problem' | 'not sure'): void;
  onTakeBack(): void;
}

/** The question of a note that only a person can settle, or the answer it has, with who gave it. */
export function Ruling({ note, disabled, onAnswer, onTakeBack }: RulingProps) {
  const { question } = note;
  if (note.outcome !== 'cantTell' || !question) return null;
  const given = note.ruling && note.ruled !== null ? note.ruling : null;
  const words = { stands: question.yes, 'no problem': question.no, 'not sure': 'Not sure' };
  return (
    <Group role="group" aria-label="Question">
      <p>{question.ask}</p>
      {given && (
        <p>
          {`${words[given.answer]}, says ${given.by}, `}
          <When at={given.at} />.
          {given.answer === 'not sure' && ` It waits for ${note.waitsFor ? `a ${note.waitsFor}` : 'somebody who knows'}.`}
        </p>
      )}
      {given?.answer !== 'stands' && (
        <div>
          <Button isDisabled={disabled} onPress={() => onAnswer('stands')}>
            {question.yes}
          </Button>
          <Button isDisabled={disabled} onPress={() => onAnswer('no problem')}>
            {question.no}
          </Button>
          {!given && (
            <Button isDisabled={disabled} onPress={() => onAnswer('not sure')}>
              Not sure
            </Button>
          )}
          {!given && <Link href={`/questions?first=${note.id}`}>Answer it wherever it is asked</Link>}
        </div>
      )}
      {given && (
        <div>
          <Button $look="quiet" isDisabled={disabled} onPress={onTakeBack}>
            Take the answer back
          </Button>
        </div>
      )}
    </Group>
  );
}
