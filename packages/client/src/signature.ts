/** Seconds by which a message may be late before it is taken for one that was recorded and sent again. */
const TOLERANCE = 300;

/**
 * Whether a message of a webhook is from the server that has the secret, and new. `body`: as it came, byte for byte; `header`: what stands
 * in `Inkwell-Signature`; `now`: in seconds since 1970.
 */
export async function verifySignature(
  body: string,
  header: string,
  secret: string,
  now = Date.now() / 1000,
  tolerance = TOLERANCE,
): Promise<boolean> {
  const [, seconds, given] = /^t=(\d{1,12}),v1=([0-9a-f]{64})$/.exec(header.trim()) ?? [];
  if (seconds === undefined || given === undefined || Math.abs(now - Number(seconds)) > tolerance) return false;
  const bytes = new TextEncoder();
  const key = await crypto.subtle.importKey('raw', bytes.encode(secret), { name: 'HMAC', hash: 'SHA-256' }, false, ['verify']);
  const signature = Uint8Array.from(given.match(/../g)!, (pair) => Number.parseInt(pair, 16));
  return crypto.subtle.verify('HMAC', key, signature, bytes.encode(`${seconds}.${body}`));
}
