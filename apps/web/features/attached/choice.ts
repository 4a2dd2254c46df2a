import type { AttachmentStanding, AttachmentWish } from '@inkwell/review';

export const STANDINGS = [
  { value: 'unseen', label: 'Nobody looked yet' },
  { value: 'to mend', label: 'To be fixed' },
  { value: 'to become a page', label: 'To become a page' },
  { value: 'fit', label: 'Fit to go out' },
] as const satisfies readonly { value: AttachmentStanding; label: string }[];

export const STANDING_WORDS = Object.fromEntries(STANDINGS.map(({ value, label }) => [value, label])) as Record<AttachmentStanding, string>;

/** What an address asks of the attached files. */
export function choiceFrom(search: { get(name: string): string | null }): AttachmentWish {
  return {
    kind: search.get('kind') || undefined,
    standing: STANDINGS.find(({ value }) => value === search.get('standing'))?.value,
    owner: search.get('owner') === 'nobody' ? '' : (search.get('owner') ?? undefined),
    after: search.get('after') ?? undefined,
  };
}

/** The address of a choice. */
export function addressOf(collection: string, { kind, standing, owner, after }: AttachmentWish): string {
  const search = new URLSearchParams();
  if (kind) search.set('kind', kind);
  if (standing) search.set('standing', standing);
  if (owner !== undefined) search.set('owner', owner || 'nobody');
  if (after !== undefined) search.set('after', after);
  const query = search.toString();
  return `/collections/${encodeURIComponent(collection)}/attached${query ? `?${query}` : ''}`;
}
