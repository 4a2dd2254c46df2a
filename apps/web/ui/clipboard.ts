/** What to take from a paste: markup as it is, rich text as its markup, else the plain words. */
export function takeFromClipboard(data: Pick<DataTransfer, 'getData'>): { text: string; rich: boolean } {
  const plain = data.getData('text/plain');
  const rich = data.getData('text/html');
  // Someone who copied source wants that source, not the editor's coloured image of it.
  const isSource = /^\s*<(?:!doctype|!--|[a-z][a-z0-9]*[\s>/])/i.test(plain);
  if (!rich || isSource) return { text: plain, rich: false };
  return { text: withoutClipboardFrame(rich), rich: true };
}

/** Windows wraps what was copied into a page with marks around it; only what lies between them was chosen. */
function withoutClipboardFrame(html: string): string {
  const start = html.indexOf('<!--StartFragment-->');
  const end = html.lastIndexOf('<!--EndFragment-->');
  const chosen = start >= 0 && end > start ? html.slice(start + '<!--StartFragment-->'.length, end) : html;
  return chosen.replace(/^\s*<meta charset=['"]?utf-8['"]?>/i, '').trim();
}
