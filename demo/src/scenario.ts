import type { Role } from '@inkwell/store';

/** The invented town of Larkmoor: its people, its two collections, and how far their review has come. */
export const PEOPLE: readonly { id: string; name: string; role: Role }[] = [
  { id: 'ines-calder', name: 'Ines Calder', role: 'reviewer' },
  { id: 'tomas-wren', name: 'Tomas Wren', role: 'reviewer' },
  { id: 'odile-marsh', name: 'Odile Marsh', role: 'author' },
  { id: 'ruth-pender', name: 'Ruth Pender', role: 'publisher' },
  { id: 'uma-hale', name: 'Uma Hale', role: 'specialist' },
  { id: 'sam-okello', name: 'Sam Okello', role: 'administrator' },
];

export interface ScenarioPage {
  file: string;
  title: string;
  contentType: string;
}

export interface ScenarioCollection {
  slug: string;
  title: string;
  kind: 'course' | 'site' | 'book';
  scope: 'fragment' | 'document';
  folder: string;
  pages: readonly ScenarioPage[];
  /** The file it comes in, as it would in life. */
  package: string;
  /** Address in the collection → the drawing it is made from, or the kind and number of one that is drawn by rule. */
  images: Readonly<Record<string, string>>;
  texts: readonly string[];
  /** Addresses its pages use and that lead nowhere: a slip like the others. */
  missing: readonly string[];
}

/** Images that are drawn by rule, under names that end in their numbers. */
function drawn(start: string, kind: string, numbers: readonly number[], ending: string): Record<string, string> {
  return Object.fromEntries(numbers.map((nth) => [`${start}${nth}.${ending}`, `${kind} ${nth}`]));
}

export const COLLECTIONS: readonly ScenarioCollection[] = [
  {
    slug: 'a-first-year-with-bees',
    title: 'A First Year with Bees',
    kind: 'course',
    package: 'a-first-year-with-bees.imscc',
    scope: 'fragment',
    folder: 'bees',
    pages: [
      { file: 'welcome.html', title: 'Welcome to A First Year with Bees', contentType: 'announcement' },
      { file: 'inside-the-hive.html', title: 'Inside the hive', contentType: 'lesson' },
      { file: 'the-beekeepers-year.html', title: 'The beekeeper’s year', contentType: 'lesson' },
      { file: 'opening-a-hive.html', title: 'Opening a hive', contentType: 'lesson' },
      { file: 'swarms.html', title: 'Swarms', contentType: 'lesson' },
      { file: 'your-first-harvest.html', title: 'Your first harvest', contentType: 'assignment' },
      { file: 'plants-for-bees.html', title: 'Plants for bees', contentType: 'lesson' },
      { file: 'keeping-records.html', title: 'Keeping records', contentType: 'assignment' },
      { file: 'words-of-the-craft.html', title: 'Words of the craft', contentType: 'lesson' },
      { file: 'what-you-need.html', title: 'What you need', contentType: 'lesson' },
      { file: 'where-a-hive-stands.html', title: 'Where a hive stands', contentType: 'lesson' },
      { file: 'the-queen.html', title: 'The queen', contentType: 'lesson' },
      { file: 'flowers-by-month.html', title: 'Flowers by month', contentType: 'lesson' },
      { file: 'feeding.html', title: 'Feeding', contentType: 'lesson' },
      { file: 'illness.html', title: 'Illness', contentType: 'lesson' },
      { file: 'honey-and-the-law.html', title: 'Honey and the law', contentType: 'lesson' },
      { file: 'winter.html', title: 'Winter', contentType: 'lesson' },
    ],
    images: {
      'images/hive-icon.png': 'hive-icon',
      'images/hive-cross-section.png': 'hive-cross-section',
      'images/brood-frame.png': 'brood-frame',
      'images/IMG_2043.png': 'blossom-bee',
      'images/smoker.png': 'smoker',
      'images/swarm-on-branch.png': 'swarm-on-branch',
      'images/honey-jars.png': 'honey-jars',
      'images/meadow Flowers.png': 'meadow-flowers',
      'images/clover-row.png': 'clover-row',
      'images/lavender-bed.png': 'lavender-bed',
      'images/nectar-chart.png': 'nectar-chart',
      'images/open-day-poster.png': 'open-day-poster',
      'images/meadow-map.png': 'meadow-map',
      ...drawn('images/flower-', 'flower', [1, 2, 3, 4, 5, 6], 'png'),
      ...drawn('images/flower-', 'flower', [7, 8, 9, 10, 11, 12], 'jpg'),
      ...drawn('images/tool-', 'tool', [1, 2, 3, 4], 'png'),
      ...drawn('images/bee-', 'bees', [1, 2, 5], 'png'),
      ...drawn('images/bee-', 'bees', [3, 4], 'jpg'),
    },
    texts: [],
    missing: ['images/gone.png'],
  },
  {
    slug: 'larkmoor-canal-trust',
    title: 'Larkmoor Canal Trust',
    kind: 'site',
    package: 'larkmoor-canal-trust.zip',
    scope: 'document',
    folder: 'canal',
    pages: [
      { file: 'index.html', title: 'Visit the canal', contentType: 'article' },
      { file: 'boat-trips.html', title: 'Boat trips', contentType: 'article' },
      { file: 'locks-and-walks.html', title: 'Locks and walks', contentType: 'article' },
      { file: 'plan-your-visit.html', title: 'Plan your visit', contentType: 'article' },
      { file: 'notices.html', title: 'Notices', contentType: 'announcement' },
      { file: 'open-day.html', title: 'Open day on the water', contentType: 'article' },
      { file: 'moorings.html', title: 'Moorings – Larkmoor Canal Trust', contentType: 'article' },
      { file: 'museum.html', title: 'The museum – Larkmoor Canal Trust', contentType: 'article' },
      { file: 'volunteers.html', title: 'Volunteers – Larkmoor Canal Trust', contentType: 'article' },
      { file: 'wildlife.html', title: 'Wildlife – Larkmoor Canal Trust', contentType: 'article' },
      { file: 'history.html', title: 'History – Larkmoor Canal Trust', contentType: 'article' },
      { file: 'for-everyone.html', title: 'For everyone – Larkmoor Canal Trust', contentType: 'article' },
    ],
    images: {
      'images/trust-mark.png': 'trust-mark',
      'images/lock-gates.png': 'lock-gates',
      'images/narrowboat.png': 'narrowboat',
      'images/DSC00417.png': 'lock-chamber',
      'images/heron-at-lock.png': 'heron-at-lock',
      'images/DSC00421.jpg': 'boat 9',
      ...drawn('images/boat-', 'boat', [1, 2, 3], 'png'),
      ...drawn('images/boat-', 'boat', [4, 5, 6], 'jpg'),
      ...drawn('images/bird-', 'bird', [1, 2, 3], 'png'),
      ...drawn('images/bird-', 'bird', [4, 5, 6], 'jpg'),
    },
    texts: ['site.css'],
    missing: ['winter-opening.html'],
  },
  {
    slug: 'a-towpath-field-guide',
    title: 'A Towpath Field Guide',
    kind: 'book',
    package: 'a-towpath-field-guide.epub',
    scope: 'document',
    folder: 'guide',
    pages: [
      { file: 'birds.xhtml', title: 'Birds of the towpath', contentType: 'chapter' },
      { file: 'flowers.xhtml', title: 'Flowers of the bank', contentType: 'chapter' },
      { file: 'boats.xhtml', title: 'Boats', contentType: 'chapter' },
      { file: 'locks.xhtml', title: 'How a lock works', contentType: 'chapter' },
      { file: 'words.xhtml', title: 'Words', contentType: 'chapter' },
    ],
    images: {
      ...drawn('images/bird-', 'bird', [1, 3], 'png'),
      'images/flower-2.png': 'flower 2',
      'images/boat-1.png': 'boat 1',
    },
    texts: [],
    missing: [],
  },
];

/** Work people have done since the pages came in. Each step names the page's file, who did it, and the rule it answers. */
export type Step =
  | { do: 'fix'; page: string; by: string; rule: string; remedy: string; inputs?: Record<string, string> }
  | { do: 'rule'; page: string; by: string; rule: string; answer: 'stands' | 'no problem' | 'not sure' }
  | { do: 'let stand'; page: string; by: string; rule: string; reason: string; days: number }
  | { do: 'end exception'; page: string; by: string; rule: string }
  | { do: 'sign off'; page: string; by: string };

export const STEPS: readonly Step[] = [
  { do: 'fix', page: 'welcome.html', by: 'odile-marsh', rule: 'headings/several-h1', remedy: 'set-level', inputs: { level: '2' } },
  {
    do: 'fix',
    page: 'welcome.html',
    by: 'ines-calder',
    rule: 'links/blank',
    remedy: 'fill',
    inputs: { text: 'First lesson: inside the hive' },
  },
  { do: 'sign off', page: 'welcome.html', by: 'ines-calder' },
  {
    do: 'fix',
    page: 'your-first-harvest.html',
    by: 'tomas-wren',
    rule: 'headings/imitated',
    remedy: 'make-heading',
    inputs: { level: '2' },
  },
  { do: 'rule', page: 'your-first-harvest.html', by: 'tomas-wren', rule: 'headings/imitated', answer: 'no problem' },
  {
    do: 'fix',
    page: 'your-first-harvest.html',
    by: 'odile-marsh',
    rule: 'images/no-alternative',
    remedy: 'describe',
    inputs: { alt: 'Three jars of honey, from pale straw on the left to dark amber on the right' },
  },
  { do: 'fix', page: 'index.html', by: 'ines-calder', rule: 'headings/leap', remedy: 'set-level', inputs: { level: '2' } },
  { do: 'fix', page: 'index.html', by: 'ines-calder', rule: 'lists/typed', remedy: 'make-list' },
  {
    do: 'let stand',
    page: 'notices.html',
    by: 'ines-calder',
    rule: 'document/bad-language',
    reason: 'The notice board writes its old code until it moves in spring.',
    days: 60,
  },
  { do: 'sign off', page: 'notices.html', by: 'ruth-pender' },
  { do: 'rule', page: 'plan-your-visit.html', by: 'tomas-wren', rule: 'structure/order', answer: 'not sure' },
];

/** Work that is handed to somebody: all that is open on some pages, so many days from now. */
export interface Hand {
  by: string;
  to: string;
  collection: string;
  pages: readonly string[];
  days: number;
  words: string;
}

export const HANDS: readonly Hand[] = [
  {
    by: 'ines-calder',
    to: 'odile-marsh',
    collection: 'a-first-year-with-bees',
    pages: ['inside-the-hive'],
    days: 10,
    words: 'You know what these pictures show. The course begins again in spring.',
  },
  {
    by: 'tomas-wren',
    to: 'odile-marsh',
    collection: 'larkmoor-canal-trust',
    pages: ['boat-trips'],
    days: 21,
    words: '',
  },
];
