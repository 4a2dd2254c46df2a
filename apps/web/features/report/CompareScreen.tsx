'use client';
import { OUTCOME_WORDS } from '@inkwell/core';
import type { ReportsCompared } from '@inkwell/review';
import { Link } from '@/ui/Link';
import { Main } from '@/ui/Shell';
import { Table, TableFrame } from '@/ui/Table';

type Side = ReportsCompared['before'];

const NUMBERS: readonly { label: string; of(side: Side): string }[] = [
  { label: 'Pages', of: ({ pages }) => String(pages) },
  { label: 'Standard', of: ({ standard }) => `${standard.name} ${standard.level}` },
  { label: 'Must', of: ({ totals }) => String(totals.must) },
  { label: 'Should', of: ({ totals }) => String(totals.should) },
  { label: 'To consider', of: ({ totals }) => String(totals.consider) },
  { label: 'To judge', of: ({ totals }) => String(totals.questions) },
  { label: 'Let stand', of: ({ totals }) => String(totals.excepted) },
  { label: 'Held', of: ({ verdicts }) => String(verdicts.held) },
  { label: 'Ready', of: ({ verdicts }) => String(verdicts.ready) },
  { label: 'Hours left', of: ({ hours }) => `${hours.from} to ${hours.to}` },
];

const told = (one: ReportsCompared['criteria'][number]['before']) =>
  one === null
    ? 'not asked for'
    : `${OUTCOME_WORDS[one.outcome]}${one.failed > 0 ? `, ${one.failed} open` : ''}${one.open > 0 ? `, ${one.open} to judge` : ''}`;

/** Two reports side by side: their sums, and the criteria and pages that stand otherwise. */
export function CompareScreen({ compared, collection }: { compared: ReportsCompared; collection: string }) {
  const { before, after } = compared;
  const [was, is] = [`${before.at.slice(0, 10)}, ${before.by}`, `${after.at.slice(0, 10)}, ${after.by}`];
  return (
    <Main id="content">
      <h1>Two reports</h1>
      <p>{`The report of ${was} beside that of ${is}.`}</p>
      <Sides caption="Sums" heads={['What', was, is]} rows={NUMBERS.map(({ label, of }) => [label, of(before), of(after)])} />
      <h2>Criteria that stand otherwise</h2>
      {compared.criteria.length === 0 ? (
        <p>None.</p>
      ) : (
        <Sides
          caption="Criteria that stand otherwise"
          heads={['Criterion', was, is]}
          rows={compared.criteria.map((one) => [`${one.id} ${one.title}`, told(one.before), told(one.after)])}
        />
      )}
      <h2>Pages that stand otherwise</h2>
      {compared.pages.length === 0 ? (
        <p>None.</p>
      ) : (
        <Sides
          caption="Pages that stand otherwise"
          heads={['Page', was, is]}
          rows={compared.pages.map((one) => [
            one.title,
            one.before ?? 'not there',
            one.after ?? 'not there',
            `/collections/${collection}/${one.slug}`,
          ])}
        />
      )}
    </Main>
  );
}

interface SidesProps {
  caption: string;
  heads: readonly string[];
  /** What, before, after, and where its name leads. */
  rows: readonly (readonly string[])[];
}

function Sides({ caption, heads, rows }: SidesProps) {
  return (
    <TableFrame tabIndex={0} role="region" aria-label={caption}>
      <Table>
        <caption className="aside-from-view">{caption}</caption>
        <thead>
          <tr>
            {heads.map((head, nth) => (
              <th key={nth} scope="col">
                {head}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map(([what, was, is, href]) => (
            <tr key={what}>
              <th scope="row">{href ? <Link href={href}>{what}</Link> : what}</th>
              <td>{was}</td>
              <td>{is}</td>
            </tr>
          ))}
        </tbody>
      </Table>
    </TableFrame>
  );
}
