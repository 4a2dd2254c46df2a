'use client';
import { useEffect, useRef } from 'react';

/** What was told: pages that changed, who is on one, a message; or that anything may have happened meanwhile. */
export type Heard = { what: 'pages' | 'here'; collection: number; pages: readonly number[] } | { what: 'message' } | { what: 'gap' };

const CHANNEL = 'inkwell-live';
const listeners = new Set<(heard: Heard) => void>();
let channel: BroadcastChannel | null = null;

const tell = (heard: Heard) => listeners.forEach((listener) => listener(heard));

/** Listens to the server until this tab goes, and passes it on to the other tabs. */
function listen(): Promise<never> {
  const source = new EventSource('/api/live');
  source.onmessage = ({ data }: MessageEvent<string>) => {
    const heard = JSON.parse(data) as Heard;
    channel?.postMessage(heard);
    tell(heard);
  };
  return new Promise(() => undefined);
}

/** One stream for all tabs of a browser: whichever holds the lock listens. Where there are no locks, each listens for itself. */
function begin(): void {
  if (channel !== null || typeof EventSource === 'undefined') return;
  channel = new BroadcastChannel(CHANNEL);
  channel.onmessage = ({ data }: MessageEvent<Heard>) => tell(data);
  if (!('locks' in navigator)) return void listen();
  void navigator.locks.request(CHANNEL, listen);
}

/** Is told what others do, as it happens. */
export function useLive(onHeard: (heard: Heard) => void): void {
  const current = useRef(onHeard);
  current.current = onHeard;
  useEffect(() => {
    begin();
    const listener = (heard: Heard) => current.current(heard);
    listeners.add(listener);
    return () => void listeners.delete(listener);
  }, []);
}
