'use client';
import type { EffectShown } from '@inkwell/review';
import type { Tally } from '@inkwell/store';
import { Link } from '@/ui/Link';
import { useState } from 'react';
import styled from 'styled-components';
import { Button } from '@/ui/Button';
import { Small, Table } from '@/ui/Table';
import { VERDICT_WORDS } from '@/ui/Verdict';
import { counted } from '@/ui/words';
import type { StandardDraft } from './useStandard';

/** The way to save stands above what grows and shrinks while it is counted, so that it stays under the pointer. */
const Head = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  justify-content: space-between;
  gap: 0.5rem 1rem;
  margin-bottom: 0.5rem;
`;

const ROWS: readonly [keyof Tally, string][] = [
  ['held', 'Held'],
  ['judge', 'To judge'],
  ['ready', 'Ready'],
  ['must', 'Open, must'],
  ['should', 'Open, should'],
  ['consider', 'Open, consider'],
  ['questions', 'Questions'],
];

/** What the standard being written would make of the pages, before it is saved. */
export function EffectPane({ standard, maySet }: { standard: StandardDraft; maySet: boolean }) {
  const { effect, isCounted, changes, saved, save } = standard;
  if (!maySet) return null;
  return (
    <section aria-labelledby="effect-heading">
      <Head>
        <h2 id="effect-heading">What it would change</h2>
        {changes.length > 0 && (
          <Button $look="main" onPress={() => void save()}>
            Save as a new version
          </Button>
        )}
      </Head>
      {changes.length === 0 ? (
        <p>{saved ? `Version ${saved.version} is saved. ${sayLapsed(saved.lapsed)}` : 'Nothing is changed yet.'}</p>
      ) : (
        <p role="status">{effect && isCounted ? words(effect) : 'Counting…'}</p>
      )}
      {effect && (
        <Table>
          <caption className="aside-from-view">Pages and open findings, now and then</caption>
          <thead>
            <tr>
              <th scope="col">Pages and findings</th>
              <th scope="col" className="number">
                Now
              </th>
              <th scope="col" className="number">
                Then
              </th>
            </tr>
          </thead>
          <tbody>
            {ROWS.map(([name, label]) => (
              <tr key={name}>
                <th scope="row">{label}</th>
                <td className="number">{effect.before[name]}</td>
                <td className="number">{effect.after[name]}</td>
              </tr>
            ))}
            <tr>
              <th scope="row">Hours of work</th>
              <td className="number">{effect.hours.before.toLocaleString('en')}</td>
              <td className="number">{effect.hours.after.toLocaleString('en')}</td>
            </tr>
          </tbody>
        </Table>
      )}
      {effect && isCounted && effect.moved.length > 0 && <MovedPages effect={effect} />}
      {changes.length > 0 && (
        <ul>
          {changes.slice(0, 12).map(({ about, before, after }) => (
            <li key={about}>{`${about}: ${before || 'as usual'} → ${after || 'as usual'}`}</li>
          ))}
          {changes.length > 12 && <li>{`and ${changes.length - 12} more`}</li>}
        </ul>
      )}
    </section>
  );
}

/** Pages told at first. */
const FIRST = 10;

/** Each page that would stand otherwise: how it stands then, whether its sign-off lapses, and what that costs. */
function MovedPages({ effect }: { effect: EffectShown }) {
  const [all, setAll] = useState(false);
  const { moved, movedMany, minutesEach } = effect;
  const minutes = (more: number) => (more > 0 ? `${Math.round(more * minutesEach).toLocaleString('en')} min` : '');
  return (
    <>
      <Table>
        <caption>
          {movedMany === 1 ? '1 page would stand otherwise' : `${movedMany.toLocaleString('en')} pages would stand otherwise`}
        </caption>
        <thead>
          <tr>
            <th scope="col">Page</th>
            <th scope="col">Then</th>
            <th scope="col" className="number">
              More work
            </th>
          </tr>
        </thead>
        <tbody>
          {moved.slice(0, all ? undefined : FIRST).map((page) => (
            <tr key={`${page.collection} ${page.slug}`}>
              <th scope="row">
                <Link href={`/collections/${page.collection}/${page.slug}`}>{page.title}</Link>
                <Small>{page.collectionTitle}</Small>
              </th>
              <td>
                {VERDICT_WORDS[page.after]}
                <Small>{page.lapses ? 'its sign-off lapses' : `now ${VERDICT_WORDS[page.before].toLowerCase()}`}</Small>
              </td>
              <td className="number">{minutes(page.more)}</td>
            </tr>
          ))}
        </tbody>
      </Table>
      {!all && moved.length > FIRST && (
        <Button onPress={() => setAll(true)}>{moved.length < movedMany ? `The first ${moved.length}` : `All ${moved.length}`}</Button>
      )}
    </>
  );
}

const sayLapsed = (lapsed: number) => (lapsed > 0 ? `${counted(lapsed, 'sign-off', 'sign-offs')} lapsed.` : '');

/** The difference in a sentence or two. */
export function words({
  newlyHeld,
  freed,
  lapsing,
  before,
  after,
}: Pick<EffectShown, 'newlyHeld' | 'freed' | 'lapsing' | 'before' | 'after'>): string {
  const questions = after.questions - before.questions;
  const held = after.held - before.held;
  const parts = [
    newlyHeld > 0 ? `${counted(newlyHeld, 'ready page', 'ready pages')} would be held` : '',
    held !== 0 && held !== newlyHeld ? `${counted(Math.abs(held), 'page', 'pages')} ${held > 0 ? 'more' : 'fewer'} would be held` : '',
    freed > 0 && held >= 0 ? `${counted(freed, 'held page', 'held pages')} would be held no more` : '',
    questions === 0 ? '' : `${counted(Math.abs(questions), 'question', 'questions')} ${questions > 0 ? 'more' : 'fewer'}`,
    lapsing > 0 ? `${counted(lapsing, 'sign-off', 'sign-offs')} would lapse` : '',
  ].filter(Boolean);
  return parts.length === 0 ? 'No page would stand otherwise.' : `${parts.join(', ')}.`;
}
