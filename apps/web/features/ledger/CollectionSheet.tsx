'use client';
import type { Problem, Removable } from '@inkwell/review';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import styled from 'styled-components';
import { Button, ButtonLink } from '@/ui/Button';
import { TextBox } from '@/ui/Field';
import { Row } from '@/ui/Panel';
import { send } from '@/ui/send';
import { Sheet } from '@/ui/Sheet';
import { counted } from '@/ui/words';

const Part = styled.section`
  display: grid;
  gap: 0.5rem;
  padding-top: 0.75rem;
  border-top: 1px solid var(--line);
  h3 {
    font-size: 1rem;
  }
`;

/** What can be done with a whole collection: another title, put away, taken out with a word about what goes. */
export function CollectionSheet({ slug, title, putAway }: { slug: string; title: string; putAway: boolean }) {
  const router = useRouter();
  const [open, setOpen] = useState(false);
  const [called, setCalled] = useState(title);
  const [term, setTerm] = useState('');
  const [going, setGoing] = useState<Removable | null>(null);
  const [problem, setProblem] = useState<Problem | null>(null);
  const ask = async <T,>(act: string, body: object, then: (value: T) => void) => {
    setProblem(null);
    const sent = await send<T>(`/api/collections/${encodeURIComponent(slug)}/${act}`, body);
    if (sent.ok) then(sent.value);
    else setProblem(sent.problem);
  };
  const changed = () => {
    setOpen(false);
    router.refresh();
  };
  return (
    <>
      <Button
        onPress={() => {
          setCalled(title);
          setGoing(null);
          setProblem(null);
          setOpen(true);
        }}
      >
        This collection…
      </Button>
      <Sheet title="This collection" open={open} onClose={() => setOpen(false)} problem={problem}>
        <TextBox label="Title" value={called} onChange={setCalled} hint="Its address stays as it is." />
        <Row>
          <Button $look="main" onPress={() => void ask('change', { title: called }, changed)} isDisabled={called.trim() === title}>
            Save the title
          </Button>
          <Button onPress={() => void ask('change', { putAway: !putAway }, changed)}>
            {putAway ? 'Take it back to the shelf' : 'Put it away'}
          </Button>
        </Row>
        <Part>
          <h3>A newer version</h3>
          <p>From the same course, site or book, as it is now. You see what became of each page first.</p>
          <Row>
            <ButtonLink href={`/bring-in?newer=${encodeURIComponent(slug)}`}>Bring in a newer version</ButtonLink>
          </Row>
        </Part>
        <Part>
          <h3>A new term</h3>
          <TextBox
            label="Title of the new term"
            value={term}
            onChange={setTerm}
            hint="The same pages with their history, and with the answers, exceptions and sign-offs that hold now."
          />
          <Row>
            <Button
              isDisabled={term.trim() === ''}
              onPress={() =>
                void ask<{ collection: string }>('new-term', { title: term }, (made) => router.push(`/collections/${made.collection}`))
              }
            >
              Copy it for a new term
            </Button>
          </Row>
        </Part>
        <Part>
          <h3>Take it out</h3>
          {going === null ? (
            <Row>
              <Button onPress={() => void ask('removable', {}, setGoing)}>See what would go</Button>
            </Row>
          ) : (
            <>
              <p>{goingWords(going)}</p>
              <Row>
                <Button
                  onPress={() => void ask('take-out', {}, () => router.push('/'))}
                >{`Take out ${counted(going.pages, 'page')}`}</Button>
              </Row>
            </>
          )}
        </Part>
        <Row>
          <Button onPress={() => setOpen(false)}>Close</Button>
        </Row>
      </Sheet>
    </>
  );
}

function goingWords({ pages, revisions, rulings, exceptions, signedOff, until }: Removable): string {
  const parts = [
    counted(pages, 'page'),
    counted(revisions, 'revision'),
    rulings > 0 && counted(rulings, 'answer'),
    exceptions > 0 && counted(exceptions, 'exception'),
    signedOff > 0 && counted(signedOff, 'sign-off'),
  ].filter(Boolean);
  const day = new Date(until).toLocaleDateString('en', { day: 'numeric', month: 'long', year: 'numeric' });
  return `With it go ${parts.join(', ')}. Until ${day} it can be brought back from the shelf, just as it is; then it is gone.`;
}
