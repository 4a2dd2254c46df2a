import { folderConnector } from './folder.ts';
import { hostConnector, type Ask } from './host.ts';
import type { Connector } from './types.ts';

/**
 * The connector of a kind of host. `ask`: what asks addresses, no folder; `patience`: how long an answer may take, in ms.
 */
export function connectorTo(
  { kind, address, token }: { kind: 'host' | 'folder'; address: string; token: string },
  ask: Ask,
  patience: number,
): Connector {
  return kind === 'folder' ? folderConnector(address) : hostConnector({ address, token, ask, patience });
}
