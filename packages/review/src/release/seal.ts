import { createCipheriv, createDecipheriv, createHash, randomBytes } from 'node:crypto';

/** What seals secrets that have to be said again to others: made of the server's own. */
function key(): Buffer {
  const secret = process.env.INKWELL_SECRET;
  if (!secret || secret.length < 32) throw new Error('INKWELL_SECRET is not set: secrets of others cannot be kept without it.');
  return createHash('sha256').update(`seal ${secret}`).digest();
}

/** Seals a secret (AES-256-GCM, NIST SP 800-38D): base64 of nonce, tag and text. */
export function seal(text: string): string {
  const nonce = randomBytes(12);
  const cipher = createCipheriv('aes-256-gcm', key(), nonce);
  const sealed = Buffer.concat([cipher.update(text, 'utf8'), cipher.final()]);
  return Buffer.concat([nonce, cipher.getAuthTag(), sealed]).toString('base64');
}

/** The secret back; null where it was sealed with another server's secret, or tampered with. */
export function unseal(sealed: string): string | null {
  try {
    const bytes = Buffer.from(sealed, 'base64');
    const cipher = createDecipheriv('aes-256-gcm', key(), bytes.subarray(0, 12));
    cipher.setAuthTag(bytes.subarray(12, 28));
    return Buffer.concat([cipher.update(bytes.subarray(28)), cipher.final()]).toString('utf8');
  } catch {
    return null;
  }
}
