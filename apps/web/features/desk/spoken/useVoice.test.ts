/** @jest-environment jsdom */
import { act, renderHook } from '@testing-library/react';
import { useVoice } from './useVoice';

/** A browser's speech that says nothing and ends a line when it is told to. */
class Speech extends EventTarget {
  readonly said: string[] = [];
  voices: unknown[] = [{ name: 'A voice' }];
  private now: EventTarget | null = null;

  getVoices(): unknown[] {
    return this.voices;
  }

  speak(words: EventTarget & { text: string }): void {
    this.said.push(words.text);
    this.now = words;
  }

  cancel(): void {
    this.now = null;
  }

  end(how: 'end' | 'error' = 'end'): void {
    this.now?.dispatchEvent(new Event(how));
  }
}

let speech: Speech;
beforeEach(() => {
  speech = new Speech();
  Object.assign(window, {
    speechSynthesis: speech,
    SpeechSynthesisUtterance: class extends EventTarget {
      constructor(readonly text: string) {
        super();
      }
    },
  });
});

function start() {
  const lines: number[] = [];
  const follow = (index: number) => void lines.push(index);
  const { result } = renderHook(() => useVoice(follow));
  return { voice: () => result.current, lines };
}

test('lines are read one after the other from where one is, and followed', () => {
  const { voice, lines } = start();
  act(() => voice().start(['One', 'Two', 'Three'], 1));
  expect(voice().speaking).toBe(true);
  act(() => speech.end());
  expect([speech.said, lines]).toEqual([
    ['Two', 'Three'],
    [1, 2],
  ]);
  act(() => speech.end());
  expect(voice().speaking).toBe(false);
});

test('stopping is final: a line that ends afterwards starts no other', () => {
  const { voice } = start();
  act(() => voice().start(['One', 'Two'], 0));
  const [spoken] = [speech.said.length];
  act(() => voice().stop());
  act(() => speech.end());
  expect([speech.said.length, voice().speaking]).toEqual([spoken, false]);
});

test('starting elsewhere leaves the first reading behind', () => {
  const { voice } = start();
  act(() => voice().start(['One', 'Two', 'Three'], 0));
  act(() => voice().start(['One', 'Two', 'Three'], 2));
  expect(speech.said).toEqual(['One', 'Three']);
  act(() => speech.end());
  expect(voice().speaking).toBe(false);
});

test('a voice that fails ends the reading', () => {
  const { voice } = start();
  act(() => voice().start(['One', 'Two'], 0));
  act(() => speech.end('error'));
  expect([speech.said, voice().speaking]).toEqual([['One'], false]);
});

test('voices may come late, or not at all', () => {
  speech.voices = [];
  const { voice } = start();
  expect(voice().has).toBe(false);
  speech.voices = [{ name: 'A voice' }];
  act(() => void speech.dispatchEvent(new Event('voiceschanged')));
  expect(voice().has).toBe(true);
  Object.assign(window, { speechSynthesis: undefined });
  expect(renderHook(() => useVoice(() => undefined)).result.current.has).toBe(false);
});
