'use client';
import { useState } from 'react';
import styled from 'styled-components';
import { Button } from '@/ui/Button';
import { ProgressLine } from '@/ui/Panel';
import { counted } from '@/ui/words';
import type { Going, Mending } from './useMend';

const Lines = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 0 0.75rem;
  font-size: 0.875rem;
  ul {
    margin: 0 0 0 1.1rem;
    list-style: disc;
  }
`;

/** What was done from here, how far it is, what was left and why, and the way back. */
export function MendLine({ mending }: { mending: Mending }) {
  const [all, setAll] = useState(false);
  const shown = mending.all.slice(0, all ? 20 : 1);
  if (mending.all.length === 0) return <div role="status" aria-label="What was done" />;
  return (
    <Lines role="status" aria-label="What was done">
      {shown.map((one) => (
        <One key={one.together} one={one} onBack={() => void mending.takeBack(one.together)} />
      ))}
      {mending.all.length > 1 && (
        <div>
          <Button $look="quiet" onPress={() => setAll(!all)}>
            {all ? 'Only the last' : `${mending.all.length - 1} before it`}
          </Button>
        </div>
      )}
    </Lines>
  );
}

function One({ one: { view }, onBack }: { one: Going; onBack(): void }) {
  if (!view) return <span>Begun…</span>;
  const { title, waiting, done, returned, left, files, taken_back: back } = view;
  const pages = back ? `taken back on ${counted(returned, 'page')}` : `done on ${counted(done, 'page')}`;
  return (
    <div>
      <ProgressLine>
        <span>
          {[
            `${title}: ${pages}`,
            files > 0 && counted(files, 'file'),
            waiting > 0 && `${waiting} to come`,
            left.length > 0 && `${left.length} ${back ? 'stay' : 'left as they were'}`,
          ]
            .filter(Boolean)
            .join(', ')}
        </span>
        {waiting > 0 && (
          <progress aria-label="Pages done" value={done + returned + left.length} max={done + returned + left.length + waiting} />
        )}
        {!back && (
          <Button $look="quiet" onPress={onBack}>
            Take it back
          </Button>
        )}
      </ProgressLine>
      {left.length > 0 && (
        <ul>
          {left.slice(0, 8).map((page) => (
            <li key={page.slug}>{`${page.title}: ${page.why}`}</li>
          ))}
          {left.length > 8 && <li>{`and ${left.length - 8} more`}</li>}
        </ul>
      )}
    </div>
  );
}
