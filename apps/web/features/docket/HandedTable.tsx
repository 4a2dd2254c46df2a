'use client';
import type { Family } from '@inkwell/core';
import type { HandedChoice, HandedShown } from '@inkwell/review';
import { Link } from '@/ui/Link';
import { Small, Table, TableFrame } from '@/ui/Table';
import { Day } from '@/ui/When';
import { FAMILY_WORDS } from '@/ui/words';
import { addressOfHanded } from './handed';

const HEADS: Record<HandedChoice['by'], string> = { person: 'Person', page: 'Page', family: 'Family', due: 'Day' };

interface TableProps {
  groups: HandedShown['groups'];
  choice: HandedChoice;
  today: string;
}

/** What is handed out, put together by something; each leads to what is behind it. */
export function HandedTable({ groups, choice, today }: TableProps) {
  if (groups.length === 0) return <p>Nothing is handed out here.</p>;
  return (
    <TableFrame tabIndex={0} role="region" aria-label="Handed out">
      <Table>
        <caption className="aside-from-view">{`Handed out, by ${HEADS[choice.by].toLowerCase()}`}</caption>
        <thead>
          <tr>
            <th scope="col">{HEADS[choice.by]}</th>
            {['To do', 'Overdue', 'Came back', 'Done', 'Hours left'].map((head) => (
              <th key={head} scope="col" className="number">
                {head}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {groups.map((group) => (
            <tr key={group.key}>
              <th scope="row">
                <Link href={addressOfHanded({ ...choice, ...narrowed(choice.by, group.key) }, true)}>
                  <Name by={choice.by} group={group} today={today} />
                </Link>
                {group.place && <Small>{group.place.title}</Small>}
              </th>
              <td className="number">{group['to do']}</td>
              <td className="number">{group.overdue}</td>
              <td className="number">{group.returned}</td>
              <td className="number">{group.done}</td>
              <td className="number">{group['to do'] === 0 ? '' : group.hours.toLocaleString('en')}</td>
            </tr>
          ))}
        </tbody>
      </Table>
    </TableFrame>
  );
}

function Name({ by, group, today }: { by: HandedChoice['by']; group: HandedShown['groups'][number]; today: string }) {
  if (by === 'family') return FAMILY_WORDS[group.key as Family];
  if (by !== 'due') return group.label;
  if (group.key === '') return 'No day';
  return (
    <>
      {group.key < today && 'Past: '}
      <Day day={group.key} />
    </>
  );
}

/** What a group narrows the choice to. */
function narrowed(by: HandedChoice['by'], key: string): Partial<HandedChoice> {
  switch (by) {
    case 'person':
      return { person: key };
    case 'page':
      return { page: Number(key) };
    case 'family':
      return { family: key as Family };
    case 'due':
      return { due: key };
  }
}
