'use client';
import type { Look } from '@inkwell/core';
import styled from 'styled-components';
import type { Preview, Shows, Side } from '../engine/protocol';

const Pair = styled.div`
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 13rem), 1fr));
  gap: 0.6rem;
`;
const Box = styled.div`
  border: 1px solid var(--line);
  background: var(--paper);
  padding: 0.5rem 0.65rem;
  font-size: 0.875rem;
  min-width: 0;
  h3 {
    font: 600 0.8125rem var(--sans);
    color: var(--quiet);
    margin-bottom: 0.2rem;
  }
  code {
    display: block;
    margin-top: 0.35rem;
    color: var(--quiet);
    max-height: 4.6em;
    overflow: hidden;
  }
`;
const Quiet = styled.p`
  font-size: 0.875rem;
  color: var(--quiet);
`;
/** Words of the page as they look there, whatever the theme of the desk. */
const Paper = styled.p`
  margin: 0;
  padding: 0.3rem 0.5rem;
  border: 1px solid var(--line);
  max-height: 6rem;
  overflow: hidden;
  overflow-wrap: anywhere;
`;

const TITLES: Readonly<Record<Shows, readonly [string, string]>> = {
  words: ['Now, spoken', 'Then, spoken'],
  looks: ['Now, as it looks', 'Then, as it looks'],
  markup: ['Now, in the markup', 'Then, in the markup'],
};

/** A fix before and after: what is heard, or how it looks where the same is heard, or the markup where readers notice neither. */
export function BeforeAndAfter({ preview, markup = true }: { preview: Preview; markup?: boolean }) {
  if (!preview.ok) return <Quiet role="status">{preview.reason}</Quiet>;
  const { shows, now, then } = preview;
  const [before, after] = TITLES[shows];
  return (
    <>
      <Pair>
        <OneSide title={before} side={now} shows={shows} markup={markup} />
        <OneSide title={after} side={then} shows={shows} markup={markup} />
      </Pair>
      {shows === 'looks' && <Quiet>{`Heard as before: ${now.spoken ? `“${now.spoken}”` : 'nothing is said'}.`}</Quiet>}
    </>
  );
}

function OneSide({ title, side, shows, markup }: { title: string; side: Side; shows: Shows; markup: boolean }) {
  return (
    <Box>
      <h3>{title}</h3>
      {shows === 'words' && <p>{side.spoken ? `“${side.spoken}”` : 'Nothing is said.'}</p>}
      {shows === 'looks' && <Looks runs={side.looks} />}
      {side.markup && (markup || shows === 'markup') && <code>{side.markup}</code>}
    </Box>
  );
}

/** A small rendering of some words, from what was computed of their style: nothing of the page itself is run. */
function Looks({ runs }: { runs: readonly Look[] }) {
  const [first] = runs;
  if (!first) return <p>Nothing is to be seen.</p>;
  return (
    <Paper style={{ background: first.ground, textAlign: alignOf(first.align) }}>
      {runs.map((run, i) => (
        <span key={i} style={styleOf(run)}>
          {run.words}
        </span>
      ))}
    </Paper>
  );
}

/** px: larger text would push the form out of sight. */
const LARGEST = 28;

const styleOf = ({ color, ground, size, bold, italic, underlined, capitals }: Look): React.CSSProperties => ({
  color,
  background: ground,
  fontSize: `${Math.min(size, LARGEST)}px`,
  fontWeight: bold ? 700 : 400,
  fontStyle: italic ? 'italic' : 'normal',
  textDecoration: underlined ? 'underline' : 'none',
  textTransform: capitals ? 'uppercase' : 'none',
});

function alignOf(align: string): 'justify' | 'right' | 'center' | 'start' {
  return align === 'justify' || align === 'right' || align === 'center' ? align : 'start';
}
