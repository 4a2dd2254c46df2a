'use client';
import type { Trend } from '@inkwell/review';
import { Area, AreaChart, CartesianGrid, Legend, Tooltip, XAxis, YAxis } from 'recharts';
import { Figure, TOOLTIP, WEIGHTS } from '@/ui/Chart';
import { Main } from '@/ui/Shell';
import { Table, TableFrame } from '@/ui/Table';
import { Day } from '@/ui/When';

type DaySums = Trend['days'][number];

/** What stood open in a collection day by day, by weight; with its table. */
export function TrendScreen({ shown: { days } }: { shown: Trend }) {
  const first = days[0];
  const last = days.at(-1);
  return (
    <Main id="content">
      <h1>Trend</h1>
      <p>{first && last ? headline(first, last, days.length) : 'Nothing has been written down yet.'}</p>
      {days.length > 1 && <OpenByDay days={days} />}
      {days.length > 0 && <DayTable days={days} />}
    </Main>
  );
}

const openOn = ({ must, should, consider, questions }: DaySums) => must + should + consider + questions;

function headline(first: DaySums, last: DaySums, many: number): string {
  if (many === 1) return `${openOn(last).toLocaleString('en')} open today. From tomorrow on there is a day to compare with.`;
  const change = openOn(last) - openOn(first);
  const words = change === 0 ? 'as many as' : `${Math.abs(change).toLocaleString('en')} ${change < 0 ? 'fewer' : 'more'} than`;
  return `${openOn(last).toLocaleString('en')} open today, ${words} on ${first.day}.`;
}

function OpenByDay({ days }: { days: Trend['days'] }) {
  const data = days.map((day) => ({ ...day, judge: day.questions }));
  return (
    <Figure>
      <figcaption>Open by weight at the end of each day</figcaption>
      <div aria-hidden="true">
        <AreaChart
          data={data}
          responsive
          style={{ width: '100%', height: '18rem' }}
          margin={{ left: 8, right: 16 }}
          accessibilityLayer={false}
        >
          <CartesianGrid vertical={false} stroke="var(--line)" />
          <XAxis dataKey="day" stroke="var(--edge)" minTickGap={40} />
          <YAxis allowDecimals={false} stroke="var(--edge)" />
          <Tooltip contentStyle={TOOLTIP} />
          <Legend formatter={(name: string) => <span style={{ color: 'var(--ink)' }}>{name}</span>} />
          {WEIGHTS.map(({ key, name, fill }) => (
            <Area
              key={key}
              dataKey={key}
              name={name}
              stackId="open"
              fill={fill}
              fillOpacity={1}
              stroke="var(--sheet)"
              isAnimationActive={false}
            />
          ))}
        </AreaChart>
      </div>
    </Figure>
  );
}

const COLUMNS: readonly (readonly [keyof Omit<DaySums, 'day'>, string])[] = [
  ['must', 'must'],
  ['should', 'should'],
  ['consider', 'to consider'],
  ['questions', 'to judge'],
  ['pages', 'pages'],
  ['held', 'held'],
  ['ready', 'ready'],
];

function DayTable({ days }: { days: Trend['days'] }) {
  return (
    <TableFrame tabIndex={0} role="region" aria-label="Day by day">
      <Table>
        <caption>Day by day, the last first</caption>
        <thead>
          <tr>
            <th scope="col">Day</th>
            {COLUMNS.map(([key, name]) => (
              <th key={key} scope="col" className="number">
                {name}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {[...days].reverse().map((row) => (
            <tr key={row.day}>
              <th scope="row">
                <Day day={row.day} />
              </th>
              {COLUMNS.map(([key]) => (
                <td key={key} className="number">
                  {row[key].toLocaleString('en')}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </Table>
    </TableFrame>
  );
}
