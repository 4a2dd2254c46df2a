'use client';
import { useEffect, useState } from 'react';

/** A value so many ms after it has changed, and only the last where it changes meanwhile: what hangs on it holds up nothing else. */
export function useLater<T>(value: T, ms: number): T {
  const [later, setLater] = useState(value);
  useEffect(() => {
    const timer = setTimeout(() => setLater(value), ms);
    return () => clearTimeout(timer);
  }, [value, ms]);
  return later;
}
