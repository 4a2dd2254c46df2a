'use client';
import type { PaletteView, Problem } from '@inkwell/review';
import { useEffect, useState } from 'react';
import styled from 'styled-components';
import { Button } from '@/ui/Button';
import { TextBox } from '@/ui/Field';
import { Row } from '@/ui/Panel';
import { send } from '@/ui/send';
import { Sheet } from '@/ui/Sheet';
import { Table, TableFrame } from '@/ui/Table';

const Swatch = styled.span`
  display: inline-block;
  width: 1.1rem;
  height: 1.1rem;
  margin-right: 0.5rem;
  border: 1px solid var(--ink);
  vertical-align: text-bottom;
`;
const Line = styled.li`
  display: grid;
  grid-template-columns: 1.6rem minmax(6rem, 1fr) minmax(6rem, 1.4fr) auto;
  gap: 0.5rem;
  align-items: end;
`;
const Lines = styled.ul`
  display: grid;
  gap: 0.4rem;
`;

interface Named {
  value: string;
  name: string;
}

/** The house's colours by name, what may stand on what, and those its style sheets have besides. */
export function PaletteSheet({ collection }: { collection: string | null }) {
  const [open, setOpen] = useState(false);
  return (
    <>
      <Button onPress={() => setOpen(true)}>The house’s palette</Button>
      {open && <Palette collection={collection} onClose={() => setOpen(false)} />}
    </>
  );
}

function Palette({ collection, onClose }: { collection: string | null; onClose(): void }) {
  const [view, setView] = useState<PaletteView | null>(null);
  const [problem, setProblem] = useState<Problem | null>(null);
  const [colours, setColours] = useState<readonly Named[] | null>(null);
  const [said, setSaid] = useState('');
  const load = async () => {
    const sent = await send<PaletteView>('/api/registers/palette', { collection });
    setProblem(sent.ok ? null : sent.problem);
    if (sent.ok) setView(sent.value);
  };
  useEffect(() => {
    void load();
    // Once, when it opens.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, []);
  const all = colours ?? view?.colours ?? [];
  const change = (nth: number, part: Partial<Named>) => setColours(all.map((one, at) => (at === nth ? { ...one, ...part } : one)));
  const keep = async () => {
    const sent = await send('/api/registers/set-palette', { colours: all.map(({ value, name }) => ({ value, name })) });
    setProblem(sent.ok ? null : sent.problem);
    if (!sent.ok) return;
    setColours(null);
    setSaid('Kept. They are offered wherever a colour is chosen; pages are looked at again in the background.');
    await load();
  };
  return (
    <Sheet title="The house’s palette" open wide onClose={onClose} problem={problem}>
      {view === null ? (
        <p>Reading the style sheets…</p>
      ) : (
        <>
          {all.length === 0 && <p>The house has named no colours yet. Those its style sheets use most are below.</p>}
          <Lines>
            {all.map((one, nth) => (
              <Line key={nth}>
                <Swatch style={{ background: one.value }} aria-hidden="true" />
                <TextBox label="Colour" value={one.value} onChange={(value) => change(nth, { value })} />
                <TextBox label="Name" value={one.name} onChange={(name) => change(nth, { name })} />
                <Button $look="quiet" onPress={() => setColours(all.filter((_one, at) => at !== nth))}>
                  {`Leave out ${one.name}`}
                </Button>
              </Line>
            ))}
          </Lines>
          {view.found.length > 0 && (
            <Row role="group" aria-label="Colours that style sheets use">
              {view.found.slice(0, 12).map(({ colour, uses }) => (
                <Button
                  key={colour}
                  isDisabled={all.some(({ value }) => value === colour)}
                  onPress={() => setColours([...all, { value: colour, name: colour }])}
                >
                  <Swatch style={{ background: colour, marginRight: 0 }} aria-hidden="true" />
                  {`Add ${colour}, ${uses} times`}
                </Button>
              ))}
            </Row>
          )}
          {view.colours.length > 1 && <MayStand view={view} />}
          <p role="status">{said}</p>
          <Row>
            <Button $look="main" isDisabled={colours === null || !view.mayChange} onPress={() => void keep()}>
              Keep the palette
            </Button>
            <Button onPress={onClose}>Close</Button>
          </Row>
          {!view.mayChange && <p>Only an administrator changes it.</p>}
        </>
      )}
    </Sheet>
  );
}

/** What may stand on what: each colour as text on every other, with their contrast in words. */
function MayStand({ view: { colours } }: { view: PaletteView }) {
  const word = (ratio: number) =>
    ratio >= 7 ? 'any text, AAA too' : ratio >= 4.5 ? 'any text' : ratio >= 3 ? 'large text only' : 'no text';
  return (
    <TableFrame tabIndex={0} role="region" aria-label="What may stand on what">
      <Table>
        <caption>What may stand on what</caption>
        <thead>
          <tr>
            <th scope="col">Text</th>
            {colours.map(({ value, name }) => (
              <th key={value} scope="col">{`on ${name}`}</th>
            ))}
          </tr>
        </thead>
        <tbody>
          {colours.map(({ value, name, on }) => (
            <tr key={value}>
              <th scope="row">
                <Swatch style={{ background: value }} aria-hidden="true" />
                {name}
              </th>
              {on.map((one) => (
                <td key={one.value}>{one.value === value ? '' : `${one.ratio}: ${word(one.ratio)}`}</td>
              ))}
            </tr>
          ))}
        </tbody>
      </Table>
    </TableFrame>
  );
}
