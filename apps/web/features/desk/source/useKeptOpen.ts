'use client';
import { useEffect } from 'react';
import { send } from '@/ui/send';

/** How often it is said again that there are changes which are not saved, in ms. */
const AGAIN_MS = 40_000;

/** Lets others know while a page has changes that are not saved: what is done to many pages passes it by. */
export function useKeptOpen(pageId: number, changed: boolean): void {
  useEffect(() => {
    if (!changed) return;
    const say = (open: boolean) => void send(`/api/pages/${pageId}/open`, { open });
    say(true);
    const timer = setInterval(() => say(true), AGAIN_MS);
    return () => {
      clearInterval(timer);
      say(false);
    };
  }, [pageId, changed]);
}
