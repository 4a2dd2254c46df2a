'use client';
import type { QuestionView } from '@inkwell/review';
import { useCallback, useEffect, useRef, useState } from 'react';
import styled from 'styled-components';
import { elementByPath } from '../desk/proof/frame';
import { firstIn, leadTo, matches, stateOf, styleOf } from '../desk/proof/natives';
import { proofAddress } from '../desk/proof/Proof';

const Stack = styled.div<{ $behind: boolean }>`
  grid-area: 1 / 1;
  visibility: ${({ $behind }) => ($behind ? 'hidden' : 'visible')};
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  grid-template-rows: auto minmax(0, 1fr);
  gap: 0.6rem;
  min-height: 0;
  > iframe:only-child {
    grid-row: 1 / -1;
  }
  height: 100%;
`;
const Large = styled.div`
  display: grid;
  place-items: center;
  max-height: 17rem;
  min-height: 6rem;
  padding: 0.5rem;
  border: 1px solid var(--line);
  background: #fff;
  overflow: hidden;
  img {
    max-width: 100%;
    max-height: 16rem;
    object-fit: contain;
  }
`;
const Window = styled.iframe`
  width: 100%;
  height: 100%;
  min-height: 16rem;
  border: 1px solid var(--line);
  background: #fffefa;
  color-scheme: light;
`;
type Place = QuestionView['place'];

/** Leads a page to the place of a question. */
function lead(frame: HTMLIFrameElement | null, { path }: Place): void {
  const page = frame?.contentDocument;
  const element = page && elementByPath(page, path);
  if (element) leadTo(element, { block: 'center' });
}

/** Marks the place on its page, and leads there. Gives the address of the image that is there, where one is. */
function mark(frame: HTMLIFrameElement, place: Place): string | null {
  const page = frame.contentDocument;
  const element = page && elementByPath(page, place.path);
  if (!element) return null;
  const through = place.through === null ? null : elementByPath(page, place.through);
  for (const one of [element, through]) {
    if (!one) continue;
    const style = styleOf(one);
    if (!style) continue;
    style.outline = '3px solid #22406e';
    style.outlineOffset = '4px';
    style.boxShadow = '0 0 0 4px #fffefa';
  }
  lead(frame, place);
  const shown = (matches(element, 'img') ? element : firstIn(element, 'img')) as HTMLImageElement | null;
  return shown && (shown.currentSrc || shown.src);
}

/** The page a question is asked on, led to its place; the image it is about large above it. `isNext`: it waits behind the one in hand. */
export function AskedPage({ question, isNext = false }: { question: QuestionView; isNext?: boolean }) {
  const [image, setImage] = useState<string | null>(null);
  const { place, rule } = question;
  const own = useRef<HTMLIFrameElement>(null);
  const arrived = useCallback(
    (frame: HTMLIFrameElement) => {
      const shown = mark(frame, place);
      if (rule.startsWith('images/')) setImage(shown);
    },
    [place, rule],
  );
  // What the server sent may have been there before anybody could listen.
  useEffect(() => {
    const page = own.current?.contentDocument;
    if (page && stateOf(page) === 'complete') arrived(own.current!);
  }, [arrived]);
  // The next one was laid out before it was to be seen.
  useEffect(() => {
    if (!isNext) lead(own.current, place);
  }, [isNext, place]);
  return (
    <Stack $behind={isNext} aria-hidden={isNext}>
      {image !== null && (
        <Large>
          <img src={image} alt="" onLoad={() => lead(own.current, place)} />
        </Large>
      )}
      <Window
        ref={own}
        title={`${place.title}, where this is asked`}
        src={proofAddress(place.collection, place.address, place.revision)}
        sandbox="allow-same-origin"
        tabIndex={isNext ? -1 : 0}
        onLoad={({ currentTarget }) => arrived(currentTarget)}
      />
    </Stack>
  );
}
