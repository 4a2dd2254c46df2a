import type { CaseView } from '@inkwell/review';

/** The surroundings most uses of an image stand in: what is written goes for those. */
export interface Usual {
  /** Where a link leads of which the image is all; null where it is in none. */
  link: string | null;
  language: string;
}

type Used = Pick<CaseView, 'facts' | 'uses'>;

function surroundingsOf({ facts }: Pick<CaseView, 'facts'>): Usual {
  return { link: facts.link === undefined ? null : String(facts.link), language: String(facts.language ?? '') };
}

export function usualOf(cases: readonly Used[]): Usual {
  const many = new Map<string, { usual: Usual; uses: number }>();
  for (const one of cases) {
    const usual = surroundingsOf(one);
    const key = JSON.stringify(usual);
    many.set(key, { usual, uses: (many.get(key)?.uses ?? 0) + one.uses });
  }
  return [...many.values()].sort((a, b) => b.uses - a.uses)[0]?.usual ?? { link: null, language: '' };
}

/**
 * Why a use needs words of its own, as a question; null where it does not. An image that is all of a link names where that leads (WCAG
 * technique H30), and one text in two languages needs two.
 */
export function exceptionOf(one: Pick<CaseView, 'facts'>, usual: Usual): string | null {
  const { link, language } = surroundingsOf(one);
  if (link !== usual.link)
    return link === null
      ? 'Here it is in no link: what does it show?'
      : `Here it is all of a link to ${link || 'nothing'}: where does that lead?`;
  if (language !== usual.language && language !== '') return `Here the page is in “${language}”: what is it in that language?`;
  return null;
}
