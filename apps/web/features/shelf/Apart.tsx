'use client';
import type { Problem, ShelfRow, TakenOut } from '@inkwell/review';
import { Link } from '@/ui/Link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import styled from 'styled-components';
import { Button } from '@/ui/Button';
import { ProblemNotice } from '@/ui/ProblemNotice';
import { send } from '@/ui/send';
import { counted } from '@/ui/words';

const Part = styled.section`
  margin-top: 1.5rem;
  max-width: 52rem;
  h2 {
    font-size: 1.125rem;
  }
  ul {
    margin: 0.4rem 0 0;
    padding: 0;
    list-style: none;
  }
  li {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 0.3rem 0.9rem;
    padding: 0.25rem 0;
    border-top: 1px solid var(--line);
  }
  small {
    color: var(--quiet);
    font-size: 0.875rem;
  }
`;

/** What stands apart: collections that are done with, and those taken out that can still be brought back. */
export function Apart({ putAway, takenOut }: { putAway: readonly ShelfRow[]; takenOut: readonly TakenOut[] }) {
  const router = useRouter();
  const [problem, setProblem] = useState<Problem | null>(null);
  const back = async (slug: string) => {
    const sent = await send<null>(`/api/collections/${encodeURIComponent(slug)}/bring-back`, {});
    if (sent.ok) router.refresh();
    else setProblem(sent.problem);
  };
  return (
    <>
      {putAway.length > 0 && (
        <Part>
          <h2>Put away</h2>
          <ul>
            {putAway.map(({ slug, title, pages }) => (
              <li key={slug}>
                <Link href={`/collections/${slug}`}>{title}</Link>
                <small>{counted(pages, 'page')}</small>
              </li>
            ))}
          </ul>
        </Part>
      )}
      {takenOut.length > 0 && (
        <Part>
          <h2>Taken out</h2>
          {problem && <ProblemNotice problem={problem} />}
          <ul>
            {takenOut.map(({ slug, title, by, until }) => (
              <li key={slug}>
                {title}
                <small>{`by ${by}, can be brought back until ${new Date(until).toLocaleDateString('en', { day: 'numeric', month: 'long', year: 'numeric' })}`}</small>
                <Button onPress={() => void back(slug)} aria-label={`Bring ${title} back`}>
                  Bring it back
                </Button>
              </li>
            ))}
          </ul>
        </Part>
      )}
    </>
  );
}
