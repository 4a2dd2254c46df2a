/** A client of the API for programs in TypeScript: nothing but `fetch` under it. docs/api.md has an example of each call. */
export { InkwellClient, type ClientOptions } from './client.ts';
export { InkwellProblem } from './problem.ts';
export { verifySignature } from './signature.ts';
export type * from './types.ts';
