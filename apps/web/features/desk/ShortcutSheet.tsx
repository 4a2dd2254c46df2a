'use client';
import type { Problem } from '@inkwell/review';
import type { KeySettings } from '@inkwell/store';
import { useState } from 'react';
import styled from 'styled-components';
import { Button } from '@/ui/Button';
import { Tick } from '@/ui/Field';
import { Sheet } from '@/ui/Sheet';
import { KEYS_OF_NOTES } from './keys';
import { whyNotKey, type KeyedShortcut } from './useShortcuts';

const Keys = styled.dl`
  display: grid;
  grid-template-columns: auto 1fr auto;
  gap: 0.15rem 1rem;
  align-items: center;
  max-height: min(26rem, 50vh);
  overflow: auto;
  button {
    min-height: 1.5rem;
    padding-block: 0;
  }
`;

export interface ShortcutSheetProps {
  open: boolean;
  onClose(): void;
  shortcuts: readonly KeyedShortcut[];
  /** What the note in hand does not offer, and others do. */
  elsewhere: readonly KeyedShortcut[];
  settings: KeySettings;
  /** Keeps other settings for the person at the desk. */
  onSettings(settings: KeySettings): void;
  keepsTime: boolean;
  onKeepTime(keep: boolean): void;
  /** Why one's settings could not be stored. */
  problem: Problem | null;
}

const FIXED = [
  ['Ctrl K', 'Find anything to do, any note, any page part; works everywhere'],
  ['Enter', 'In a fix, or on its heading: apply it and go to the next note'],
  ['Ctrl Enter', 'The same in a box made for several lines'],
  ['Tab, Shift Tab', 'In Text and Source: deeper and back in a list, on and back in a table, indents'],
  ['Escape, Tab', 'Leave Text or Source; single keys work again after Escape, or a press elsewhere'],
] as const;

/** The keys of the Desk, each of which can be another: they are kept for the person. */
export function ShortcutSheet(props: ShortcutSheetProps) {
  const { open, onClose, shortcuts, elsewhere, settings, onSettings, keepsTime, onKeepTime, problem } = props;
  const others = elsewhere.map((one) => ({ ...one, does: `${one.does} (on other notes)` }));
  const { changing, said, change, take, stop } = useChange(shortcuts, settings, onSettings);
  return (
    <Sheet title="Keys of the Desk" open={open} onClose={onClose} problem={problem}>
      <Keys tabIndex={0} role="group" aria-label="Keys">
        {[...shortcuts, ...others].map(({ key, usual, does }) => (
          <div key={usual} style={{ display: 'contents' }}>
            <dt>
              <kbd>{key}</kbd>
            </dt>
            <dd>{does}</dd>
            <dd>
              <Button
                $look="quiet"
                aria-label={changing === usual ? `Press a key… for: ${does}` : `Change the key for: ${does}`}
                onPress={() => change(usual)}
                onKeyDown={(event) => (changing === usual ? take(event.key) : event.continuePropagation())}
                onBlur={stop}
              >
                {changing === usual ? 'press a key…' : 'change'}
              </Button>
            </dd>
          </div>
        ))}
        {FIXED.map(([keys, does]) => (
          <div key={keys} style={{ display: 'contents' }}>
            <dt>
              {keys.split(' ').map((key) => (
                <kbd key={key}>{key}</kbd>
              ))}
            </dt>
            <dd>{does}</dd>
            <dd />
          </div>
        ))}
      </Keys>
      <p role="status">{said}</p>
      <div>
        <Button isDisabled={Object.keys(settings.assigned).length === 0} onPress={() => onSettings({ ...settings, assigned: {} })}>
          Usual keys again
        </Button>
      </div>
      <p>
        <Tick label="Single keys act outside fields" on={settings.on} onChange={(on) => onSettings({ ...settings, on })} />
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

/** Which shortcut waits for its new key, and what came of the last one. */
function useChange(shortcuts: readonly KeyedShortcut[], settings: KeySettings, onSettings: (settings: KeySettings) => void) {
  const [changing, setChanging] = useState<string | null>(null);
  const [said, setSaid] = useState('');
  return {
    changing,
    said,
    change(usual: string) {
      setChanging(usual);
      setSaid('Press the new key. Escape leaves it as it is.');
    },
    take(key: string) {
      if (['Shift', 'Control', 'Alt', 'Meta'].includes(key) || changing === null) return;
      if (key === 'Escape' || key === 'Tab') return void (setChanging(null), setSaid('Left as it is.'));
      const why = whyNotKey(key, changing, shortcuts, settings, KEYS_OF_NOTES);
      if (why) return setSaid(why);
      const others = Object.fromEntries(Object.entries(settings.assigned).filter(([usual]) => usual !== changing));
      onSettings({ ...settings, assigned: key === changing ? others : { ...others, [changing]: key } });
      setSaid(`“${key}” is its key from now on, wherever you sit at the desk.`);
      setChanging(null);
    },
    stop: () => setChanging(null),
  };
}
