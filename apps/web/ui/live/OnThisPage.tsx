'use client';
import { useCallback, useEffect, useState } from 'react';
import styled from 'styled-components';
import { Button } from '@/ui/Button';
import { send } from '@/ui/send';
import { useLive } from './live';

const Line = styled.p`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 0.1rem 0.75rem;
  font-size: 0.8125rem;
  color: var(--quiet);
  &:empty {
    display: none;
  }
`;

/** Said again so often, in ms; the word holds for longer. */
const AGAIN_MS = 25_000;
/** What one did oneself has come back by then. */
const OWN_MS = 1_200;

interface PageNow {
  version: number;
  /** Whether oneself made that version: with a change to many pages, or in another tab. */
  own: boolean;
  others: readonly string[];
}

interface OnThisPageProps {
  page: number;
  version: number;
  /** What one did oneself is on its way: until it is back, nothing is said of versions. */
  busy: boolean;
  onShow(): void;
}

/** Who else is on a page, and whether it was changed by somebody else since it was shown. */
export function OnThisPage({ page, version, busy, onShow }: OnThisPageProps) {
  const [now, setNow] = useState<PageNow | null>(null);
  const say = useCallback(async () => {
    const sent = await send<PageNow>(`/api/pages/${page}/here`, { here: true });
    if (sent.ok) setNow(sent.value);
  }, [page]);
  useEffect(() => {
    void say();
    const timer = setInterval(() => void say(), AGAIN_MS);
    const leave = () => navigator.sendBeacon(`/api/pages/${page}/here`, JSON.stringify({ here: false }));
    window.addEventListener('pagehide', leave);
    return () => {
      clearInterval(timer);
      window.removeEventListener('pagehide', leave);
      leave();
    };
  }, [page, say]);
  useLive((heard) => {
    if (heard.what === 'gap' || ((heard.what === 'pages' || heard.what === 'here') && heard.pages.includes(page)))
      setTimeout(() => void say(), heard.what === 'pages' ? OWN_MS : 0);
  });
  const others = now?.others ?? [];
  const isBehind = !busy && now !== null && now.version > version;
  return (
    <Line role="status">
      {others.length > 0 && <span>{`${names(others)} ${others.length === 1 ? 'is' : 'are'} on this page too.`}</span>}
      {isBehind && (
        <>
          <span>{now.own ? 'Your change to many pages has reached this page.' : 'Someone else has changed this page.'}</span>
          <Button $look="quiet" onPress={onShow}>
            Show it as it is now
          </Button>
        </>
      )}
    </Line>
  );
}

const names = (all: readonly string[]) => (all.length === 1 ? all[0]! : `${all.slice(0, -1).join(', ')} and ${all.at(-1)}`);
