'use client';
import type { Inputs, RemedyName } from '@inkwell/core';
import type { Note, PageWithSlip } from '@inkwell/review';
import { useEffect, useState } from 'react';
import styled from 'styled-components';
import { CameOf } from '@/features/repeated/CameOf';
import { isUnderWay } from '@/features/repeated/stroke';
import { useStroke } from '@/features/repeated/useStroke';
import { Button } from '@/ui/Button';
import { Tick } from '@/ui/Field';
import { Row } from '@/ui/Panel';
import { send } from '@/ui/send';
import { Sheet } from '@/ui/Sheet';
import { counted } from '@/ui/words';

const Pages = styled.div`
  max-height: min(22rem, 45vh);
  overflow: auto;
  border: 1px solid var(--line);
  padding: 0.4rem 0.75rem;
  &:focus-visible {
    outline-offset: -3px;
  }
`;

/** What is done to one slip on many pages. */
export type Stroke = { act: 'fix'; label: string; remedy: RemedyName; inputs: Inputs } | { act: 'elsewhere' | 'no problem' };

const WORDS: Record<Stroke['act'], { what: string; button(many: number): string; go(pages: string): string }> = {
  fix: { what: '', button: (many) => `On all ${many} pages…`, go: (pages) => `Fix it on ${pages}` },
  elsewhere: {
    what: 'For the theme or host',
    button: (many) => `For the theme, on all ${many} pages…`,
    go: (pages) => `Tell it apart on ${pages}`,
  },
  'no problem': { what: 'No problem', button: (many) => `No problem, on all ${many} pages…`, go: (pages) => `Answer it on ${pages}` },
};

/** The pages on which the slip of a note stands, its own among them; empty while they are looked for, and where it is on no other. */
export function useSameSlip(pageId: number, version: number, note: Note): readonly PageWithSlip[] {
  const [pages, setPages] = useState<{ of: number; pages: PageWithSlip[] }>({ of: 0, pages: [] });
  const { id, slip } = note;
  useEffect(() => {
    if (slip === undefined) return;
    let wanted = true;
    void send<PageWithSlip[]>(`/api/pages/${pageId}/same-slip`, { findingId: id }).then((sent) => {
      if (wanted && sent.ok) setPages({ of: id, pages: sent.value });
    });
    return () => {
      wanted = false;
    };
  }, [pageId, version, id, slip]);
  return pages.of === id ? pages.pages : [];
}

export interface OnManyPagesProps {
  pageId: number;
  collection: string;
  note: Note;
  stroke: Stroke;
  pages: readonly PageWithSlip[];
  disabled: boolean;
  onOpen(): void;
  /** Something was done to this page in the background, and whoever did it has seen what came of it. */
  onDone(): void;
}

/** Does to a slip on many pages what is about to be done here: which pages, and what came of it, with a way back. */
export function OnManyPages({ pageId, collection, note, stroke, pages, disabled, onOpen, onDone }: OnManyPagesProps) {
  const [open, setOpen] = useState(false);
  const [left, setLeft] = useState<ReadonlySet<number>>(new Set());
  const [listed, setListed] = useState(pages);
  const { made, problem, begin, takeBack, forget } = useStroke();
  if (pages.length < 2 && !open) return null;
  const chosen = listed.filter(({ id }) => !left.has(id));
  // The note goes with what was done to it, and this sheet with the note: the page is read anew when it is closed.
  const close = () => {
    setOpen(false);
    forget();
    if (made) onDone();
  };
  const words = WORDS[stroke.act];
  const what = stroke.act === 'fix' ? stroke.label : words.what;
  return (
    <>
      <Button
        $look={stroke.act === 'fix' ? 'plain' : 'quiet'}
        isDisabled={disabled}
        onPress={() => {
          onOpen();
          setListed(pages);
          setLeft(new Set());
          setOpen(true);
        }}
      >
        {words.button(pages.length)}
      </Button>
      <Sheet title={`On many pages: ${note.title}`} open={open} onClose={close} wide problem={problem}>
        {made ? (
          <CameOf stroke={made} collection={collection} />
        ) : (
          <>
            <p>{`${what}, in the same piece on each of these pages. It is done in the background, page after page, and one word takes all of it back.`}</p>
            <Pages tabIndex={0} role="region" aria-label="Pages with the same slip">
              {listed.map(({ id, title }) => (
                <div key={id}>
                  <Tick label={title} on={!left.has(id)} onChange={(on) => setLeft(without(left, id, on))} />
                </div>
              ))}
            </Pages>
          </>
        )}
        <Row>
          {!made && (
            <Button
              $look="main"
              isDisabled={chosen.length === 0}
              onPress={() => void begin(`/api/pages/${pageId}/stroke`, bodyOf(note, stroke, chosen))}
            >
              {words.go(counted(chosen.length, 'page'))}
            </Button>
          )}
          {made && !made.taken_back && !isUnderWay(made) && made.done > 0 && <Button onPress={() => void takeBack()}>Take it back</Button>}
          <Button onPress={close}>{made ? 'Close' : 'Cancel'}</Button>
        </Row>
      </Sheet>
    </>
  );
}

function bodyOf(note: Note, stroke: Stroke, pages: readonly PageWithSlip[]): object {
  const how = stroke.act === 'fix' ? { remedy: stroke.remedy, inputs: stroke.inputs } : {};
  return { findingId: note.id, act: stroke.act, ...how, pages: pages.map(({ id }) => id) };
}

function without(left: ReadonlySet<number>, id: number, on: boolean): ReadonlySet<number> {
  const next = new Set(left);
  if (on) next.delete(id);
  else next.add(id);
  return next;
}
