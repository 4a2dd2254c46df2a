import { PageReader } from '@/features/desk/engine/answer';
import type { Question } from '@/features/desk/engine/protocol';

const reader = new PageReader();

self.addEventListener('message', (event: MessageEvent<{ id: number; question: Question }>) => {
  const { id, question } = event.data;
  try {
    self.postMessage({ id, answer: reader.answer(question) });
  } catch (error) {
    self.postMessage({ id, error: error instanceof Error ? error.message : String(error) });
  }
});
