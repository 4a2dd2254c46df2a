'use client';
import { useEffect, useRef } from 'react';

/** What was told: pages that changed, who is on one, a message; or that anything may have happened meanwhile. */
export type Heard = { what: 'pages' | 'here'; collection: number; pages: readonly number[] } | { what: 'message' } | { what: 'gap' };
/** Said from tab to tab: what was heard, or that somebody else is signed in now. */
type Passed = Heard | { what: 'somebody else' };

const CHANNEL = 'inkwell-live';
/** How long is waited before a server is asked again that did not let one listen, in ms. */
const AGAIN_MS = 15_000;

const listeners = new Set<(heard: Heard) => void>();
let channel: BroadcastChannel | null = null;
let source: EventSource | null = null;
let isForAll = false;

const tell = (heard: Heard) => listeners.forEach((listener) => listener(heard));

function hear(heard: Heard): void {
  if (isForAll) channel?.postMessage(heard);
  tell(heard);
}

/** Listens to the server. `again`: what happened since it listened before is not known. */
function open(again: boolean): void {
  const own = new EventSource('/api/live');
  source = own;
  let opened = again;
  own.onmessage = ({ data }: MessageEvent<string>) => hear(JSON.parse(data) as Heard);
  own.onopen = () => {
    if (opened) hear({ what: 'gap' });
    opened = true;
  };
  // A stream that breaks off is asked for again by itself; one that was refused is not.
  own.onerror = () => {
    if (own.readyState === EventSource.CLOSED && own === source) setTimeout(() => own === source && open(true), AGAIN_MS);
  };
}

/** One stream for all tabs of a browser: whichever holds the lock listens. Where there are no locks, each listens for itself. */
function begin(): void {
  if (channel !== null || typeof EventSource === 'undefined') return;
  channel = new BroadcastChannel(CHANNEL);
  channel.onmessage = ({ data }: MessageEvent<Passed>) => (data.what === 'somebody else' ? anew() : tell(data));
  if (!('locks' in navigator)) return open(false);
  void navigator.locks.request(CHANNEL, () => {
    isForAll = true;
    open(false);
    // The lock is kept until this tab goes.
    return new Promise(() => undefined);
  });
}

function anew(): void {
  if (source === null) return;
  source.close();
  open(true);
}

/** Somebody else is signed in from now on: what they may see is listened to. */
export function listenAsSomebodyElse(): void {
  channel?.postMessage({ what: 'somebody else' } satisfies Passed);
  anew();
}

/** One has read one's messages: whoever counts them counts again. */
export const messagesRead = (): void => hear({ what: 'message' });

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
