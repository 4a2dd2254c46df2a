'use client';
import { lookup, contrastRatio, parseColour } from '@inkwell/core';
import type { Problem, Recolouring, ThingLine } from '@inkwell/review';
import { useEffect, useState } from 'react';
import styled from 'styled-components';
import { Button } from '@/ui/Button';
import { TextBox } from '@/ui/Field';
import { ProblemNotice } from '@/ui/ProblemNotice';
import { send } from '@/ui/send';
import { counted } from '@/ui/words';
import { Apply } from './Apply';

const Form = styled.form`
  display: grid;
  gap: 0.6rem;
  min-width: 0;
`;
const Passing = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 0.4rem;
`;
const Sample = styled.p`
  padding: 0.7rem 0.9rem;
  border: 1px solid var(--edge);
  font-size: 1.0625rem;
`;
const Swatch = styled.span`
  width: 1.1rem;
  height: 1.1rem;
  border: 1px solid var(--ink);
`;
const Sources = styled.ul`
  display: grid;
  gap: 0.2rem;
  font: 0.8125rem/1.45 var(--mono);
  overflow-wrap: anywhere;
`;

interface CardProps {
  collection: string | null;
  line: ThingLine;
  onRecolour(body: { things: string[]; color: string }): void;
}

const WAYS = { darker: 'nearest darker', lighter: 'nearest lighter', house: 'of the house' };

/** A pair of colours, and another colour for its text where that comes from a style sheet: every page it dresses is mended at once. */
export function ColourCard({ collection, line, onRecolour }: CardProps) {
  const { known, problem } = useRecolouring(collection, line);
  const [color, setColor] = useState<string | null>(null);
  if (problem) return <ProblemNotice problem={problem} />;
  if (!known) return <p>Looking for where it comes from…</p>;
  const wanted = color ?? known.passing[0]?.colour ?? known.color;
  const [text, ground] = [parseColour(wanted.trim()), parseColour(known.background)];
  const ratio = text && ground ? Math.floor(contrastRatio(text, ground) * 100) / 100 : null;
  if (known.sources.length === 0)
    return <p>Its text colour does not come from a style sheet of the collection: what was found is fixed on its pages.</p>;
  return (
    <Form
      onSubmit={(event) => {
        event.preventDefault();
        if (text) onRecolour({ things: line.things, color: wanted.trim() });
      }}
    >
      <p>Its text colour comes from:</p>
      <Sources>
        {known.sources.map((source) => (
          <li key={`${source.collection} ${source.sheet} ${source.start}`}>{`${source.sheet}: ${source.selector} { ${source.value} }`}</li>
        ))}
      </Sources>
      <Passing role="group" aria-label="Colours that pass">
        {known.passing.map((one) => (
          <Button key={`${one.way} ${one.colour}`} onPress={() => setColor(one.colour)}>
            <Swatch style={{ background: one.colour }} aria-hidden="true" />
            {`${lookup(known.names, one.colour) ?? one.colour}, ${WAYS[one.way]}, ${one.ratio}`}
          </Button>
        ))}
      </Passing>
      <TextBox label="Text colour from now on" value={wanted} onChange={setColor} hint="As #rrggbb, or any other way style sheets have." />
      <Samples known={known} wanted={wanted} ratio={ratio} sample={String(line.facts?.sample ?? 'Sample')} />
      <Apply>
        <Button type="submit" $look="main" isDisabled={text === null || wanted === known.color}>
          {`Set it in the style sheet, ${counted(known.pages, 'page')}`}
        </Button>
      </Apply>
    </Form>
  );
}

/** The text as it is and as it will be, and whether that passes. */
function Samples({ known, wanted, ratio, sample }: { known: Recolouring; wanted: string; ratio: number | null; sample: string }) {
  const words =
    ratio === null ? 'This is no colour.' : `It ${ratio >= known.required ? 'passes' : 'does not pass'}: ${known.required} is needed.`;
  return (
    <>
      <Sample style={{ color: known.color, background: known.background }}>{`Now: ${sample} (${known.ratio})`}</Sample>
      <Sample style={{ color: ratio === null ? known.color : wanted, background: known.background }}>
        {`Then: ${sample} (${ratio ?? 'no colour'})`}
      </Sample>
      <p role="status">{words}</p>
    </>
  );
}

function useRecolouring(collection: string | null, line: ThingLine) {
  const [known, setKnown] = useState<Recolouring | null>(null);
  const [problem, setProblem] = useState<Problem | null>(null);
  const things = line.things.join(' ');
  useEffect(() => {
    let left = false;
    void send<Recolouring>('/api/registers/recolouring', { collection, things: things.split(' ') }).then((sent) => {
      if (left) return;
      setProblem(sent.ok ? null : sent.problem);
      setKnown(sent.ok ? sent.value : null);
    });
    return () => {
      left = true;
    };
  }, [collection, things]);
  return { known, problem };
}
