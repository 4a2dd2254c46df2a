import type { IncomingMessage } from 'node:http';

/** What is answered to a request. */
export interface Answer {
  status: number;
  type: string;
  body: string | Buffer;
  headers?: Record<string, string>;
}

/** Longest body taken, in bytes. */
const LONGEST = 25_000_000;

export const json = (value: unknown, status = 200, headers: Record<string, string> = {}): Answer => ({
  ...{ status, type: 'application/json', body: JSON.stringify(value), headers },
});
export const html = (body: string, status = 200): Answer => ({ status, type: 'text/html; charset=utf-8', body });
export const seeOther = (location: string): Answer => ({ status: 303, type: 'text/plain', body: '', headers: { location } });
export const problem = (status: number, detail: string): Answer => json({ detail }, status);

/** The body of a request; null where it is too long. */
export async function bodyOf(request: IncomingMessage): Promise<Buffer | null> {
  const parts: Buffer[] = [];
  let many = 0;
  for await (const part of request) {
    many += (part as Buffer).length;
    if (many > LONGEST) return null;
    parts.push(part as Buffer);
  }
  return Buffer.concat(parts);
}

export function escape(text: string): string {
  return text.replace(/[&<>"']/g, (sign) => `&#${sign.charCodeAt(0)};`);
}
