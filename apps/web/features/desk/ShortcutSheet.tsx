'use client';
import { Dialog, Heading, Modal, ModalOverlay, Checkbox } from 'react-aria-components';
import styled from 'styled-components';
import { Button } from '@/ui/Button';
import type { Shortcut } from './useShortcuts';

const Overlay = styled(ModalOverlay)`position: fixed; inset: 0; z-index: 20; display: grid; place-items: center; padding: 1rem; background: rgba(var(--shade), 0.55); overflow: auto;`;
const Sheet = styled(Modal)`
  background: var(--sheet); color: var(--ink); border: 1px solid var(--edge); padding: 1.25rem 1.5rem; width: min(30rem, 100%);
  [role='dialog'] { outline: none; display: grid; gap: 0.75rem; } h2 { font-size: 1.25rem; }
  dl { display: grid; grid-template-columns: auto 1fr; gap: 0.35rem 1rem; align-items: baseline; }
  label { display: flex; gap: 0.5rem; align-items: center; min-height: 1.75rem; cursor: pointer; }
  label::before { content: ''; width: 1rem; height: 1rem; border: 2px solid var(--ink); border-radius: 2px; } label[data-selected]::before { background: var(--gall); box-shadow: inset 0 0 0 3px var(--sheet); }
  label[data-focus-visible] { outline: 3px solid var(--gall); outline-offset: 2px; }
`;

export function ShortcutSheet({ open, onClose, shortcuts, on, setOn }: { open: boolean; onClose(): void; shortcuts: readonly Shortcut[]; on: boolean; setOn(on: boolean): void }) {
  return (
    <Overlay isOpen={open} onOpenChange={(next) => !next && onClose()} isDismissable>
      <Sheet>
        <Dialog>
          <Heading slot="title" level={2}>Keys of the Desk</Heading>
          <dl>
            {shortcuts.map((shortcut) => (
              <div key={shortcut.key} style={{ display: 'contents' }}>
                <dt><kbd>{shortcut.key}</kbd></dt>
                <dd>{shortcut.does}</dd>
              </div>
            ))}
            <dt><kbd>Enter</kbd></dt>
            <dd>In a correction: apply it and go to the next note</dd>
          </dl>
          <Checkbox isSelected={on} onChange={setOn}>Single keys act outside fields</Checkbox>
          <div><Button onPress={onClose}>Close</Button></div>
        </Dialog>
      </Sheet>
    </Overlay>
  );
}
