'use client';
import type { RegisterName } from '@inkwell/core';
import type { UseView } from '@inkwell/review';
import Link from 'next/link';
import styled from 'styled-components';
import { Button } from '@/ui/Button';
import { counted } from '@/ui/words';
import { TRAIT_WORDS } from '../choice';

const List = styled.ul`
  display: grid;
  font-size: 0.875rem;
  border-top: 1px solid var(--line);
  li {
    display: flex;
    flex-wrap: wrap;
    gap: 0.1rem 0.75rem;
    justify-content: space-between;
    padding: 0.3rem 0;
    border-bottom: 1px solid var(--line);
  }
  a {
    display: inline-flex;
    align-items: center;
    min-height: 1.5rem;
  }
  span {
    color: var(--quiet);
    overflow-wrap: anywhere;
  }
`;

interface UsesProps {
  register: RegisterName;
  uses: readonly UseView[];
  total: number;
  /** Whether pages of several collections are among them. */
  several: boolean;
  onMore(): void;
}

/** The pages that use a thing, each leading to its Desk. */
export function Uses({ register, uses, total, several, onMore }: UsesProps) {
  if (uses.length === 0) return <p>No page uses it.</p>;
  return (
    <>
      <List aria-label="Pages that use it">
        {uses.map((use, nth) => (
          <li key={nth}>
            <Link href={`/collections/${use.collection}/${use.slug}`}>{several ? `${use.title} (${use.collection})` : use.title}</Link>
            <span>
              {[
                use.many > 1 && `${use.many} times`,
                register !== 'headings' && use.traits.map((trait) => TRAIT_WORDS[trait]).join(', '),
                register === 'headings' && `level ${use.says}`,
                use.open + use.asks > 0 && counted(use.open + use.asks, 'open finding'),
              ]
                .filter(Boolean)
                .join(' · ')}
            </span>
          </li>
        ))}
      </List>
      {uses.length < total && <Button onPress={onMore}>More pages</Button>}
    </>
  );
}
