import { REGISTERS, TRAITS, type RegisterName } from '@inkwell/core';
import type { Grouping, RegisterChoice, RegisterOrder } from '@inkwell/review';

export const REGISTER_WORDS: Record<RegisterName, string> = {
  images: 'Images',
  links: 'Links',
  headings: 'Headings',
  tables: 'Tables',
  lists: 'Lists',
  colours: 'Colours',
  media: 'Media',
  text: 'Text',
};

/** What a thing of a register is called, one and several. */
export const THING_WORDS: Record<RegisterName, readonly [string, string]> = {
  images: ['image', 'images'],
  links: ['link', 'links'],
  headings: ['heading', 'headings'],
  tables: ['table', 'tables'],
  lists: ['list', 'lists'],
  colours: ['pair of colours', 'pairs of colours'],
  media: ['frame or player', 'frames and players'],
  text: ['slip', 'slips'],
};

export const STATES = [
  { value: 'open', label: 'Something open' },
  { value: 'asks', label: 'A question open' },
  { value: 'differs', label: 'Said differently' },
  { value: 'unused', label: 'Used nowhere' },
] as const;

/** Of links: how the address outside was found when it was last looked at. */
export const OUTSIDE_STATES = [
  { value: 'gone', label: 'Gone from its host' },
  { value: 'moved', label: 'Moved for good' },
  { value: 'unsure', label: 'Not seen' },
] as const;

/** How what a register lists may stand. */
export const statesOf = (register: RegisterName) => (register === 'links' ? [...STATES, ...OUTSIDE_STATES] : STATES);

export const ORDERS: readonly { value: RegisterOrder; label: string }[] = [
  { value: 'open', label: 'Most open' },
  { value: 'uses', label: 'Most used' },
  { value: 'name', label: 'Name' },
  { value: 'size', label: 'Largest file' },
];

export const GROUPINGS: Record<RegisterName, readonly { value: Grouping; label: string }[]> = {
  images: [
    { value: 'alike', label: 'Copies together' },
    { value: 'bytes', label: 'Same file together' },
    { value: 'thing', label: 'Each file' },
  ],
  links: [
    { value: 'thing', label: 'Text and destination' },
    { value: 'place', label: 'By destination' },
    { value: 'name', label: 'By text' },
  ],
  headings: [{ value: 'thing', label: 'Each text' }],
  tables: [{ value: 'thing', label: 'Each table' }],
  lists: [{ value: 'thing', label: 'Each list' }],
  colours: [{ value: 'thing', label: 'Each pair' }],
  media: [
    { value: 'thing', label: 'Each' },
    { value: 'place', label: 'By kind' },
  ],
  text: [
    { value: 'place', label: 'By what is wrong' },
    { value: 'thing', label: 'Each passage' },
  ],
};

/** Other ways to look at some registers. */
export const SHAPES: Partial<Record<RegisterName, readonly { value: Shape; label: string }[]>> = {
  images: [
    { value: 'table', label: 'Rows' },
    { value: 'grid', label: 'Thumbnails' },
  ],
  headings: [
    { value: 'table', label: 'Rows' },
    { value: 'pages', label: 'Page by page' },
  ],
};

/** What can be told at a glance, in words. */
export const TRAIT_WORDS: Record<string, string> = {
  untold: 'No alternative text',
  decorative: 'Decorative',
  described: 'Described',
  linked: 'In a link',
  background: 'Background',
  icon: 'Site icon (exempt)',
  poster: 'Poster of a video',
  borrowed: 'From another host',
  captioned: 'With a caption',
  source: 'One of several sizes',
  'odd name': 'Odd file name',
  outside: 'Leads outside',
  'new window': 'Opens a new window',
  'missing page': 'Leads to no page',
  'missing anchor': 'Leads to no place',
  'raw address': 'Address as text',
  'no destination': 'Leads nowhere',
  mail: 'Mail or telephone',
  navigation: 'In navigation',
  'level 1': 'Level 1',
  'level 2': 'Level 2',
  'level 3': 'Level 3',
  'level 4': 'Level 4',
  'level 5': 'Level 5',
  'level 6': 'Level 6',
  layout: 'Layout',
  'no caption': 'No caption',
  'no headers': 'No headers',
  merged: 'Merged cells',
  nested: 'Within another',
  ordered: 'Numbered',
  unordered: 'Bulleted',
  description: 'Terms and descriptions',
  typed: 'Only typed',
  'too little': 'Too little contrast',
  passes: 'Passes',
  uncertain: 'Background not known',
  large: 'Large text',
  'linked sheet': 'From a style sheet',
  'page style': 'From the page’s own styles',
  inline: 'On the text itself',
  browser: 'From the browser',
  frame: 'Frame',
  video: 'Video',
  audio: 'Sound',
  unnamed: 'No title',
  'no captions': 'No captions',
  'no transcript': 'No transcript',
  'no controls': 'No controls',
  'starts by itself': 'Starts by itself',
};

export interface View {
  choice: RegisterChoice;
  shape: Shape;
}

/** Rows, small pictures beside each other, or page by page. */
export type Shape = 'table' | 'grid' | 'pages';

/** What an address asks of a register; what it does not know asks for nothing. */
export function viewFrom(register: RegisterName, search: { get(name: string): string | null }): View {
  const one = <T extends string>(name: string, known: readonly T[]): T | undefined => known.find((value) => value === search.get(name));
  const words = search.get('words')?.trim().slice(0, 300);
  return {
    choice: {
      register,
      words: words === '' ? undefined : words,
      trait: one('trait', TRAITS[register] as readonly string[]),
      rule: search.get('rule')?.slice(0, 60) || undefined,
      state: one(
        'state',
        statesOf(register).map(({ value }) => value),
      ),
      group: one(
        'group',
        GROUPINGS[register].map(({ value }) => value),
      ),
      order: one(
        'order',
        ORDERS.map(({ value }) => value),
      ),
    },
    shape: SHAPES[register]?.find(({ value }) => value === search.get('view'))?.value ?? 'table',
  };
}

/** The address of a view: only what differs from the usual is written. */
export function addressOf(collection: string | null, { choice: { register, ...rest }, shape }: View): string {
  const search = new URLSearchParams();
  for (const [name, value] of Object.entries(rest)) if (value) search.set(name, value);
  if (shape !== 'table') search.set('view', shape);
  const query = search.toString();
  const base = collection === null ? '' : `/collections/${encodeURIComponent(collection)}`;
  return `${base}/registers/${register}${query ? `?${query}` : ''}`;
}

export function isRegister(name: string): name is RegisterName {
  return (REGISTERS as readonly string[]).includes(name);
}
