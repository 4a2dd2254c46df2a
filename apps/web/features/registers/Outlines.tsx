'use client';
import type { OutlineView, Problem } from '@inkwell/review';
import { Link } from '@/ui/Link';
import { useCallback, useEffect, useState } from 'react';
import styled from 'styled-components';
import { Button } from '@/ui/Button';
import { ProblemNotice } from '@/ui/ProblemNotice';
import { send } from '@/ui/send';
import { counted } from '@/ui/words';
import { addressOf } from './choice';

const Column = styled.div`
  overflow: auto;
  padding: 0.5rem 1rem 1rem;
  background: var(--sheet);
  border: 1px solid var(--line);
  h2 {
    margin-top: 1rem;
    font-size: 1.125rem;
  }
  h3 {
    margin-top: 0.75rem;
    font-size: 0.9375rem;
  }
  ol {
    font-size: 0.875rem;
    border-left: 1px solid var(--line);
    margin-top: 0.25rem;
  }
`;
const Line = styled.li<{ $level: number }>`
  display: flex;
  flex-wrap: wrap;
  gap: 0 0.6rem;
  padding: 0.1rem 0 0.1rem ${({ $level }) => $level * 1.1}rem;
  b {
    min-width: 1.2rem;
  }
  em {
    font-style: normal;
    color: var(--rubric);
    font-weight: 600;
  }
  a {
    min-height: 1.5rem;
  }
`;

/** Every page’s outline, one under the other by content type; what leaps, and what has another level than elsewhere, says so. */
export function Outlines({ collection, done }: { collection: string | null; done: number }) {
  const [pages, setPages] = useState<readonly OutlineView[]>([]);
  const [more, setMore] = useState(true);
  const [problem, setProblem] = useState<Problem | null>(null);
  const load = useCallback(
    async (skip: number) => {
      const wish = { collection, contentType: null, skip };
      const sent = await send<{ pages: OutlineView[]; more: boolean }>('/api/registers/outlines', wish);
      setProblem(sent.ok ? null : sent.problem);
      if (!sent.ok) return;
      setPages((now) => [...now.slice(0, skip), ...sent.value.pages]);
      setMore(sent.value.more);
    },
    [collection],
  );
  useEffect(() => void load(0), [load, done]);
  return (
    <Column tabIndex={0} role="region" aria-label="Outlines">
      {problem && <ProblemNotice problem={problem} />}
      {pages.map((page, nth) => (
        <section key={`${page.collection} ${page.slug}`}>
          {page.contentType !== pages[nth - 1]?.contentType && <h2>{page.contentType}</h2>}
          <h3>
            <Link href={`/collections/${page.collection}/${page.slug}?face=outline`}>{page.title}</Link>
          </h3>
          {page.lines.length === 0 ? <p>No heading.</p> : <OutlineLines collection={collection} page={page} />}
        </section>
      ))}
      {more && pages.length > 0 && <Button onPress={() => void load(pages.length)}>More pages</Button>}
    </Column>
  );
}

function OutlineLines({ collection, page }: { collection: string | null; page: OutlineView }) {
  return (
    <ol>
      {page.lines.map(({ text, level, leaps, usually }, nth) => (
        <Line key={nth} $level={level - 1}>
          <b>{level}</b>
          <span>{text || 'no text'}</span>
          {leaps && <em>leaps</em>}
          {usually && (
            <Link href={addressOf(collection, { choice: { register: 'headings', words: text }, shape: 'table' })}>
              {`level ${usually.level} on ${counted(usually.pages, 'page')}`}
            </Link>
          )}
        </Line>
      ))}
    </ol>
  );
}
