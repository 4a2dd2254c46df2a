import { lookup } from '../source/lookup.ts';
/** The screen a page is judged on: a desktop window, nothing preferred. */
export interface Screen {
  /** CSS px. */
  width: number;
  height: number;
}

export const DESKTOP: Screen = { width: 1280, height: 800 };

/** True, false, or null for what is not understood: its opposite is not understood either (Media Queries 4, 3.1). */
type Answer = boolean | null;

/** Whether a media query list holds on a screen (Media Queries 4, of the features that pages use). What is not understood does not hold. */
export function mediaHolds(query: string, screen: Screen = DESKTOP): boolean {
  const text = query.trim().toLowerCase();
  return text === '' || text.split(',').some((one) => queryHolds(one.trim(), screen) === true);
}

function queryHolds(query: string, screen: Screen): Answer {
  const typed = /^(?:(not|only)\s+)?([a-z-]+)(?:\s+and\s+([^]*))?$/.exec(query);
  if (typed && typed[2] !== 'not') {
    const holds = every([typed[2] === 'all' || typed[2] === 'screen', typed[3] === undefined || conditionHolds(typed[3], screen)]);
    return typed[1] === 'not' ? opposite(holds) : holds;
  }
  return conditionHolds(query, screen);
}

const opposite = (answer: Answer): Answer => (answer === null ? null : !answer);
const every = (answers: readonly Answer[]): Answer => (answers.includes(false) ? false : answers.includes(null) ? null : true);
const some = (answers: readonly Answer[]): Answer => (answers.includes(true) ? true : answers.includes(null) ? null : false);

function conditionHolds(condition: string, screen: Screen): Answer {
  const text = condition.trim();
  const negated = /^not\s*(\([^]*\))$/.exec(text);
  if (negated) return opposite(conditionHolds(negated[1]!, screen));
  const either = splitOn(text, 'or');
  if (either.length > 1) return some(either.map((part) => conditionHolds(part, screen)));
  const all = splitOn(text, 'and');
  if (all.length > 1) return every(all.map((part) => conditionHolds(part, screen)));
  if (!text.startsWith('(') || !text.endsWith(')')) return null;
  const inner = text.slice(1, -1).trim();
  return inner.startsWith('(') || inner.startsWith('not') ? conditionHolds(inner, screen) : featureHolds(inner, screen);
}

/** Parts between a word that stands outside brackets. */
function splitOn(text: string, word: 'and' | 'or'): string[] {
  const parts: string[] = [];
  let depth = 0;
  let from = 0;
  for (let i = 0; i < text.length; i++) {
    if (text[i] === '(') depth++;
    else if (text[i] === ')') depth--;
    else if (depth === 0 && text.startsWith(word, i) && /[\s)]/.test(text[i - 1] ?? '') && /[\s(]/.test(text[i + word.length] ?? '')) {
      parts.push(text.slice(from, i));
      from = i + word.length;
    }
  }
  return [...parts, text.slice(from)].map((part) => part.trim());
}

/** Features with one value that holds; a bare feature holds when that value is not one of none. */
const FIXED: Record<string, string> = {
  orientation: 'landscape',
  hover: 'hover',
  'any-hover': 'hover',
  pointer: 'fine',
  'any-pointer': 'fine',
  'prefers-color-scheme': 'light',
  'prefers-reduced-motion': 'no-preference',
  'prefers-contrast': 'no-preference',
  'prefers-reduced-transparency': 'no-preference',
  'prefers-reduced-data': 'no-preference',
  'forced-colors': 'none',
  'inverted-colors': 'none',
  scripting: 'enabled',
  update: 'fast',
  'display-mode': 'browser',
  grid: '0',
  'overflow-block': 'scroll',
  'overflow-inline': 'scroll',
  'color-gamut': 'srgb',
  'dynamic-range': 'standard',
};

function featureHolds(feature: string, screen: Screen): Answer {
  const range = /^(?:([\d.a-z]+)\s*(<=?|>=?)\s*)?(width|height|inline-size|block-size)\s*(?:(<=?|>=?|=)\s*([\d.a-z]+))?$/.exec(feature);
  if (range) return rangeHolds(range, screen);
  const [name, value] = feature.split(':').map((part) => part.trim()) as [string, string | undefined];
  const limit =
    /^(min|max)-(?:device-)?(width|height|resolution|aspect-ratio|color)$/.exec(name) ?? /^()(?:device-)?(width|height)$/.exec(name);
  if (limit) return limitHolds(limit[1] ?? '', limit[2]!, value ?? '', screen);
  const fixed = lookup(FIXED, name);
  if (fixed === undefined)
    return name === 'color' || name === 'monochrome' ? (name === 'color') === (value === undefined || value !== '0') : null;
  return value === undefined ? !['none', 'no-preference', '0'].includes(fixed) : fixed === value;
}

function rangeHolds(parts: RegExpExecArray, screen: Screen): boolean {
  const actual = /width|inline/.test(parts[3]!) ? screen.width : screen.height;
  const compare = (one: number, sign: string, two: number) =>
    sign === '<' ? one < two : sign === '<=' ? one <= two : sign === '>' ? one > two : sign === '>=' ? one >= two : one === two;
  const left = parts[1] === undefined || compare(pixels(parts[1]), parts[2]!, actual);
  return left && (parts[5] === undefined || compare(actual, parts[4]!, pixels(parts[5])));
}

function limitHolds(side: string, feature: string, value: string, screen: Screen): Answer {
  const actual = { width: screen.width, height: screen.height, resolution: 1, color: 8, 'aspect-ratio': screen.width / screen.height }[
    feature
  ]!;
  const ratio = /^(\d+)\s*\/\s*(\d+)$/.exec(value);
  const limit = ratio ? Number(ratio[1]) / Number(ratio[2]) : feature === 'resolution' ? dots(value) : pixels(value);
  if (Number.isNaN(limit)) return null;
  return side === 'min' ? actual >= limit : side === 'max' ? actual <= limit : actual === limit;
}

function dots(value: string): number {
  return value.endsWith('dpi') ? parseFloat(value) / 96 : value.endsWith('dpcm') ? parseFloat(value) / 37.8 : parseFloat(value);
}

function pixels(value: string): number {
  const parts = /^(\d*\.?\d+)(px|em|rem|in|cm|mm|pt|pc)?$/.exec(value);
  if (!parts) return NaN;
  return Number(parts[1]) * ({ em: 16, rem: 16, in: 96, cm: 96 / 2.54, mm: 96 / 25.4, pt: 4 / 3, pc: 16 }[parts[2] ?? ''] ?? 1);
}
