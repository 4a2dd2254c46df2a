import { createHash, randomBytes } from 'node:crypto';

/** A secret that an address carries: 32 random bytes in 43 letters, digits and signs. Only its sum is kept. */
export const newSecret = (): string => randomBytes(32).toString('base64url');

/** What is kept of a secret. */
export const sumOf = (secret: string): string => createHash('sha256').update(secret).digest('hex');
