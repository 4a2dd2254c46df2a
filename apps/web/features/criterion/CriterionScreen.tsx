'use client';
import type { Criterion, Rule } from '@inkwell/core';
import styled from 'styled-components';
import { Drop, WEIGHT_WORDS } from '@/ui/Drop';
import { Main } from '@/ui/Shell';

const Asks = styled.p`
  font: 400 1.25rem/1.45 var(--serif);
  max-width: 46rem;
  margin: 1rem 0 2rem;
`;
const Rules = styled.dl`
  background: var(--sheet);
  border: 1px solid var(--line);
  margin-top: 0.75rem;
  max-width: 58rem;
  > div {
    padding: 0.8rem 1.1rem;
  }
  > div + div {
    border-top: 1px solid var(--line);
  }
  dt {
    display: flex;
    gap: 0.5rem;
    align-items: center;
    font-weight: 600;
  }
  dt span {
    margin-left: auto;
    color: var(--quiet);
    font-weight: 400;
    font-size: 0.875rem;
  }
  dd {
    margin-top: 0.2rem;
    max-width: 75ch;
  }
`;

/** One success criterion in our words, with the rules that look after it. */
export function CriterionScreen({
  criterion,
  rules,
}: {
  criterion: Criterion;
  rules: readonly Pick<Rule, 'id' | 'title' | 'why' | 'fix' | 'weight'>[];
}) {
  return (
    <Main id="content">
      <h1>{`${criterion.id} ${criterion.title}`}</h1>
      <p>{`WCAG level ${criterion.level}, since version ${criterion.since}${criterion.obsoleteIn ? `, dropped in ${criterion.obsoleteIn}` : ''}`}</p>
      <Asks>{criterion.asks}</Asks>
      <h2>What is examined for it here</h2>
      {rules.length === 0 ? (
        <p>No rule of this version examines it yet; a person has to.</p>
      ) : (
        <Rules>
          {rules.map((rule) => (
            <div key={rule.id}>
              <dt>
                <Drop weight={rule.weight} />
                {rule.title}
                <span>{WEIGHT_WORDS[rule.weight]}</span>
              </dt>
              <dd>{rule.why}</dd>
              <dd>{rule.fix}</dd>
            </div>
          ))}
        </Rules>
      )}
    </Main>
  );
}
