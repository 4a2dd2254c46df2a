/** What stands between a page's own title and its site's. */
const BETWEEN = /\s+[–—|·»:-]+\s+/;

/** What a site calls itself: what half of its titles and more begin or end with; '' where there is no such thing. */
export function siteTitle(titles: readonly string[]): string {
  const counts = new Map<string, number>();
  for (const title of titles) {
    const parts = title.split(BETWEEN);
    if (parts.length > 1) for (const part of new Set([parts[0]!, parts.at(-1)!])) counts.set(part, (counts.get(part) ?? 0) + 1);
  }
  const [most] = [...counts].sort(([, a], [, b]) => b - a);
  return most && most[1] >= SEVERAL && most[1] * 2 >= titles.length ? most[0] : '';
}

/** Two titles may end alike by chance. */
const SEVERAL = 3;

/** A page's title without its site's. */
export function ownTitle(title: string, site: string): string {
  const parts = title.split(BETWEEN);
  if (site === '' || parts.length < 2) return title;
  if (parts.at(-1) === site) return title.slice(0, title.length - site.length).replace(/\s+[–—|·»:-]+\s+$/, '');
  return parts[0] === site ? title.slice(site.length).replace(/^\s+[–—|·»:-]+\s+/, '') : title;
}
