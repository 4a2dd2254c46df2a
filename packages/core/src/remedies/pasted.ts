import { parsePage } from '../document/page.ts';
import { elementAt } from '../document/paths.ts';
import { shownText } from '../semantics/names.ts';
import { auditPage } from '../audit/run.ts';
import { fixCertain } from './certain.ts';

/** Text from elsewhere, made sound as far as that needs nobody, and the lines of it that may be headings. */
export interface Pasted {
  html: string;
  bold: { path: string; text: string }[];
}

/** Cleans what a word processor or another page brings along and makes real lists of typed ones; bold lines are left to be asked about. */
export function cleanPaste(html: string): Pasted {
  const { after } = fixCertain(parsePage(html, { scope: 'fragment' }), ['text/pasted-markup', 'lists/typed']);
  const page = parsePage(after, { scope: 'fragment' });
  const bold = auditPage(page).findings.flatMap(({ rule, at }) => {
    const element = rule === 'headings/imitated' ? elementAt(page, at.path) : null;
    return element ? [{ path: at.path, text: shownText(page, element, 120) }] : [];
  });
  return { html: after, bold };
}
