'use client';
import { useCallback, useEffect, useRef, useState } from 'react';

export interface Voice {
  /** The browser has a voice at all. */
  has: boolean;
  speaking: boolean;
  start(lines: readonly string[], from: number): void;
  stop(): void;
}

/** The browser's own voice, line by line; `onLine` follows it. */
export function useVoice(onLine: (index: number) => void): Voice {
  const [has, setHas] = useState(false);
  const [speaking, setSpeaking] = useState(false);
  const turn = useRef(0);

  useEffect(() => {
    const voices = window.speechSynthesis as SpeechSynthesis | undefined;
    if (!voices) return;
    const look = () => setHas(voices.getVoices().length > 0);
    look();
    voices.addEventListener('voiceschanged', look);
    return () => voices.removeEventListener('voiceschanged', look);
  }, []);

  const stop = useCallback(() => {
    turn.current++;
    (window.speechSynthesis as SpeechSynthesis | undefined)?.cancel();
    setSpeaking(false);
  }, []);

  const start = useCallback(
    (lines: readonly string[], from: number) => {
      const mine = ++turn.current;
      window.speechSynthesis.cancel();
      setSpeaking(true);
      const say = (index: number) => {
        if (turn.current !== mine) return;
        if (index >= lines.length) return setSpeaking(false);
        onLine(index);
        const words = new SpeechSynthesisUtterance(lines[index]);
        words.addEventListener('end', () => say(index + 1));
        words.addEventListener('error', () => turn.current === mine && setSpeaking(false));
        window.speechSynthesis.speak(words);
      };
      say(from);
    },
    [onLine],
  );

  return { has, speaking, start, stop };
}
