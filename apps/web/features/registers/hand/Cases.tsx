'use client';
import type { Mend, RegisterName } from '@inkwell/core';
import type { CaseView, MendTried } from '@inkwell/review';
import { useEffect, useState, type ReactNode } from 'react';
import styled from 'styled-components';
import { Tick } from '@/ui/Field';
import { send } from '@/ui/send';
import { useLater } from '@/ui/useLater';
import { counted } from '@/ui/words';
import { aroundKey, type Around } from './useThing';

const List = styled.ul`
  display: grid;
  gap: 0;
  border-top: 1px solid var(--line);
  li {
    display: grid;
    gap: 0.2rem;
    padding: 0.45rem 0;
    border-bottom: 1px solid var(--line);
    min-width: 0;
  }
`;
const AroundIt = styled.p`
  font: 400 0.8125rem/1.4 var(--serif);
  color: var(--quiet);
  overflow-wrap: anywhere;
  mark {
    background: var(--gallWash);
    color: var(--ink);
    padding: 0 0.2rem;
  }
`;
const Sides = styled.div`
  display: grid;
  gap: 0.15rem;
  font: 0.75rem/1.45 var(--mono);
  overflow-wrap: anywhere;
  del {
    text-decoration: line-through;
    color: var(--quiet);
  }
  ins {
    text-decoration: none;
    background: var(--gallWash);
  }
`;
const Why = styled.p`
  font-size: 0.8125rem;
  color: var(--rubric);
`;

export const caseKey = ({ thing, case: its }: Pick<CaseView, 'thing' | 'case'>) => `${thing}\n${its}`;

export interface CasesProps {
  register: RegisterName;
  collection: string | null;
  cases: readonly CaseView[];
  around: Around;
  /** What stands for a use among the words around it. */
  word: string;
  /** What a case says, in words. */
  says(one: CaseView): ReactNode;
  chosen: ReadonlySet<string>;
  onChoose(key: string, on: boolean): void;
  /** What is to be done to a case; null for what is not filled in yet. */
  mendOf(one: CaseView): Mend | null;
  /** Asked of a case besides. */
  extra?(one: CaseView): ReactNode;
}

/** How a thing is used, case by case: what each says now, what stands around it, and what would become of it. Unticked it stays. */
export function Cases({ register, collection, cases, around, word, says, chosen, onChoose, mendOf, extra }: CasesProps) {
  const wished = cases.flatMap((one) => {
    const mend = chosen.has(caseKey(one)) ? mendOf(one) : null;
    return mend ? [{ thing: one.thing, case: one.case, page: one.page, mend }] : [];
  });
  const tried = useTried(collection, register, wished);
  return (
    <List aria-label="How it is used">
      {cases.map((one) => {
        const key = caseKey(one);
        const words = around.get(aroundKey(one));
        const result = chosen.has(key) ? tried.get(key) : undefined;
        return (
          <li key={key}>
            <Tick
              label={`${counted(one.uses, 'use')} on ${counted(one.pages, 'page')}`}
              on={chosen.has(key)}
              onChange={(on) => onChoose(key, on)}
            />
            <div>{says(one)}</div>
            {words && (words.before || words.after) && (
              <AroundIt data-quoted>
                …{words.before} <mark>{word}</mark> {words.after}…
              </AroundIt>
            )}
            {extra?.(one)}
            {result && !result.ok && <Why>{result.reason}</Why>}
            {result?.ok && result.before !== result.after && (
              <Sides>
                <span className="aside-from-view">Before:</span>
                <del>{result.before}</del>
                <span className="aside-from-view">After:</span>
                <ins>{result.after}</ins>
              </Sides>
            )}
          </li>
        );
      })}
    </List>
  );
}

type Tried = MendTried['tried'];

/** What would become of cases, each tried on a page of it, while it is filled in. */
function useTried(
  collection: string | null,
  register: RegisterName,
  cases: readonly { thing: string; case: string; page: number; mend: Mend }[],
): ReadonlyMap<string, Tried> {
  const [tried, setTried] = useState<{ of: string; results: ReadonlyMap<string, Tried> }>({ of: '', results: new Map() });
  const asked = useLater(JSON.stringify(cases.slice(0, 12)), 300);
  useEffect(() => {
    if (asked === '[]') return;
    let left = false;
    void send<MendTried[]>('/api/registers/try', { collection, register, cases: JSON.parse(asked) as object }).then((sent) => {
      if (sent.ok && !left) setTried({ of: asked, results: new Map(sent.value.map((one) => [caseKey(one), one.tried])) });
    });
    return () => {
      left = true;
    };
  }, [asked, collection, register]);
  return tried.of === asked ? tried.results : new Map();
}

/** Cases that are ticked: those that go with the most; others are left until somebody says so. */
export function useTicked(cases: readonly CaseView[], usual: (one: CaseView) => boolean) {
  const [said, setSaid] = useState<ReadonlyMap<string, boolean>>(new Map());
  const chosen = new Set(cases.filter((one) => said.get(caseKey(one)) ?? usual(one)).map(caseKey));
  return { chosen, choose: (key: string, on: boolean) => setSaid((now) => new Map(now).set(key, on)) };
}
