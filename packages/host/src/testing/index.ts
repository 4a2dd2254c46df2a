/** A host for tests, and what goes wrong on the way to it. */
export { serveHost } from '../server/serve.ts';
export { faultProxy, type Fault, type FaultProxy } from './faultProxy.ts';
