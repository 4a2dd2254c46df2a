import type { Actor, Services, TokenReach } from '@inkwell/review';
import type { ANSWERS } from './schemas';

/** What a call is asked with, when whoever asks may ask it. */
export interface Asked {
  services: Services;
  actor: Actor;
  reach: ReadonlySet<TokenReach>;
  /** What the address names. */
  named: Readonly<Record<string, string>>;
  search: URLSearchParams;
  /** The body, as its schema has it. */
  body: unknown;
  ifMatch: string | null;
  /** The request itself, where its body is read as it comes. */
  request: Request;
}

/** Something that programs may ask. */
export interface Call {
  method: 'GET' | 'POST' | 'PUT' | 'DELETE';
  /** Below `/api/v1`. */
  path: string;
  summary: string;
  reach: TokenReach;
  /** The schema of its body; what has none takes none. */
  body?: object;
  /** Whether it may be left out. */
  bodyOptional?: true;
  /** Media types of a body that is read as it comes. */
  takes?: readonly string[];
  /** What else stands in its address, and in its head: each with what it says. */
  search?: Readonly<Record<string, { description: string; enum?: readonly string[] }>>;
  headers?: Readonly<Record<string, string>>;
  /** With which status it answers, where that is not 200 alone. */
  statuses?: Readonly<Record<string, string>>;
  /** What it answers; bytes where it names a media type. */
  answers:
    | { one: keyof typeof ANSWERS }
    | { list: keyof typeof ANSWERS }
    | { bytes: string }
    | { formats: Readonly<Record<string, string>> }
    | null;
  /** What a list may be narrowed by, each with what may be said; null: anything. Repeated, one of them is enough. */
  filters?: Readonly<Record<string, readonly string[] | null>>;
  /** Whether it changes what has an ETag. */
  ifMatch?: true;
  act(asked: Asked): Promise<Response>;
}
