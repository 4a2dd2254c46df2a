'use client';
import type { Family } from '@inkwell/core';
import type { Trend } from '@inkwell/review';
import { Area, AreaChart, Bar, BarChart, CartesianGrid, Legend, Tooltip, XAxis, YAxis } from 'recharts';
import { Figure, TOOLTIP, WEIGHTS } from '@/ui/Chart';
import { Main } from '@/ui/Shell';
import { Table, TableFrame } from '@/ui/Table';
import { Day } from '@/ui/When';
import { FAMILY_WORDS } from '@/ui/words';

type DaySums = Trend['days'][number];

/** What stood open in a collection day by day, by weight; with its table. */
export function TrendScreen({ shown }: { shown: Trend }) {
  const { days, forecast, hours, returned } = shown;
  const first = days[0];
  const last = days.at(-1);
  return (
    <Main id="content">
      <h1>Trend</h1>
      <p>{first && last ? headline(first, last, days.length) : 'Nothing has been written down yet.'}</p>
      <p>{ahead(forecast, hours)}</p>
      {days.length > 1 && <OpenByDay days={days} />}
      {days.length > 1 && <VerdictsByDay days={days} />}
      {returned.length > 0 && <Returned returned={returned} />}
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

/** When it will be done, with its spread, and what it takes. */
function ahead(forecast: Trend['forecast'], hours: Trend['hours']): string {
  const takes = hours.to > 0 ? `What is open takes some ${hours.from} to ${hours.to} hours. ` : '';
  if (!forecast) return `${takes}When it will be done is told from three days on.`;
  const pace = `${Math.abs(forecast.perDay).toLocaleString('en', { maximumFractionDigits: 1 })} a day`;
  const at = `${takes}At the pace of the last ${forecast.days} days`;
  if (forecast.done === null) return `${at} (${pace} ${forecast.perDay < 0 ? 'more' : 'fewer'}) it is not done within ten years.`;
  const between = `between ${forecast.soonest} and ${forecast.latest ?? 'no day that could be told'}`;
  return `${at} (${pace} fewer) nothing is open from ${forecast.done} on; ${between} at the pace of quicker and slower days.`;
}

const legend = (name: string) => <span style={{ color: 'var(--ink)' }}>{name}</span>;

/** What every chart here is drawn on. `of`: what its columns stand for. */
function Ground({ of }: { of: 'day' | 'week' }) {
  return (
    <>
      <CartesianGrid vertical={false} stroke="var(--line)" />
      <XAxis dataKey={of} stroke="var(--edge)" minTickGap={40} />
      <YAxis allowDecimals={false} stroke="var(--edge)" />
      <Tooltip contentStyle={TOOLTIP} />
    </>
  );
}

const VERDICTS = [
  { key: 'held', name: 'held', fill: 'var(--ink)' },
  { key: 'judge', name: 'to judge', fill: 'var(--edge)' },
  { key: 'ready', name: 'ready', fill: 'var(--gall)' },
] as const;

/** How many pages stood how at the end of each day; the table below has the same. */
function VerdictsByDay({ days }: { days: Trend['days'] }) {
  return (
    <Figure>
      <figcaption>Pages by verdict at the end of each day</figcaption>
      <div aria-hidden="true">
        <BarChart
          data={[...days]}
          responsive
          style={{ width: '100%', height: '12rem' }}
          margin={{ left: 8, right: 16 }}
          accessibilityLayer={false}
        >
          <Ground of="day" />
          <Legend formatter={legend} />
          {VERDICTS.map(({ key, name, fill }) => (
            <Bar key={key} dataKey={key} name={name} stackId="pages" fill={fill} stroke="var(--sheet)" isAnimationActive={false} />
          ))}
        </BarChart>
      </div>
    </Figure>
  );
}

/** What came back, week by week, with its table. */
function Returned({ returned }: { returned: Trend['returned'] }) {
  const weeks = [...new Set(returned.map(({ week }) => week))];
  const families = [...new Set(returned.map(({ family }) => family))];
  const many = (week: string, family: string) => returned.find((one) => one.week === week && one.family === family)?.many ?? 0;
  const data = weeks.map((week) => ({ week, back: families.reduce((sum, family) => sum + many(week, family), 0) }));
  return (
    <Figure>
      <figcaption>What came back after it was fixed, by week</figcaption>
      <div aria-hidden="true">
        <BarChart
          data={data}
          responsive
          style={{ width: '100%', height: '10rem' }}
          margin={{ left: 8, right: 16 }}
          accessibilityLayer={false}
        >
          <Ground of="week" />
          <Bar dataKey="back" name="came back" fill="var(--gall)" isAnimationActive={false} maxBarSize={48} />
        </BarChart>
      </div>
      <TableFrame tabIndex={0} role="region" aria-label="What came back">
        <Table>
          <caption className="aside-from-view">What came back, by week and family</caption>
          <thead>
            <tr>
              <th scope="col">Week of</th>
              {families.map((family) => (
                <th key={family} scope="col" className="number">
                  {FAMILY_WORDS[family as Family]}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {weeks.map((week) => (
              <tr key={week}>
                <th scope="row">
                  <Day day={week} />
                </th>
                {families.map((family) => (
                  <td key={family} className="number">
                    {many(week, family)}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </Table>
      </TableFrame>
    </Figure>
  );
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
          <Ground of="day" />
          <Legend formatter={legend} />
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
