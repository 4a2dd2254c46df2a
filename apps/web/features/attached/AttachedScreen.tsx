'use client';
import type { Attached, AttachmentStanding, AttachmentWish, Problem } from '@inkwell/review';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import styled from 'styled-components';
import { Button, ButtonLink } from '@/ui/Button';
import { DayBox, Pick, Tick, WordBox } from '@/ui/Field';
import { Row } from '@/ui/Panel';
import { ProblemNotice } from '@/ui/ProblemNotice';
import { send } from '@/ui/send';
import { Main } from '@/ui/Shell';
import { Small, Table, TableFrame } from '@/ui/Table';
import { Day, When } from '@/ui/When';
import { counted, sizeWords } from '@/ui/words';
import { addressOf, STANDING_WORDS, STANDINGS } from './choice';
import { factWords } from './facts';

const Bar = styled(Row)`
  margin-top: 1rem;
`;
const Chosen = styled(Bar)`
  padding: 0.5rem 0.75rem;
  background: var(--gallWash);
  border: 1px solid var(--line);
`;
const Cell = styled.div`
  display: flex;
  gap: 0.6rem;
  align-items: baseline;
`;
const Misses = styled.ul`
  margin: 0 0 0 1.1rem;
  list-style: disc;
  font-size: 0.875rem;
`;

export interface Somebody {
  id: string;
  name: string;
}

/** Files that came with the pages: nobody sees what is wrong inside by looking at a page. Each has a standing, an owner and a date. */
export function AttachedScreen({ shown, people }: { shown: Attached; people: readonly Somebody[] }) {
  const { collection, choice, kinds, many, unseen, next } = shown;
  const router = useRouter();
  const { set, choose, chooseAll, clear } = useChosen(shown);
  const [problem, setProblem] = useState<Problem | null>(null);
  const change = async (said: Said) => {
    const files = shown.shown.filter(({ path }) => set.has(path)).map(({ path, version }) => ({ path, version }));
    const address = `/api/collections/${encodeURIComponent(collection.slug)}/attachments`;
    const sent = await send<{ changed: number; left: string[] }>(address, { files, ...said });
    setProblem(sent.ok ? leftAlone(sent.value) : sent.problem);
    router.refresh();
  };
  const files = shown.shown;
  return (
    <Main id="content">
      <h1>Attached files</h1>
      <p>
        {`${counted(many, 'file')}, ${unseen === 0 ? 'each looked at by a person' : `${unseen} of them not looked at yet`}. `}
        What can be read of a PDF or of captions is told; the rest only a person sees.
      </p>
      <Choices shown={shown} people={people} />
      {problem && <ProblemNotice problem={problem} />}
      {set.size > 0 && <ChosenFiles many={set.size} people={people} onChange={(said) => void change(said)} onClear={clear} />}
      {files.length === 0 ? (
        <p>
          {kinds.length > 0 ? 'No file is left by this choice.' : 'Nothing is attached here: all that came are pages, and what they show.'}
        </p>
      ) : (
        <TableFrame tabIndex={0} role="region" aria-label="Attached files by their path">
          <Table>
            <caption>Files that are no pages</caption>
            <thead>
              <tr>
                <th scope="col">
                  <Cell>
                    <Tick label="" name="All files shown" on={set.size === files.length} onChange={chooseAll} />
                    File
                  </Cell>
                </th>
                <th scope="col">Read in it</th>
                <th scope="col" className="number">
                  Pages that use it
                </th>
                <th scope="col">Standing</th>
                <th scope="col">Who has it, by when</th>
              </tr>
            </thead>
            <tbody>
              {files.map((file) => (
                <FileRow
                  key={file.path}
                  file={file}
                  collection={collection.slug}
                  on={set.has(file.path)}
                  onChoose={(on) => choose(file.path, on)}
                />
              ))}
            </tbody>
          </Table>
        </TableFrame>
      )}
      {(next !== null || choice.after !== undefined) && (
        <Bar as="nav" aria-label="More files">
          {choice.after !== undefined && (
            <ButtonLink href={addressOf(collection.slug, { ...choice, after: undefined })}>First files</ButtonLink>
          )}
          {next !== null && <ButtonLink href={addressOf(collection.slug, { ...choice, after: next })}>Next files</ButtonLink>}
        </Bar>
      )}
    </Main>
  );
}

/** What is said of files that are chosen; what is left out stays as it is. */
interface Said {
  standing?: AttachmentStanding;
  owner?: string | null;
  due?: string | null;
  note?: string;
}

/** Names the files that somebody else changed meanwhile, and that were left as they are. */
function leftAlone({ changed, left }: { changed: number; left: string[] }): Problem | null {
  if (left.length === 0) return null;
  return {
    code: 'conflict',
    what: left.length === 1 ? 'One file was left as it is' : `${left.length} files were left as they are`,
    why: `Somebody else changed this meanwhile: ${left.join(', ')}.`,
    kept: `What they said was kept, and is shown now. ${changed === 1 ? 'The other file was' : `The ${changed} others were`} changed.`,
    next: 'Look at it again, and say it once more if it still holds.',
  };
}

/** Files chosen of those that are shown. */
function useChosen({ shown }: Attached) {
  const [marked, setMarked] = useState<ReadonlySet<string>>(new Set());
  return {
    set: new Set(shown.flatMap(({ path }) => (marked.has(path) ? [path] : []))),
    choose: (path: string, on: boolean) => setMarked((now) => new Set(on ? [...now, path] : [...now].filter((one) => one !== path))),
    chooseAll: (on: boolean) => setMarked(new Set(on ? shown.map(({ path }) => path) : [])),
    clear: () => setMarked(new Set()),
  };
}

function Choices({ shown: { collection, choice, kinds }, people }: { shown: Attached; people: readonly Somebody[] }) {
  const router = useRouter();
  const go = (part: Partial<AttachmentWish>) => router.push(addressOf(collection.slug, { ...choice, after: undefined, ...part }));
  const [any, nobody] = ['', '\u0000'];
  return (
    <Bar role="search" aria-label="Choose files">
      <Pick
        label="Kind"
        value={choice.kind ?? ''}
        onChange={(kind) => go({ kind: kind || undefined })}
        options={[{ value: '', label: 'Any kind' }, ...kinds.map(({ kind, many }) => ({ value: kind, label: `${kind} (${many})` }))]}
      />
      <Pick
        label="Standing"
        value={choice.standing ?? ''}
        onChange={(standing) => go({ standing: (standing || undefined) as AttachmentWish['standing'] })}
        options={[{ value: '', label: 'Any standing' }, ...STANDINGS]}
      />
      <Pick
        label="Who has it"
        value={choice.owner === undefined ? any : choice.owner === '' ? nobody : choice.owner}
        onChange={(owner) => go({ owner: owner === any ? undefined : owner === nobody ? '' : owner })}
        options={[
          { value: any, label: 'Anybody' },
          { value: nobody, label: 'Nobody yet' },
          ...people.map(({ id, name }) => ({ value: id, label: name })),
        ]}
      />
    </Bar>
  );
}

interface ChosenProps {
  many: number;
  people: readonly Somebody[];
  onChange(said: Said): void;
  onClear(): void;
}

/** What can be said of the files that are chosen, all at once. */
function ChosenFiles({ many, people, onChange, onClear }: ChosenProps) {
  const [day, setDay] = useState('');
  const [word, setWord] = useState('');
  return (
    <Chosen role="group" aria-label="Chosen files">
      <b role="status">{`${many} chosen`}</b>
      <Pick
        label="Standing"
        value=""
        onChange={(standing) => standing && onChange({ standing: standing as AttachmentStanding })}
        options={[{ value: '', label: 'set to…' }, ...STANDINGS]}
      />
      <Pick
        label="Give to"
        value=""
        onChange={(owner) => owner && onChange({ owner: owner === '\u0000' ? null : owner })}
        options={[
          { value: '', label: 'choose…' },
          { value: '\u0000', label: 'nobody' },
          ...people.map(({ id, name }) => ({ value: id, label: name })),
        ]}
      />
      <DayBox label="By" value={day} onChange={setDay} />
      <Button isDisabled={day === ''} onPress={() => onChange({ due: day })}>
        Set the day
      </Button>
      <Button $look="quiet" onPress={() => onChange({ due: null })}>
        No day
      </Button>
      <WordBox label="Remark" value={word} onChange={setWord} />
      <Button isDisabled={word.trim() === ''} onPress={() => onChange({ note: word.trim() })}>
        Set the remark
      </Button>
      <Button $look="quiet" onPress={() => onChange({ note: '' })}>
        No remark
      </Button>
      <Button $look="quiet" onPress={onClear}>
        Choose none
      </Button>
    </Chosen>
  );
}

interface FileProps {
  file: Attached['shown'][number];
  collection: string;
  on: boolean;
  onChoose(on: boolean): void;
}

function FileRow({ file, collection, on, onChoose }: FileProps) {
  const read = file.facts && factWords(file.facts);
  return (
    <tr>
      <th scope="row">
        <Cell>
          <Tick label="" name={`Choose ${file.path}`} on={on} onChange={onChoose} />
          <span>
            <a href={`/proof/${encodeURIComponent(collection)}/${file.path.split('/').map(encodeURIComponent).join('/')}`} download>
              {file.path.split('/').pop()}
            </a>
            <Small>{`${file.kind}, ${sizeWords(file.size)}, ${file.path}`}</Small>
          </span>
        </Cell>
      </th>
      <td>
        {read ? (
          <>
            {read.is}
            {read.misses.length > 0 && (
              <Misses>
                {read.misses.map((words) => (
                  <li key={words}>{words}</li>
                ))}
              </Misses>
            )}
          </>
        ) : (
          <Small>{file.kind === 'PDF' || file.kind === 'captions' ? 'being read …' : 'nothing: only a person sees inside'}</Small>
        )}
      </td>
      <td className="number">{file.pages}</td>
      <td>
        {STANDING_WORDS[file.standing]}
        {file.last && (
          <Small>
            {`${file.last.by}, `}
            <When at={file.last.at} />
          </Small>
        )}
        {file.note && <Small>{file.note}</Small>}
      </td>
      <td>
        {file.owned_by ?? 'Nobody'}
        {file.due && (
          <Small>
            by <Day day={file.due} />
          </Small>
        )}
      </td>
    </tr>
  );
}
