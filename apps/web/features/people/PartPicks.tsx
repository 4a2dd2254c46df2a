'use client';
import { Pick } from '@/ui/Field';
import { ROLES } from './words';

/** A part as it is chosen; '' for all collections. */
export interface ChosenPart {
  role: string;
  collection: string;
}

export const NEW_PART: ChosenPart = { role: 'author', collection: '' };

/** A part as the server takes it. */
export const partOf = ({ role, collection }: ChosenPart) => ({ role, collection: collection || null });

interface PartProps {
  part: ChosenPart;
  collections: readonly { slug: string; title: string }[];
  onChange(part: ChosenPart): void;
}

/** Which part, and in which collection. */
export function PartPicks({ part, collections, onChange }: PartProps) {
  const places = [{ value: '', label: 'All collections' }, ...collections.map(({ slug, title }) => ({ value: slug, label: title }))];
  return (
    <>
      <Pick label="Part" value={part.role} onChange={(role) => onChange({ ...part, role })} options={ROLES} />
      <Pick label="In" value={part.collection} onChange={(collection) => onChange({ ...part, collection })} options={places} />
    </>
  );
}
