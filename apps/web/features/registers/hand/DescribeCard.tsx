'use client';
import { lookup, type Mend, type MendPart } from '@inkwell/core';
import type { CaseView, NameForFile, ThingLine } from '@inkwell/review';
import { useEffect, useMemo, useRef, useState } from 'react';
import styled from 'styled-components';
import { Button } from '@/ui/Button';
import { Choice, TextBox, Tick } from '@/ui/Field';
import { Apply } from './Apply';
import { send } from '@/ui/send';
import { useLater } from '@/ui/useLater';
import { sizeWords } from '@/ui/words';
import type { Engine } from '../../desk/engine/useEngine';
import { Warnings } from '../../desk/note/Warnings';
import { proofAddress } from '../../desk/proof/Proof';
import { markupOf } from '../../desk/text/sheetOfTools';
import { Cases, caseKey, useTicked } from './Cases';
import { exceptionOf, usualOf } from './exceptions';
import { OtherImage } from './OtherImage';
import type { Thing } from './useThing';
import type { WishedParts } from './wished';

const Form = styled.form`
  display: grid;
  gap: 0.75rem;
  min-width: 0;
  textarea {
    min-height: 2.6rem;
  }
`;
const Large = styled.div`
  display: grid;
  place-items: center;
  height: 11rem;
  background: #fff;
  color: #3f4858;
  border: 1px solid var(--line);
  img {
    max-width: 100%;
    max-height: 10.9rem;
  }
`;
const Facts = styled.p`
  font-size: 0.8125rem;
  color: var(--quiet);
  overflow-wrap: anywhere;
`;
const Written = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 0.35rem;
  align-items: center;
  font-size: 0.8125rem;
`;
const WAYS = [
  { value: 'says', label: 'It says something' },
  { value: 'decorates', label: 'It only decorates' },
];

interface CardProps {
  collection: string | null;
  line: ThingLine;
  thing: Thing;
  engine: Engine;
  isNext: boolean;
  onDone(wish: WishedParts): void;
  onKeepCopy(collection: string): void;
}

const isTold = ({ facts }: CaseView) => facts.kind !== 'background' && facts.kind !== 'icon' && facts.kind !== 'poster';

type Draft = ReturnType<typeof useDraft>;

/** What is to be said of an image, of its uses one by one where they differ, and what its file is to be called. */
function useDraft({ line, thing }: Pick<CardProps, 'line' | 'thing'>) {
  const cases = useMemo(() => (thing.view?.cases ?? []).filter(isTold), [thing.view]);
  const usual = useMemo(() => usualOf(cases), [cases]);
  const known = [...new Set(cases.flatMap(({ says }) => (says ? [says] : [])))];
  const captions = [...new Set(cases.map(({ facts }) => String(facts.caption ?? '')))];
  const [way, setWay] = useState(line.traits.includes('decorative') && !line.traits.includes('described') ? 'decorates' : 'says');
  const [alt, setAlt] = useState<string | null>(null);
  const [caption, setCaption] = useState<string | null>(null);
  const [own, setOwn] = useState<Readonly<Record<string, string>>>({});
  const words = alt ?? (known.length === 1 ? known[0]! : '');
  const { chosen, choose } = useTicked(cases, (one) => exceptionOf(one, usual) === null);
  const name = useName(line, way === 'says' ? words : '');
  const mendOf = (one: CaseView): Mend | null => {
    const text = (exceptionOf(one, usual) === null ? words : (lookup(own, caseKey(one)) ?? '')).trim();
    if (way === 'says' && text === '' && caption === null) return null;
    const alternative = way === 'decorates' ? { alternative: '' } : text === '' ? {} : { alternative: text };
    return { do: 'describe', ...alternative, ...(caption === null ? {} : { caption: caption.trim() }) };
  };
  const parts = cases.flatMap((one): MendPart[] => {
    const mend = chosen.has(caseKey(one)) ? mendOf(one) : null;
    return mend ? [{ thing: one.thing, alike: [one.case], mend }] : [];
  });
  const [first] = cases;
  const renames = name.wanted && name.written !== '' && first ? [{ thing: first.thing, name: name.written }] : [];
  const captioned = caption ?? (captions.length === 1 ? captions[0]! : '');
  const sayOwn = (one: CaseView, text: string) => {
    setOwn((now) => ({ ...now, [caseKey(one)]: text }));
    choose(caseKey(one), text.trim() !== '');
  };
  const written = { way, setWay, words, setAlt, captioned, setCaption, captions, known, own, sayOwn, name };
  return { ...written, cases, usual, chosen, choose, mendOf, parts, renames, ready: parts.length > 0 || renames.length > 0 };
}

/** One image in one visit: what it says or that it decorates, its caption, its file’s name, for all its uses but those left out. */
export function DescribeCard({ collection, line, thing, engine, isNext, onDone, onKeepCopy }: CardProps) {
  const draft = useDraft({ line, thing });
  const form = useSelected(draft.known.length === 1 ? draft.known[0]! : '');
  const { cases, usual, chosen, choose, mendOf, parts, renames, ready, way, own } = draft;
  const go = () => ready && onDone({ parts, renames });
  // Enter does it, as in a field of one line; a description has none.
  const onKeyDown = (event: React.KeyboardEvent) => {
    if (event.key !== 'Enter' || event.shiftKey || !(event.target instanceof HTMLTextAreaElement)) return;
    event.preventDefault();
    go();
  };
  return (
    <Form
      ref={form}
      onKeyDown={onKeyDown}
      onSubmit={(event) => {
        event.preventDefault();
        go();
      }}
    >
      <Picture line={line} collection={collection} />
      {cases.length > 0 && <OtherImage {...{ collection, line, thing, cases, onDone, onKeepCopy }} />}
      {thing.view !== null && cases.length === 0 ? (
        <p>Readers are told of none of its uses: there is nothing to describe.</p>
      ) : (
        <>
          <ItsWords draft={draft} file={line.name} engine={engine} />
          <Apply>
            <Button type="submit" $look="main" isDisabled={!ready}>
              {isNext ? 'Apply, next image' : 'Apply'}
            </Button>
          </Apply>
          <Cases
            {...{ collection, cases, around: thing.around, chosen, mendOf }}
            register="images"
            word="image"
            onChoose={choose}
            says={(one) => sayingOf(one)}
            extra={(one) => {
              const why = exceptionOf(one, usual);
              if (why === null || way === 'decorates') return null;
              return <TextBox label={why} value={lookup(own, caseKey(one)) ?? ''} onChange={(text) => draft.sayOwn(one, text)} />;
            }}
          />
        </>
      )}
    </Form>
  );
}

/** What was written before is chosen as a whole where one is about to write: typing replaces it. */
function useSelected(written: string) {
  const form = useRef<HTMLFormElement>(null);
  useEffect(() => {
    const field = form.current?.querySelector('textarea');
    if (field && field === document.activeElement) field.select();
  }, [written]);
  return form;
}

const ANYWHERE = { source: '', scope: 'fragment' as const, title: '', address: '', neighbours: { titles: {} } };

/** The fields of a visit, looked at by the engine while they are filled in. */
function ItsWords({ draft, file, engine }: { draft: Draft; file: string; engine: Engine }) {
  const { way, words, captioned, captions, known, name, usual } = draft;
  const question = useMemo(
    () =>
      way === 'says' && words.trim() !== '' ? { kind: 'warned-of' as const, page: ANYWHERE, html: figureOf(file, words, captioned) } : null,
    [way, words, captioned, file],
  );
  return (
    <>
      <Choice label="The image" hideLabel value={way} onChange={draft.setWay} options={WAYS} />
      {way === 'says' && (
        <TextBox
          label={`Alternative text: ${usual.link === null ? 'what does the image show?' : 'where does the link lead?'}`}
          value={words}
          onChange={draft.setAlt}
          passage
          hint={`A few words; it is announced as an image already. ${[...words].length} characters.`}
        />
      )}
      <Warnings engine={engine} question={question} />
      {known.length > 1 && (
        <Written>
          Already written:
          {known.slice(0, 6).map((one) => (
            <Button key={one} $look="quiet" onPress={() => draft.setAlt(one)}>
              {one}
            </Button>
          ))}
        </Written>
      )}
      <TextBox
        label="Caption"
        value={captioned}
        onChange={draft.setCaption}
        hint={
          captions.length > 1
            ? 'There are different ones; they stay until you write here.'
            : 'Everybody sees it; it stays until you write here.'
        }
      />
      {name.told && (
        <div>
          <Tick
            label={name.told.odd ? 'Give the file a better name' : 'Give the file another name'}
            on={name.wanted}
            onChange={name.setWanted}
          />
          {name.wanted && (
            <TextBox
              label="File name"
              value={name.written}
              onChange={name.setWritten}
              hint="Every page and style sheet follows, and the old address goes on the list of redirects."
            />
          )}
        </div>
      )}
    </>
  );
}

function sayingOf({ says, facts }: CaseView): string {
  const text = facts.decorative ? 'Decorative' : says === null ? 'No alternative text' : `“${says}”`;
  return [
    text,
    facts.caption !== undefined && `caption “${String(facts.caption)}”`,
    facts.language !== undefined && `in ${String(facts.language)}`,
  ]
    .filter(Boolean)
    .join(', ');
}

function figureOf(file: string, alt: string, caption: string): string {
  const image = markupOf('img', { src: file, alt });
  if (caption === '') return `<p>${image}</p>`;
  return `<figure>${image}<figcaption>${caption.replace(/[&<>]/g, ' ')}</figcaption></figure>`;
}

function Picture({ line, collection }: { line: ThingLine; collection: string | null }) {
  const [lost, setLost] = useState(false);
  const lies = line.collections[0] ?? collection;
  const measures = [line.width !== null && `${line.width} × ${line.height} px`, line.size !== null && sizeWords(line.size)]
    .filter(Boolean)
    .join(', ');
  return (
    <div>
      <Large>
        {line.sha256 !== null && lies !== null && !(lost && line.width === null) ? (
          <img
            src={lost ? `/thumbnail/${line.sha256}` : proofAddress(lies, line.name)}
            alt="The image in hand"
            onError={() => setLost(true)}
          />
        ) : (
          <span>{line.traits.includes('borrowed') ? 'It lies on another host, and is not shown here.' : 'Its file is not here.'}</span>
        )}
      </Large>
      <Facts>{[line.name, measures, line.files > 1 && `${line.files} files look so`].filter(Boolean).join(' · ')}</Facts>
    </div>
  );
}

/** The name an image's file has, and the one that its description would give it. */
function useName(line: ThingLine, words: string) {
  const [told, setTold] = useState<NameForFile | null>(null);
  const [wanted, setWanted] = useState(false);
  const [written, setWritten] = useState<string | null>(null);
  const later = useLater(words.trim(), 350);
  const one = line.files === 1 && line.sha256 !== null && line.collections.length === 1;
  const [collection] = line.collections;
  useEffect(() => {
    if (!one || collection === undefined) return;
    let left = false;
    void send<NameForFile>('/api/registers/name', { collection, path: line.name, words: later }).then((sent) => {
      if (sent.ok && !left) setTold(sent.value);
    });
    return () => {
      left = true;
    };
  }, [one, collection, line.name, later]);
  return { told, wanted, setWanted, written: written ?? told?.proposed ?? '', setWritten };
}
