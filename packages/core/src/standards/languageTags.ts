import { EXTENDED, LANGUAGES, REGIONS, SCRIPTS, VARIANTS, WHOLE_TAGS } from './languageSubtags.ts';

const sets = new Map<string, ReadonlySet<string>>();

function setOf(list: string): ReadonlySet<string> {
  let set = sets.get(list);
  if (!set) sets.set(list, (set = new Set(list.split(' '))));
  return set;
}

/** Whether a text is a language tag whose parts are all registered (BCP 47, RFC 5646, 2.1 and 2.2; IANA's Language Subtag Registry). */
export function isLanguageTag(written: string): boolean {
  const tag = written.toLowerCase();
  if (setOf(WHOLE_TAGS).has(tag)) return true;
  if (/^x(?:-[a-z0-9]{1,8})+$/.test(tag)) return true;
  const parts = tag.split('-');
  if (parts.includes('')) return false;
  const language = parts.shift()!;
  if (!setOf(LANGUAGES).has(language) && !/^q[a-t][a-z]$/.test(language)) return false;
  for (let i = 0; i < 3 && parts[0] && /^[a-z]{3}$/.test(parts[0]) && setOf(EXTENDED).has(parts[0]); i++) parts.shift();
  if (isRegistered(parts[0], SCRIPTS, /^qa(?:a[a-z]|b[a-x])$/)) parts.shift();
  if (isRegistered(parts[0], REGIONS, /^(?:q[m-z]|x[a-z])$/)) parts.shift();
  const seen = new Set<string>();
  while (parts[0] && setOf(VARIANTS).has(parts[0]) && !seen.has(parts[0])) seen.add(parts.shift()!);
  return extensionsHold(parts);
}

/** Whether a part is in a list of the registry or in its range for private use. */
function isRegistered(part: string | undefined, list: string, priv: RegExp): boolean {
  return part !== undefined && (setOf(list).has(part) || priv.test(part));
}

/** What is left after the registered parts: extensions of a single sign each, then private use. */
function extensionsHold(parts: readonly string[]): boolean {
  const rest = parts.join('-');
  return rest === '' || /^(?:[0-9a-wy-z](?:-[a-z0-9]{2,8})+)?(?:(?:^|-)[0-9a-wy-z](?:-[a-z0-9]{2,8})+)*(?:(?:^|-)x(?:-[a-z0-9]{1,8})+)?$/.test(rest);
}
