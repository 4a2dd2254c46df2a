import type { Page as Tab } from '@playwright/test';
import { inspectColours, type ColourRow, type Page } from '@inkwell/core';

export interface StyleTally {
  texts: number;
  /** Same size, weight and colour. */
  equalStyle: number;
  certain: number;
  /** Of the certain ones: same ratio to 0.05. */
  equalRatio: number;
  /** Shown by one and not by the other. */
  shownUnlike: number;
  unlike: string[];
}

type Row = Pick<ColourRow, 'path' | 'text' | 'color' | 'background' | 'fontSizePx' | 'fontWeight' | 'ratio'>;

/** Every text node with what Chromium computes for it; backgrounds composited here from its computed values, up to the canvas. */
function rowsInBrowser(): Row[] {
  const paths = new Map<Element, string>();
  const pathOf = (element: Element): string => {
    let known = paths.get(element);
    if (known) return known;
    let place = 1;
    for (let other = element.previousElementSibling; other; other = other.previousElementSibling)
      if (other.localName === element.localName) place++;
    paths.set(element, (known = `${element.parentElement ? pathOf(element.parentElement) : ''}/${element.localName}[${place}]`));
    return known;
  };
  const canvas = document.createElement('canvas').getContext('2d', { willReadFrequently: true })!;
  const rgba = (text: string): number[] => {
    const plain = /^rgba?\(([^)]+)\)$/.exec(text);
    if (plain) {
      const [r, g, b, a = 1] = plain[1]!.split(/[,/ ]+/).map(Number);
      return [r!, g!, b!, a];
    }
    canvas.clearRect(0, 0, 1, 1);
    canvas.fillStyle = text;
    canvas.fillRect(0, 0, 1, 1);
    const [r, g, b, a] = canvas.getImageData(0, 0, 1, 1).data;
    return [r!, g!, b!, a! / 255];
  };
  const over = (top: number[], under: number[]) => {
    const a = top[3]! + under[3]! * (1 - top[3]!);
    return a === 0 ? [0, 0, 0, 0] : [...[0, 1, 2].map((i) => (top[i]! * top[3]! + under[i]! * under[3]! * (1 - top[3]!)) / a), a];
  };
  const hex = (colour: number[]) =>
    `#${colour
      .slice(0, 3)
      .map((channel) => Math.round(channel).toString(16).padStart(2, '0'))
      .join('')}`;
  const light = (colour: number[]) => {
    const [r, g, b] = colour.map((channel) =>
      channel / 255 <= 0.04045 ? channel / 255 / 12.92 : ((channel / 255 + 0.055) / 1.055) ** 2.4,
    );
    return 0.2126 * r! + 0.7152 * g! + 0.0722 * b!;
  };
  const rows: Row[] = [];
  const skip =
    'script,style,iframe,video,audio,canvas,object,textarea,select,option,title,noscript,noembed,noframes,template,svg,math,datalist,progress,meter';
  document.querySelectorAll('details').forEach((details) => (details.open = true));
  const walker = document.createTreeWalker(document, NodeFilter.SHOW_TEXT);
  for (let node = walker.nextNode(); node; node = walker.nextNode()) {
    const element = node.parentElement;
    if (!element || !/[^\s\u00a0\u200b\ufeff\u00ad]/.test(node.nodeValue!) || element.closest(skip)) continue;
    const style = getComputedStyle(element);
    let shown = style.visibility === 'visible' && parseFloat(style.fontSize) > 0;
    let text = rgba(style.color);
    let ground = [0, 0, 0, 0];
    for (let up: Element | null = element; up; up = up.parentElement) {
      const here = getComputedStyle(up);
      if (here.display === 'none') shown = false;
      const paint = rgba(here.backgroundColor);
      text = over(text, paint);
      ground = over(ground, paint);
      const opacity = Number(here.opacity);
      text[3]! *= opacity;
      ground[3]! *= opacity;
    }
    if (!shown) continue;
    const [color, background] = [over(text, [255, 255, 255, 1]), over(ground, [255, 255, 255, 1])];
    const [x, y] = [light(color), light(background)];
    rows.push({
      path: pathOf(element),
      text: node.nodeValue!,
      color: hex(color),
      background: hex(background),
      fontSizePx: parseFloat(style.fontSize),
      fontWeight: Number(style.fontWeight),
      ratio: (Math.max(x, y) + 0.05) / (Math.min(x, y) + 0.05),
    });
  }
  return rows;
}

const round = (size: number) => Math.round(size * 20) / 20;

/** Compares the engine's colours, sizes and weights with the tab's, text node by text node. */
export async function compareStyles(tab: Tab, page: Page, file: string): Promise<StyleTally> {
  const theirs = await tab.evaluate(rowsInBrowser);
  const ours = inspectColours(page);
  const tally: StyleTally = { texts: theirs.length, equalStyle: 0, certain: 0, equalRatio: 0, shownUnlike: 0, unlike: [] };
  const waiting = new Map<string, ColourRow[]>();
  for (const row of ours) waiting.set(row.path, [...(waiting.get(row.path) ?? []), row]);
  for (const row of theirs) {
    const mine = waiting.get(row.path)?.shift();
    if (!mine) {
      tally.shownUnlike++;
      tally.unlike.push(`${file} ${row.path}: shown in the browser only`);
      continue;
    }
    const same = mine.color === row.color && round(mine.fontSizePx) === round(row.fontSizePx) && mine.fontWeight === row.fontWeight;
    if (same) tally.equalStyle++;
    else
      tally.unlike.push(
        `${file} ${row.path}: ${mine.color} ${mine.fontSizePx} ${mine.fontWeight} here, ${row.color} ${row.fontSizePx} ${row.fontWeight} in the browser`,
      );
    if (!mine.certain) continue;
    tally.certain++;
    if (Math.abs(mine.ratio - row.ratio) < 0.05) tally.equalRatio++;
    else
      tally.unlike.push(
        `${file} ${row.path}: ratio ${mine.ratio} on ${mine.background} here, ${row.ratio.toFixed(2)} on ${row.background} in the browser`,
      );
  }
  for (const left of waiting.values())
    for (const row of left) {
      tally.shownUnlike++;
      tally.unlike.push(`${file} ${row.path}: shown here only`);
    }
  return tally;
}
