'use client';
import { lookup, type ColourSubject, type PassingColour, type ImageSubject } from '@inkwell/core';
import type { ImageUse } from '@inkwell/review';
import { Link } from '@/ui/Link';
import { useEffect, useState } from 'react';
import styled from 'styled-components';
import { send } from '@/ui/send';
import { counted } from '@/ui/words';
import { proofAddress } from '../proof/Proof';

const Imaged = styled.div`
  display: grid;
  grid-template-columns: fit-content(11rem) minmax(0, 1fr);
  gap: 0.4rem 0.9rem;
  align-items: start;
  font-size: 0.875rem;
  min-width: 0;
  > img {
    max-width: 100%;
    max-height: 6.75rem;
    justify-self: start;
    border: 1px solid var(--line);
    background: #fffefa;
  }
  > div {
    display: grid;
    gap: 0.4rem;
    color: var(--quiet);
    overflow-wrap: anywhere;
  }
  > div > p:first-child {
    font: 400 0.9375rem/1.4 var(--serif);
    display: -webkit-box;
    -webkit-box-orient: vertical;
    -webkit-line-clamp: 5;
    overflow: hidden;
  }
  mark {
    background: var(--gallWash);
    color: var(--ink);
    font: 600 0.8125rem var(--sans);
    padding: 0 0.3rem;
  }
`;
const Used = styled.div`
  font-size: 0.875rem;
  color: var(--quiet);
  a {
    display: inline-flex;
    align-items: center;
    min-height: 1.5rem;
  }
`;

export interface ImagePanelProps {
  collection: string;
  /** Where the image lies in the collection. */
  image: string;
  subject: ImageSubject | null;
  alt: string | undefined;
}

/** Words of what stands before an image that are shown: what stands after it says more of it. */
const BEFORE = 70;

/** The image in its surroundings, with what is said of it on the same page. */
export function ImagePanel({ collection, image, subject, alt }: ImagePanelProps) {
  return (
    <Imaged role="group" aria-label="The image and where it stands">
      <img src={proofAddress(collection, image)} alt="The image this note speaks of" />
      <div>
        {subject && (
          <p>
            {subject.before.length > BEFORE ? `… ${subject.before.slice(-BEFORE).replace(/^\S*\s/, '')}` : subject.before}{' '}
            <mark>{alt ? alt : 'the image'}</mark> {subject.after}
          </p>
        )}
        {subject && subject.alsoHere.length > 0 && (
          <p>{`Also on this page: ${subject.alsoHere.map((said) => (said ? `“${said}”` : 'nothing said')).join(', ')}`}</p>
        )}
      </div>
    </Imaged>
  );
}

/** Where else in the collection the image stands, with what is said of it there. */
export function UsedElsewhere({ pageId, collection, image }: { pageId: number; collection: string; image: string }) {
  const uses = useUses(pageId, image);
  if (!uses || uses.length === 0) return null;
  return (
    <Used>
      <p>{`The image stands on ${counted(uses.length, 'other page')} of the collection too:`}</p>
      <ul>
        {uses.map((use) => (
          <li key={use.slug}>
            <Link href={`/collections/${collection}/${use.slug}`}>{use.title}</Link>
            {`: ${use.alt ? `“${use.alt}”` : use.alt === null ? 'no alternative' : 'decorative'}`}
          </li>
        ))}
      </ul>
    </Used>
  );
}

function useUses(pageId: number, image: string): readonly ImageUse[] | null {
  const [uses, setUses] = useState<readonly ImageUse[] | null>(null);
  useEffect(() => {
    let current = true;
    void send<ImageUse[]>(`/api/pages/${pageId}/image-uses`, { image }).then((sent) => current && sent.ok && setUses(sent.value));
    return () => void (current = false);
  }, [pageId, image]);
  return uses;
}

const Colours = styled.div`
  display: grid;
  gap: 0.5rem;
  font-size: 0.875rem;
`;
const Pair = styled.p`
  padding: 0.5rem 0.75rem;
  border: 1px solid var(--line);
  font-size: 1rem;
  overflow-wrap: anywhere;
`;
const Swatches = styled.ul`
  display: flex;
  flex-wrap: wrap;
  gap: 0.4rem;
`;
const Swatch = styled.button`
  display: grid;
  grid-template-columns: auto auto;
  gap: 0 0.5rem;
  align-items: center;
  min-height: 2.25rem;
  padding: 0.2rem 0.5rem;
  border: 1px solid var(--edge);
  border-radius: var(--round);
  background: var(--sheet);
  cursor: pointer;
  text-align: left;
  font-size: 0.8125rem;
  line-height: 1.25;
  &[aria-pressed='true'] {
    background: var(--gallWash);
    box-shadow: inset 0 -3px 0 var(--gall);
  }
  &:disabled {
    cursor: default;
    border-style: dashed;
  }
  > span:first-child {
    width: 1.75rem;
    height: 1.75rem;
    display: grid;
    place-items: center;
    border: 1px solid var(--edge);
    font: 700 0.9375rem var(--serif);
    grid-row: span 2;
  }
  > small {
    color: var(--quiet);
    font-size: 0.8125rem;
    grid-column: 2;
  }
`;

const REMEDY_OF = { text: 'nearest-passing', ground: 'change-ground' } as const;

/** How a passing colour would be set: which fix takes it, and under which field. */
export function settingOf({ of, way, colour }: PassingColour): { remedy: string; inputs: Record<string, string> } {
  return way === 'house'
    ? { remedy: 'house-colour', inputs: { color: colour } }
    : { remedy: REMEDY_OF[of], inputs: { [of === 'text' ? 'color' : 'ground']: colour } };
}

export interface ColourPanelProps {
  subject: ColourSubject;
  chosen: { remedy: string | undefined; inputs: Record<string, string> | undefined };
  usable: ReadonlySet<string>;
  onChoose(remedy: string, inputs: Record<string, string>): void;
}

/** The pair as it stands, and the nearest colours that pass, to be chosen from. */
export function ColourPanel({ subject, chosen, usable, onChoose }: ColourPanelProps) {
  const { color, background, ratio, required, sample, passing } = subject;
  return (
    <Colours>
      <Pair style={{ color, background }} aria-label={`As it stands: ${sample}`}>
        {sample || 'Text'}
      </Pair>
      <p>{`${color} on ${background}: ${ratio} to 1, and ${required} to 1 is needed.`}</p>
      <Swatches aria-label="Colours that pass here">
        {passing.map((one) => {
          const { remedy, inputs } = settingOf(one);
          const set = chosen.remedy === remedy && Object.entries(inputs).every(([name, value]) => lookup(chosen.inputs, name) === value);
          const pair = one.of === 'text' ? { color: one.colour, background } : { color, background: one.colour };
          return (
            <li key={`${one.of} ${one.way} ${one.colour}`}>
              <Swatch type="button" aria-pressed={set} disabled={!usable.has(remedy)} onClick={() => onChoose(remedy, inputs)}>
                <span style={pair} aria-hidden="true">
                  a
                </span>
                <span>{one.way === 'house' ? 'of the house' : `${one.way} ${one.of === 'ground' ? 'background' : 'text'}`}</span>
                <small>{`${one.colour}, ${one.ratio} to 1`}</small>
              </Swatch>
            </li>
          );
        })}
      </Swatches>
    </Colours>
  );
}
