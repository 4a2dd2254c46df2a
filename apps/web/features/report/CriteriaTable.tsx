'use client';
import { evidenceOf, OUTCOME_WORDS, type CriterionOutcome } from '@inkwell/core';
import type { ReportSaid } from '@inkwell/review';
import { Link } from '@/ui/Link';
import { useState } from 'react';
import styled from 'styled-components';
import { Button } from '@/ui/Button';
import { Choice } from '@/ui/Field';
import { Small, Table, TableFrame } from '@/ui/Table';
import { OUTCOMES } from './words';

const Word = styled.strong<{ $outcome: CriterionOutcome }>`
  font: 600 1rem var(--serif);
  white-space: nowrap;
  border-bottom: ${({ $outcome }) => ($outcome === 'failed' ? '2px solid' : $outcome === 'passed' ? '1px solid' : '2px dotted')}
    currentColor;
  color: ${({ $outcome }) => ($outcome === 'failed' ? 'var(--rubric)' : $outcome === 'passed' ? 'var(--gall)' : 'var(--ink)')};
`;

interface CriteriaProps {
  said: ReportSaid;
  collection: string;
  onJudge: ((criterion: ReportSaid['criteria'][number]) => void) | null;
}

/** Each criterion with its outcome and what that rests on. */
export function CriteriaTable({ said, collection, onJudge }: CriteriaProps) {
  const [only, setOnly] = useState<CriterionOutcome | 'all'>('all');
  const rows = said.criteria.filter(({ outcome }) => only === 'all' || outcome === only);
  return (
    <>
      <Choice
        label="Show"
        value={only}
        onChange={(value) => setOnly(value as CriterionOutcome | 'all')}
        options={[{ value: 'all', label: 'All' }, ...OUTCOMES.map(({ outcome, label }) => ({ value: outcome, label }))]}
      />
      <TableFrame tabIndex={0} role="region" aria-label="Criteria">
        <Table>
          <caption className="aside-from-view">Criteria and their outcome</caption>
          <thead>
            <tr>
              <th scope="col">Criterion</th>
              <th scope="col">EN 301 549</th>
              <th scope="col">Outcome</th>
              <th scope="col">Evidence</th>
              {onJudge && (
                <th scope="col">
                  <span className="aside-from-view">Judge it</span>
                </th>
              )}
            </tr>
          </thead>
          <tbody>
            {rows.map((one) => (
              <tr key={one.id}>
                <th scope="row">
                  <Link href={`/criteria/${one.id}`}>{`${one.id} ${one.title}`}</Link>
                  <Small>{`level ${one.level}`}</Small>
                </th>
                <td>{one.clause ?? <Small>not in it</Small>}</td>
                <td>
                  <Word $outcome={one.outcome}>{OUTCOME_WORDS[one.outcome]}</Word>
                </td>
                <td>
                  {evidenceOf(one)}
                  {one.worst.length > 0 && (
                    <Small>
                      {'Most on: '}
                      {one.worst.map(({ slug, title }, nth) => (
                        <span key={slug}>
                          {nth > 0 && '; '}
                          <Link href={`/collections/${collection}/${slug}`}>{title}</Link>
                        </span>
                      ))}
                    </Small>
                  )}
                </td>
                {onJudge && (
                  <td>
                    <Button $look="quiet" onPress={() => onJudge(one)} aria-label={`Judge ${one.id} ${one.title}`}>
                      Judge…
                    </Button>
                  </td>
                )}
              </tr>
            ))}
          </tbody>
        </Table>
      </TableFrame>
    </>
  );
}
