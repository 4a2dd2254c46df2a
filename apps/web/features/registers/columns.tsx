'use client';
import { lookup, type RegisterName } from '@inkwell/core';
import type { RegisterOrder, ThingLine } from '@inkwell/review';
import type { ReactNode } from 'react';
import styled from 'styled-components';
import { Small } from '@/ui/Table';
import { counted, sizeWords } from '@/ui/words';
import { TRAIT_WORDS } from './choice';
import { Thumbnail } from './Thumbnail';

export interface Column {
  name: string;
  head: string;
  /** As a track of a grid. */
  width: string;
  number?: boolean;
  order?: RegisterOrder;
  cell(line: ThingLine): ReactNode;
}

const Shown = styled.span`
  display: flex;
  gap: 0.7rem;
  align-items: center;
  min-width: 0;
`;
const Words = styled.span`
  display: block;
  min-width: 0;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
`;
const Swatch = styled.span`
  display: inline-flex;
  align-items: center;
  padding: 0.15rem 0.5rem;
  border: 1px solid var(--edge);
  font-weight: 600;
  white-space: nowrap;
`;
const None = styled.span`
  color: var(--quiet);
`;

const USES: Column = {
  name: 'uses',
  head: 'Uses',
  width: '4.5rem',
  number: true,
  order: 'uses',
  cell: (line) => line.uses.toLocaleString('en'),
};
const PAGES: Column = { name: 'pages', head: 'Pages', width: '4.5rem', number: true, cell: (line) => line.pages.toLocaleString('en') };
const OPEN: Column = {
  name: 'open',
  head: 'Open',
  width: '4.5rem',
  number: true,
  order: 'open',
  cell: ({ open, asks }) => (open + asks === 0 ? <None>0</None> : (open + asks).toLocaleString('en')),
};
const traits = (names: readonly string[], most = 3): Column => ({
  name: 'traits',
  head: 'At a glance',
  width: 'minmax(8rem, 1.1fr)',
  cell: (line) => {
    const told = line.traits.filter((trait) => names.includes(trait)).map((trait) => lookup(TRAIT_WORDS, trait)!);
    return <Words title={told.join(', ')}>{told.length > 0 ? told.slice(0, most).join(', ') : <None>nothing to tell</None>}</Words>;
  },
});

const name = (head: string, words: (line: ThingLine) => ReactNode, small?: (line: ThingLine) => string | null): Column => ({
  name: 'name',
  head,
  width: 'minmax(10rem, 1.6fr)',
  order: 'name',
  cell: (line) => (
    <Words data-quoted>
      {words(line)}
      {small?.(line) && <Small as={Words}>{small(line)}</Small>}
    </Words>
  ),
});

/** What images are told as, in a few words. */
export function saysWords({ says, traits: told, same, pages }: ThingLine): string {
  if (pages === 0) return told.includes('background') ? 'Set by a style sheet' : 'Used nowhere';
  if (!same) return 'Said differently in different places';
  if (says === null || says === '')
    return told.includes('untold')
      ? 'No alternative text'
      : told.includes('decorative')
        ? 'Decorative'
        : told.includes('icon')
          ? 'Site icon (exempt)'
          : told.includes('background')
            ? 'Background'
            : 'No alternative text';
  return `“${says}”`;
}

const fileOf = (line: ThingLine) => line.name.replace(/^.*\//, '') || line.name;
const measures = ({ width, height, size, files }: ThingLine) =>
  [width !== null && `${width} × ${height}`, size !== null && sizeWords(size), files > 1 && counted(files, 'file')]
    .filter(Boolean)
    .join(', ') || null;

export const COLUMNS: Record<RegisterName, readonly Column[]> = {
  images: [
    {
      name: 'name',
      head: 'Image',
      width: 'minmax(13rem, 1.2fr)',
      order: 'name',
      cell: (line) => (
        <Shown>
          <Thumbnail line={line} side={44} />
          <Words>
            {fileOf(line)}
            <Small as={Words}>{measures(line) ?? line.name}</Small>
          </Words>
        </Shown>
      ),
    },
    {
      name: 'says',
      head: 'Alternative text',
      width: 'minmax(10rem, 1.4fr)',
      cell: (line) => <Words title={saysWords(line)}>{saysWords(line)}</Words>,
    },
    USES,
    OPEN,
  ],
  links: [
    name('Link text', ({ name: text }) => text || <None>no text</None>),
    {
      name: 'place',
      head: 'Leads to',
      width: 'minmax(9rem, 1.2fr)',
      cell: (line) => (
        <Words title={line.place}>
          {line.outside?.state === 'gone' && <b>Gone: </b>}
          {line.outside?.state === 'moved' && <b>Moved: </b>}
          {line.place || <None>nowhere</None>}
        </Words>
      ),
    },
    traits(['missing page', 'missing anchor', 'no destination', 'raw address', 'new window', 'outside', 'mail', 'navigation'], 2),
    USES,
    OPEN,
  ],
  headings: [
    name('Heading', ({ name: text }) => text || <None>no text</None>),
    {
      name: 'levels',
      head: 'Level',
      width: '7rem',
      cell: ({ levels }) => (levels === null ? '' : levels[0] === levels[1] ? levels[0] : `${levels[0]} to ${levels[1]}, the odd ones out`),
    },
    PAGES,
    OPEN,
  ],
  tables: [
    name(
      'Table',
      ({ name: text }) => text,
      ({ place, facts }) => [place, facts && `${facts.rows} rows, ${facts.columns} columns`].filter(Boolean).join(' · '),
    ),
    traits(['layout', 'no caption', 'no headers', 'merged', 'nested']),
    USES,
    OPEN,
  ],
  lists: [
    name(
      'Begins with',
      ({ name: text }) => text,
      ({ facts }) => (facts ? counted(Number(facts.items), 'item') : null),
    ),
    traits(['ordered', 'unordered', 'description', 'typed', 'nested']),
    USES,
    OPEN,
  ],
  colours: [
    {
      name: 'name',
      head: 'Pair',
      width: 'minmax(13rem, 1.4fr)',
      order: 'name',
      cell: ({ name: pair, facts }) => {
        const [color, background] = pair.split(' on ');
        return (
          <Shown>
            <Swatch style={{ color, background }} aria-hidden="true">
              {String(facts?.sample ?? 'Sample').slice(0, 14) || 'Sample'}
            </Swatch>
            <Words>{pair}</Words>
          </Shown>
        );
      },
    },
    {
      name: 'ratio',
      head: 'Contrast',
      width: '6.5rem',
      number: true,
      cell: ({ says, facts }) => `${says ?? '?'} of ${String(facts?.required ?? '')}`,
    },
    traits(['too little', 'uncertain', 'linked sheet', 'page style', 'inline', 'browser', 'large'], 2),
    PAGES,
    OPEN,
  ],
  media: [
    name(
      'Shows or plays',
      ({ name: text }) => text,
      ({ says }) => says ?? 'no title',
    ),
    traits(['frame', 'video', 'audio', 'unnamed', 'no captions', 'no transcript', 'no controls', 'starts by itself'], 4),
    USES,
    OPEN,
  ],
  text: [
    name(
      'What is wrong',
      ({ name: text }) => text,
      ({ place }) => place,
    ),
    PAGES,
    OPEN,
  ],
};
