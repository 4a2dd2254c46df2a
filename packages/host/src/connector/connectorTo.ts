import { folderConnector } from './folder.ts';
import { hostConnector, type Ask } from './host.ts';
import type { Connector } from './types.ts';

/** The connector of a kind of host. `ask`: what asks addresses; a folder is asked without it. */
export function connectorTo({ kind, address, token }: { kind: 'host' | 'folder'; address: string; token: string }, ask: Ask): Connector {
  return kind === 'folder' ? folderConnector(address) : hostConnector({ address, token, ask });
}
