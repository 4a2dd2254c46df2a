import type { AttachmentFacts } from '@inkwell/review';
import { counted } from '@/ui/words';

/** What was read in an attachment, in plain words: what there is, and what a reader will miss. */
export interface FactWords {
  is: string;
  misses: string[];
}

export function factWords(facts: AttachmentFacts): FactWords {
  if (facts.of === 'unreadable') return { is: 'Nothing could be read', misses: [facts.why] };
  return facts.of === 'PDF' ? pdfWords(facts) : captionWords(facts);
}

function pdfWords(facts: Extract<AttachmentFacts, { of: 'PDF' }>): FactWords {
  if (facts.locked) return { is: 'Opens only with a password', misses: ['Nothing else could be read of it'] };
  const { pages, title, language, tagged, outline, looked, withText, imagesOnly } = facts;
  const of = looked < pages ? ` of the first ${looked}` : '';
  const text =
    imagesOnly > 0 && withText === 0
      ? 'Only images of text: nothing can be read out'
      : imagesOnly > 0
        ? `${counted(imagesOnly, 'page')}${of} without text, only images`
        : null;
  return {
    is: [counted(pages, 'page'), title && `“${title}”`, language && `in ${languageName(language)}`, tagged && 'tagged']
      .filter(Boolean)
      .join(', '),
    misses: [
      !tagged && 'No tags: headings, lists and tables are not told',
      text,
      title === null && 'No title',
      language === null && 'No language',
      !outline && pages > LONG && 'No bookmarks',
    ].filter((words) => typeof words === 'string'),
  };
}

/** Pages from which on bookmarks are missed. Common practice. */
const LONG = 20;

function captionWords(facts: Extract<AttachmentFacts, { of: 'captions' }>): FactWords {
  const { cues, ends, language, empty, overlaps, disorder, gaps, longestGap, broken } = facts;
  return {
    is: [counted(cues, 'caption'), `up to ${clock(ends)}`, language && `in ${languageName(language)}`].filter(Boolean).join(', '),
    misses: [
      broken > 0 && `${counted(broken, 'line')} with times that cannot be read`,
      empty > 0 && `${counted(empty, 'caption')} without words`,
      overlaps > 0 && `${overlaps} that ${overlaps === 1 ? 'begins' : 'begin'} before the one before ends`,
      disorder > 0 && `${disorder} out of order`,
      longestGap &&
        `${counted(gaps, 'stretch', 'stretches')} of more than half a minute without words, the longest at ${clock(longestGap.at)} for ${clock(longestGap.seconds)}`,
      language === null && 'Does not say its language',
    ].filter((words) => typeof words === 'string'),
  };
}

/** 1:02:03 or 2:03. */
export function clock(seconds: number): string {
  const whole = Math.round(seconds);
  const [hours, minutes, rest] = [Math.floor(whole / 3_600), Math.floor(whole / 60) % 60, String(whole % 60).padStart(2, '0')];
  return hours > 0 ? `${hours}:${String(minutes).padStart(2, '0')}:${rest}` : `${minutes}:${rest}`;
}

function languageName(code: string): string {
  try {
    return new Intl.DisplayNames(['en'], { type: 'language' }).of(code) ?? code;
  } catch {
    return code;
  }
}
