import type { AnswerReach, QuestionView } from '@inkwell/review';
import { counted } from '@/ui/words';

export interface ReachChoice {
  value: AnswerReach;
  label: string;
}

/** How far an answer may reach: what is asked of an image is asked of it everywhere; else its own collection comes first. */
export function reachesOf({ anywhere, asking, place, pages, rule }: QuestionView, mayAnswerEverywhere: boolean): ReachChoice[] {
  const own = asking.find(({ collection }) => collection === place.collection);
  const here: ReachChoice = { value: 'page', label: `On this page alone` };
  const collection: ReachChoice = {
    value: 'collection',
    label: `In ${place.collectionTitle}, ${counted(own?.pages ?? 1, 'page', 'pages')} now`,
  };
  const everywhere: ReachChoice = {
    value: 'everywhere',
    label: `In all collections, ${counted(pages, 'page', 'pages')}${asking.length > 1 ? ` of ${asking.length}` : ''} now`,
  };
  if (!anywhere || !mayAnswerEverywhere) return [collection, here];
  return rule.startsWith('images/') ? [everywhere, collection, here] : [collection, everywhere, here];
}
