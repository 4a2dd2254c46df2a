'use client';
import type { Problem } from '@inkwell/review';
import { useEffect, useRef, type ReactNode } from 'react';
import { Dialog, Heading, Modal, ModalOverlay } from 'react-aria-components';
import styled from 'styled-components';
import { ProblemNotice } from './ProblemNotice';

const Overlay = styled(ModalOverlay)`
  position: fixed;
  inset: 0;
  z-index: 20;
  display: grid;
  place-items: center;
  padding: 1rem;
  background: rgba(var(--shade), 0.55);
  overflow: auto;
`;
const Paper = styled(Modal)<{ $wide: boolean }>`
  background: var(--sheet);
  color: var(--ink);
  border: 1px solid var(--edge);
  padding: 1.25rem 1.5rem;
  width: min(${({ $wide }) => ($wide ? '58rem' : '30rem')}, 100%);
  [role='dialog'] {
    outline: none;
    display: grid;
    gap: 0.75rem;
    min-width: 0;
  }
  [role='dialog'] > * {
    min-width: 0;
  }
  h2 {
    font-size: 1.25rem;
  }
`;

export interface SheetProps {
  title: string;
  open: boolean;
  onClose(): void;
  wide?: boolean;
  /** What went wrong with what was asked from this sheet. */
  problem?: Problem | null;
  children: ReactNode;
}

/** Puts the focus into the first field of the sheet it stands in; where there is none, the sheet itself has it. */
function FirstField() {
  const here = useRef<HTMLSpanElement>(null);
  useEffect(() => {
    here.current
      ?.closest('[role="dialog"]')
      ?.querySelector<HTMLElement>('input:not([type="checkbox"]):not([type="radio"]):not([type="file"]), textarea, select')
      ?.focus();
  }, []);
  return <span ref={here} hidden />;
}

/** A sheet laid over the desk: focus goes into its first field, and comes back where it was. */
export function Sheet({ title, open, onClose, wide = false, problem = null, children }: SheetProps) {
  return (
    <Overlay isOpen={open} onOpenChange={(next) => !next && onClose()} isDismissable>
      <Paper $wide={wide}>
        <Dialog>
          <Heading slot="title" level={2}>
            {title}
          </Heading>
          {problem && <ProblemNotice problem={problem} />}
          {children}
          <FirstField />
        </Dialog>
      </Paper>
    </Overlay>
  );
}
