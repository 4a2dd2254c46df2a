'use client';
import { lookup, ruleOf, type RegisterName } from '@inkwell/core';
import type { CaseView, ThingLine } from '@inkwell/review';
import type { Ref } from 'react';
import styled from 'styled-components';
import { ProblemNotice } from '@/ui/ProblemNotice';
import { counted } from '@/ui/words';
import type { Engine } from '../../desk/engine/useEngine';
import { THING_WORDS, TRAIT_WORDS } from '../choice';
import { ColourCard } from './ColourCard';
import { DescribeCard } from './DescribeCard';
import type { WishedParts } from './wished';
import { FixCard } from './FixCard';
import { Uses } from './Uses';
import { useThing, type Thing } from './useThing';
import { HeadingCard, LinkCard } from './WriteCard';

const Frame = styled.section`
  display: grid;
  align-content: start;
  gap: 0.75rem;
  min-width: 0;
  padding: 0.9rem 1rem 1.25rem;
  background: var(--sheet);
  border: 1px solid var(--line);
  overflow: auto;
  h2 {
    font-size: 1.125rem;
    overflow-wrap: anywhere;
  }
  h3 {
    font-size: 0.9375rem;
  }
`;
const About = styled.p`
  font-size: 0.875rem;
  color: var(--quiet);
`;
export interface InHandProps {
  collection: string | null;
  register: RegisterName;
  line: ThingLine | undefined;
  engine: Engine;
  isNext: boolean;
  /** Counts what was done: all is looked at again. */
  done: number;
  frame: Ref<HTMLElement>;
  onDone(wish: WishedParts): void;
  onRecolour(body: { things: string[]; color: string }): void;
  onKeepCopy(collection: string): void;
}

/** The thing in hand: what it is, what is wrong with it, what can be done to all its uses, and where they are. */
export function InHand(props: InHandProps) {
  const { collection, register, line, done } = props;
  const thing = useThing(collection, register, line, done);
  if (!line)
    return (
      <Frame ref={props.frame} aria-label="In hand" tabIndex={-1}>
        <p>Nothing is left by this choice.</p>
      </Frame>
    );
  const title = register === 'images' ? line.name.replace(/^.*\//, '') : line.name || `A ${THING_WORDS[register][0]} without text`;
  return (
    <Frame ref={props.frame} aria-label="In hand" tabIndex={-1}>
      <h2>{register === 'text' && line.things.length > 1 ? (ruleOf(line.place)?.title ?? title) : title}</h2>
      <About>
        {[
          counted(line.uses, 'use'),
          `on ${counted(line.pages, 'page')}`,
          ...line.traits.map((trait) => lookup(TRAIT_WORDS, trait)!.toLowerCase()),
        ].join(', ')}
      </About>
      {line.rules.length > 0 && register !== 'text' && (
        <p>
          <b>Open: </b>
          {line.rules.map((rule) => ruleOf(rule)?.title ?? rule).join('; ')}
        </p>
      )}
      {thing.problem && <ProblemNotice problem={thing.problem} />}
      <Card key={line.key} {...props} line={line} thing={thing} />
      <h3>Where it is</h3>
      {thing.view ? (
        <Uses register={register} uses={thing.view.uses} total={line.uses} several={collection === null} onMore={() => void thing.more()} />
      ) : (
        <p>Looking for its uses…</p>
      )}
    </Frame>
  );
}

type CardProps = InHandProps & { line: ThingLine; thing: Thing };

/** What can be done, by the kind of thing: written anew whatever was found, and fixed where something was. */
function Card({ collection, register, line, thing, engine, isNext, onDone, onRecolour, onKeepCopy }: CardProps) {
  const fixes = (word: string, says: (one: CaseView) => string) => (
    <FixCard {...{ register, collection, line, thing, word, says, onDone }} />
  );
  switch (register) {
    case 'images':
      return <DescribeCard {...{ collection, line, thing, engine, isNext, onDone, onKeepCopy }} />;
    case 'links':
      return (
        <>
          <LinkCard {...{ collection, line, thing, onDone }} />
          {line.open + line.asks > 0 && <h3>What was found</h3>}
          {fixes(line.name || 'link', ({ place }) => place)}
        </>
      );
    case 'headings':
      return (
        <>
          <HeadingCard {...{ collection, line, thing, onDone }} />
          {line.open + line.asks > 0 && <h3>What was found</h3>}
          {fixes(line.name, ({ says }) => `Level ${says}`)}
        </>
      );
    case 'colours':
      return (
        <>
          <ColourCard {...{ collection, line, onRecolour }} />
          {line.open + line.asks > 0 && <h3>On its pages</h3>}
          {fixes(line.name, ({ name, facts }) => `${name}, ${String(facts.sample ?? '')}`)}
        </>
      );
    default:
      return fixes(line.name, ({ name, facts }) => [name, facts.rows !== undefined && `${facts.rows} rows`].filter(Boolean).join(', '));
  }
}
