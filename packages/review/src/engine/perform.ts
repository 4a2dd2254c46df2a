import {
  addressOf,
  alikeTo,
  applyChange,
  applyRemedy,
  arrange,
  auditPage,
  changeOf,
  cleanAtTheDoor,
  colourSources,
  composeMoves,
  doorQuestions,
  elementAt,
  fixAlike,
  fixCertain,
  fixTogether,
  isNamedXhtml,
  makeUpOf,
  manyPasted,
  findingsOn,
  mendUses,
  offersFor,
  pieceOf,
  outline,
  parseAgain,
  parsePage,
  referencesOf,
  renameOnPage,
  resolveAddress,
  ruleOf,
  samenessOf,
  sentenceOf,
  slipsOf,
  surroundingsFrom,
  thingOf,
  titleText,
  useRowsOf,
  usesAround,
  usesIn,
  valueOf,
  withActingRemedies,
  type Finding,
  type Mended,
  type Page,
} from '@inkwell/core';
import { checkedText } from './check.ts';
import type { Changed, Declined, Engine, Examined, FindingKey, Mending, PlacedText, TaskName, Tasks } from './tasks.ts';

type Performers = { [N in TaskName]: (wish: Tasks[N]['wish']) => Tasks[N]['gives'] };

/** What the engine does for the use-cases. Pure: it knows no database and no clock, and runs in any thread. */
const PERFORM: Performers = {
  check: checkedText,
  refer: ({ page }) => {
    const parsed = open(page);
    return {
      scope: parsed.scope,
      title: titleOf(parsed, page.title),
      references: referencesOf(parsed, page.address),
      pasted: manyPasted(parsed),
    };
  },
  follow({ page, renames }) {
    const parsed = open(page);
    const change = changeOf(page.html, renameOnPage(parsed, page.address, new Map(renames)));
    if (!change.ok || change.value.edits.length === 0) return { ok: false, gone: false, reason: 'Nothing on this page leads there.' };
    const after = applyChange(page.html, change.value);
    return after.ok ? { ...changed(page, after.value, change.value.edits.length), moves: change.value } : GONE;
  },
  headings: ({ page }) => outline(open(page)).map(({ element, level, name }) => ({ level, name, id: valueOf(element, 'id') || null })),
  ask: ({ page }) => doorQuestions(open(page)),
  clean({ page, answers }) {
    const result = cleanAtTheDoor(open(page), answers);
    return result.ok ? changed(page, result.after, 1) : { ok: false, gone: false, reason: result.reason };
  },
  examine: ({ page }) => examined(open(page), page),
  fix({ page, finding: key, stored, remedy, inputs }) {
    const parsed = open(page);
    // Where the engine has changed since the audit was stored, it acts only on what it sees now.
    const finding = stored ?? seenNow(parsed, [key])[0];
    if (!finding) return GONE;
    const result = applyRemedy(parsed, finding, remedy, inputs);
    if (!result.ok) return { ok: false, gone: false, reason: result.reason };
    const { after, change } = result.value;
    return {
      ...changed(page, after, 1),
      moves: change,
      renamed: remedy === 'rename' ? renamed(page, parsed, after, finding.at.path) : null,
    };
  },
  'fix alike'({ page, finding: key, among, remedy, inputs }) {
    const parsed = open(page);
    const [finding] = seenNow(parsed, [key]);
    if (!finding) return GONE;
    const { after, fixed, moves, declined } = fixAlike(parsed, alikeTo(parsed, finding, remedy, seenNow(parsed, among)), remedy, inputs);
    if (fixed.length === 0) return { ok: false, gone: false, reason: declined[0]?.reason ?? 'The fix does not act here.' };
    return { ...changed(page, after, fixed.length), moves };
  },
  'fix together'({ page, parts }) {
    const parsed = open(page);
    const all = parts.flatMap((part) => seenNow(parsed, [part.finding]).map((finding) => ({ ...part, finding })));
    if (all.length < parts.length) return GONE;
    let moved: Changed['renamed'] = null;
    // A file is renamed first: what comes after may put its image elsewhere on the page.
    const order = [...all].sort((a, b) => Number(b.remedy === 'rename') - Number(a.remedy === 'rename'));
    const { after, fixed, moves, declined } = fixTogether(parsed, order, ({ remedy, finding }, before, text) => {
      if (remedy === 'rename') moved = renamed(page, before, text, finding.at.path);
    });
    const [first] = declined;
    if (first) return { ok: false, gone: false, reason: `${ruleOf(first.finding.rule)?.title ?? first.finding.rule}: ${first.reason}` };
    return { ...changed(page, after, fixed.length), moves, renamed: moved };
  },
  'fix certain'({ page, leave, profile }) {
    const parsed = open(page);
    const settled = new Set(leave.map(nameOf));
    const { after, fixed, moves } = fixCertain(parsed, undefined, profile, (finding) => settled.has(nameOf(keyOf(finding))));
    if (fixed.length === 0) return { ok: false, gone: false, reason: 'Each open finding needs a word or a choice from you.' };
    return { ...changed(page, after, fixed.length), moves };
  },
  mend(wish) {
    const { after, moves, many, declined } = mended(wish);
    return many === 0 ? nothingMended(declined) : { ...changed(wish.page, after, many), moves, declined };
  },
  'try mending'(wish) {
    const { after, moves, many, declined } = mended(wish);
    return many === 0 ? nothingMended(declined) : { ok: true, ...pieceOf(wish.page.html, after, moves), many, declined };
  },
  offers({ page, register, thing, settled }) {
    const parsed = open(page);
    const names = new Set(settled.map(nameOf));
    const findings = withActingRemedies(parsed, auditPage(parsed).findings);
    const uses = usesIn(register, parsed, page.address, findings);
    const on = findingsOn(parsed, register, uses, findings);
    const found = uses.flatMap((use, nth) => (thingOf(use) === thing ? (on.get(nth) ?? []).map((which) => findings[which]!) : []));
    const unsettled = found.filter((finding) => !names.has(nameOf(keyOf(finding))));
    const once = [...new Map(unsettled.map((finding) => [finding.rule, finding])).values()];
    return once.map((finding) => ({
      rule: finding.rule,
      finding: keyOf(finding),
      sentence: sentenceOf(finding),
      offers: offersFor(parsed, finding).filter(({ declines }) => declines === undefined),
    }));
  },
  'colour sources': ({ page, thing }) => colourSources(open(page), thing),
  uses: ({ page, register, things }) => usesAround(open(page), page.address, register, things),
  arrange({ page, arrangement }) {
    const result = arrange(open(page), arrangement);
    if (!result.ok) return { ok: false, gone: false, reason: result.reason };
    return { ...changed(page, result.value.after, 1), moves: result.value.change };
  },
};

export function perform<N extends TaskName>(name: N, wish: Tasks[N]['wish']): Tasks[N]['gives'] {
  return PERFORM[name](wish);
}

function mended({ page, register, parts, renames = [], settled }: Mending): Mended {
  const names = new Set(settled.map(nameOf));
  const parsed = open(page);
  const first = mendUses(parsed, page.address, register, parts, (finding) => names.has(nameOf(keyOf(finding))));
  if (renames.length === 0) return first;
  const now = first.many > 0 ? parseAgain(parsed, first.after) : parsed;
  const change = changeOf(first.after, renameOnPage(now, page.address, new Map(renames)));
  const after = change.ok && change.value.edits.length > 0 ? applyChange(first.after, change.value) : null;
  if (!change.ok || !after?.ok) return first;
  return { ...first, after: after.value, moves: composeMoves(first.moves, change.value), many: first.many + 1 };
}

const nothingMended = (declined: readonly string[]): Declined =>
  declined.length > 0
    ? { ok: false, gone: false, reason: declined.join(' ') }
    : { ok: false, gone: true, reason: 'Nothing here is as it was shown.' };

/** The engine in the thread that asks: for scripts and tests, and for a worker process, which has nobody to keep waiting. */
export const HERE: Engine = { run: async (name, wish) => perform(name, wish) };

const GONE: Declined = { ok: false, gone: true, reason: 'It is no longer on the page.' };

/** The last pages that were opened here: a page that is worked on comes again as the one before left it. */
const lately = new Map<string, Page>();
const MOST_LATELY = 2;
/** Longer pages, in characters, are not held on to. */
const LONGEST_LATELY = 2_000_000;

function open(placed: Tasks['refer']['wish']['page']): Page {
  if (placed.html.length > LONGEST_LATELY) return parsed(placed);
  const { html, ...around } = placed;
  const name = `${JSON.stringify(around)} ${html}`;
  const page = lately.get(name) ?? parsed(placed);
  lately.delete(name);
  lately.set(name, page);
  for (const [oldest] of lately) {
    if (lately.size <= MOST_LATELY) break;
    lately.delete(oldest);
  }
  return page;
}

function parsed({ html, scope, title, address, neighbours }: Tasks['refer']['wish']['page']): Page {
  const surroundings = surroundingsFrom({ address, scope: scope ?? 'document', title }, neighbours);
  return parsePage(html, { ...(scope ? { scope } : {}), xhtml: isNamedXhtml(address), surroundings });
}

function examined(page: Page, placed: PlacedText): Examined {
  const { engine, findings, troubles } = auditPage(page);
  return {
    engine,
    troubles,
    findings: withSlips(page, placed.address, withActingRemedies(page, findings)),
    uses: useRowsOf(page, placed.address, findings),
    scope: page.scope,
    title: titleOf(page, placed.title),
    references: referencesOf(page, placed.address),
    makeUp: makeUpOf(page),
  };
}

/** Each finding with what the same slip on another page shares with it, and the same question. */
function withSlips(page: Page, address: string, findings: readonly Finding[]): Finding[] {
  const slips = slipsOf(page, address, findings);
  const known = findings.map((finding, nth) => {
    const slip = slips[nth];
    return slip ? { ...finding, slip: `${slip.part} ${slip.key}` } : finding;
  });
  const same = samenessOf(page, address, known);
  return known.map((finding, nth) => (same[nth] ? { ...finding, same: same[nth] } : finding));
}

function changed(placed: PlacedText, html: string, many: number): Changed {
  const after = { ...placed, html };
  return { ok: true, html, moves: null, many, renamed: null, examined: examined(open(after), after) };
}

function keyOf({ rule, at }: Finding): FindingKey {
  return { rule, path: at.path, start: at.start };
}

const nameOf = ({ rule, path, start }: FindingKey) => `${rule} ${path} ${start}`;

/** What the engine sees now of findings as they were stored; those it no longer sees are left out. */
function seenNow(page: Page, keys: readonly FindingKey[]): Finding[] {
  const names = new Set(keys.map(nameOf));
  return auditPage(page).findings.filter((finding) => names.has(nameOf(keyOf(finding))));
}

/** Where the file of an image at a path lay, and where the page looks for it now. */
function renamed(placed: PlacedText, before: Page, after: string, path: string): { from: string; to: string } | null {
  const [from, to] = [before, parseAgain(before, after)].map((page) => {
    const image = elementAt(page, path);
    return image && resolveAddress(placed.address, addressOf(image));
  });
  return from && to ? { from, to } : null;
}

/** A document's title is its own; a fragment's is the platform's, or, where that is not known, its first heading. */
function titleOf(page: Page, known: string): string {
  if (page.scope === 'fragment') return known || (outline(page)[0]?.name ?? '');
  return titleText(page) || known || outline(page)[0]?.name || 'Page without a title';
}
