import 'server-only';
import { visibleTo, type Actor } from '@inkwell/review';
import { listenTo, type Told } from '@inkwell/store';
import { once } from './once';

type Listener = (told: Told | 'gap') => void;

/** Whoever is told in this process: one connection to the database listens for all of them. */
function hub(): Promise<Set<Listener>> {
  return once('live', () => {
    const listeners = new Set<Listener>();
    const tell = (told: Told | 'gap') => listeners.forEach((listener) => listener(told));
    listenTo(process.env.DATABASE_URL!, tell, (again) => again && tell('gap'));
    return Promise.resolve(listeners);
  });
}

/** A sign of life, so that nothing on the way takes the stream for dead; and how long one lasts: the next asks who comes. In ms. */
const ALIVE_MS = 20_000;
const LASTS_MS = 5 * 60_000;

/**
 * What somebody may know of as it happens, as server-sent events (HTML Living Standard, 9.2), until `isStill` says that they are signed in
 * no more.
 */
export async function liveStream(actor: Actor, isStill: () => Promise<boolean>, signal: AbortSignal): Promise<ReadableStream<Uint8Array>> {
  const listeners = await hub();
  const seen = visibleTo(actor);
  const encoder = new TextEncoder();
  let end = () => undefined as void;
  return new ReadableStream<Uint8Array>({
    start(controller) {
      const write = (text: string) => controller.enqueue(encoder.encode(text));
      const listener: Listener = (told) => {
        if (told === 'gap') return write(`data: {"what":"gap"}\n\n`);
        if (told.what === 'message') return void (told.person === actor.id && write(`data: {"what":"message"}\n\n`));
        if (seen === null || seen.includes(told.collection)) write(`data: ${JSON.stringify(told)}\n\n`);
      };
      const alive = setInterval(() => void stay(), ALIVE_MS);
      const stay = async () => {
        if (await isStill().catch(() => true)) {
          if (listeners.has(listener)) write(': here\n\n');
        } else end();
      };
      const over = setTimeout(() => end(), LASTS_MS);
      end = () => {
        listeners.delete(listener);
        clearInterval(alive);
        clearTimeout(over);
        end = () => undefined;
        try {
          controller.close();
        } catch {
          // Whoever listened has closed it.
        }
      };
      signal.addEventListener('abort', () => end(), { once: true });
      listeners.add(listener);
      write('retry: 3000\n\n');
    },
    cancel: () => end(),
  });
}
