'use client';
import type { BackUnder, Learning } from '@inkwell/review';
import { Bar, BarChart, CartesianGrid, Tooltip, XAxis, YAxis } from 'recharts';
import { Figure, TOOLTIP } from '@/ui/Chart';
import { Main } from '@/ui/Shell';
import { Table, TableFrame } from '@/ui/Table';
import { counted, FAMILIES, FAMILY_WORDS } from '@/ui/words';

/** What was fixed and came back: when, of which families and rules, with whose changes, on which pages. */
export function LearningScreen({ shown }: { shown: Learning }) {
  const { many, byRule, byPerson, byContentType } = shown;
  return (
    <Main id="content">
      <h1>What comes back</h1>
      <p>
        {many === 0
          ? 'Nothing that was fixed has come back in the last twelve months.'
          : `${counted(many, 'thing that was fixed has', 'things that were fixed have')} come back in the last twelve months.`}
      </p>
      {many > 0 && (
        <>
          <ByMonth shown={shown} />
          <Sums title="By rule" head="Rule" rows={byRule} />
          <Sums title="By whose change brought it back" head="Person" rows={byPerson} />
          <Sums title="By content type" head="Content type" rows={byContentType} />
        </>
      )}
    </Main>
  );
}

function ByMonth({ shown: { byMonth } }: { shown: Learning }) {
  const families = FAMILIES.filter((family) => byMonth.some((month) => month.families[family]));
  return (
    <>
      <Figure>
        <figcaption>Come back in each month</figcaption>
        <div aria-hidden="true">
          <BarChart
            data={byMonth}
            responsive
            style={{ width: '100%', height: '14rem' }}
            margin={{ left: 8, right: 16 }}
            accessibilityLayer={false}
          >
            <CartesianGrid vertical={false} stroke="var(--line)" />
            <XAxis dataKey="month" stroke="var(--edge)" minTickGap={20} />
            <YAxis allowDecimals={false} stroke="var(--edge)" />
            <Tooltip contentStyle={TOOLTIP} />
            <Bar dataKey="many" name="came back" fill="var(--gall)" isAnimationActive={false} />
          </BarChart>
        </div>
      </Figure>
      <TableFrame tabIndex={0} role="region" aria-label="Month by month">
        <Table>
          <caption>Month by month, the last first</caption>
          <thead>
            <tr>
              <th scope="col">Month</th>
              {families.map((family) => (
                <th key={family} scope="col" className="number">
                  {FAMILY_WORDS[family]}
                </th>
              ))}
              <th scope="col" className="number">
                In all
              </th>
            </tr>
          </thead>
          <tbody>
            {[...byMonth].reverse().map(({ month, families: own, many }) => (
              <tr key={month}>
                <th scope="row">{month}</th>
                {families.map((family) => (
                  <td key={family} className="number">
                    {own[family] ?? 0}
                  </td>
                ))}
                <td className="number">{many}</td>
              </tr>
            ))}
          </tbody>
        </Table>
      </TableFrame>
    </>
  );
}

function Sums({ title, head, rows }: { title: string; head: string; rows: readonly BackUnder[] }) {
  return (
    <TableFrame tabIndex={0} role="region" aria-label={title}>
      <Table>
        <caption>{title}</caption>
        <thead>
          <tr>
            <th scope="col">{head}</th>
            <th scope="col" className="number">
              Came back
            </th>
          </tr>
        </thead>
        <tbody>
          {rows.map(({ name, many }) => (
            <tr key={name}>
              <th scope="row">{name}</th>
              <td className="number">{many}</td>
            </tr>
          ))}
        </tbody>
      </Table>
    </TableFrame>
  );
}
