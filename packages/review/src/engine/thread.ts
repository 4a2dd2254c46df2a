import { perform } from './perform.ts';
import type { TaskName, Tasks } from './tasks.ts';

/** The entry of a thread: one task at a time, as plain data in and out. */
export default function run<N extends TaskName>({ name, wish }: { name: N; wish: Tasks[N]['wish'] }): Tasks[N]['gives'] {
  return perform(name, wish);
}
