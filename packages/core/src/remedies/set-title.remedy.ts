import { tidy } from '../document/tree.ts';
import { outline } from '../semantics/outline.ts';
import { titleElement } from '../semantics/title.ts';
import { contentRange, escapeText } from './markup.ts';
import { afterDoctype } from './set-language.remedy.ts';
import { decline, planned, type Remedy } from './types.ts';

/** Gives a whole page its title. */
export const remedy: Remedy = {
  name: 'set-title',
  label: 'Give it a title',
  certain: false,
  fields: [{ name: 'title', label: 'Title of the page', kind: 'text', hint: 'What this page is about first, the site’s name after it.' }],
  propose({ page }) {
    const headings = outline(page);
    return { title: (headings.find((heading) => heading.level === 1) ?? headings[0])?.name ?? '' };
  },
  plan({ page }, inputs) {
    const title = tidy(inputs.title ?? '');
    if (!title) return decline('Write the page’s title.');
    const existing = titleElement(page);
    const content = existing && contentRange(existing);
    if (content && existing.endTag) return planned({ ...content, text: escapeText(title) });
    const at = page.head.startTag?.end ?? page.html.startTag?.end ?? afterDoctype(page.source);
    return planned({ start: at, end: at, text: `<title>${escapeText(title)}</title>` });
  },
};
