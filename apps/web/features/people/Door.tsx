'use client';
import type { ReactNode } from 'react';
import styled from 'styled-components';
import { Drop } from '@/ui/Drop';
import { Main } from '@/ui/Shell';

const Place = styled.main`
  display: grid;
  align-content: start;
  gap: 1rem;
  width: min(26rem, 100% - 2rem);
  margin: clamp(1.5rem, 10vh, 6rem) auto 3rem;
  h1 {
    font-size: 1.5rem;
  }
  form {
    display: grid;
    gap: 0.8rem;
  }
`;
const Brand = styled.p`
  display: flex;
  align-items: center;
  gap: 0.5rem;
  font: 600 1.1875rem/1 var(--serif);
`;

/** What is met before one is signed in. */
export function Door({ title, children }: { title: string; children: ReactNode }) {
  return (
    <Place>
      <Brand>
        <Drop weight="must" size={18} />
        Inkwell Check
      </Brand>
      <h1>{title}</h1>
      {children}
    </Place>
  );
}

/** A screen about people: its parts one below the other. */
export const PeopleMain = styled(Main)`
  display: grid;
  gap: 0.75rem;
  align-content: start;
  > h1 + p {
    margin-top: -0.4rem;
  }
`;
