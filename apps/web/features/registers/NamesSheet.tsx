'use client';
import type { Problem, ProposedName, RegisterChoice, ThingLine } from '@inkwell/review';
import { useEffect, useState } from 'react';
import styled from 'styled-components';
import { Button } from '@/ui/Button';
import { Row } from '@/ui/Panel';
import { send } from '@/ui/send';
import { Sheet } from '@/ui/Sheet';
import { Small } from '@/ui/Table';
import { Tick } from '@/ui/Field';
import { counted } from '@/ui/words';
import { fieldBox } from '@/ui/Field';

const List = styled.ul`
  display: grid;
  max-height: 24rem;
  overflow: auto;
  border: 1px solid var(--line);
  li {
    display: grid;
    grid-template-columns: auto minmax(0, 1fr) minmax(0, 1.4fr);
    gap: 0.6rem;
    align-items: center;
    padding: 0.35rem 0.6rem;
    border-bottom: 1px solid var(--line);
  }
  span {
    overflow-wrap: anywhere;
  }
`;
const Name = styled.input`
  ${fieldBox}
`;

const ODD = {
  camera: 'named by a device',
  signs: 'spaces or capital letters',
  wordless: 'no word in it',
  given: 'named by a program',
  numbered: 'a word and a number',
  long: 'too long',
};

interface NamesProps {
  collection: string | null;
  choice: RegisterChoice;
  lines: readonly ThingLine[] | null;
  problem: Problem | null;
  onClose(): void;
  onDo(wish: object): Promise<void>;
}

/** New names for the files of many images, made of what is said of them; each can be changed or left out before it is done. */
export function NamesSheet({ collection, choice, lines, problem, onClose, onDo }: NamesProps) {
  const [names, setNames] = useState<readonly ProposedName[] | null>(null);
  const [trouble, setTrouble] = useState<Problem | null>(null);
  const [said, setSaid] = useState<ReadonlyMap<string, string | null>>(new Map());
  const keys = JSON.stringify(lines?.map(({ key }) => key) ?? null);
  const asked = JSON.stringify(choice);
  useEffect(() => {
    const wish = { collection, choice: JSON.parse(asked) as object, keys: JSON.parse(keys) as object };
    void send<ProposedName[]>('/api/registers/names', wish).then((sent) => (sent.ok ? setNames(sent.value) : setTrouble(sent.problem)));
  }, [collection, asked, keys]);
  const keyOf = (one: ProposedName) => `${one.collection} ${one.path}`;
  const nameOf = (one: ProposedName) => {
    const own = said.get(keyOf(one));
    return own === undefined ? (one.odd === null ? null : one.proposed) : own;
  };
  const change = (one: ProposedName, name: string | null) => setSaid((now) => new Map(now).set(keyOf(one), name));
  const renames = (names ?? []).flatMap((one) => {
    const name = nameOf(one);
    return name ? [{ thing: one.thing, name }] : [];
  });
  const wished = lines === null ? { choice, keys: null } : { choice, keys: lines.map(({ key }) => key) };
  return (
    <Sheet title="New names for files" open wide onClose={onClose} problem={problem ?? trouble}>
      {names === null ? (
        <p>Looking for what is known of them…</p>
      ) : names.length === 0 ? (
        <p>None of these has a file here.</p>
      ) : (
        <List aria-label="Files">
          {names.map((one) => {
            const file = one.path.replace(/^.*\//, '');
            const name = nameOf(one);
            return (
              <li key={keyOf(one)}>
                <Tick
                  label=""
                  name={`Rename ${file}`}
                  on={name !== null}
                  onChange={(on) => change(one, on ? (one.proposed ?? file) : null)}
                />
                <span>
                  {file}
                  <Small>{[one.odd && ODD[one.odd], counted(one.pages, 'page')].filter(Boolean).join(', ')}</Small>
                </span>
                <Name
                  aria-label={`New name of ${file}`}
                  value={name ?? ''}
                  placeholder={one.proposed ?? 'nothing is said of it yet'}
                  onChange={(event) => change(one, event.target.value)}
                />
              </li>
            );
          })}
        </List>
      )}
      <p>Every page, style sheet and manifest follows; the old addresses go on the list of redirects. One word takes all of it back.</p>
      <Row>
        <Button
          $look="main"
          isDisabled={renames.length === 0}
          onPress={() => void onDo({ collection, register: 'images', chosen: wished, renames })}
        >
          {`Rename ${counted(renames.length, 'file')}`}
        </Button>
        <Button onPress={onClose}>Cancel</Button>
      </Row>
    </Sheet>
  );
}
