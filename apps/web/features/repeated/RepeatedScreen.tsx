'use client';
import { lookup } from '@inkwell/core';
import type { Problem, Repeated, RepeatedSlip, StrokeView } from '@inkwell/review';
import { Link } from '@/ui/Link';
import { useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';
import styled from 'styled-components';
import { Button } from '@/ui/Button';
import { Drop, WEIGHT_WORDS } from '@/ui/Drop';
import { ProblemNotice } from '@/ui/ProblemNotice';
import { send } from '@/ui/send';
import { Main } from '@/ui/Shell';
import { Small, Table, TableFrame } from '@/ui/Table';
import { When } from '@/ui/When';
import { counted } from '@/ui/words';
import { cameOf, isUnderWay } from './stroke';

const Weight = styled.span`
  display: inline-flex;
  align-items: center;
  gap: 0.35rem;
  white-space: nowrap;
`;
const Done = styled.ul`
  margin-top: 0.5rem;
  max-width: 60rem;
  > li {
    display: flex;
    flex-wrap: wrap;
    gap: 0.25rem 0.75rem;
    align-items: center;
    padding: 0.5rem 0;
    border-top: 1px solid var(--line);
  }
  p {
    flex: 1 1 20rem;
  }
`;

const PARTS: Readonly<Record<string, string>> = {
  template: 'around the whole page',
  header: 'in the header',
  navigation: 'in the navigation',
  footer: 'in the footer',
  aside: 'beside the content',
  content: 'in the content',
};
const EVERY_MS = 1_500;

/** Slips that stand on several pages in equal pieces, each told once; and what was done to many at once, to be taken back. */
export function RepeatedScreen({ shown: { collection, slips, more, strokes } }: { shown: Repeated }) {
  const [problem, setProblem] = useState<Problem | null>(null);
  const router = useRouter();
  const going = strokes.some(isUnderWay);
  useEffect(() => {
    if (!going) return;
    const timer = setInterval(() => router.refresh(), EVERY_MS);
    return () => clearInterval(timer);
  }, [going, router]);
  const takeBack = async (id: number) => {
    const sent = await send<unknown>(`/api/strokes/${id}/take-back`, {});
    setProblem(sent.ok ? null : sent.problem);
    router.refresh();
  };
  return (
    <Main id="content">
      <h1>One slip, many pages</h1>
      <p>
        The same slip in pieces that are equal on several pages, told once. Open it on its first page, and fix it there for all of them in
        one go.
      </p>
      {problem && <ProblemNotice problem={problem} />}
      {slips.length === 0 ? (
        <p>{`No slip of ${collection.title} stands in the same piece on three pages or more.`}</p>
      ) : (
        <Slips collection={collection} slips={slips} />
      )}
      {more > 0 && <p>{`${counted(more, 'more slip')} on fewer pages.`}</p>}
      {strokes.length > 0 && (
        <>
          <h2>Done to many at once</h2>
          <Done>
            {strokes.map((stroke) => (
              <Stroke key={stroke.id} stroke={stroke} onTakeBack={() => void takeBack(stroke.id)} />
            ))}
          </Done>
        </>
      )}
    </Main>
  );
}

function Slips({ collection, slips }: { collection: Repeated['collection']; slips: readonly RepeatedSlip[] }) {
  return (
    <TableFrame tabIndex={0} role="region" aria-label="Slips by the number of their pages">
      <Table>
        <caption>{`${counted(slips.length, 'slip')} on three pages and more`}</caption>
        <thead>
          <tr>
            <th scope="col">Slip</th>
            <th scope="col">Its kind</th>
            <th scope="col">Weight</th>
            <th scope="col" className="number">
              Pages
            </th>
            <th scope="col">Where it stands</th>
            <th scope="col">Who answers for it</th>
          </tr>
        </thead>
        <tbody>
          {slips.map((slip) => (
            <tr key={slip.slip}>
              <th scope="row">
                <Link href={`/collections/${collection.slug}/${slip.first.slug}?note=${slip.finding}`}>{slip.sentence}</Link>
              </th>
              <td>
                {slip.title}
                <Small>{`first on ${slip.first.title}`}</Small>
              </td>
              <td>
                <Weight>
                  <Drop weight={slip.weight} />
                  {slip.outcome === 'cantTell' ? `${WEIGHT_WORDS[slip.weight]}, a question` : WEIGHT_WORDS[slip.weight]}
                </Weight>
              </td>
              <td className="number">{slip.pages.toLocaleString('en')}</td>
              <td>{lookup(PARTS, slip.part) ?? PARTS.content}</td>
              <td>{slip.answers === 'theme' ? 'the theme' : 'the author'}</td>
            </tr>
          ))}
        </tbody>
      </Table>
    </TableFrame>
  );
}

function Stroke({ stroke, onTakeBack }: { stroke: StrokeView; onTakeBack(): void }) {
  return (
    <li>
      <p>
        <b>{stroke.title}</b>
        {`: ${stroke.label}, by ${stroke.by} `}
        <When at={stroke.at} />
        {`. ${cameOf(stroke)}`}
        {stroke.left.length > 0 && <Small>{stroke.left.map(({ title, why }) => `${title}: ${why}`).join(' · ')}</Small>}
      </p>
      {!stroke.taken_back && !isUnderWay(stroke) && stroke.done > 0 && (
        <Button onPress={onTakeBack}>{`Take it back on ${counted(stroke.done, 'page')}`}</Button>
      )}
    </li>
  );
}
