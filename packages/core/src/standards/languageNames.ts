/** What the languages whose phrases the engine knows are called in English. */
const NAMES: Record<string, string> = { en: 'English', de: 'German', fr: 'French', es: 'Spanish', nl: 'Dutch', pt: 'Portuguese', it: 'Italian' };

export function languageName(tag: string): string {
  return NAMES[tag.toLowerCase().split('-')[0]!] ?? tag;
}
