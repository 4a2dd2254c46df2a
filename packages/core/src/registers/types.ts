import type { ElementNode } from '../document/tree.ts';

/** A register holds everything of one kind in a collection. */
export const REGISTERS = ['images', 'links', 'headings', 'tables', 'lists', 'colours', 'media', 'text'] as const;
export type RegisterName = (typeof REGISTERS)[number];

/**
 * What can be told of a use at a glance, by register; its place here is its bit in `traits`. Only ever added to, behind: what is stored
 * counts on it.
 */
export const TRAITS = {
  images: ['untold', 'decorative', 'described', 'linked', 'background', 'icon', 'poster', 'borrowed', 'captioned', 'source', 'odd name'],
  links: ['outside', 'new window', 'missing page', 'missing anchor', 'raw address', 'no destination', 'mail', 'navigation'],
  headings: ['level 1', 'level 2', 'level 3', 'level 4', 'level 5', 'level 6'],
  tables: ['layout', 'no caption', 'no headers', 'merged', 'nested'],
  lists: ['ordered', 'unordered', 'description', 'typed', 'nested'],
  colours: ['too little', 'passes', 'uncertain', 'large', 'linked sheet', 'page style', 'inline', 'browser'],
  media: ['frame', 'video', 'audio', 'unnamed', 'no captions', 'no transcript', 'no controls', 'starts by itself'],
  text: [],
} as const satisfies Record<RegisterName, readonly string[]>;

/** Facts of one use: what two uses must share to be told as one. */
export type UseFacts = Readonly<Record<string, string | number | boolean>>;

/** One place where a page shows a thing. */
export interface Use {
  /** What it is known by: an image's file, a link's text, a heading's text, a pair of colours. */
  name: string;
  /** What sets it apart from others of that name: where a link leads, a table's header row, a rule; else ''. */
  place: string;
  /** What this use says: an image's alternative, a heading's level, a frame's title; null where it says nothing. */
  says: string | null;
  traits: number;
  facts: UseFacts;
  /** Elements it stands on, the first being its own. */
  elements: readonly ElementNode[];
}

/** One thing wherever it stands: uses of one register that share it are the same thing. */
export function thingOf({ name, place }: Pick<Use, 'name' | 'place'>): string {
  return `${name}\n${place}`;
}

/** What makes two uses of a thing alike: the same words, in the same surroundings. */
export function likenessOf({ says, facts }: Pick<Use, 'says' | 'facts'>): string {
  return JSON.stringify([says, Object.entries(facts).sort(([a], [b]) => (a < b ? -1 : a > b ? 1 : 0))]);
}

/** Traits as one number. */
export function traitsOf<R extends RegisterName>(register: R, names: readonly ((typeof TRAITS)[R][number] | false | null)[]): number {
  const all: readonly string[] = TRAITS[register];
  return names.reduce((bits, name) => (name ? bits | (1 << all.indexOf(name)) : bits), 0);
}

/** Longest name, place or words kept of a use, in characters. */
export const LONGEST = 2_000;

export const cut = (text: string, most = LONGEST) => (text.length > most ? `${text.slice(0, most - 1)}…` : text);
