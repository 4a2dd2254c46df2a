import { escapeText } from '@inkwell/core';
import { byCodePoint } from '../packages/source.ts';

const IMAGE = /\.(?:png|jpe?g|gif|webp|svg|avif|bmp|tiff?)$/i;

/** Whether files are images and nothing else: to be named and described before anything is published. */
export function isBareImages(paths: readonly string[]): boolean {
  const own = paths.filter((path) => !/(?:^|\/)(?:readme|licen[cs]e|credits)[^/]*$/i.test(path));
  return own.length > 0 && own.every((path) => IMAGE.test(path));
}

/** The page that shows them all, each with its name, in the order of their paths. */
export function pageOfImages(paths: readonly string[], title: string): string {
  const figures = paths
    .filter((path) => IMAGE.test(path))
    .sort(byCodePoint)
    .map((path) => {
      const address = encodeURI(path).replace(/[?#]/g, encodeURIComponent);
      return `<figure>\n<img src="${escapeText(address)}">\n<figcaption>${escapeText(path.replace(/^.*\//, ''))}</figcaption>\n</figure>`;
    });
  return (
    `<!DOCTYPE html>\n<html lang="en">\n<head>\n<meta charset="utf-8">\n<title>${escapeText(title)}</title>\n</head>\n<body>\n<main>\n` +
    `<h1>${escapeText(title)}</h1>\n${figures.join('\n')}\n</main>\n</body>\n</html>\n`
  );
}
