'use client';
import styled from 'styled-components';
import { Button } from '@/ui/Button';
import { Tick } from '@/ui/Field';
import { Sheet } from '@/ui/Sheet';
import type { Shortcut } from './useShortcuts';

const Keys = styled.dl`
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 0.35rem 1rem;
  align-items: baseline;
`;

export interface ShortcutSheetProps {
  open: boolean;
  onClose(): void;
  shortcuts: readonly Shortcut[];
  on: boolean;
  setOn(on: boolean): void;
  keepsTime: boolean;
  onKeepTime(keep: boolean): void;
}

export function ShortcutSheet({ open, onClose, shortcuts, on, setOn, keepsTime, onKeepTime }: ShortcutSheetProps) {
  return (
    <Sheet title="Keys of the Desk" open={open} onClose={onClose}>
      <Keys>
        {shortcuts.map((shortcut) => (
          <div key={shortcut.key} style={{ display: 'contents' }}>
            <dt>
              <kbd>{shortcut.key}</kbd>
            </dt>
            <dd>{shortcut.does}</dd>
          </div>
        ))}
        <dt>
          <kbd>Ctrl</kbd> <kbd>K</kbd>
        </dt>
        <dd>Find anything to do, any note, any page part; works everywhere</dd>
        <dt>
          <kbd>Enter</kbd>
        </dt>
        <dd>In a fix: apply it and go to the next note</dd>
        <dt>
          <kbd>Ctrl</kbd> <kbd>Enter</kbd>
        </dt>
        <dd>The same in a box made for several lines</dd>
      </Keys>
      <p>
        <Tick label="Single keys act outside fields" on={on} onChange={setOn} />
      </p>
      <p>
        <Tick label="Keep how long I work on each finding, for estimates of hours" on={keepsTime} onChange={onKeepTime} />
      </p>
      <div>
        <Button onPress={onClose}>Close</Button>
      </div>
    </Sheet>
  );
}
