import {
  addressOf, applyRemedy, DEFAULT_PROFILE, selectFindings, auditPage, elementAt, mapOffset, offersFor, outline, parsePage, resolveAddress, ruleOf, sentenceOf, speakRange, speakWhole, surroundingsFrom, titleText,
  type Change, type Finding, type Page,
} from '@inkwell/core';
import type { Answers, DraftNote, FindingKey, PageText, Preview, Question, Side, SizedUp } from './protocol';

/** Longest piece of markup shown beside a preview. */
const LONGEST_MARKUP = 360;

interface Opened {
  text: PageText;
  page: Page;
  findings: readonly Finding[];
}

/** Answers questions about a page, and keeps the last one open: most questions in a row are about the same text. */
export class PageReader {
  private opened: Opened | null = null;

  answer(question: Question): Answers[Question['kind']] {
    switch (question.kind) {
      case 'audit':
        return selectFindings(this.open(question.page).findings, DEFAULT_PROFILE).map(draftNote);
      case 'offers':
        return this.offers(question.page, question.finding);
      case 'preview':
        return this.preview(question);
      case 'size-up':
        return sizeUp(question.source);
    }
  }

  private open(text: PageText): Opened {
    if (this.opened?.text.source === text.source && this.opened.text.address === text.address) return this.opened;
    const page = parsePage(text.source, { ...(text.scope ? { scope: text.scope } : {}), surroundings: surroundingsFrom({ ...text, scope: text.scope ?? 'document' }, text.neighbours) });
    this.opened = { text, page, findings: auditPage(page).findings };
    return this.opened;
  }

  private find(text: PageText, key: FindingKey): { page: Page; finding: Finding | undefined } {
    const { page, findings } = this.open(text);
    return { page, finding: findings.find((one) => one.rule === key.rule && one.at.path === key.path && one.at.start === key.start) };
  }

  private offers(text: PageText, key: FindingKey): Answers['offers'] {
    const { page, finding } = this.find(text, key);
    return finding ? { offers: offersFor(page, finding), picture: pictureOf(page, finding, text.address) } : { offers: [], picture: null };
  }

  private preview({ page: text, finding: key, remedy, inputs }: Extract<Question, { kind: 'preview' }>): Preview {
    const { page, finding } = this.find(text, key);
    if (!finding) return { ok: false, reason: 'This note is no longer on the page.' };
    const result = applyRemedy(page, finding, remedy, inputs);
    if (!result.ok) return result;
    const after = parsePage(result.value.after, { scope: page.scope, surroundings: page.surroundings });
    if (remedy === 'repair-outline') return { ok: true, now: outlineSide(page), then: outlineSide(after) };
    const { now, then } = rangesAround(finding, result.value.change);
    const say = finding.family === 'document' ? speakWhole : speakRange;
    return { ok: true, now: side(page, now, say), then: side(after, then, say) };
  }
}

/** Where the picture a finding speaks of lies in the collection; null when it speaks of none, or of one from elsewhere. */
function pictureOf(page: Page, finding: Finding, from: string): string | null {
  const element = finding.family === 'images' ? elementAt(page, finding.at.path) : null;
  return element?.tag === 'img' || element?.tag === 'input' ? resolveAddress(from, addressOf(element)) : null;
}

interface Stretch {
  start: number;
  end: number;
}

/** The finding's stretch of source before and after, widened to hold every edit. */
function rangesAround(finding: Finding, change: Change): { now: Stretch; then: Stretch } {
  const first = change.edits[0]!;
  const last = change.edits.at(-1)!;
  const now = { start: Math.min(finding.at.start, first.start), end: Math.max(finding.at.end, last.end) };
  const grown = change.edits.reduce((sum, edit) => sum + edit.text.length - (edit.end - edit.start), 0);
  return { now, then: { start: mapOffset(change, now.start, -1) ?? now.start, end: now.end + grown } };
}

function side(page: Page, range: Stretch, say: (page: Page, range: Stretch) => string): Side {
  return { spoken: say(page, range), markup: shortened(page.source.slice(range.start, range.end)) };
}

function outlineSide(page: Page): Side {
  return { spoken: outline(page).map((heading) => `${heading.level} ${heading.name}`).join(' · '), markup: '' };
}

function shortened(markup: string): string {
  return markup.length > LONGEST_MARKUP ? `${markup.slice(0, LONGEST_MARKUP)} …` : markup;
}

function draftNote(finding: Finding): DraftNote {
  const { rule, family, weight, outcome, at } = finding;
  return { rule, family, weight, outcome, path: at.path, start: at.start, end: at.end, line: at.line, title: ruleOf(rule)?.title ?? rule, sentence: sentenceOf(finding) };
}

function sizeUp(source: string): SizedUp {
  const page = parsePage(source);
  return { scope: page.scope, title: titleText(page), notes: selectFindings(auditPage(page).findings, DEFAULT_PROFILE).length };
}
