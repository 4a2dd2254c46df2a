import { PageReader } from '@/features/desk/engine/answer';
import type { Question } from '@/features/desk/engine/protocol';

const reader = new PageReader();

/** How long nobody has asked anything before the engine practises, and between two rounds, in milliseconds. */
const QUIET = 250;
let quiet: ReturnType<typeof setTimeout> | undefined;

self.addEventListener('message', (event: MessageEvent<{ id: number; question: Question }>) => {
  clearTimeout(quiet);
  const { id, question } = event.data;
  const began = performance.now();
  try {
    const answer = reader.answer(question);
    self.postMessage({ id, answer, took: performance.now() - began });
  } catch (error) {
    self.postMessage({ id, error: error instanceof Error ? error.message : String(error) });
  }
  practiseWhenQuiet(QUIET);
});

function practiseWhenQuiet(after: number): void {
  if (!reader.mayPractise) return;
  quiet = setTimeout(() => {
    reader.practise();
    practiseWhenQuiet(0);
  }, after);
}
