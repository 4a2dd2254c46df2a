import { languageAt } from './languages.ts';
import { passageFact } from './passages.ts';
import { PHRASES, phrasesFor, primaryOf } from '../standards/phrases/index.ts';

const compiled = new Map<string, RegExp>();

/** One expression for the cues of a language, and of English where none is said: whole words, in any case. */
function cuesOf(kind: 'colourCues' | 'placeCues', language: string): RegExp {
  const primary = primaryOf(language);
  const known = Object.hasOwn(PHRASES, primary) ? primary : 'en';
  const key = `${kind} ${known}`;
  let expression = compiled.get(key);
  if (!expression) {
    const phrases = phrasesFor(known);
    const colours = `(?:${phrases.colourNames.join('|')})`;
    const all = phrases[kind].map((cue) => cue.replaceAll('{colour}', colours)).join('|');
    compiled.set(key, (expression = new RegExp(`(?<![\\p{L}\\p{N}])(?:${all})(?![\\p{L}\\p{N}])`, 'iu')));
  }
  return expression;
}

/** A word of place, shape or size in one of the languages: without one there is no such cue. */
const PLACES =
  /left|right|corner|button|link[se]|recht|rund|eckig|groß|klein|gauche|droite|rond|carr|izquierd|derech|esquina|redond|cuadrad|onder|boven|vierkant|esquerd|direit|canto|quadrad|sinistra|destra|rotond|round|square/i;

const named = new Map<string, RegExp>();

/** Whether a text names a colour at all: most do not, and are settled by this. */
function coloursOf(language: string): RegExp {
  const primary = primaryOf(language);
  let expression = named.get(primary);
  if (!expression) named.set(primary, (expression = new RegExp(phrasesFor(primary).colourNames.join('|'), 'i')));
  return expression;
}

/** The words of a passage that lean on colour; null when none do. */
export const colourCueOf = passageFact((page, { text, block }) => cueIn(text, 'colourCues', languageAt(page, block)));

/** The words of a passage that lean on place, shape or size; null when none do. */
export const placeCueOf = passageFact((page, { text, block }) => cueIn(text, 'placeCues', languageAt(page, block)));

/** What is left blank has no colour. */
const BLANK = /\b(?:en|em) (?:blanco|branco)\b/gi;

function cueIn(text: string, kind: 'colourCues' | 'placeCues', language: string): string | null {
  if (kind === 'colourCues' ? !coloursOf(language).test(text) : !PLACES.test(text)) return null;
  const found = cuesOf(kind, language).exec(text.replace(BLANK, (words) => '-'.repeat(words.length)));
  if (found && !leans(kind, sentenceAround(text, found.index), language)) return null;
  // What follows in brackets says it in words.
  return found && !/^\s*\(/.test(text.slice(found.index + found[0].length)) ? found[0] : null;
}

/** The sentence that an offset of a text lies in. */
function sentenceAround(text: string, at: number): string {
  const start =
    Math.max(text.lastIndexOf('. ', at), text.lastIndexOf('! ', at), text.lastIndexOf('? ', at), text.lastIndexOf('\n', at)) + 1;
  const end = /[.!?](?:\s|$)|\n/.exec(text.slice(at));
  return text.slice(start, end ? at + end.index + 1 : text.length);
}

const directions = new Map<string, RegExp>();
/** A colour says what things are or have to be: then it stands in place of words. */
const MEANS =
  /(?<!\p{L})(?:is|are|was|were|mean|means|indicates?|shows?|marks?|must|required|sold|overdue|need|needs|have|has|sind|ist|bedeutet|bedeuten|müssen|sont|est|doivent|signifie|son|es|está|están|deben|significa|zijn|moeten|betekent|são|é|devem|sono|è|devono)(?!\p{L})/iu;

/** Whether a sentence tells its reader to do something, or, of colours, what they mean: a bare mention leans on nothing. */
function leans(kind: 'colourCues' | 'placeCues', sentence: string, language: string): boolean {
  const primary = primaryOf(language);
  const known = Object.hasOwn(PHRASES, primary) ? primary : 'en';
  let expression = directions.get(known);
  if (!expression)
    directions.set(
      known,
      (expression = new RegExp(`(?<![\\p{L}\\p{N}])(?:${phrasesFor(known).actWords.join('|')})(?![\\p{L}\\p{N}])`, 'iu')),
    );
  return expression.test(sentence) || (kind === 'colourCues' && MEANS.test(sentence));
}
