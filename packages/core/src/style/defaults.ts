import { has, valueOf, type ElementNode } from '../document/tree.ts';
import type { Declared } from './properties.ts';
import { lookup } from '../source/lookup.ts';

/** What browsers set before any author does (HTML Living Standard, "Rendering", in the values Chromium computes). */
function sheet(text: string): Map<string, Declared[]> {
  const found = new Map<string, Declared[]>();
  for (const line of text.trim().split('\n')) {
    const [tags, body] = line.split('{') as [string, string];
    const declarations = body
      .replace('}', '')
      .split(';')
      .map((one) => one.split(':').map((part) => part.trim()))
      .filter((parts) => parts.length === 2);
    for (const tag of tags.split(',')) {
      const key = tag.trim();
      found.set(key, [...(found.get(key) ?? []), ...declarations.map(([property, value]) => ({ property: property!, value: value! }))]);
    }
  }
  return found;
}

const BY_TAG = sheet(`
head, script, style, template, noembed, noframes, datalist, param, rp, title, meta, link, base, noscript, source, track { display: none }
html, address, article, aside, blockquote, body, center, dd, details, dialog, dir, div, dl, dt, fieldset, figcaption, figure, footer, form, frameset, h1, h2, h3, h4, h5, h6, header, hgroup, hr, legend, listing, main, menu, nav, ol, optgroup, option, p, plaintext, pre, search, section, ul, xmp { display: block }
li { display: list-item }
summary { display: block }
table { display: table }
thead { display: table-header-group }
tbody { display: table-row-group }
tfoot { display: table-footer-group }
tr { display: table-row }
td, th { display: table-cell }
caption { display: table-caption; text-align: -webkit-center }
col { display: table-column }
colgroup { display: table-column-group }
input, select, button, textarea, meter, progress, marquee { display: inline-block }
ruby { display: ruby }
rt { display: ruby-text; font-size: 50% }
h1 { font-size: 2em; font-weight: bold }
h2 { font-size: 1.5em; font-weight: bold }
h3 { font-size: 1.17em; font-weight: bold }
h4 { font-weight: bold }
h5 { font-size: 0.83em; font-weight: bold }
h6 { font-size: 0.67em; font-weight: bold }
th { font-weight: bold; text-align: -internal-center }
b, strong { font-weight: bolder }
small, sub, sup { font-size: smaller }
big { font-size: larger }
code, kbd, samp, tt, pre, xmp, listing, plaintext { font-family: monospace }
i, em, cite, var, dfn, address { font-style: italic }
u, ins { text-decoration-line: underline }
s, strike, del { text-decoration-line: line-through }
center { text-align: -webkit-center }
mark { background-color: #ffff00; color: #000000 }
hr { color: #808080 }
optgroup { font-weight: bolder }
input, select, button, textarea { font-size: 13.3333px; font-weight: 400; font-style: normal; font-family: Arial; color: #000000; background-color: #ffffff; text-align: start; text-transform: none; letter-spacing: normal }
textarea { font-family: monospace }
button { background-color: #efefef; text-align: center }
ul, menu, dir { list-style-type: disc }
ol { list-style-type: decimal }
marquee { overflow: hidden }
dialog { position: absolute; color: #000000; background-color: #ffffff }
`);

const LINK: Declared[] = [
  { property: 'color', value: '#0000ee' },
  { property: 'text-decoration-line', value: 'underline' },
];
const GONE: Declared[] = [{ property: 'display', value: 'none' }];
const PRESSED_LIKE: Declared[] = [
  { property: 'background-color', value: '#efefef' },
  { property: 'text-align', value: 'center' },
];
const ABBREVIATED: Declared[] = [{ property: 'text-decoration-line', value: 'underline' }];
/** Tables of pages with no doctype do not take up the looks of the text around them. */
const QUIRKY_TABLE: Declared[] = [
  { property: 'font-size', value: 'initial' },
  { property: 'font-weight', value: 'initial' },
  { property: 'font-style', value: 'initial' },
  { property: 'text-align', value: 'start' },
  { property: 'color', value: '-quirk' },
];
const NONE: Declared[] = [];

/** A browser's own style for an element. */
export function browserStyle(element: ElementNode, quirks: boolean): readonly Declared[] {
  if (element.space !== 'html') return NONE;
  const own = BY_TAG.get(element.tag) ?? NONE;
  if (element.attributes.length === 0 && !(quirks && element.tag === 'table')) return own;
  let all = own;
  if (has(element, 'hidden')) all = [...all, ...GONE];
  switch (element.tag) {
    case 'a':
    case 'area':
      return has(element, 'href') ? [...all, ...LINK] : all;
    case 'abbr':
    case 'acronym':
      return has(element, 'title') ? [...all, ...ABBREVIATED] : all;
    case 'dialog':
      return has(element, 'open') ? all : [...all, ...GONE];
    case 'input': {
      const type = valueOf(element, 'type')?.toLowerCase();
      if (type === 'hidden') return [...all, ...GONE];
      return type === 'submit' || type === 'button' || type === 'reset' ? [...all, ...PRESSED_LIKE] : all;
    }
    case 'table':
      return quirks ? [...all, ...QUIRKY_TABLE] : all;
    default:
      return all;
  }
}

const ALIGNS: Record<string, string> = { left: 'left', right: 'right', center: 'center', middle: 'center', justify: 'justify' };
const BLOCK_ALIGNS: Record<string, string> = {
  ...ALIGNS,
  left: '-webkit-left',
  right: '-webkit-right',
  center: '-webkit-center',
  middle: '-webkit-center',
};
const FONT_SIZES = ['x-small', 'small', 'medium', 'large', 'x-large', 'xx-large', 'xxx-large'];
const HINTS = new Set(['bgcolor', 'background', 'text', 'color', 'size', 'align', 'face', 'type', 'border', 'nowrap']);

/** What attributes from before style sheets set (HTML Living Standard, 15.2: presentational hints). */
export function presentationalHints(element: ElementNode): Declared[] {
  const { tag } = element;
  const found: Declared[] = [];
  if (element.space !== 'html') return found;
  for (const { name, value } of element.attributes) {
    if (!HINTS.has(name)) continue;
    const hint = hintOf(tag, name, value);
    if (hint?.value) found.push({ property: hint.property, value: hint.value });
  }
  return found;
}

const GROUNDED = /^(?:body|table|thead|tbody|tfoot|tr|td|th)$/;

function hintOf(tag: string, name: string, value: string): { property: string; value: string | null | undefined } | null {
  switch (name) {
    case 'bgcolor':
      return GROUNDED.test(tag) ? { property: 'background-color', value: legacyColour(value) } : null;
    case 'background':
      return GROUNDED.test(tag) && value.trim() ? { property: 'background-image', value: `url("${value.replace(/["\\\n]/g, '')}")` } : null;
    case 'text':
      return tag === 'body' ? { property: 'color', value: legacyColour(value) } : null;
    case 'color':
      return tag === 'font' || tag === 'hr' ? { property: 'color', value: legacyColour(value) } : null;
    case 'size':
      return tag === 'font' ? { property: 'font-size', value: legacySize(value) } : null;
    case 'face':
      return tag === 'font' ? { property: 'font-family', value } : null;
    case 'align':
      return alignHint(tag, value.trim().toLowerCase());
    case 'type':
      return tag === 'ul' || tag === 'ol' || tag === 'li'
        ? { property: 'list-style-type', value: lookup(LIST_TYPES, value) ?? lookup(LIST_TYPES, value.toLowerCase()) }
        : null;
    default:
      return null;
  }
}

const LIST_TYPES: Record<string, string> = {
  a: 'lower-alpha',
  A: 'upper-alpha',
  i: 'lower-roman',
  I: 'upper-roman',
  '1': 'decimal',
  disc: 'disc',
  circle: 'circle',
  square: 'square',
  none: 'none',
};

function alignHint(tag: string, value: string): { property: string; value: string | undefined } | null {
  if (/^(?:div|thead|tbody|tfoot|tr|td|th)$/.test(tag)) return { property: 'text-align', value: lookup(BLOCK_ALIGNS, value) };
  if (/^(?:p|h[1-6])$/.test(tag)) return { property: 'text-align', value: lookup(ALIGNS, value) };
  const beside = value === 'left' || value === 'right';
  return beside && /^(?:img|table|iframe|object|embed|applet)$/.test(tag) ? { property: 'float', value } : null;
}

/** HTML Living Standard, "rules for parsing a legacy font size". */
function legacySize(written: string): string | null {
  const parts = /^\s*([+-]?)(\d+)/.exec(written);
  if (!parts) return null;
  const number = Number(parts[2]);
  const size = parts[1] === '+' ? 3 + number : parts[1] === '-' ? 3 - number : number;
  return FONT_SIZES[Math.min(7, Math.max(1, size)) - 1]!;
}

/** HTML Living Standard, "rules for parsing a legacy colour value": almost any text is some colour. */
export function legacyColour(written: string): string | null {
  let text = written.trim().toLowerCase();
  if (text === '' || text === 'transparent') return null;
  if (/^[a-z]+$/.test(text) && !/^[0-9a-f]+$/.test(text)) return text;
  if (/^#[0-9a-f]{3}$/.test(text)) return text;
  text = [...text.slice(0, 128).replace(/^#/, '')].map((sign) => (/[0-9a-f]/.test(sign) ? sign : '0')).join('');
  while (text.length === 0 || text.length % 3 !== 0) text += '0';
  const third = text.length / 3;
  let parts = [0, 1, 2].map((i) => text.slice(i * third, (i + 1) * third).slice(-8));
  while (parts[0]!.length > 2 && parts.every((part) => part.startsWith('0'))) parts = parts.map((part) => part.slice(1));
  return `#${parts.map((part) => part.slice(0, 2).padStart(2, '0')).join('')}`;
}
