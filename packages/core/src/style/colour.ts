import { NAMED_COLOURS } from './namedColours.ts';
import { lookup } from '../source/lookup.ts';

/** An sRGB colour: channels 0 to 255, fractions allowed; `a` from 0 to 1. */
export interface Colour {
  r: number;
  g: number;
  b: number;
  a: number;
}

export const BLACK: Colour = { r: 0, g: 0, b: 0, a: 1 };
export const WHITE: Colour = { r: 255, g: 255, b: 255, a: 1 };
export const CLEAR: Colour = { r: 0, g: 0, b: 0, a: 0 };

/** System colours in a light scheme (CSS Color 4, 6.2, as Chromium paints them). */
const SYSTEM: Record<string, string> = {
  canvas: '#fff',
  canvastext: '#000',
  linktext: '#0000ee',
  visitedtext: '#551a8b',
  activetext: '#f00',
  buttonface: '#efefef',
  buttontext: '#000',
  buttonborder: '#000',
  field: '#fff',
  fieldtext: '#000',
  highlight: '#1967d2',
  highlighttext: '#fff',
  mark: '#ff0',
  marktext: '#000',
  graytext: '#808080',
};

const known = new Map<string, Colour | null>();
const KEPT = 5_000;

/** Reads a CSS colour (CSS Color 4 and color-mix of 5) other than currentcolor; null for what is no colour we can resolve. */
export function parseColour(written: string): Colour | null {
  const text = written.trim().toLowerCase();
  const seen = known.get(text);
  if (seen !== undefined) return seen;
  if (known.size >= KEPT) known.clear();
  const read = readColour(text);
  known.set(text, read);
  return read;
}

function readColour(text: string): Colour | null {
  if (text === 'transparent') return CLEAR;
  if (text.startsWith('#')) return hexColour(text.slice(1));
  const named = lookup(NAMED_COLOURS, text) ?? lookup(SYSTEM, text);
  if (named) return hexColour(named.slice(1));
  const call = /^([a-z-]+)\(([^]*)\)$/.exec(text);
  if (!call) return null;
  if (call[1] === 'color-mix') return mixColour(call[2]!);
  if (call[1] === 'light-dark') return parseColour(splitTop(call[2]!, ',')[0] ?? '');
  const parts = argumentsOf(call[2]!);
  return parts && functionColour(call[1]!, parts);
}

function hexColour(digits: string): Colour | null {
  if (!/^(?:[0-9a-f]{3,4}|[0-9a-f]{6}|[0-9a-f]{8})$/.test(digits)) return null;
  const full = digits.length < 6 ? [...digits].map((digit) => digit + digit).join('') : digits;
  const at = (i: number) => parseInt(full.slice(i, i + 2), 16);
  return { r: at(0), g: at(2), b: at(4), a: full.length === 8 ? at(6) / 255 : 1 };
}

/** The parts of a colour function: commas, spaces and the slash before alpha all part them. */
function argumentsOf(inner: string): string[] | null {
  const parts = inner.replace(/[,/]/g, ' ').trim().split(/\s+/);
  return parts.length >= 3 && parts[0] !== 'from' ? parts : null;
}

/** A number, a percentage of `whole`, or an angle in degrees; `none` counts as 0. NaN for anything else. */
function amount(part: string | undefined, whole: number): number {
  if (part === undefined || part === 'none') return 0;
  const parts = /^([+-]?(?:\d+\.?\d*|\.\d+)(?:e[+-]?\d+)?)(%|deg|grad|rad|turn)?$/.exec(part);
  if (!parts) return NaN;
  return Number(parts[1]) * ({ '%': whole / 100, deg: 1, grad: 0.9, rad: 180 / Math.PI, turn: 360 }[parts[2] ?? ''] ?? 1);
}

function alphaOf(part: string | undefined): number {
  return part === undefined ? 1 : Math.min(1, Math.max(0, amount(part, 1)));
}

function functionColour(name: string, parts: string[]): Colour | null {
  if (name === 'color') {
    const linear = lookup(PREDEFINED, parts[0]!)?.(amount(parts[1], 1), amount(parts[2], 1), amount(parts[3], 1));
    return linear ? finished(linear, alphaOf(parts[4])) : null;
  }
  const a = alphaOf(parts[3]);
  const [x, y, z] = [parts[0], parts[1], parts[2]];
  switch (name) {
    case 'rgb':
    case 'rgba':
      return finished([amount(x, 255), amount(y, 255), amount(z, 255)], a);
    case 'hsl':
    case 'hsla':
      return finished(fromHsl(amount(x, 360), amount(y, 100) / 100, amount(z, 100) / 100), a);
    case 'hwb':
      return finished(fromHwb(amount(x, 360), amount(y, 100) / 100, amount(z, 100) / 100), a);
    case 'oklab':
      return finished(fromOklab(amount(x, 1), amount(y, 0.4), amount(z, 0.4)), a);
    case 'oklch':
      return finished(fromOklch(amount(x, 1), amount(y, 0.4), amount(z, 360)), a);
    case 'lab':
      return finished(fromLab(amount(x, 100), amount(y, 125), amount(z, 125)), a);
    case 'lch': {
      const [chroma, hue] = [amount(y, 150), (amount(z, 360) * Math.PI) / 180];
      return finished(fromLab(amount(x, 100), chroma * Math.cos(hue), chroma * Math.sin(hue)), a);
    }
    default:
      return null;
  }
}

type Channels = [number, number, number];

function finished(channels: Channels, a: number): Colour | null {
  if (channels.some(Number.isNaN) || Number.isNaN(a)) return null;
  const [r, g, b] = channels.map((channel) => Math.min(255, Math.max(0, channel))) as Channels;
  return { r, g, b, a };
}

/** CSS Color 4, 7.1: HSL to RGB. */
function fromHsl(hue: number, saturation: number, lightness: number): Channels {
  const s = Math.min(1, Math.max(0, saturation));
  const l = Math.min(1, Math.max(0, lightness));
  const at = (n: number) => {
    const k = (((n + hue / 30) % 12) + 12) % 12;
    return 255 * (l - s * Math.min(l, 1 - l) * Math.max(-1, Math.min(k - 3, 9 - k, 1)));
  };
  return [at(0), at(8), at(4)];
}

/** CSS Color 4, 8.1: HWB to RGB. */
function fromHwb(hue: number, white: number, black: number): Channels {
  const sum = white + black;
  if (sum >= 1) return [(255 * white) / sum, (255 * white) / sum, (255 * white) / sum];
  return fromHsl(hue, 1, 0.5).map((channel) => channel * (1 - sum) + 255 * white) as Channels;
}

const encode = (linear: number) =>
  255 * (Math.abs(linear) <= 0.0031308 ? 12.92 * linear : Math.sign(linear) * (1.055 * Math.abs(linear) ** (1 / 2.4) - 0.055));
const decode = (channel: number) => (channel / 255 <= 0.04045 ? channel / 255 / 12.92 : ((channel / 255 + 0.055) / 1.055) ** 2.4);

/** OKLab to sRGB, after Björn Ottosson, "A perceptual color space for image processing" (2020), and CSS Color 4. */
function fromOklab(lightness: number, a: number, b: number): Channels {
  const l = (lightness + 0.3963377774 * a + 0.2158037573 * b) ** 3;
  const m = (lightness - 0.1055613458 * a - 0.0638541728 * b) ** 3;
  const s = (lightness - 0.0894841775 * a - 1.291485548 * b) ** 3;
  return [
    encode(4.0767416621 * l - 3.3077115913 * m + 0.2309699292 * s),
    encode(-1.2684380046 * l + 2.6097574011 * m - 0.3413193965 * s),
    encode(-0.0041960863 * l - 0.7034186147 * m + 1.707614701 * s),
  ];
}

function fromOklch(lightness: number, chroma: number, hue: number): Channels {
  const angle = (hue * Math.PI) / 180;
  return fromOklab(lightness, chroma * Math.cos(angle), chroma * Math.sin(angle));
}

export interface Oklch {
  l: number;
  c: number;
  /** Degrees. */
  h: number;
}

/** A colour in OKLCH, its alpha left out. */
export function toOklch({ r, g, b }: Colour): Oklch {
  const [x, y, z] = [decode(r), decode(g), decode(b)];
  const l = Math.cbrt(0.4122214708 * x + 0.5363325363 * y + 0.0514459929 * z);
  const m = Math.cbrt(0.2119034982 * x + 0.6806995451 * y + 0.1073969566 * z);
  const s = Math.cbrt(0.0883024619 * x + 0.2817188376 * y + 0.6299787005 * z);
  const a = 1.9779984951 * l - 2.428592205 * m + 0.4505937099 * s;
  const bb = 0.0259040371 * l + 0.7827717662 * m - 0.808675766 * s;
  return { l: 0.2104542553 * l + 0.793617785 * m - 0.0040720468 * s, c: Math.hypot(a, bb), h: (Math.atan2(bb, a) * 180) / Math.PI };
}

/** The sRGB colour of an OKLCH one, with its chroma lowered until it can be shown. */
export function fromOklchInGamut({ l, c, h }: Oklch): Colour {
  const fits = (chroma: number) => fromOklch(l, chroma, h).every((channel) => channel >= -0.25 && channel <= 255.25);
  let [low, high] = [0, c];
  if (fits(c)) low = c;
  else for (let i = 0; i < 24; i++) [low, high] = fits((low + high) / 2) ? [(low + high) / 2, high] : [low, (low + high) / 2];
  return finished(fromOklch(l, low, h), 1)!;
}

/** CIE Lab (D50) to sRGB, after CSS Color 4's sample code. */
function fromLab(lightness: number, a: number, b: number): Channels {
  const fy = (lightness + 16) / 116;
  const curve = (f: number) => (f ** 3 > 216 / 24389 ? f ** 3 : (116 * f - 16) / (24389 / 27));
  const y = lightness > 8 ? fy ** 3 : lightness / (24389 / 27);
  return fromXyzD50(curve(a / 500 + fy) * 0.9642956764, y, curve(fy - b / 200) * 0.8251046025);
}

function fromXyzD50(x: number, y: number, z: number): Channels {
  return fromXyzD65(
    0.9554734527 * x - 0.0230985369 * y + 0.0632593086 * z,
    -0.0283697069 * x + 1.009995458 * y + 0.021041399 * z,
    0.0123140016 * x - 0.0205076964 * y + 1.3303659366 * z,
  );
}

function fromXyzD65(x: number, y: number, z: number): Channels {
  return [
    encode(3.2409699419 * x - 1.5373831776 * y - 0.4986107603 * z),
    encode(-0.9692436363 * x + 1.8759675015 * y + 0.0415550574 * z),
    encode(0.0556300797 * x - 0.2039769589 * y + 1.0569715142 * z),
  ];
}

/** The colour spaces of `color()` that pages use; others are not resolved. */
const PREDEFINED: Record<string, (x: number, y: number, z: number) => Channels> = {
  srgb: (r, g, b) => [255 * r, 255 * g, 255 * b],
  'srgb-linear': (r, g, b) => [encode(r), encode(g), encode(b)],
  'display-p3': (r, g, b) => {
    const [x, y, z] = [decode(255 * r), decode(255 * g), decode(255 * b)];
    return [
      encode(1.2249401763 * x - 0.2249401763 * y),
      encode(-0.0420569547 * x + 1.0420569547 * y),
      encode(-0.0196375546 * x - 0.0786360456 * y + 1.0982736001 * z),
    ];
  },
  xyz: fromXyzD65,
  'xyz-d65': fromXyzD65,
  'xyz-d50': fromXyzD50,
};

/** Parts of a list at its top level: brackets keep theirs together. */
export function splitTop(text: string, separator: string): string[] {
  const parts: string[] = [];
  let depth = 0;
  let from = 0;
  for (let i = 0; i < text.length; i++) {
    const sign = text[i]!;
    if (sign === '(') depth++;
    else if (sign === ')') depth--;
    else if (depth === 0 && (separator === ' ' ? /\s/.test(sign) : sign === separator)) {
      if (i > from) parts.push(text.slice(from, i).trim());
      from = i + 1;
    }
  }
  if (from < text.length) parts.push(text.slice(from).trim());
  return parts.filter((part) => part !== '');
}

/** color-mix in srgb or oklab; in other spaces it is not resolved (CSS Color 5, 3). */
function mixColour(inner: string): Colour | null {
  const [method, ...both] = splitTop(inner, ',');
  const space = /^in\s+(srgb|oklab)$/.exec(method ?? '')?.[1];
  if (!space || both.length !== 2) return null;
  const read = both.map((part) => {
    const share = /(?:^|\s)(\d*\.?\d+)%(?:\s|$)/.exec(part);
    return { colour: parseColour(part.replace(/(?:^|\s)\d*\.?\d+%(?=\s|$)/, ' ')), share: share ? Number(share[1]) / 100 : null };
  });
  const [first, second] = read as [(typeof read)[0], (typeof read)[0]];
  if (!first.colour || !second.colour) return null;
  let p = first.share ?? (second.share === null ? 0.5 : 1 - second.share);
  let q = second.share ?? 1 - p;
  const sum = p + q;
  if (sum === 0) return null;
  [p, q] = [p / sum, q / sum];
  return mixed(first.colour, p, second.colour, q, space === 'oklab', Math.min(1, sum));
}

function mixed(one: Colour, p: number, two: Colour, q: number, oklab: boolean, alphaScale: number): Colour | null {
  const channels = ({ r, g, b }: Colour): Channels => {
    if (!oklab) return [r, g, b];
    const { l, c, h } = toOklch({ r, g, b, a: 1 });
    return [l, c * Math.cos((h * Math.PI) / 180), c * Math.sin((h * Math.PI) / 180)];
  };
  const a = p * one.a + q * two.a;
  if (a === 0) return CLEAR;
  const [x, y] = [channels(one), channels(two)];
  const sum = x.map((value, i) => (p * one.a * value + q * two.a * y[i]!) / a) as Channels;
  return finished(oklab ? fromOklab(...sum) : sum, a * alphaScale);
}

/** `#rrggbb` of an opaque colour, each channel rounded. */
export function hexOf({ r, g, b }: Colour): string {
  return `#${[r, g, b].map((channel) => Math.round(channel).toString(16).padStart(2, '0')).join('')}`;
}

/** Relative luminance of WCAG 2.2 (its definition, with the 0.04045 threshold of the sRGB standard). */
export function luminance({ r, g, b }: Colour): number {
  return 0.2126 * decode(r) + 0.7152 * decode(g) + 0.0722 * decode(b);
}

/** Contrast ratio of two opaque colours after WCAG 2.2, never rounded. */
export function contrastRatio(one: Colour, two: Colour): number {
  const [x, y] = [luminance(one), luminance(two)];
  return (Math.max(x, y) + 0.05) / (Math.min(x, y) + 0.05);
}
