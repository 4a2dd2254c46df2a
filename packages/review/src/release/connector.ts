import { resolve } from 'node:path';
import { askAddress, barredAddress, hostPolicyFrom, NotFetched } from '@inkwell/formats';
import { connectorTo, HostTrouble, type Ask, type Connector } from '@inkwell/host';
import type { Host } from '@inkwell/store';
import { unseal } from './seal.ts';

/** Longest answer of a host that is read, and longest file that goes there, in bytes. */
export const LONGEST = 25_000_000;
/** Seconds that a host may take for one answer, unless `INKWELL_HOST_SECONDS` says otherwise. */
const PATIENCE = 10;

/** Asks addresses of hosts that whoever looks after the server allows, and no others. */
const ask: Ask = async (url, sent, patience) => {
  try {
    return await askAddress(hostPolicyFrom(process.env), url, sent, { most: LONGEST, within: patience });
  } catch (error) {
    if (!(error instanceof NotFetched)) throw error;
    throw new HostTrouble(barredAddress(hostPolicyFrom(process.env), url) === null ? 'away' : 'not let in', `The host ${error.message}.`);
  }
};

/** Why a host may not be spoken to, as the end of a sentence; null when it may. A folder has to lie below one that the server names. */
export function barredHost({ kind, address }: Pick<Host, 'kind' | 'address'>): string | null {
  if (kind === 'host') {
    const url = URL.parse(address);
    return url ? barredAddress(hostPolicyFrom(process.env), url) : 'is no address';
  }
  const roots = (process.env.INKWELL_FOLDERS ?? '').split(/[\s,]+/).filter(Boolean);
  const path = resolve(address);
  return roots.some((root) => path === resolve(root) || path.startsWith(`${resolve(root)}/`))
    ? null
    : 'lies in none of the folders this server may publish into (INKWELL_FOLDERS)';
}

/**
 * The way to a host.
 *
 * @throws HostTrouble where it may not be spoken to
 */
export function connectorOf(host: Host): Connector {
  const why = barredHost(host);
  if (why !== null) throw new HostTrouble('not let in', `${host.address} ${why}.`);
  const token = host.token === null ? '' : unseal(host.token);
  if (token === null)
    throw new HostTrouble('not let in', 'The token kept for this host cannot be read: the server’s own secret has changed.');
  const patience = (Number(process.env.INKWELL_HOST_SECONDS) || PATIENCE) * 1_000;
  return connectorTo({ kind: host.kind, address: host.address, token }, ask, patience);
}
