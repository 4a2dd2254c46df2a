'use client';
import type { Problem, WaysIn } from '@inkwell/review';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import styled from 'styled-components';
import { renderSVG } from 'uqr';
import { Button } from '@/ui/Button';
import { TextBox } from '@/ui/Field';
import { Row } from '@/ui/Panel';
import { send } from '@/ui/send';
import { Sheet } from '@/ui/Sheet';
import { Fields } from './InviteSheet';

/** Black on white by night too: cameras read it so. */
const Code = styled.img`
  width: 12rem;
  height: 12rem;
  padding: 0.5rem;
  background: white;
  border: 1px solid var(--line);
`;
const Kept = styled.ul`
  width: 100%;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(9rem, 1fr));
  gap: 0.15rem 1.5rem;
  font-family: var(--mono);
`;

interface Begun {
  address: string;
  key: string;
  recovery: string[];
}

/** A second factor for signing in: set up with a device that shows codes, and taken away again. */
export function SecondFactor({ ways }: { ways: WaysIn }) {
  const router = useRouter();
  const [doing, setDoing] = useState<'begin' | 'end' | null>(null);
  const [said, setSaid] = useState('');
  // Who comes by another service's word is asked for a second factor there.
  if (!ways.password) return null;
  const done = (words: string) => {
    setDoing(null);
    setSaid(words);
    router.refresh();
  };
  return (
    <>
      <h2>A second factor</h2>
      <p>
        {ways.secondFactor
          ? 'Whoever signs in as you also needs the code that your device shows.'
          : 'A device can show a code that is asked for besides your password.'}
      </p>
      <p role="status">{said}</p>
      <Row>
        {ways.secondFactor ? (
          <Button onPress={() => setDoing('end')}>Take it away…</Button>
        ) : (
          <Button onPress={() => setDoing('begin')}>Set one up…</Button>
        )}
      </Row>
      {doing === 'begin' && (
        <BeginSheet onClose={() => setDoing(null)} onDone={() => done('From now on a code is asked for when you sign in.')} />
      )}
      {doing === 'end' && <EndSheet onClose={() => setDoing(null)} onDone={() => done('Your password alone lets you in again.')} />}
    </>
  );
}

interface SheetProps {
  onClose(): void;
  onDone(): void;
}

function BeginSheet({ onClose, onDone }: SheetProps) {
  const [begun, setBegun] = useState<Begun | null>(null);
  const [problem, setProblem] = useState<Problem | null>(null);
  const [code, setCode] = useState('');
  const begin = async (password: string) => {
    const sent = await send<Begun>('/api/you/begin-second', { password });
    setProblem(sent.ok ? null : sent.problem);
    if (sent.ok) setBegun(sent.value);
  };
  const attempt = async () => {
    const sent = await send<null>('/api/you/try-second', { code, isRecovery: false });
    setProblem(sent.ok ? null : sent.problem);
    if (sent.ok) onDone();
  };
  return (
    <Sheet title="Set up a second factor" open onClose={onClose} problem={problem}>
      {begun === null ? (
        <PasswordAgain label="Go on" onGive={begin} onClose={onClose} />
      ) : (
        <Fields
          onSubmit={(event) => {
            event.preventDefault();
            void attempt();
          }}
        >
          <p>Let the device read this code, or type the key into it.</p>
          <Code src={`data:image/svg+xml,${encodeURIComponent(renderSVG(begun.address))}`} alt="The key, for a camera" />
          <TextBox label="The key" value={begun.key} onChange={() => undefined} readOnly />
          <p>Keep these where the device is not: each lets you in once when it is lost. They are not shown again.</p>
          <Kept aria-label="Codes for a lost device">
            {begun.recovery.map((one) => (
              <li key={one}>{one}</li>
            ))}
          </Kept>
          <TextBox
            label="Code that the device shows now"
            value={code}
            onChange={setCode}
            inputMode="numeric"
            autoComplete="one-time-code"
          />
          <Row>
            <Button type="submit" $look="main" isDisabled={code.trim() === ''}>
              Ask for it from now on
            </Button>
            <Button onPress={onClose}>Cancel</Button>
          </Row>
        </Fields>
      )}
    </Sheet>
  );
}

function EndSheet({ onClose, onDone }: SheetProps) {
  const [problem, setProblem] = useState<Problem | null>(null);
  const end = async (password: string) => {
    const sent = await send<null>('/api/you/end-second', { password });
    setProblem(sent.ok ? null : sent.problem);
    if (sent.ok) onDone();
  };
  return (
    <Sheet title="Take the second factor away" open onClose={onClose} problem={problem}>
      <PasswordAgain label="Take it away" onGive={end} onClose={onClose} />
    </Sheet>
  );
}

function PasswordAgain({ label, onGive, onClose }: { label: string; onGive(password: string): Promise<void>; onClose(): void }) {
  const [password, setPassword] = useState('');
  return (
    <Fields
      onSubmit={(event) => {
        event.preventDefault();
        void onGive(password);
      }}
    >
      <TextBox label="Your password" type="password" autoComplete="current-password" value={password} onChange={setPassword} required />
      <Row>
        <Button type="submit" $look="main" isDisabled={password === ''}>
          {label}
        </Button>
        <Button onPress={onClose}>Cancel</Button>
      </Row>
    </Fields>
  );
}
