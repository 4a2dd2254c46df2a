/** @jest-environment jsdom */
import { act, renderHook, waitFor } from '@testing-library/react';
import { deskOf } from '../testing/desk';
import { pageTextOf } from './pageText';
import { Engine, useAnswer, useHealth } from './useEngine';

/** A worker that answers as it is told. */
class TestWorker extends EventTarget {
  static all: TestWorker[] = [];
  static answer: (id: number) => object | null = (id) => ({ id, answer: 'heard' });
  ended = false;

  constructor() {
    super();
    TestWorker.all.push(this);
  }

  postMessage({ id }: { id: number }): void {
    const data = TestWorker.answer(id);
    if (data) queueMicrotask(() => this.dispatchEvent(new MessageEvent('message', { data })));
  }

  terminate(): void {
    this.ended = true;
  }
}

// The worker answers when it likes: what it changes is waited for, not acted on.
beforeAll(() => void Object.assign(globalThis, { IS_REACT_ACT_ENVIRONMENT: false }));

const QUESTION = { kind: 'heard', page: pageTextOf(deskOf('<p>x</p>')) } as const;

function start(longest?: number) {
  TestWorker.all = [];
  TestWorker.answer = (id) => ({ id, answer: 'heard' });
  const engine = new Engine(() => new TestWorker() as unknown as Worker, longest);
  const { result } = renderHook(() => ({ answer: useAnswer<'heard'>(engine, QUESTION), health: useHealth(engine) }));
  return { engine, shown: () => result.current };
}

test('a question is answered', async () => {
  const { shown } = start();
  await waitFor(() => expect(shown().answer).toBe('heard'));
  expect(shown().health.trouble).toBeNull();
});

test('a question that fails is told of, and answered once it is asked again', async () => {
  TestWorker.answer = (id) => ({ id, error: 'It stumbled.' });
  const engine = new Engine(() => new TestWorker() as unknown as Worker);
  const { result } = renderHook(() => ({ answer: useAnswer<'heard'>(engine, QUESTION), health: useHealth(engine) }));
  await waitFor(() => expect(result.current.health.trouble).toBe('It stumbled.'));
  TestWorker.answer = (id) => ({ id, answer: 'heard' });
  act(() => engine.again());
  await waitFor(() => expect(result.current.answer).toBe('heard'));
  expect(result.current.health.trouble).toBeNull();
});

test('a worker that dies rejects what waits, and the next question has a new one', async () => {
  const { engine, shown } = start();
  await waitFor(() => expect(shown().answer).toBe('heard'));
  TestWorker.answer = () => null;
  const lost = engine.ask<'heard'>(QUESTION).catch((error: unknown) => (error as Error).message);
  act(() => void TestWorker.all[0]!.dispatchEvent(Object.assign(new Event('error'), { message: 'Out of memory' })));
  expect(await lost).toBe('Out of memory');
  expect([shown().health.trouble, TestWorker.all[0]!.ended]).toEqual(['Out of memory', true]);
  TestWorker.answer = (id) => ({ id, answer: 'heard' });
  expect(await engine.ask<'heard'>(QUESTION)).toBe('heard');
  expect(TestWorker.all).toHaveLength(2);
});

test('a question nobody answers is given up after a time', async () => {
  const { engine } = start(30);
  TestWorker.answer = () => null;
  await expect(engine.ask<'heard'>(QUESTION)).rejects.toThrow('longer than 0.03 seconds');
});
