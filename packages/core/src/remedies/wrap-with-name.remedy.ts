import { descendants, tidy } from '../document/tree.ts';
import { escapeText, escapeValue, NO_SOURCE, setAttribute } from './markup.ts';
import { decline, planned, type Remedy } from './types.ts';

/** Gives an image made of characters a name that is read in its place. */
export const remedy: Remedy = {
  name: 'wrap-with-name',
  label: 'Give it words',
  certain: false,
  fields: [{ name: 'text', label: 'What does it show or say?', kind: 'text' }],
  propose: () => ({ text: '' }),
  plan({ page, element, finding }, inputs) {
    const text = tidy(inputs.text ?? '');
    if (!text) return decline('Write what it shows or says.');
    if (element.tag === 'pre') {
      const [role, label] = [setAttribute(element, 'role', 'img'), setAttribute(element, 'aria-label', text)];
      return role && label ? planned(role, label) : decline(NO_SOURCE);
    }
    const signs = String(finding.values.signs ?? '');
    for (const node of descendants(element)) {
      if (node.kind !== 'text' || !node.range) continue;
      const written = page.source.slice(node.range.start, node.range.end);
      const found = [signs, escapeText(signs)].map((form) => ({ form, at: written.indexOf(form) })).find((one) => one.at >= 0);
      if (!found) continue;
      const start = node.range.start + found.at;
      return planned({
        start,
        end: start + found.form.length,
        text: `<span role="img" aria-label="${escapeValue(text)}">${found.form}</span>`,
      });
    }
    return decline('These signs are written in a way that cannot be fixed here; fix them in Source.');
  },
};
