import 'server-only';
import { createHmac, timingSafeEqual } from 'node:crypto';

/** A place in a list, sealed: one that was made up, or given by another list, is known for it. */
export function cursorOf(list: string, after: string): string {
  const text = Buffer.from(after).toString('base64url');
  return `${text}.${seal(list, text).toString('base64url')}`;
}

/** What a cursor stands behind; null for one that this list did not give. */
export function cursorFrom(list: string, cursor: string): string | null {
  const [text = '', sum = ''] = cursor.split('.');
  const [given, own] = [Buffer.from(sum, 'base64url'), seal(list, text)];
  return given.length === own.length && timingSafeEqual(given, own) ? Buffer.from(text, 'base64url').toString() : null;
}

const seal = (list: string, text: string) =>
  createHmac('sha256', process.env.INKWELL_SECRET ?? '')
    .update(`${list}\n${text}`)
    .digest()
    .subarray(0, 12);
