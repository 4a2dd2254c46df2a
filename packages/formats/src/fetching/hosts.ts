import ipaddr from 'ipaddr.js';

/** Which hosts pages may be fetched from. */
export interface HostPolicy {
  /** Names as the house allows them; `*.` in front stands for any name below. Without a port: the usual ones. */
  allowed: readonly string[];
  /** Hosts that may lie in a network of the house's own. */
  private: readonly string[];
  /** Whether `*` among the names stands for any host. */
  any?: boolean;
}

/** From settings such as environment variables: names with commas or spaces between them. Without any, nothing is fetched. */
export function hostPolicyFrom(settings: Settings): HostPolicy {
  return { allowed: namesIn(settings.INKWELL_HOSTS), private: namesIn(settings.INKWELL_PRIVATE_HOSTS) };
}

/** At which hosts it may be looked whether a link's address still answers; `*` for any host. Without any, none is looked at. */
export function linkPolicyFrom(settings: Settings): HostPolicy {
  return { allowed: namesIn(settings.INKWELL_LINK_HOSTS), private: namesIn(settings.INKWELL_PRIVATE_HOSTS), any: true };
}

type Settings = Readonly<Record<string, string | undefined>>;

const namesIn = (setting = '') =>
  setting
    .toLowerCase()
    .split(/[\s,]+/)
    .filter(Boolean);

/** Whether a list of hosts holds that of an address. */
function holds(hosts: readonly string[], { host }: URL): boolean {
  return hosts.some((one) => one === host || (one.startsWith('*.') && host.endsWith(one.slice(1))));
}

/** Why an address is not fetched, as the end of a sentence; null when it may be. What its name stands for is looked at later. */
export function barredAddress(policy: HostPolicy, url: URL): string | null {
  if (url.protocol !== 'http:' && url.protocol !== 'https:') return 'is neither http nor https';
  if (url.username !== '' || url.password !== '') return 'carries a name and a password';
  const allowed = holds(policy.allowed, url) || (policy.any && policy.allowed.includes('*'));
  if (!allowed) return `lies on ${url.host}, which is none of the hosts this house allows`;
  const literal = url.hostname.replace(/^\[|\]$/g, '');
  return ipaddr.isValid(literal) ? barredPlace(policy, url, literal) : null;
}

/**
 * Why a machine's own address is not spoken to; null when it may be. Only what is reached from everywhere is (IANA special-purpose address
 * registries), unless the house says that this host lies in its own network.
 */
export function barredPlace(policy: HostPolicy, url: URL, place: string): string | null {
  const range = ipaddr.process(place).range();
  return range === 'unicast' || holds(policy.private, url) ? null : `lies in a private network (${place})`;
}
