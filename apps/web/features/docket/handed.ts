import type { HandedBy, HandedChoice } from '@inkwell/review';
import { FAMILIES } from '@/ui/words';

export const BY: readonly { value: HandedBy; label: string }[] = [
  { value: 'person', label: 'By person' },
  { value: 'page', label: 'By page' },
  { value: 'family', label: 'By family' },
  { value: 'due', label: 'By day' },
];

/** What an address asks to see of what is handed out. */
export function handedFrom(asked: URLSearchParams): { choice: HandedChoice; asBoard: boolean } {
  const page = Number(asked.get('page'));
  const due = asked.get('due');
  return {
    choice: {
      by: BY.find(({ value }) => value === asked.get('by'))?.value ?? 'person',
      person: asked.get('person')?.slice(0, 100) ?? null,
      family: FAMILIES.find((one) => one === asked.get('family')) ?? null,
      page: Number.isSafeInteger(page) && page > 0 && page < 2 ** 31 ? page : null,
      due: due === null || due === 'none' ? (due === null ? null : '') : due.slice(0, 10),
    },
    asBoard: asked.get('as') === 'board',
  };
}

/** The address of a choice. */
export function addressOfHanded({ by, person, family, page, due }: HandedChoice, asBoard: boolean): string {
  const search = new URLSearchParams();
  if (by !== 'person') search.set('by', by);
  if (asBoard) search.set('as', 'board');
  if (person !== null) search.set('person', person);
  if (family !== null) search.set('family', family);
  if (page !== null) search.set('page', String(page));
  if (due !== null) search.set('due', due === '' ? 'none' : due);
  return `/docket/handed${search.size > 0 ? `?${search.toString()}` : ''}`;
}
