'use client';
import { useRouter } from 'next/navigation';
import { useEffect, useRef } from 'react';
import { useLive } from './live';

/** Shown anew at most so often, in ms: a job that reaches thousands of pages tells of each. */
const AT_MOST_MS = 3_000;

/** Shows a screen anew when pages that it tells of have changed. `collection`: only of that one. */
export function LiveScreen({ collection }: { collection?: number }) {
  const router = useRouter();
  const waiting = useRef<ReturnType<typeof setTimeout> | null>(null);
  const last = useRef(0);
  useEffect(() => () => void (waiting.current && clearTimeout(waiting.current)), []);
  useLive((heard) => {
    const concerns = heard.what === 'pages' ? collection === undefined || heard.collection === collection : heard.what === 'gap';
    if (!concerns || waiting.current !== null) return;
    waiting.current = setTimeout(
      () => {
        waiting.current = null;
        last.current = Date.now();
        if (document.visibilityState === 'visible') router.refresh();
      },
      Math.max(300, last.current + AT_MOST_MS - Date.now()),
    );
  });
  return null;
}
