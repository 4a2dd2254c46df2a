import { lookup } from '../source/lookup.ts';
/**
 * Typed list markers: what people type where a list should be. Common practice; the kinds are those of HTML's ol types and of
 * word processors' bullets.
 */
export type MarkerKind = 'number' | 'letter' | 'capital' | 'roman' | 'bullet';

export interface Marker {
  kind: MarkerKind;
  /** Place in the sequence (1 for "a)"); 0 for bullets. */
  value: number;
  /** Kind with its sign and brackets: only equal styles stand in one list. */
  style: string;
  /** UTF-16 units the marker takes, the space after it included. */
  length: number;
}

const BULLETS = '-–•*·◦▪▫●○■□‣∙⁃►▸▶➢➤➔→✓✔✗✦★☆o§';
const EMOJI = /^(?:\p{Extended_Pictographic}\ufe0f?|[\u2705\u27a1]\ufe0f?)[\s\u00a0]+/u;
const COUNTED = /^(\(?)(\d{1,3}|[a-zA-Z]|[ivxIVX]{2,5})([.)])[\s\u00a0]+/;
/** A line that begins with a word of letters, as most do: no marker is read into it. */
const WORD = /^\s*[a-zA-Z]{2}(?:[a-zA-Z]{4}|[a-zA-Z]{0,3}[^a-zA-Z.)])/;
const DIGITS: Record<string, number> = { i: 1, v: 5, x: 10 };

/** The markers a line may begin with: two readings where a single letter is also a Roman digit. */
export function markersOf(line: string): Marker[] {
  if (WORD.test(line)) return [];
  const lead = /^[\s\u00a0]*/.exec(line)![0].length;
  const text = line.slice(lead, lead + 40);
  const counted = COUNTED.exec(text);
  if (counted) return readings(counted[2]!, `${counted[1]}${counted[3]}`, lead + counted[0].length);
  const emoji = EMOJI.exec(text);
  if (emoji && !/^\d/.test(text)) return [{ kind: 'bullet', value: 0, style: 'emoji', length: lead + emoji[0].length }];
  const sign = [...text][0] ?? '';
  const space = /^[\s\u00a0]*/.exec(text.slice(sign.length))![0];
  // "o" and "§" are words unless a wide gap follows, as word processors leave it.
  const enough = sign === 'o' || sign === '§' ? /\u00a0|\s{2}/.test(space) : sign === '•' || sign === '·' || space.length > 0;
  if (sign && BULLETS.includes(sign) && enough && text.length > sign.length + space.length) {
    return [{ kind: 'bullet', value: 0, style: sign, length: lead + sign.length + space.length }];
  }
  return [];
}

function readings(written: string, brackets: string, length: number): Marker[] {
  if (/^\d/.test(written)) return [{ kind: 'number', value: Number(written), style: `number${brackets}`, length }];
  const lower = written.toLowerCase();
  const upper = lower !== written;
  const found: Marker[] = [];
  if (written.length === 1) {
    const kind = upper ? 'capital' : 'letter';
    found.push({ kind, value: lower.charCodeAt(0) - 96, style: `${kind}${brackets}`, length });
  }
  const roman = romanValue(lower);
  if (roman > 0) found.push({ kind: 'roman', value: roman, style: `${upper ? 'ROMAN' : 'roman'}${brackets}`, length });
  return found;
}

function romanValue(text: string): number {
  if (!/^(x{0,3})(ix|iv|v?i{0,3})$/.test(text)) return 0;
  let total = 0;
  for (let i = 0; i < text.length; i++) {
    const digit = lookup(DIGITS, text[i]!)!;
    total += digit < (lookup(DIGITS, text[i + 1] ?? '') ?? 0) ? -digit : digit;
  }
  return total;
}

/** One line of a typed list with the lines nested under it. */
export interface TypedItem<L> {
  line: L;
  marker: Marker;
  nested: TypedItem<L>[];
}

/**
 * Reads a run of lines as a typed list, nested by marker style, from `from` on. Gives the items and how many lines they take;
 * fewer than two items at the top are no list. `markers` gives each line's possible markers.
 */
export function readTypedList<L>(
  lines: readonly L[],
  from: number,
  markers: (line: L) => readonly Marker[],
): { items: TypedItem<L>[]; taken: number } | null {
  const first = markers(lines[from]!);
  for (const start of first) {
    if (start.kind !== 'bullet' && start.value !== 1) continue;
    const top: TypedItem<L>[] = [{ line: lines[from]!, marker: start, nested: [] }];
    const levels = [top];
    let at = from + 1;
    while (at < lines.length && place(levels, lines[at]!, markers(lines[at]!))) at++;
    const tail = trailingBullets(top);
    if (top.length >= 2) return { items: top, taken: at - from - tail };
  }
  return null;
}

/**
 * Bullets behind the last of several numbers: nothing says that they belong under it and not after the list. Takes them off and gives how
 * many lines they are.
 */
function trailingBullets<L>(top: TypedItem<L>[]): number {
  const last = top.at(-1)!;
  const others = top.slice(0, -1).some((item) => item.nested.length > 0);
  if (last.marker.kind === 'bullet' || others || last.nested[0]?.marker.kind !== 'bullet') return 0;
  const many = countItems(last.nested);
  last.nested = [];
  return many;
}

function countItems<L>(items: readonly TypedItem<L>[]): number {
  return items.reduce((sum, item) => sum + 1 + countItems(item.nested), 0);
}

/** Puts a line at the level it continues, or one level deeper where it begins a sequence; false when it does neither. */
function place<L>(levels: TypedItem<L>[][], line: L, markers: readonly Marker[]): boolean {
  for (let depth = levels.length - 1; depth >= 0; depth--) {
    const last = levels[depth]!.at(-1)!.marker;
    const next = markers.find((marker) => marker.style === last.style && (marker.kind === 'bullet' || marker.value === last.value + 1));
    if (!next) continue;
    levels.length = depth + 1;
    levels[depth]!.push({ line, marker: next, nested: [] });
    return true;
  }
  const begins = markers.find((marker) => marker.kind === 'bullet' || marker.value === 1);
  if (!begins || levels.length > 5) return false;
  const item: TypedItem<L> = { line, marker: begins, nested: [] };
  const parent = levels.at(-1)!.at(-1)!;
  parent.nested.push(item);
  levels.push(parent.nested);
  return true;
}
