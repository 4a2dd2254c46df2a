'use client';
import type { ShelfRow } from '@inkwell/review';
import { Bar, BarChart, CartesianGrid, Legend, Tooltip, XAxis, YAxis } from 'recharts';
import { Figure, TOOLTIP, WEIGHTS } from '@/ui/Chart';
import { Table, TableFrame } from '@/ui/Table';

/** Collections drawn: those with the most open. */
const DRAWN = 12;

/** What stands open by weight, in the collections where the most does; with its table. */
export function OpenChart({ rows }: { rows: readonly ShelfRow[] }) {
  const data = rows
    .map(({ slug, title, tally, hours }) => ({
      slug,
      title,
      hours,
      ...tally,
      all: tally.must + tally.should + tally.consider + tally.judge,
    }))
    .filter(({ all }) => all > 0)
    .sort((a, b) => b.all - a.all)
    .slice(0, DRAWN);
  if (data.length < 2) return null;
  return (
    <Figure>
      <figcaption>Where the most stands open</figcaption>
      <div aria-hidden="true">
        <BarChart
          data={data}
          layout="vertical"
          responsive
          style={{ width: '100%', height: `${(56 + data.length * 34) / 16}rem` }}
          margin={{ left: 8, right: 16 }}
          accessibilityLayer={false}
        >
          <CartesianGrid horizontal={false} stroke="var(--line)" />
          <XAxis type="number" allowDecimals={false} stroke="var(--edge)" />
          <YAxis type="category" dataKey="title" width={170} stroke="var(--edge)" />
          <Tooltip contentStyle={TOOLTIP} />
          <Legend formatter={(name: string) => <span style={{ color: 'var(--ink)' }}>{name}</span>} />
          {WEIGHTS.map(({ key, name, fill }) => (
            <Bar key={key} dataKey={key} name={name} stackId="open" fill={fill} stroke="var(--sheet)" isAnimationActive={false} />
          ))}
        </BarChart>
      </div>
      <details>
        <summary>The same as a table</summary>
        <TableFrame tabIndex={0} role="region" aria-label="Open by weight">
          <Table>
            <caption>Open by weight</caption>
            <thead>
              <tr>
                <th scope="col">Collection</th>
                {WEIGHTS.map(({ key, name }) => (
                  <th key={key} scope="col" className="number">
                    {name}
                  </th>
                ))}
                <th scope="col" className="number">
                  hours left
                </th>
              </tr>
            </thead>
            <tbody>
              {data.map((row) => (
                <tr key={row.slug}>
                  <th scope="row">{row.title}</th>
                  {WEIGHTS.map(({ key }) => (
                    <td key={key} className="number">
                      {row[key].toLocaleString('en')}
                    </td>
                  ))}
                  <td className="number">{row.hours.toLocaleString('en')}</td>
                </tr>
              ))}
            </tbody>
          </Table>
        </TableFrame>
      </details>
    </Figure>
  );
}
