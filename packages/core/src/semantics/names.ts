import { childElements, elementsIn, has, rawText, tidy, valueOf, type ElementNode, type ParentNode } from '../document/tree.ts';
import { carried, fact, type Page } from '../document/page.ts';
import { tagged } from '../document/tagged.ts';
import { generatedText, styleOf } from '../style/cascade.ts';
import { isBlock } from './blocks.ts';
import { elementsById, referred } from './ids.ts';
import { roleOf } from './roles.ts';
import { isExposed, isGone } from './visibility.ts';
import { UNNAMED_ROLES } from '../standards/aria.ts';
import { lookup } from '../source/lookup.ts';

export type NameSource =
  'aria-labelledby' | 'aria-label' | 'alt' | 'content' | 'caption' | 'label' | 'value' | 'placeholder' | 'summary' | 'title' | 'none';
export interface Name {
  name: string;
  from: NameSource;
}

/**
 * Roles whose name may come from their content (WAI-ARIA 1.2, "Roles Supporting Name from Content"). Rows are left out: browsers name
 * them only inside grids. Terms are added: browsers name them so.
 */
const FROM_CONTENT = new Set(
  'button cell checkbox columnheader gridcell heading link doc-backlink doc-biblioref doc-glossref doc-noteref menuitem menuitemcheckbox menuitemradio option radio rowheader switch tab term tooltip treeitem'.split(
    ' ',
  ),
);

/** Roles without a name; what has no role at all takes a tooltip for one, as browsers do. */
const NAMELESS = new Set([...UNNAMED_ROLES].filter((role) => !['generic', 'none', 'presentation'].includes(role)));

const known = fact((): Map<ElementNode, Name> => new Map());

/** The accessible name of an element and where it comes from, after accname 1.2. */
export function nameOf(page: Page, element: ElementNode): Name {
  const names = known(page);
  let found = names.get(element);
  if (!found) {
    // Labels and references may lead in a circle: whatever is being named gives no words to its own name.
    names.set(element, UNNAMED);
    names.set(element, (found = computeName(page, element, { referenced: false, hiddenToo: false })));
  }
  return found;
}

const UNNAMED: Name = { name: '', from: 'none' };

interface Walk {
  /** Inside an aria-labelledby reference: references are not followed again. */
  referenced: boolean;
  /** The reference itself was hidden, so hidden content counts. */
  hiddenToo: boolean;
  /** The field whose own label is being read: what it holds is no part of its name. */
  labelled?: ElementNode;
}

function computeName(page: Page, element: ElementNode, walk: Walk): Name {
  const referred = walk.referenced ? '' : textOfReferences(page, element, 'aria-labelledby');
  if (referred) return { name: referred, from: 'aria-labelledby' };
  const label = tidy(valueOf(element, 'aria-label') ?? '');
  if (label) return { name: label, from: 'aria-label' };
  const native = nativeName(page, element, walk);
  if (native) return native;
  const role = roleOf(element);
  if (walk.referenced || (role !== null && FROM_CONTENT.has(role)) || element.tag === 'label') {
    const content = tidy(contentName(page, element, walk));
    if (content) return { name: content, from: 'content' };
  }
  return lastResort(element, role);
}

function lastResort(element: ElementNode, role: string | null): Name {
  if (element.attributes.length === 0) return { name: '', from: 'none' };
  const title = NAMELESS.has(role ?? '') ? '' : tidy(valueOf(element, 'title') ?? '');
  if (title) return { name: title, from: 'title' };
  const placeholder = TYPED.has(element.tag) ? tidy(valueOf(element, 'placeholder') ?? valueOf(element, 'aria-placeholder') ?? '') : '';
  return placeholder ? { name: placeholder, from: 'placeholder' } : { name: '', from: 'none' };
}

/** Fields a person types into: HTML-AAM lets their placeholder name them when nothing else does. */
const TYPED = new Set(['input', 'textarea']);

/** The accessible description: what aria-describedby refers to, else aria-description, else a title that is not already the name. */
export function descriptionOf(page: Page, element: ElementNode): string {
  const referredText = textOfReferences(page, element, 'aria-describedby');
  if (referredText) return referredText;
  const described = tidy(valueOf(element, 'aria-description') ?? '');
  if (described) return described;
  const title = tidy(valueOf(element, 'title') ?? '');
  return title && title !== nameOf(page, element).name ? title : '';
}

function textOfReferences(page: Page, element: ElementNode, attribute: 'aria-labelledby' | 'aria-describedby'): string {
  if (element.attributes.length === 0) return '';
  return tidy(
    referred(page, element, attribute)
      .map((target) => computeName(page, target, { referenced: true, hiddenToo: isGone(page, target) }).name)
      .join(' '),
  );
}

const LABELLED = new Set(['input', 'select', 'textarea', 'meter', 'progress']);

/** Names that HTML gives by an attribute or a child of a set kind. An empty alternative is an answer: it ends the search. */
function nativeName(page: Page, element: ElementNode, walk: Walk): Name | null {
  const { tag } = element;
  const type = tag === 'input' ? (valueOf(element, 'type') ?? '').toLowerCase() : '';
  const alternative = tag === 'img' || tag === 'area' || type === 'image' ? alternativeName(element) : null;
  if (alternative) return alternative;
  if (type === 'button' || type === 'submit' || type === 'reset') return buttonName(element, type);
  if (LABELLED.has(tag)) return labelName(page, element, walk);
  const naming = lookup(NAMING_CHILD, tag);
  const child = naming && childElements(element).find((one) => one.tag === naming);
  const text = child ? tidy(contentName(page, child, walk)) : '';
  if (text) return { name: text, from: 'caption' };
  const summary = tag === 'table' ? tidy(valueOf(element, 'summary') ?? '') : '';
  return summary ? { name: summary, from: 'summary' } : null;
}

function alternativeName(element: ElementNode): Name | null {
  const alt = valueOf(element, 'alt');
  if (alt === null) return null;
  const name = tidy(alt);
  return name ? { name, from: 'alt' } : element.tag === 'img' ? { name, from: 'none' } : null;
}

/** Browsers write their own word on a submit or reset button that has none. */
const BUTTON_WORDS = { button: '', submit: 'Submit', reset: 'Reset' } as const;

function buttonName(element: ElementNode, type: keyof typeof BUTTON_WORDS): Name | null {
  const value = tidy(valueOf(element, 'value') ?? '') || BUTTON_WORDS[type];
  return value ? { name: value, from: 'value' } : null;
}

const NAMING_CHILD: Record<string, string> = { table: 'caption', figure: 'figcaption', fieldset: 'legend', svg: 'title' };

function labelName(page: Page, element: ElementNode, walk: Walk): Name | null {
  const texts = (labelsOf(page).get(element) ?? []).map((label) => tidy(contentName(page, label, { ...walk, labelled: element })));
  const text = tidy(texts.join(' '));
  return text ? { name: text, from: 'label' } : null;
}

/** What a field holds, as far as the source tells (accname 1.2, step 2C: embedded control). */
function valueInside(field: ElementNode): string {
  if (field.tag === 'select') {
    const options = [...elementsIn(field)].filter((inner) => inner.tag === 'option');
    const chosen = options.find((option) => has(option, 'selected')) ?? options[0];
    return chosen ? tidy(rawText(chosen)) : '';
  }
  if (field.tag === 'textarea') return tidy(rawText(field));
  const type = (valueOf(field, 'type') ?? 'text').toLowerCase();
  return type === 'checkbox' || type === 'radio' ? '' : tidy(valueOf(field, 'value') ?? '');
}

const labelsOf = fact((page: Page) => {
  const found = new Map<ElementNode, ElementNode[]>();
  for (const label of tagged(page, 'label')) {
    const id = valueOf(label, 'for');
    const field = id === null ? firstField(label) : elementsById(page).get(id);
    const others = field && found.get(field);
    if (others) others.push(label);
    else if (field) found.set(field, [label]);
  }
  return found;
}, carried);

function firstField(label: ElementNode): ElementNode | undefined {
  for (const element of elementsIn(label))
    if (['input', 'select', 'textarea', 'meter', 'progress', 'button'].includes(element.tag)) return element;
  return undefined;
}

/** Text alternative of what lies inside. Recursion is bounded: the parser nests no deeper than browsers do. */
function contentName(page: Page, parent: ParentNode, walk: Walk): string {
  const generated = parent.kind === 'element' ? generatedText(page, parent) : undefined;
  let text = generated?.before ?? '';
  for (const child of parent.children) {
    if (child.kind === 'text') text += child.text;
    else if (child.kind === 'element') {
      if (!walk.hiddenToo && !isExposed(page, child) && !(child.space === 'svg' && child.tag === 'title')) continue;
      if (child.tag === 'br') {
        text += ' ';
        continue;
      }
      const inner = childName(page, child, walk);
      text += standsApart(page, child) ? ` ${inner} ` : inner;
    }
  }
  return text + (generated?.after ?? '');
}

/** Whether its text is a piece of its own: what is laid out as anything but running text. */
function standsApart(page: Page, element: ElementNode): boolean {
  if (element.space !== 'html') return false;
  const { display, gone, position } = styleOf(page, element);
  return gone
    ? isBlock(element)
    : !(display === 'inline' || display === 'contents' || display.startsWith('ruby')) && position !== 'absolute';
}

function childName(page: Page, child: ElementNode, walk: Walk): string {
  if (child.space === 'html' && (child.tag === 'script' || child.tag === 'style')) return '';
  const own = tidy(valueOf(child, 'aria-label') ?? '');
  if (own) return own;
  if (!walk.referenced && has(child, 'aria-labelledby')) return nameOf(page, child).name;
  // A field inside the text that labels another counts with its value; its own label would lead back here.
  if (LABELLED.has(child.tag)) return child === walk.labelled ? '' : valueInside(child);
  const native = nativeName(page, child, walk);
  if (native) return native.name;
  return contentName(page, child, walk) || tidy(valueOf(child, 'title') ?? '');
}

/** What an element shows as text, hidden parts left out; images count as nothing. `limit` stops early where only the beginning counts. */
export function shownText(page: Page, parent: ElementNode, limit = Infinity): string {
  let text = '';
  const waiting = [...parent.children].reverse();
  for (let node = waiting.pop(); node && text.length < limit; node = waiting.pop()) {
    if (node.kind === 'text') text = text === '' ? node.text.replace(/^[\s\u00a0]+/, '') : text + node.text;
    else if (node.kind === 'element' && !isGone(page, node)) {
      if (text !== '' && (node.tag === 'br' || isBlock(node))) text += ' ';
      for (let i = node.children.length - 1; i >= 0; i--) waiting.push(node.children[i]!);
    }
  }
  return tidy(text);
}
