import { refused, type Refusal } from '../problems.ts';

/** Longest name, in characters, and longest address (RFC 5321, 4.5.3.1.3, less its angle brackets). */
const LONGEST_NAME = 100;
const LONGEST_ADDRESS = 254;
/** Letters that are not seen, or that turn what stands behind them about. */
const UNSEEN = /[\p{Cc}\p{Cf}\p{Zl}\p{Zp}]/gu;
/** One @ with something on both sides, and nothing that could begin another address or another line of a message. */
const ADDRESS = /^[^\s@<>()[\],;:"\\]{1,64}@(?:[^\s@<>()[\],;:"\\.]+\.)+[^\s@<>()[\],;:"\\.]{2,}$/u;

/** A name as it is kept: one line, without what is not seen; null for none. */
export function nameFrom(typed: string): string | null {
  const name = typed
    .normalize('NFC')
    .replace(/[\t\r\n]/g, ' ')
    .replace(UNSEEN, '')
    .replace(/ {2,}/g, ' ')
    .trim();
  return name === '' || [...name].length > LONGEST_NAME ? null : name;
}

/** A department as it is kept: like a name; null for none. */
export const departmentFrom = nameFrom;

/** An e-mail address as it is kept, in lower case; null for what is none. */
export function addressFrom(typed: string): string | null {
  const address = typed.normalize('NFC').trim().toLowerCase();
  return address.length <= LONGEST_ADDRESS && address.search(UNSEEN) < 0 && ADDRESS.test(address) ? address : null;
}

export const NO_NAME: Refusal = refused({
  code: 'bad-page',
  what: 'This name cannot be kept',
  why: `A name has between 1 and ${LONGEST_NAME} characters that can be seen.`,
  kept: 'Nothing was changed, and what you typed stays in the form.',
});

export const NO_ADDRESS: Refusal = refused({
  code: 'bad-page',
  what: 'This is no e-mail address',
  why: 'It needs a name, one @ and a host, without spaces.',
  kept: 'Nothing was changed, and what you typed stays in the form.',
});
