// eslint-disable-next-line @typescript-eslint/triple-slash-reference -- whoever compiles this file needs the declarations, and they cannot be imported
/// <reference path="./css-tree.d.ts" />
import generate from 'css-tree/generator';
import parse from 'css-tree/parser';
import type { Atrule, Block, CssNode, Declaration, Raw, Rule as CssRule } from 'css-tree';
import { expandDeclaration, isTracked, type Declared } from './properties.ts';
import { mediaHolds, type Screen } from './media.ts';
import { compileSelectors, type Complex } from './selectors.ts';
import { append } from '../source/lists.ts';

/** A style rule as far as the engine looks: its selectors and the declarations of properties it knows. */
export interface SheetRule {
  selectors: readonly Complex[];
  normal: readonly Declared[];
  important: readonly Declared[];
  /** Media conditions around it, all of which must hold. */
  media: readonly string[];
  /** Dotted name of its cascade layer, or null outside any. */
  layer: string | null;
}

export interface Sheet {
  rules: readonly SheetRule[];
  /** Layer names in the order of their first mention. */
  layers: readonly string[];
  imports: readonly { address: string; media: string }[];
}

const known = new Map<string, Sheet>();
const KEPT = 60;

/** Reads a style sheet (CSS Syntax 3, Cascade 5, Nesting 1). Bad parts are skipped as browsers skip them; this never fails. */
export function readSheet(text: string): Sheet {
  const seen = known.get(text);
  if (seen) return seen;
  if (known.size >= KEPT) known.clear();
  const reader = new Reader();
  try {
    reader.readAll(text);
  } catch (error) {
    // Brackets nested by the ten thousand exhaust any parser's stack: what was read until then stands.
    if (!(error instanceof RangeError)) throw error;
  }
  known.set(text, reader);
  return reader;
}

interface Around {
  media: readonly string[];
  layer: string | null;
  parent: readonly Complex[] | null;
  depth: number;
}

/** Rules nested deeper than this are left out. */
const DEEPEST = 24;

class Reader implements Sheet {
  readonly rules: SheetRule[] = [];
  readonly layers: string[] = [];
  readonly imports: { address: string; media: string }[] = [];
  private anonymous = 0;

  readAll(text: string): void {
    const tree = parse(text, {
      positions: true,
      parseValue: false,
      parseAtrulePrelude: false,
      parseCustomProperty: false,
      onParseError: () => undefined,
    });
    if (tree.type === 'StyleSheet') this.readNodes(tree.children.toArray(), { media: [], layer: null, parent: null, depth: 0 });
  }

  private readNodes(nodes: readonly CssNode[], around: Around): void {
    for (const node of nodes) {
      if (node.type === 'Rule') this.readRule(node, around);
      else if (node.type === 'Atrule') this.readAtRule(node, around);
    }
  }

  private readRule(rule: CssRule, around: Around): void {
    if (rule.prelude.type !== 'SelectorList') return;
    const selectors = compileSelectors(rule.prelude, around.parent);
    if (selectors && selectors.length > 0) this.readBlock(rule.block, selectors, around);
  }

  private readBlock(block: Block, selectors: readonly Complex[], around: Around): void {
    const normal: Declared[] = [];
    const important: Declared[] = [];
    const inner: CssNode[] = [];
    for (const node of block.children.toArray()) {
      if (node.type === 'Declaration') {
        const property = node.property.startsWith('--') ? node.property : node.property.toLowerCase();
        if (isTracked(property)) append(node.important ? important : normal, placed(node, expandDeclaration(property, written(node))));
      } else if (around.depth < DEEPEST)
        append(
          inner,
          (node.type === 'Raw' ? [nestedRule(node)] : [node]).filter((one) => one !== null),
        );
    }
    if (normal.length > 0 || important.length > 0)
      this.rules.push({ selectors, normal, important, media: around.media, layer: around.layer });
    for (const node of inner) {
      if (node.type === 'Rule') this.readRule(node, { ...around, parent: selectors, depth: around.depth + 1 });
      else if (node.type === 'Atrule' && node.block) this.readInner(node, selectors, around);
    }
  }

  /** Inside a style rule, the block of @media and its like holds declarations for the same elements. */
  private readInner(rule: Atrule, selectors: readonly Complex[], around: Around): void {
    const entered = this.enter(rule, around);
    if (entered) this.readBlock(rule.block!, selectors, entered);
  }

  private readAtRule(rule: Atrule, around: Around): void {
    const name = rule.name.toLowerCase();
    const prelude = rule.prelude ? generate(rule.prelude).trim() : '';
    if (name === 'import') {
      const parts = /^(?:url\(\s*["']?([^"')]*)["']?\s*\)|["']([^"']*)["'])\s*([^]*)$/i.exec(prelude);
      if (parts)
        this.imports.push({ address: parts[1] ?? parts[2] ?? '', media: (parts[3] ?? '').replace(/^layer(\([^)]*\))?/i, '').trim() });
    } else if (name === 'layer' && !rule.block) {
      for (const layer of prelude.split(',')) this.layerNamed(layer.trim(), around.layer);
    } else if (rule.block) {
      const entered = this.enter(rule, around);
      if (entered) this.readNodes(rule.block.children.toArray(), entered);
    }
  }

  /** What holds inside a conditional or layer block; null for blocks with no style rules, or whose rules never hold. */
  private enter(rule: Atrule, around: Around): Around | null {
    const prelude = rule.prelude ? generate(rule.prelude).trim() : '';
    switch (rule.name.toLowerCase()) {
      case 'media':
        return { ...around, media: [...around.media, prelude] };
      case 'supports':
        return supportsHolds(prelude) ? around : null;
      case 'layer':
        return { ...around, layer: this.layerNamed(prelude || `(${++this.anonymous})`, around.layer) };
      default:
        // @container depends on layout; @scope and @starting-style are rare: their rules are left out.
        return null;
    }
  }

  private layerNamed(name: string, outer: string | null): string {
    const full = outer === null ? name : `${outer}.${name}`;
    const steps = full.split('.');
    for (let i = 1; i <= steps.length; i++) {
      const step = steps.slice(0, i).join('.');
      if (!this.layers.includes(step)) this.layers.push(step);
    }
    return full;
  }
}

function written({ value }: Declaration): string {
  return value.type === 'Raw' ? value.value.trim() : generate(value);
}

/** Properties whose declarations fixes change where they stand. */
const CHANGED = new Set(['color', 'text-decoration-line']);

/** Longhands with the place of the value they were written with. */
function placed({ value }: Declaration, longhands: Declared[]): Declared[] {
  if (!value.loc || !longhands.some((one) => CHANGED.has(one.property))) return longhands;
  const start = value.loc.start.offset;
  const at = { start, end: start + (value.type === 'Raw' ? value.value.trimEnd().length : value.loc.end.offset - start) };
  return longhands.map((one) => (CHANGED.has(one.property) ? { ...one, at } : one));
}

/** A nested rule that begins with neither & nor a sign comes unparsed. */
function nestedRule(raw: Raw): CssNode | null {
  try {
    return parse(raw.value, {
      context: 'rule',
      parseValue: false,
      parseAtrulePrelude: false,
      parseCustomProperty: false,
      onParseError: () => undefined,
    });
  } catch {
    // What is no rule either is left out, as browsers do.
    return null;
  }
}

/** Browsers of today support what pages ask for; what a page asks about the lack of, they do not lack. */
function supportsHolds(condition: string): boolean {
  return !/^\s*not\b/i.test(condition) && !/-(?:moz|ms|o)-/.test(condition);
}

export function ruleHolds(rule: SheetRule, screen: Screen): boolean {
  return rule.media.every((query) => mediaHolds(query, screen));
}
