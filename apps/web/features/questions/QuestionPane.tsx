'use client';
import type { AnswerReach, QuestionView } from '@inkwell/review';
import type { Answer } from '@inkwell/store';
import { Link } from '@/ui/Link';
import { useEffect, useRef, type RefObject } from 'react';
import styled from 'styled-components';
import { Button } from '@/ui/Button';
import { Choice, TextBox } from '@/ui/Field';
import { Row } from '@/ui/Panel';
import { When } from '@/ui/When';
import { counted } from '@/ui/words';
import type { ReachChoice } from './reach';

const Pane = styled.section`
  display: grid;
  align-content: start;
  gap: 0.7rem;
  padding: 0.9rem 1rem 1rem;
  background: var(--sheet);
  border: 1px solid var(--line);
  overflow: auto;
  h2 {
    font-size: 1.25rem;
    line-height: 1.3;
    overflow-wrap: anywhere;
  }
  h2:focus {
    outline: none;
  }
`;
const Kind = styled.p`
  font-size: 0.875rem;
  color: var(--quiet);
`;
const Sentence = styled.p`
  overflow-wrap: anywhere;
`;
const Answers = styled.div`
  display: grid;
  gap: 0.4rem;
  button {
    justify-content: flex-start;
    min-height: 2.5rem;
    font-size: 0.9375rem;
    text-align: left;
  }
  kbd {
    min-width: 1.5rem;
    margin-left: auto;
    text-align: center;
    font: 600 0.8125rem/1.4 var(--mono);
    border: 1px solid currentColor;
    border-radius: var(--round);
  }
`;
const Reaches = styled.div`
  [role='radiogroup'] {
    display: grid;
    grid-template-columns: minmax(0, 1fr);
    gap: 0;
  }
  .choice {
    margin: 0 0 -1px;
  }
`;
const Where = styled.details`
  font-size: 0.875rem;
  summary {
    min-height: 1.75rem;
    cursor: pointer;
  }
  li {
    padding: 0.15rem 0;
  }
`;
const Said = styled.ul`
  font-size: 0.875rem;
  > li {
    padding: 0.3rem 0;
    border-top: 1px solid var(--line);
  }
`;

interface PaneProps {
  question: QuestionView;
  reaches: readonly ReachChoice[];
  reach: AnswerReach;
  reason: string;
  /** The image's description as it is being written; null while it is not. */
  words: string | null;
  heading: RefObject<HTMLHeadingElement | null>;
  keyOf(usual: string): string | null;
  onReach(reach: AnswerReach): void;
  onReason(reason: string): void;
  onGive(answer: Answer): void;
  onWords(words: string | null): void;
  onDescribe(): void;
  onPass(): void;
}

/** A question in words: what is asked, its answers, how far they reach, and what was said of it. */
export function QuestionPane(props: PaneProps) {
  const { question, reaches, reach, reason, words, heading, keyOf, onReach, onReason, onWords, onDescribe, onGive, onPass } = props;
  const { place } = question;
  const answers: readonly [Answer, string, string][] = [
    ['stands', question.yes, 'y'],
    ['no problem', question.no, 'x'],
    ['not sure', 'Not sure: ask a specialist', 'z'],
  ];
  return (
    <Pane aria-labelledby="question-heading">
      <Kind>{`${question.title} · ${place.collectionTitle}`}</Kind>
      <h2 id="question-heading" tabIndex={-1} ref={heading}>
        {question.ask}
      </h2>
      <Sentence>{question.sentence}</Sentence>
      {question.said.length > 0 && (
        <Said aria-label="What was said of it">
          {question.said.map(({ id, by, answer, reason: why, at }) => (
            <li key={id}>
              {`${by}: ${answer}${why ? `. ${why}` : ''} `}
              <When at={at} />
            </li>
          ))}
        </Said>
      )}
      <Answers>
        {answers.map(([answer, said, usual]) => (
          <Button key={answer} onPress={() => onGive(answer)}>
            {said}
            <Key of={keyOf(usual)} />
          </Button>
        ))}
        {question.alternative !== null && words === null && (
          <Button onPress={() => onWords(question.alternative)}>
            Describe it again
            <Key of={keyOf('d')} />
          </Button>
        )}
        {words !== null && <Describe words={words} onWords={onWords} onDescribe={onDescribe} />}
        <Button $look="quiet" onPress={onPass}>
          Next, without an answer
          <Key of={keyOf('n')} />
        </Button>
      </Answers>
      <Reaches>
        <Choice
          label={`The answer holds${keyOf('w') === null ? '' : ` (${keyOf('w')} changes it)`}`}
          value={reach}
          onChange={(value) => onReach(value as AnswerReach)}
          options={reaches}
        />
      </Reaches>
      <TextBox label="Why, for others to read (may be left out)" value={reason} onChange={onReason} />
      <WhereAsked question={question} />
      <Kind>{question.why}</Kind>
    </Pane>
  );
}

/** The description is written here, and goes to every place that asks. */
function Describe({ words, onWords, onDescribe }: { words: string; onWords(words: string | null): void; onDescribe(): void }) {
  const form = useRef<HTMLFormElement>(null);
  useEffect(() => form.current?.querySelector('textarea')?.select(), []);
  return (
    <form
      ref={form}
      onSubmit={(event) => {
        event.preventDefault();
        onDescribe();
      }}
      onKeyDown={(event) => {
        if (event.key === 'Escape') onWords(null);
        if (event.key !== 'Enter' || event.shiftKey || !(event.target instanceof HTMLTextAreaElement)) return;
        event.preventDefault();
        onDescribe();
      }}
    >
      <TextBox label="What a reader would look at" value={words} onChange={onWords} passage />
      <Row>
        <Button type="submit" $look="main">
          Describe it
        </Button>
        <Button onPress={() => onWords(null)}>Leave it</Button>
      </Row>
    </form>
  );
}

const Key = ({ of }: { of: string | null }) => (of === null ? null : <kbd aria-hidden="true">{of}</kbd>);

/** The pages that ask a question, each leading to the Desk. */
function WhereAsked({ question: { asking, finding, pages, many, holding, place } }: { question: QuestionView }) {
  const waits = holding > 0 ? ` ${counted(holding, 'page waits', 'pages wait')} for nothing else.` : '';
  return (
    <Where>
      <summary>{`Asked ${many === 1 ? 'once' : `${many} times`} on ${counted(pages, 'page', 'pages')}.${waits}`}</summary>
      <ul>
        <li>
          <Link href={`/collections/${place.collection}/${place.slug}?note=${finding}`}>{`Open ${place.title} on the Desk`}</Link>
        </li>
        {asking.flatMap(({ collection, title, first, pages: there }) => [
          ...first
            .filter(({ slug }) => slug !== place.slug || collection !== place.collection)
            .map((page) => (
              <li key={`${collection}/${page.slug}`}>
                <Link href={`/collections/${collection}/${page.slug}`}>{page.title}</Link>
                {collection === place.collection ? '' : `, ${title}`}
              </li>
            )),
          ...(there > first.length ? [<li key={`${collection} more`}>{`and ${there - first.length} more in ${title}`}</li>] : []),
        ])}
      </ul>
    </Where>
  );
}
