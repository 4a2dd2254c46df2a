/** What runs in a thread of its own: the engine and nothing else. */
export { HERE, perform } from './perform.ts';
export type { Changed, Declined, Engine, Examined, FindingKey, PlacedText, Referred, TaskName, Tasks } from './tasks.ts';
