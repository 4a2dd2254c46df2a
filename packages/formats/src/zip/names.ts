import { getFileNameLowLevel, type ExtraField } from 'yauzl';

/** APPNOTE.TXT 6.3.10, 4.6.9: the Info-ZIP Unicode Path extra field. */
const UNICODE_PATH = 0x7075;

/**
 * An entry's name from its bytes: the Unicode extra field, then UTF-8 where the bytes are that, then CP437 (APPNOTE.TXT, appendix D; that
 * UTF-8 is often written without its flag is common practice). Back slashes are forward ones; control characters are shown as `\xNN`.
 */
export function nameFrom(flags: number, raw: Buffer, extraFields: ExtraField[]): string {
  const utf8 = extraFields.some(({ id }) => id === UNICODE_PATH) ? null : asUtf8(raw);
  const name = utf8 ?? getFileNameLowLevel(flags, raw, extraFields, true);
  return shown(name.replaceAll('\\', '/')).replace(/^(?:\.\/)+/, '');
}

function asUtf8(raw: Buffer): string | null {
  try {
    return new TextDecoder('utf-8', { fatal: true, ignoreBOM: true }).decode(raw);
  } catch {
    return null;
  }
}

/** A name as it can be printed. */
export function shown(name: string): string {
  // eslint-disable-next-line no-control-regex -- these are what it is about
  return name.replace(/[\u0000-\u001f\u007f-\u009f]/g, (sign) => `\\x${sign.charCodeAt(0).toString(16).padStart(2, '0')}`);
}

/** Whether a path leads out of the folder it is unpacked in. */
export function leadsOutside(path: string): boolean {
  if (path.startsWith('/') || /^[a-z]:/i.test(path)) return true;
  let depth = 0;
  for (const step of path.split('/')) {
    if (step === '..') depth--;
    else if (step !== '' && step !== '.') depth++;
    if (depth < 0) return true;
  }
  return false;
}

/** Files that systems leave behind: they are no part of a collection. */
export function isLeftover(path: string): boolean {
  return /(?:^|\/)(?:__MACOSX\/|\.DS_Store$|Thumbs\.db$|desktop\.ini$)/.test(path);
}
