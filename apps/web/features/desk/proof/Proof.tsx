'use client';
import { type CSSProperties, memo, useCallback, useEffect, useRef, useState, type RefObject } from 'react';
import styled from 'styled-components';
import { Drop, WEIGHT_WORDS } from '@/ui/Drop';
import { useLater } from '@/ui/useLater';
import { ColourFilters } from './ColourFilters';
import { enlargeText, imagesAsWords } from './dress';
import { ProofBar } from './ProofBar';
import type { ProofView } from './views';
import type { DeskActions, DeskState, Numbered } from '../useDesk';
import { contentHeight, elementByPath, type Box } from './frame';
import { addStyle, bodyOf, boxesOf, boxOf, headOf, holds, listen, localNameOf, stateOf, unlisten, urlOf, viewOf } from './natives';

const MARGIN = 56;
const NOTE_HEIGHT = 34;
/** px: a page that is as high as its window, and a bit, would grow for ever. Manuals of a megabyte are some 200,000 high. */
const TALLEST = 2_000_000;

const Sheet = styled.div`
  position: relative;
  overflow: auto;
  background: #fffefa;
  border: 1px solid var(--line);
  border-right: 0;
  min-height: 0;
`;
const Inner = styled.div`
  position: relative;
  display: grid;
  grid-template-columns: minmax(0, 1fr) ${MARGIN}px;
  min-height: 100%;
`;
const Shown = styled.p`
  grid-column: 1;
  padding: 1rem 1.9rem 0;
  font: 600 1.625rem/1.25 var(--serif);
  color: #1b2536;
  span {
    display: block;
    font: 400 0.8125rem var(--sans);
    color: #3f4858;
  }
`;
const Window = styled.div<{ $framed: boolean }>`
  grid-column: 1;
  justify-self: start;
  overflow: hidden;
  ${({ $framed }) => $framed && 'border-right: 1px dashed var(--edge);'}
`;
const Frame = styled.iframe`
  width: 100%;
  border: 0;
  display: block;
  background: #fffefa;
  color-scheme: light;
  transform-origin: 0 0;
`;
const Margin = styled.div`
  position: absolute;
  top: 0;
  right: 0;
  width: ${MARGIN}px;
  height: 100%;
  background: var(--paper);
  border-left: 2px solid var(--marginRule);
`;
const Mark = styled.button<{ $current: boolean }>`
  position: absolute;
  left: 10px;
  width: 34px;
  height: ${NOTE_HEIGHT - 2}px;
  padding: 0;
  border: 0;
  background: none;
  cursor: pointer;
  display: grid;
  place-items: center;
  svg {
    position: absolute;
    inset: 0;
    margin: auto;
  }
  b {
    position: relative;
    top: 4px;
    font: 700 0.8125rem/1.15 var(--sans);
    padding: 0 3px;
    border-radius: 6px;
  }
  b.inked {
    color: var(--paper);
  }
  b.clear {
    color: ${({ $current }) => ($current ? 'var(--gall)' : 'var(--ink)')};
  }
`;
const Highlight = styled.div`
  position: absolute;
  pointer-events: none;
  outline: 2px solid #22406e;
  outline-offset: 3px;
`;
const Lead = styled.div`
  position: absolute;
  pointer-events: none;
  border: 0 solid #22406e;
`;
const Tray = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 0.3rem 0.6rem;
  padding: 0.35rem 1rem;
  background: var(--paper);
  border: 1px solid var(--line);
  border-bottom: 0;
  border-right: 0;
  font-size: 0.875rem;
  color: var(--quiet);
  button {
    position: relative;
    left: auto;
  }
`;

interface Placed {
  one: Numbered;
  box: Box;
  top: number;
}

export interface ProofProps {
  state: DeskState;
  actions: DeskActions;
  view: ProofView;
  onView(view: ProofView): void;
}

/** The page as readers see it, with its notes in the margin. The frame runs no scripts; we only read where things lie in it. */
export function Proof({ state, actions, view, onView }: ProofProps) {
  const { desk, open, inHand, pointed } = state;
  const { choose } = actions;
  const frame = useRef<HTMLIFrameElement>(null);
  const sheet = useRef<HTMLDivElement>(null);
  const dressed = useRef<Document | null>(null);
  const growths = useRef(0);
  const [height, setHeight] = useState(400);
  const [placed, setPlaced] = useState<Placed[]>([]);
  const [unseen, setUnseen] = useState<Numbered[]>([]);
  const [spot, setSpot] = useState<Box | null>(null);
  const [pane, setPane] = useState(0);
  const revision = useLater(desk.revision.number, MOMENT);
  const width = view.width === 'pane' ? pane : Number(view.width);
  const scale = width > pane && pane > 0 ? pane / width : 1;

  const measureNow = useCallback(() => {
    const page = frame.current?.contentDocument;
    if (!page || !bodyOf(page) || !frame.current) return;
    setHeight((now) => grown(now, contentHeight(page), growths));
    const lie = { top: frame.current.parentElement!.offsetTop, scale };
    const { placed: found, unseen: others } = place(page, open, lie);
    setPlaced(found);
    setUnseen(others);
    const rect = pointed === null ? null : visibleRect(page, { path: pointed });
    setSpot(rect && onSheet(rect, lie));
  }, [open, pointed, scale]);
  const measure = useOncePerFrame(measureNow);

  const dress = useCallback(() => {
    const page = frame.current?.contentDocument;
    if (!page || !headOf(page) || urlOf(page) === 'about:blank' || dressed.current === page) return;
    dressed.current = page;
    growths.current = 0;
    // A fragment has no look of its own: the platform's stands in for it.
    if (desk.scope === 'fragment') addStyle(page, PLATFORM_LOOK);
    if (view.images === 'words') imagesAsWords(page);
    // Sizes are known once every style sheet has come.
    if (view.text === '200') onceWhole(page, () => (enlargeText(page, 2), measure()));
    const come = () => {
      growths.current = 0;
      measure();
    };
    listen(page, 'load', come, true);
    listen(page, 'error', come, true);
    listen(page, 'click', (event) => event.preventDefault(), true);
    measure();
  }, [desk.scope, measure, view.images, view.text]);

  useDressedSoon(frame, dressed, dress);
  useEffect(() => {
    measureNow();
    const watch = new ResizeObserver(() => {
      setPane(Math.max(0, (sheet.current?.clientWidth ?? 0) - MARGIN));
      measure();
    });
    if (frame.current) watch.observe(frame.current);
    if (sheet.current) watch.observe(sheet.current);
    return () => watch.disconnect();
  }, [measureNow, measure]);

  usePickedByClick(frame, open, choose, placed);
  const current = placed.find(({ one }) => one.note.id === inHand?.note.id);
  const shown = pointed === null ? current?.box : spot;
  useInView(sheet, shown?.top, `${inHand?.note.id} ${pointed}`);
  const mark = (one: Numbered, top?: number) => (
    <MarginMark
      key={one.note.id}
      one={one}
      current={one.note.id === inHand?.note.id}
      onChoose={choose}
      {...(top === undefined ? {} : { top })}
    />
  );
  return (
    <>
      <ColourFilters />
      <div>
        <ProofBar view={view} onChange={onView} />
        {unseen.length > 0 && (
          <Tray role="group" aria-label="Notes on what is not seen on the page">
            Not seen on the page: {unseen.map((one) => mark(one))}
          </Tray>
        )}
      </div>
      <Sheet ref={sheet} tabIndex={0} role="region" aria-label="Proof">
        <Inner>
          {desk.scope === 'fragment' && (
            <Shown>
              <span>Title, shown by the platform at level 1</span>
              {desk.title}
            </Shown>
          )}
          <Window $framed={view.width !== 'pane'} style={{ width: view.width === 'pane' ? '100%' : width * scale, height: height * scale }}>
            <Frame
              key={`${view.images} ${view.text}`}
              ref={frame}
              title={`Proof of ${desk.title}`}
              sandbox="allow-same-origin"
              tabIndex={-1}
              src={proofAddress(desk.collection.slug, desk.address, revision)}
              onLoad={() => {
                dress();
                measure();
              }}
              style={{
                height,
                ...(view.width === 'pane' ? {} : { width, transform: `scale(${scale})` }),
                ...(view.eyes === 'all' ? {} : { filter: `url(#eyes-${view.eyes})` }),
              }}
            />
          </Window>
          {shown && <Highlight style={shown} />}
          {current && pointed === null && (
            <Lead style={leadOf(current.box, current.top + NOTE_HEIGHT / 2, (sheet.current?.clientWidth ?? 0) - MARGIN)} />
          )}
          <Margin role="group" aria-label="Margin">
            {placed.map(({ one, top }) => mark(one, top))}
          </Margin>
        </Inner>
      </Sheet>
    </>
  );
}

/** A click on the page takes up the note of the innermost thing clicked on. `placed`: the page is another one whenever these are. */
function usePickedByClick(
  frame: RefObject<HTMLIFrameElement | null>,
  open: readonly Numbered[],
  choose: (noteId: number) => void,
  placed: readonly Placed[],
): void {
  useEffect(() => {
    const page = frame.current?.contentDocument;
    if (!page) return;
    const pick = (event: Event) => {
      const hit = open.findLast(({ note }) => {
        const element = elementByPath(page, note.at.path);
        return element && holds(element, event.target as Node) && !/^\/html\[1\](\/head\[1\]|\/body\[1\])?$/.test(note.at.path);
      });
      if (hit) choose(hit.note.id);
    };
    listen(page, 'click', pick);
    return () => unlisten(page, 'click', pick);
  }, [frame, open, choose, placed]);
}

/** ms: whoever works with the keys has the next note first, and the page as it is now right behind it. */
const MOMENT = 90;

/** How often a page may grow though nothing more of it has come: one that does so again grows with whatever window it is given. */
const MOST_GROWTHS = 3;

/** The next height of the frame: as its content asks, unless it grows with whatever it is given. */
function grown(now: number, content: number, growths: RefObject<number>): number {
  const next = Math.min(TALLEST, Math.max(300, content));
  if (next > now && growths.current++ > MOST_GROWTHS) return now;
  return next;
}

/**
 * Notes stand beside their lines as soon as the page's text is there, before its last image: nothing tells of that moment, so it is looked
 * for.
 */
function useDressedSoon(frame: RefObject<HTMLIFrameElement | null>, dressed: RefObject<Document | null>, dress: () => void): void {
  useEffect(() => {
    const timer = setInterval(() => {
      const page = frame.current?.contentDocument;
      if (page && stateOf(page) !== 'loading') dress();
      if (page && dressed.current === page) clearInterval(timer);
    }, 40);
    return () => clearInterval(timer);
  }, [frame, dressed, dress]);
}

/** Runs once a page and everything it links has loaded. */
function onceWhole(page: Document, run: () => void): void {
  const view = viewOf(page);
  if (stateOf(page) === 'complete') run();
  else if (view) listen(view, 'load', run);
}

/** How near to the margin a piece has to end for a line to go straight there: no text stands between. */
const NEAR = 48;

/**
 * The line from a piece of the page to its mark: straight where the piece reaches the margin, else under the piece's last line, between the
 * lines of text, and along the margin to the mark.
 *
 * @param at height of the mark's middle
 * @param edge where the margin begins
 */
export function leadOf(box: Box, at: number, edge: number): CSSProperties {
  const [left, bottom] = [box.left + box.width + 3, box.top + box.height + 3];
  const straight = edge - left < NEAR && at > box.top && at < bottom;
  if (straight) return { top: at, left, right: MARGIN, borderTopWidth: 2 };
  const down = at >= bottom;
  return {
    top: Math.min(at, bottom),
    height: Math.abs(at - bottom) + 2,
    left,
    right: MARGIN - 6,
    borderRightWidth: 2,
    ...(down ? { borderTopWidth: 2 } : { borderBottomWidth: 2 }),
  };
}

/** Brings a place of the sheet into view when it, or what it is of, has changed. */
function useInView(sheet: RefObject<HTMLDivElement | null>, top: number | undefined, of: string): void {
  useEffect(() => {
    const within = sheet.current;
    if (top === undefined || !within) return;
    const still = window.matchMedia('(prefers-reduced-motion: reduce)').matches;
    if (top < within.scrollTop + 40 || top > within.scrollTop + within.clientHeight - 120)
      within.scrollTo({ top: Math.max(0, top - 120), behavior: still ? 'auto' : 'smooth' });
  }, [sheet, top, of]);
}

/** Many images load at once: what they set off is done once for each frame the screen shows. */
function useOncePerFrame(run: () => void): () => void {
  const latest = useRef(run);
  const asked = useRef(0);
  useEffect(() => void (latest.current = run), [run]);
  useEffect(() => () => cancelAnimationFrame(asked.current), []);
  return useCallback(() => {
    cancelAnimationFrame(asked.current);
    asked.current = requestAnimationFrame(() => latest.current());
  }, []);
}

const PLATFORM_LOOK =
  'body { font: 16px/1.55 Georgia, "Liberation Serif", serif; color: #222; background: #fffefa; margin: 12px 30px 24px; } img { max-width: 100%; height: auto; } table { border-collapse: collapse; } td, th { padding: 4px 10px; }';

/** A page that lies inside an XML file names its place there after the file: what it shows is found from the file. */
export function proofAddress(collection: string, address: string, revision?: number): string {
  const [file, inside] = address.split('#', 2);
  const path = file!.split('/').map(encodeURIComponent).join('/');
  const asked = new URLSearchParams({
    ...(inside === undefined ? {} : { inside }),
    ...(revision === undefined ? {} : { revision: String(revision) }),
  }).toString();
  return `/proof/${encodeURIComponent(collection)}/${path}${asked && `?${asked}`}`;
}

/** Where the frame lies in the sheet, and how much smaller it is shown than it is. */
interface Lie {
  top: number;
  scale: number;
}

function onSheet(rect: Box, { top, scale }: Lie): Box {
  return { top: rect.top * scale + top, left: rect.left * scale, width: rect.width * scale, height: rect.height * scale };
}

/** Where each note's element lies in the sheet; notes never cover each other, so a crowd of them flows downwards. */
function place(page: Document, open: readonly Numbered[], lie: Lie): { placed: Placed[]; unseen: Numbered[] } {
  const placed: Placed[] = [];
  const unseen: Numbered[] = [];
  let free = 0;
  const located = open.map((one) => ({ one, rect: visibleRect(page, one.note.at) }));
  for (const { one, rect } of located.sort((a, b) => (a.rect?.top ?? -1) - (b.rect?.top ?? -1))) {
    if (!rect) {
      unseen.push(one);
      continue;
    }
    const box = onSheet(rect, lie);
    const top = Math.max(free, box.top + Math.min(0, box.height / 2 - NOTE_HEIGHT / 2));
    free = top + NOTE_HEIGHT;
    placed.push({ one, box, top });
  }
  return { placed, unseen: unseen.sort((a, b) => a.number - b.number) };
}

/** Around the element, or the run of neighbours, that a note speaks of; null when nothing of it is shown. */
function visibleRect(page: Document, at: { path: string; through?: string }): Box | null {
  const first = elementByPath(page, at.path);
  if (!first || ['html', 'head', 'title', 'body'].includes(localNameOf(first)) || boxesOf(first).length === 0) return null;
  const from = boxOf(first);
  const last = at.through ? elementByPath(page, at.through) : null;
  const to = last ? boxOf(last) : from;
  const left = Math.min(from.left, to.left);
  return { top: from.top, left, width: Math.max(from.right, to.right) - left, height: to.bottom - from.top };
}

const MarginMark = memo(function MarginMark({
  one,
  current,
  onChoose,
  top,
}: {
  one: Numbered;
  current: boolean;
  onChoose(noteId: number): void;
  top?: number;
}) {
  const { weight, title, outcome } = one.note;
  const colour = current ? 'var(--gall)' : 'var(--ink)';
  return (
    <Mark
      type="button"
      $current={current}
      aria-current={current ? 'true' : undefined}
      tabIndex={current ? 0 : -1}
      onClick={() => onChoose(one.note.id)}
      {...(top === undefined ? {} : { style: { top } })}
      aria-label={`Note ${one.number}, ${WEIGHT_WORDS[weight].toLowerCase()}${outcome === 'cantTell' ? ', to judge' : ''}: ${title}`}
    >
      <Drop weight={weight} size={32} colour={colour} />
      <b className={weight === 'consider' ? 'clear' : 'inked'} aria-hidden="true">
        {one.number}
      </b>
    </Mark>
  );
});
