import type { Finding, Sameness } from '../audit/findings.ts';
import { ruleOf } from '../audit/prose.ts';
import { resolveAddress } from '../document/addresses.ts';
import type { Page } from '../document/page.ts';
import { elementAt } from '../document/paths.ts';
import { closest, descendants, rawText, tidy, valueOf, type ElementNode } from '../document/tree.ts';
import type { SameBy } from '../rules/types.ts';
import { addressOf } from '../semantics/images.ts';
import { languageAt } from '../semantics/languages.ts';
import { hashText } from '../source/hash.ts';

/**
 * For each finding that asks a question, what it shares with the same question elsewhere, by what its rule says the question goes by
 * (`question.same`). Null for what asks nothing, and for a question that goes by nothing that could be met again.
 *
 * @param address the page's place in its collection, from which its images and links lead
 * @param findings with their slips (`slipsOf`): questions that go by their piece are told by them
 */
export function samenessOf(page: Page, address: string, findings: readonly Finding[]): (Sameness | null)[] {
  return findings.map((finding) => (finding.outcome === 'cantTell' ? sameness(page, address, finding) : null));
}

/** Longest words of a piece that a question goes by, in characters. */
const LONGEST = 2_000;

function sameness(page: Page, address: string, finding: Finding): Sameness | null {
  const element = elementAt(page, finding.at.path);
  if (!element) return null;
  const elements = (finding.places ?? [finding.at]).flatMap(({ path }) => elementAt(page, path) ?? []);
  const by = ruleOf(finding.rule)?.question?.same ?? ['piece'];
  const image = by.includes('image') ? imageOf(element) : null;
  const told = by.map((part) => TELL[part]({ page, address, finding, element, elements, image }));
  // A language alone tells no thing from another.
  const isKnown = !by.includes('piece') && (image !== null || by.some((part, i) => part !== 'language' && Boolean(told[i])));
  // What has nothing of its own is known by the piece it stands in, where that is known at all.
  if (!isKnown && finding.slip === undefined) return null;
  const parts = by.map((part, i) => `${part}: ${told[i] ?? ''}`);
  return {
    key: [finding.rule, finding.message, ...parts, ...(isKnown ? [] : [finding.slip!])].join('\n'),
    image: image && whereTo(address, addressOf(image)),
    anywhere: isKnown && by.every((part, i) => !LEADS.has(part) || !told[i] || told[i].split(' ').every(isWhole)),
  };
}

/** What says where something lies: a place of the collection is another one elsewhere. */
const LEADS: ReadonlySet<SameBy> = new Set(['purpose', 'source']);
const isWhole = (address: string) => /^[a-z][a-z0-9+.-]*:|^$/i.test(address);

interface Asked {
  page: Page;
  address: string;
  finding: Finding;
  element: ElementNode;
  elements: readonly ElementNode[];
  image: ElementNode | null;
}

/** What a question goes by, as a text; null or '' where it has none of it. The image itself is told apart from the text. */
const TELL: Record<SameBy, (asked: Asked) => string | null> = {
  words: ({ element }) => tidy(rawText(element)).slice(0, LONGEST),
  // How often it stands and what its file is called differ between equal questions.
  said: ({ finding: { values } }) =>
    Object.entries(values)
      .filter(([name, value]) => typeof value === 'string' && name !== 'file')
      .map(([name, value]) => `${name}=${tidy(String(value))}`)
      .sort()
      .join(' '),
  image: ({ image }) => (image ? '' : null),
  alternative: ({ image }) => image && (valueOf(image, 'alt') ?? null),
  purpose: ({ address, elements }) => [...new Set(elements.map((one) => purposeOf(one, address)))].sort().join(' '),
  source: ({ element, address }) => sourceOf(element, address),
  language: ({ page, element }) => languageAt(page, element),
  piece: ({ finding: { slip } }) => slip ?? null,
};

function imageOf(element: ElementNode): ElementNode | null {
  if (element.tag === 'img' || element.tag === 'input' || element.tag === 'area') return element;
  for (const node of descendants(element)) if (node.kind === 'element' && node.tag === 'img') return node;
  return null;
}

const whereTo = (address: string, name: string): string => resolveAddress(address, tidy(name)) ?? tidy(name);

/** Where the link leads that something is, or stands in; '' where it is no link. */
function purposeOf(element: ElementNode, address: string): string {
  const isLink = (one: ElementNode) => Boolean(valueOf(one, 'href')) && (one.tag === 'a' || one.tag === 'area');
  const link = isLink(element) ? element : closest(element, isLink);
  const href = link && valueOf(link, 'href');
  return href ? whereTo(address, href) + (/#(.*)$/.exec(href)?.[0] ?? '') : '';
}

/** The address of what is shown or played; a long one is known by its sum. */
function sourceOf(element: ElementNode, address: string): string {
  const named = (one: ElementNode) => valueOf(one, 'src') || valueOf(one, 'data') || '';
  let source = named(element);
  for (const node of descendants(element)) if (!source && node.kind === 'element') source = named(node);
  const whole = source ? whereTo(address, source) : '';
  return whole.length > LONGEST ? `sum:${hashText(whole)}` : whole;
}
