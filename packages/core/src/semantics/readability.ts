/** Figures of a text; a text without a full stop is one sentence. */
export interface TextFigures {
  words: number;
  sentences: number;
  syllables: number;
  /** Words of three syllables and more, of more than six letters, and of one syllable. */
  long: number;
  lettered: number;
  single: number;
}

/** 1 for the vowels of our languages, by their code. */
const VOWELS = new Uint8Array(0x180);
for (const vowel of 'aeiouyäöüáéíóúàèìòùâêîôûãõœæ') VOWELS[vowel.charCodeAt(0)] = VOWELS[vowel.toUpperCase().charCodeAt(0)] = 1;

/**
 * Syllables of a word by its runs of vowels; a silent e at the end of an English word is left out. An estimate, as in the published
 * formulas' own software.
 */
export function syllablesOf(word: string, language: string): number {
  let groups = 0;
  let inside = false;
  for (let at = 0; at < word.length; at++) {
    const vowel = VOWELS[word.charCodeAt(at)] === 1;
    if (vowel && !inside) groups++;
    inside = vowel;
  }
  const silent =
    language === 'en' &&
    /e[sd]?$/i.test(word) &&
    /[^aeiouy]e(?:s|d)?$/i.test(word) &&
    !/[^aeiouy]le$/i.test(word) &&
    !/[td]ed$/i.test(word) &&
    !/(?:s|x|z|ch|sh|g|c)es$/i.test(word)
      ? 1
      : 0;
  return Math.max(1, groups - silent);
}

export function figuresOf(text: string, language: string): TextFigures {
  const figures: TextFigures = { words: 0, sentences: 0, syllables: 0, long: 0, lettered: 0, single: 0 };
  for (const word of text.match(/\p{L}[\p{L}'’-]*/gu) ?? []) {
    const syllables = syllablesOf(word, language);
    figures.words++;
    figures.syllables += syllables;
    if (syllables >= 3) figures.long++;
    if (syllables === 1) figures.single++;
    if (word.length > 6) figures.lettered++;
  }
  figures.sentences = Math.max(1, text.match(/[.!?…]+(?=\s|$|["”»)])/gu)?.length ?? 0);
  return figures;
}

/** Flesch–Kincaid grade level (Kincaid, Fishburne, Rogers and Chissom 1975): American school years. */
export function fleschKincaid({ words, sentences, syllables }: Pick<TextFigures, 'words' | 'sentences' | 'syllables'>): number {
  return 0.39 * (words / sentences) + 11.8 * (syllables / words) - 15.59;
}

/** First "Wiener Sachtextformel" (Bamberger and Vanecek 1984): German school years. */
export function wienerSachtext({ words, sentences, long, lettered, single }: TextFigures): number {
  return (
    0.1935 * ((100 * long) / words) +
    0.1672 * (words / sentences) +
    0.1297 * ((100 * lettered) / words) -
    0.0327 * ((100 * single) / words) -
    0.875
  );
}

/** The languages a published formula is known for. */
export type GradedLanguage = 'en' | 'de';

/** School years a reader of a text needs; null where it is too short to tell. */
export function gradeOf(figures: TextFigures, language: GradedLanguage): number | null {
  if (figures.words < 100) return null;
  return language === 'en' ? fleschKincaid(figures) : wienerSachtext(figures);
}

/** The figures of a text made of two. */
export function added(one: TextFigures, other: TextFigures): TextFigures {
  return {
    words: one.words + other.words,
    sentences: one.sentences + other.sentences,
    syllables: one.syllables + other.syllables,
    long: one.long + other.long,
    lettered: one.lettered + other.lettered,
    single: one.single + other.single,
  };
}
