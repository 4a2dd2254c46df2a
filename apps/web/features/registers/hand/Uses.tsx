'use client';
import { lookup, type RegisterName } from '@inkwell/core';
import type { UseView } from '@inkwell/review';
import { Link } from '@/ui/Link';
import { Fragment } from 'react';
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

const Title = styled.h4`
  font-size: 0.875rem;
`;

interface UsesProps {
  register: RegisterName;
  uses: readonly UseView[];
  total: number;
  /** Whether pages of several collections are among them: each collection's stand under its title. */
  several: boolean;
  onMore(): void;
}

/** The pages that use a thing, each leading to its Desk. */
export function Uses({ register, uses, total, several, onMore }: UsesProps) {
  if (uses.length === 0) return <p>No page uses it.</p>;
  const collections = several ? [...new Set(uses.map(({ collection }) => collection))] : [];
  return (
    <>
      {!several && <Pages of="it" {...{ register, uses }} />}
      {collections.map((collection) => {
        const own = uses.filter((use) => use.collection === collection);
        const title = own[0]!.collectionTitle;
        return (
          <Fragment key={collection}>
            <Title>{title}</Title>
            <Pages of={`it in ${title}`} register={register} uses={own} />
          </Fragment>
        );
      })}
      {uses.length < total && <Button onPress={onMore}>More pages</Button>}
    </>
  );
}

function Pages({ of, register, uses }: Pick<UsesProps, 'register' | 'uses'> & { of: string }) {
  return (
    <List aria-label={`Pages that use ${of}`}>
      {uses.map((use, nth) => (
        <li key={nth}>
          <Link href={`/collections/${use.collection}/${use.slug}`}>{use.title}</Link>
          <span>{said(register, use)}</span>
        </li>
      ))}
    </List>
  );
}

const said = (register: RegisterName, use: UseView): string =>
  [
    use.many > 1 && `${use.many} times`,
    register !== 'headings' && use.traits.map((trait) => lookup(TRAIT_WORDS, trait)).join(', '),
    register === 'headings' && `level ${use.says}`,
    use.open + use.asks > 0 && counted(use.open + use.asks, 'open finding'),
  ]
    .filter(Boolean)
    .join(' · ');
