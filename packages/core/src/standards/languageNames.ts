import { lookup } from '../source/lookup.ts';
/** What the languages the engine can tell are called in English. */
const NAMES: Record<string, string> = { en: 'English', de: 'German', fr: 'French', es: 'Spanish', nl: 'Dutch', pt: 'Portuguese', it: 'Italian', ja: 'Japanese', ko: 'Korean', zh: 'Chinese', ru: 'Russian', el: 'Greek', he: 'Hebrew', ar: 'Arabic', th: 'Thai', hi: 'Hindi' };

export function languageName(tag: string): string {
  return lookup(NAMES, tag.toLowerCase().split('-')[0]!) ?? tag;
}
