import type { Finding } from '../audit/findings.ts';
import { auditPage } from '../audit/run.ts';
import { FILE_BASE_FOLDER, relativeTo, resolveAddress } from '../document/addresses.ts';
import { childElements, closest, elementsIn, has, tidy, valueOf, type ElementNode } from '../document/tree.ts';
import { parseAgain, type Page } from '../document/page.ts';
import { elementAt, pathOf } from '../document/paths.ts';
import { isCertain } from '../remedies/types.ts';
import { fixTogether } from '../remedies/apply.ts';
import { byRemedy } from '../remedies/arrange.ts';
import { contentRange, dropAttribute, escapeText, NO_SOURCE, setAttribute } from '../remedies/markup.ts';
import type { RemedyName } from '../remedies/names.ts';
import { REMEDIES } from '../remedies/registry.ts';
import { levelPlan } from '../remedies/set-level.remedy.ts';
import { decline, planned, type Inputs, type Plan } from '../remedies/types.ts';
import { shownText } from '../semantics/names.ts';
import { headingLevel } from '../semantics/outline.ts';
import { applyChange, changeOf, composeMoves, type Edit, type Moves } from '../source/edits.ts';
import { findingsOn, usesIn } from './uses.ts';
import { likenessOf, thingOf, type RegisterName, type Use } from './types.ts';
import { append } from '../source/lists.ts';

/** What is done to a use of a thing, whatever was found on it. */
export type Mend =
  /** An image: its alternative, '' for one that only decorates; its caption, '' for none; each left as it is where it is not named. */
  | { do: 'describe'; alternative?: string; caption?: string }
  /** An image: another file of the collection in its place. */
  | { do: 'replace'; to: string }
  /** A link: its text. */
  | { do: 'text'; text: string }
  /** A link: where it leads, as a path of the collection, perhaps with a place on it, or a whole address. */
  | { do: 'lead'; to: string }
  | { do: 'same window' }
  /** A heading: its level. */
  | { do: 'level'; level: number }
  /** Whatever was found: a fix of one rule’s findings on it. */
  | { do: 'fix'; rule: string; remedy: RemedyName; inputs: Inputs }
  /** Every fix that needs no word from a person. */
  | { do: 'certain' };

/** Uses of one thing on a page, and what is to be done to them. */
export interface MendPart {
  /** The thing, as `thingOf` names it. */
  thing: string;
  /** Those uses only that are like one of these, as `likenessOf` names them, places aside; null for all. */
  alike: readonly string[] | null;
  mend: Mend;
}

export interface Mended {
  after: string;
  moves: Moves;
  /** Uses that were changed. */
  many: number;
  /** Why others were not, each reason once. */
  declined: string[];
}

/** Facts that differ from page to page without making another case of a use. */
export const PASSING: readonly string[] = ['nth', 'many', 'sample'];

/** What makes two uses of a thing one case: what they say, and the surroundings that count. */
export function caseOf({ says, facts }: Pick<Use, 'says' | 'facts'>): string {
  return likenessOf({ says, facts: Object.fromEntries(Object.entries(facts).filter(([name]) => !PASSING.includes(name))) });
}

/**
 * Does to the uses of things on a page what was wished for each. Every byte outside the edits stays.
 *
 * @param address where the page lies in its collection
 * @param isSettled findings that a person has settled, which fixes leave alone
 */
export function mendUses(
  page: Page,
  address: string,
  register: RegisterName,
  parts: readonly MendPart[],
  isSettled: (finding: Finding) => boolean,
): Mended {
  const isFixed = parts.some(({ mend }) => mend.do === 'fix' || mend.do === 'certain');
  // Only fixes, and what is listed by what was found, ask the engine first.
  const findings = isFixed || register === 'text' ? auditPage(page).findings : [];
  const uses = usesIn(register, page, address, findings);
  const byThing = new Map<string, number[]>();
  uses.forEach((use, nth) => byThing.set(thingOf(use), [...(byThing.get(thingOf(use)) ?? []), nth]));
  const chosen = parts.flatMap((part) =>
    (byThing.get(part.thing) ?? [])
      .filter((nth) => part.alike === null || part.alike.includes(caseOf(uses[nth]!)))
      .map((nth) => ({ nth, use: uses[nth]!, mend: part.mend })),
  );
  const direct = written(page, address, chosen);
  const fixes = chosen.filter(({ mend }) => mend.do === 'fix' || mend.do === 'certain');
  if (fixes.length === 0) return direct;
  const on = findingsOn(page, register, uses, findings);
  const wished = fixes.flatMap(({ nth, mend }) =>
    (on.get(nth) ?? []).flatMap((which) => {
      const finding = findings[which]!;
      const remedy = isSettled(finding) ? null : remedyFor(finding, mend);
      return remedy ? [{ finding, ...remedy }] : [];
    }),
  );
  // One finding may be told on several uses.
  const once = [...new Map(wished.map((one) => [one.finding, one])).values()];
  return fixedAs(page, direct, once);
}

function remedyFor(finding: Finding, mend: Mend): { remedy: RemedyName; inputs: Inputs } | null {
  if (mend.do === 'fix')
    return finding.rule === mend.rule && finding.remedies.includes(mend.remedy) ? { remedy: mend.remedy, inputs: mend.inputs } : null;
  const remedy = finding.remedies.find((name) => isCertain(REMEDIES[name], finding.rule));
  return remedy ? { remedy, inputs: {} } : null;
}

/** Fixes of findings, on top of what was written already. */
function fixedAs(page: Page, direct: Mended, wished: readonly { finding: Finding; remedy: RemedyName; inputs: Inputs }[]): Mended {
  if (direct.many > 0 || wished.length === 0)
    return wished.length === 0
      ? direct
      : { ...direct, declined: [...direct.declined, 'What is filled in and what is fixed go one after the other.'] };
  const result = fixTogether(
    page,
    wished.map(({ finding, remedy, inputs }) => ({ finding, remedy, inputs: { ...proposed(page, finding, remedy), ...inputs } })),
  );
  return {
    after: result.after,
    moves: result.moves,
    many: result.fixed.length,
    declined: [...new Set([...direct.declined, ...result.declined.map(({ reason }) => reason)])],
  };
}

function proposed(page: Page, finding: Finding, remedy: RemedyName): Inputs {
  const element = elementAt(page, finding.at.path);
  return element ? (REMEDIES[remedy].propose?.({ page, element, finding }) ?? {}) : {};
}

interface Chosen {
  use: Use;
  mend: Mend;
}

/** Edits of uses, written together; one that gets in another's way is left out and told. */
function written(page: Page, address: string, chosen: readonly Chosen[]): Mended {
  const declined = new Set<string>();
  const edits: Edit[] = [];
  let many = 0;
  for (const { use, mend } of chosen) {
    const plan = planFor(page, address, use, mend);
    if (!plan) continue;
    if (!plan.ok) declined.add(plan.reason);
    else if (plan.value.length > 0) {
      const together = changeOf(page.source, [...edits, ...plan.value]);
      if (!together.ok) declined.add(IN_THE_WAY);
      else {
        append(edits, plan.value);
        many++;
      }
    }
  }
  const change = changeOf(page.source, edits);
  const after = change.ok ? applyChange(page.source, change.value) : null;
  if (!change.ok || !after?.ok || many === 0) return { ...UNTOUCHED, after: page.source, declined: [...declined] };
  if (page.xml === 'read' && parseAgain(page, after.value).xml !== 'read')
    return { ...UNTOUCHED, after: page.source, declined: [...declined, NOT_WELL_FORMED] };
  return { after: after.value, moves: composeMoves({ edits: [] }, change.value), many, declined: [...declined] };
}

const UNTOUCHED = { moves: { edits: [] }, many: 0 };
const IN_THE_WAY = 'Changes get in each other’s way here. Make them one at a time, or in Source.';
const NOT_WELL_FORMED = 'The page is XHTML, and this would leave it no longer well formed. Fix it in Source.';

/** The edits that do it to one use; none where it is so already, null where this is no matter of edits. */
function planFor(page: Page, address: string, { elements: [element] }: Use, mend: Mend): Plan | null {
  if (!element) return null;
  switch (mend.do) {
    case 'describe':
      return describePlan(page, element, mend);
    case 'replace':
      return replacePlan(page, address, element, mend.to);
    case 'text':
      return textPlan(page, element, tidy(mend.text));
    case 'lead':
      return leadPlan(address, element, mend.to);
    case 'same window':
      return has(element, 'target') ? byRemedy(page, pathOf(page, element), 'same-window', {}) : planned();
    case 'level':
      return headingLevel(element) === mend.level ? planned() : levelPlan(page, element, mend.level);
    case 'fix':
    case 'certain':
      return null;
  }
}

function describePlan(page: Page, element: ElementNode, mend: Extract<Mend, { do: 'describe' }>): Plan {
  const words = mend.alternative === undefined ? planned() : alternativePlan(page, imageOf(element), tidy(mend.alternative));
  if (!words.ok || mend.caption === undefined) return words;
  const caption = captionPlan(page, imageOf(element), tidy(mend.caption));
  return caption.ok ? planned(words.value, caption.value) : caption;
}

/** A source of a picture is told by the picture's image. */
function imageOf(element: ElementNode): ElementNode {
  const picture = element.tag === 'source' && element.parent?.kind === 'element' ? element.parent : null;
  return (picture && childElements(picture).find(({ tag }) => tag === 'img')) ?? element;
}

function alternativePlan(page: Page, element: ElementNode, words: string): Plan {
  if (valueOf(element, 'alt') === words && !HAS_NO_ALT.has(element.tag)) return planned();
  if (HAS_NO_ALT.has(element.tag))
    return words === ''
      ? byRemedy(page, pathOf(page, element), 'decorative', {})
      : byRemedy(page, pathOf(page, element), 'describe', { alt: words });
  const edits = [setAttribute(element, 'alt', words)];
  const role = tidy(valueOf(element, 'role') ?? '').toLowerCase();
  if (words !== '' && (role === 'presentation' || role === 'none')) edits.push(dropAttribute(page, element, 'role'));
  return edits.every((edit) => edit !== null) ? planned(edits) : decline(NO_SOURCE);
}

/** Elements that show an image and have another place for what it says. */
const HAS_NO_ALT = new Set(['object', 'embed', 'svg', 'image']);

function captionPlan(page: Page, image: ElementNode, words: string): Plan {
  const figure = closest(image, (up) => up.tag === 'figure');
  const caption = figure && childElements(figure).find(({ tag }) => tag === 'figcaption');
  if (!caption) return words === '' ? planned() : byRemedy(page, pathOf(page, image), 'add-caption', { caption: words });
  if (shownText(page, caption) === words) return planned();
  if (words === '') return caption.range ? planned({ ...caption.range, text: '' }) : decline(NO_SOURCE);
  const content = contentRange(caption);
  return content ? planned({ ...content, text: escapeText(words) }) : decline(NO_SOURCE);
}

/** The other file at its address; the sizes and the sources of the one before go. */
function replacePlan(page: Page, address: string, element: ElementNode, to: string): Plan {
  if (element.tag !== 'img') return decline('This is no image element of its own: change it in Source.');
  const src = valueOf(element, 'src') ?? '';
  if (resolveAddress(address, src) === to) return planned();
  const set = setAttribute(element, 'src', fileFrom(page, address, to));
  if (!set) return decline(NO_SOURCE);
  const dropped = ['srcset', 'sizes', 'width', 'height'].map((name) => dropAttribute(page, element, name));
  return planned(
    set,
    dropped.filter((edit) => edit !== null),
  );
}

/** A file as a page writes it: by the name its course has for its files where the page uses that, else as seen from the page. */
function fileFrom({ source }: Page, address: string, to: string): string {
  if (!source.includes('IMS-CC-FILEBASE')) return relativeTo(address, to);
  return `$IMS-CC-FILEBASE$/${to.startsWith(`${FILE_BASE_FOLDER}/`) ? to.slice(FILE_BASE_FOLDER.length + 1) : to}`;
}

function textPlan(page: Page, element: ElementNode, text: string): Plan {
  if (text === '') return decline('Write the new text.');
  if (text === shownText(page, element)) return planned();
  if ([...elementsIn(element)].some(({ tag }) => HOLDS_MORE.has(tag)))
    return decline('It holds an image; describe the image, or fix it in Source.');
  if (has(element, 'aria-label') || has(element, 'aria-labelledby'))
    return decline('It is named by an attribute rather than by its text; fix it in Source.');
  const content = element.endTag && contentRange(element);
  return content ? planned({ ...content, text: escapeText(text) }) : decline(NO_SOURCE);
}

const HOLDS_MORE = new Set(['img', 'svg', 'picture', 'button', 'input', 'object']);

function leadPlan(address: string, element: ElementNode, to: string): Plan {
  const href = tidy(to);
  if (href === '' || /^\s*(?:javascript|data|vbscript):/i.test(href)) return decline('An address has to lead to a page or a place on it.');
  const written = addressFrom(address, href);
  if (written === tidy(valueOf(element, 'href') ?? '')) return planned();
  const edit = setAttribute(element, 'href', written);
  return edit ? planned(edit) : decline(NO_SOURCE);
}

/** A destination as it is written on a page: whole addresses as they are, paths as seen from there. */
function addressFrom(address: string, to: string): string {
  if (/^[a-z][a-z0-9+.-]*:|^\/\//i.test(to)) return to;
  const [path = '', anchor] = to.split('#');
  const behind = anchor === undefined ? '' : `#${anchor}`;
  return path === '' || path === address ? behind || relativeTo(address, address) : `${relativeTo(address, path)}${behind}`;
}
