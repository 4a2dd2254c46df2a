'use client';
import { lookup, type DoorAnswers, type DoorQuestion } from '@inkwell/core';
import type { CleanedView } from '@inkwell/review';
import { useEffect, useState } from 'react';
import styled from 'styled-components';
import { Pick } from '@/ui/Field';
import { Lines } from '@/ui/Panel';

const Sides = styled.div`
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(22rem, 100%), 1fr));
  gap: 0.75rem;
  margin-top: 0.75rem;
  h3 {
    font-size: 1rem;
    margin-bottom: 0.25rem;
  }
`;
const Sheet = styled.iframe`
  width: 100%;
  height: min(24rem, 50vh);
  border: 1px solid var(--line);
  background: #fff;
`;
const Reason = styled.p`
  display: grid;
  place-items: center;
  height: min(24rem, 50vh);
  padding: 1rem;
  border: 1px dashed var(--edge);
  background: var(--sheet);
`;
/** Imported pages are hostile: nothing of them may run or be fetched. */
const framed = (html: string) =>
  `<meta http-equiv="Content-Security-Policy" content="default-src 'none'; style-src 'unsafe-inline'; img-src data:">${html}`;

/** What was answered before, and else what the engine is sure of. Other questions are answered anew. */
export function useAnswers(questions: readonly DoorQuestion[], kept: DoorAnswers) {
  const first = () =>
    Object.fromEntries(
      questions.flatMap(({ key, proposed }) => {
        const known = lookup(kept, key) ?? proposed;
        return known ? [[key, known]] : [];
      }),
    );
  const [answers, setAnswers] = useState<DoorAnswers>(first);
  const asked = questions.map(({ key }) => key).join(' ');
  useEffect(() => {
    setAnswers((now) =>
      questions.every(({ key, proposed }) => Object.hasOwn(now, key) || proposed === null) ? now : { ...first(), ...now },
    );
    // Questions are the same as long as their keys are.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [asked]);
  return {
    answers,
    answer: (key: string, value: string) => setAnswers((now) => ({ ...now, [key]: value })),
    missing: questions.filter(({ key }) => !lookup(answers, key)).length,
  };
}

interface QuestionsProps {
  questions: readonly DoorQuestion[];
  answers: DoorAnswers;
  onAnswer(key: string, value: string): void;
}

/** What is asked before anything is stripped: bold lines, typed lists, colours that may say something. */
export function Questions({ questions, answers, onAnswer }: QuestionsProps) {
  if (questions.length === 0) return null;
  return (
    <Lines as="ol" aria-label="Asked before anything is stripped">
      {questions.map(({ key, sentence, options }) => (
        <li key={key}>
          <span>{sentence}</span>
          <Pick
            label="It is"
            value={lookup(answers, key) ?? ''}
            onChange={(value) => onAnswer(key, value)}
            options={[...(lookup(answers, key) ? [] : [{ value: '', label: 'choose…' }]), ...options]}
          />
        </li>
      ))}
    </Lines>
  );
}

/** A page as it came and as it would be cleaned, side by side; or why it is not. */
export function BothSides({ html, cleaned }: { html: string; cleaned: CleanedView }) {
  return (
    <Sides>
      <div>
        <h3>As it came</h3>
        <Sheet sandbox="" title="The page as it came" srcDoc={framed(html)} />
      </div>
      <div>
        <h3>Cleaned</h3>
        {cleaned.ok ? (
          <Sheet sandbox="" title="The page as it would be cleaned" srcDoc={framed(cleaned.html)} />
        ) : (
          <Reason>{cleaned.reason}</Reason>
        )}
      </div>
    </Sides>
  );
}
