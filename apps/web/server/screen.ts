import 'server-only';
import { notFound } from 'next/navigation';
import type { Problem, Result } from '@inkwell/review';
import { isAway } from '@inkwell/store';
import { AWAY } from './answer';

/** What a screen shows, or the problem it shows instead. Anything unexpected goes on to the error screen. */
export async function screenData<T>(read: () => Promise<Result<T>>): Promise<{ data: T } | { problem: Problem }> {
  try {
    const result = await read();
    if (result.ok) return { data: result.value };
    if (result.problem.code === 'not-found') notFound();
    return { problem: result.problem };
  } catch (error) {
    if (isAway(error)) return { problem: AWAY };
    throw error;
  }
}
