'use client';
import styled from 'styled-components';
import { Row } from '@/ui/Panel';

/** Where a form of the thing in hand is applied: in sight, however long the form is. */
export const Apply = styled(Row)`
  position: sticky;
  bottom: -1.25rem;
  z-index: 1;
  padding: 0.5rem 0;
  background: var(--sheet);
  border-bottom: 1px solid var(--line);
`;
