import {
  lookup,
  addressOf,
  alikeTo,
  amendPage,
  applyRemedy,
  arrange,
  auditPage,
  cleanAtTheDoor,
  cleanPaste,
  DEFAULT_PROFILE,
  doorQuestions,
  proposedAnswers,
  elementAt,
  inspectKinds,
  inspectStructure,
  isCertain,
  isNamedXhtml,
  fixCertain,
  withActingRemedies,
  manyPasted,
  offersFor,
  parseAgain,
  parsePage,
  REMEDIES,
  resolveAddress,
  ruleOf,
  selectFindings,
  sentenceOf,
  speakPage,
  subjectOf,
  surroundingsFrom,
  textBlocks,
  titleText,
  type Finding,
  type Page,
} from '@inkwell/core';
import { arranged, oneOfMany, previewOf, proposalOf } from './previews';
import { warned, warnedOf } from './warnings';
import type { Answers, AtTheDoor, DraftNote, FindingKey, PageText, Preview, Question, SizedUp } from './protocol';

/** Rounds of practice: past these the engine gets no quicker. */
const ROUNDS = 20;

interface Opened {
  text: PageText;
  page: Page;
  findings: readonly Finding[];
}

type Asked<K extends Question['kind']> = Extract<Question, { kind: K }>;

/** Answers questions about a page, and keeps the last one open: most questions in a row are about the same text. */
export class PageReader {
  private opened: Opened | null = null;
  /** The page as a fix that was asked for will leave it. */
  private expected: Opened | null = null;
  private ready = false;
  private rounds = ROUNDS;

  answer(question: Question): Answers[Question['kind']] {
    switch (question.kind) {
      case 'audit':
        return selectFindings(this.open(question.page).findings, DEFAULT_PROFILE).map(draftNote);
      case 'typing-ahead':
        return this.readyToType(question.page);
      case 'offers':
        return this.offers(question.page, question.finding);
      case 'preview':
        return this.preview(question);
      case 'warned':
        return this.warned(question);
      case 'warned-of':
        return warnedOf(question.page, question.html);
      case 'expected':
        return this.expect(question);
      case 'remedied':
        return this.remedied(question);
      case 'alike':
        return this.alike(question);
      case 'certain':
        return this.certain(question);
      case 'heard':
        return this.heard(question.page);
      case 'structure':
        return this.structure(question.page);
      case 'arranged':
        return arranged(this.open(question.page).page, question.arrangement);
      case 'blocks':
        return textBlocks(this.open(question.page).page);
      case 'pasted':
        return pasted(question);
      case 'size-up':
        return sizeUp(question.source);
      case 'door':
        return atTheDoor(question);
    }
  }

  /** Whether a quiet moment could be used to practise. */
  get mayPractise(): boolean {
    return this.ready && this.rounds > 0;
  }

  /**
   * Types a letter into the open page and takes it away again, as far as the engine is concerned: code that has run a few times is
   * compiled by the browser, and the reader's own first keys are answered as quickly as later ones.
   */
  practise(): void {
    this.rounds--;
    const { opened } = this;
    const place = opened?.page.texts.find(
      ({ range, parent }) => range && range.end - range.start > 20 && parent?.kind === 'element' && parent.tag === 'p',
    )?.range;
    if (!opened || !place) return void (this.ready = false);
    const { source } = opened.text;
    const at = place.start + 10;
    for (const next of [`${source.slice(0, at)}x${source.slice(at)}`, source]) {
      const page = amendPage(opened.page, next);
      if (!page) break;
      opened.page = page;
      selectFindings(auditPage(page).findings, DEFAULT_PROFILE).map(draftNote);
    }
    if (opened.page.source !== source) this.opened = null;
  }

  private readyToType(text: PageText): null {
    this.open(text);
    this.ready = true;
    return null;
  }

  private open(text: PageText): Opened {
    const { opened } = this;
    if (opened?.text.source === text.source && opened.text.address === text.address) return opened;
    const { expected } = this;
    this.expected = null;
    if (expected?.text.source === text.source && isSamePlace(expected.text, text)) return (this.opened = { ...expected, text });
    // A keystroke in a text leaves the rest of the page as it is known. Amending uses up the page that was open.
    this.opened = null;
    const amended = opened && isSamePlace(opened.text, text) ? amendPage(opened.page, text.source) : null;
    const page =
      amended ??
      parsePage(text.source, {
        ...(text.scope ? { scope: text.scope } : {}),
        xhtml: isNamedXhtml(text.address),
        surroundings: surroundingsFrom({ ...text, scope: text.scope ?? 'document' }, text.neighbours),
      });
    this.opened = { text, page, findings: withActingRemedies(page, auditPage(page).findings) };
    return this.opened;
  }

  private find(text: PageText, key: FindingKey): { page: Page; finding: Finding | undefined } {
    const { page, findings } = this.open(text);
    return { page, finding: those(findings, [key])[0] };
  }

  private offers(text: PageText, key: FindingKey): Answers['offers'] {
    const { page, finding } = this.find(text, key);
    return finding
      ? {
          offers: offersFor(page, finding),
          image: imageOf(page, finding, text.address),
          subject: subjectOf(page, finding),
          fix: ruleOf(key.rule)?.fix ?? '',
        }
      : { offers: [], image: null, subject: null, fix: '' };
  }

  private preview({ page: text, finding: key, remedy, inputs }: Asked<'preview'>): Preview {
    const { page, finding } = this.find(text, key);
    return finding ? previewOf(page, finding, remedy, inputs) : { ok: false, reason: 'This note is no longer on the page.' };
  }

  private warned({ page: text, finding: key, remedy, inputs }: Asked<'warned'>): Answers['warned'] {
    const { page, finding } = this.find(text, key);
    return finding ? warned(page, this.open(text).findings, finding, remedy, inputs) : [];
  }

  /** Looks through the page after a fix, so that its next note is ready as soon as the server has made it. */
  private expect({ page: text, finding: key, remedy, inputs }: Asked<'expected'>): null {
    const { page, finding } = this.find(text, key);
    const result = finding && applyRemedy(page, finding, remedy, inputs);
    if (!result?.ok) return null;
    const after = parseAgain(page, result.value.after);
    this.expected = {
      text: { ...text, source: after.source },
      page: after,
      findings: withActingRemedies(after, auditPage(after).findings),
    };
    return null;
  }

  private remedied({ page: text, finding: key, remedy, inputs }: Asked<'remedied'>): string | null {
    const { page, finding } = this.find(text, key);
    const result = finding && applyRemedy(page, finding, remedy, inputs);
    return result?.ok ? result.value.after : null;
  }

  private alike({ page: text, finding: key, remedy, inputs, among, shown }: Asked<'alike'>): Answers['alike'] {
    const { page, finding } = this.find(text, key);
    if (!finding) return { many: 0, shown: [] };
    const alike = alikeTo(page, finding, remedy, those(this.open(text).findings, among));
    return {
      many: alike.length,
      shown: alike.slice(0, shown).map((one) => oneOfMany(page, one, remedy, { ...proposalOf(page, one, remedy), ...inputs })),
    };
  }

  private certain({ page: text, settled }: Asked<'certain'>): Answers['certain'] {
    const { page, findings } = this.open(text);
    const { fixed } = fixCertain(page, undefined, DEFAULT_PROFILE, settledIn(findings, settled));
    // What only comes to light once others are fixed has no place on the page as it stands: it is counted.
    const known = new Map(findings.map((finding) => [finding.fingerprint, finding]));
    const shown = fixed.flatMap((one) => {
      const finding = known.get(one.fingerprint);
      const remedy = finding?.remedies.find((name) => isCertain(REMEDIES[name], finding.rule));
      return finding?.at.path === one.at.path && remedy ? [oneOfMany(page, finding, remedy, proposalOf(page, finding, remedy))] : [];
    });
    return { many: fixed.length, shown };
  }

  private heard(text: PageText): Answers['heard'] {
    const { page } = this.open(text);
    return { lines: speakPage(page), kinds: inspectKinds(page) };
  }

  private structure(text: PageText): Answers['structure'] {
    const { page, findings } = this.open(text);
    return inspectStructure(page, findings);
  }
}

/** Whether a finding is one of those a person has settled. */
function settledIn(findings: readonly Finding[], settled: Asked<'certain'>['settled']): (finding: Finding) => boolean {
  const places = new Set(those(findings, settled).map((one) => `${one.rule} ${one.at.path} ${one.at.start}`));
  return (finding) => places.has(`${finding.rule} ${finding.at.path} ${finding.at.start}`);
}

/** Whether two texts stand at one place, with the same around them. */
function isSamePlace(one: PageText, other: PageText): boolean {
  return (
    one.address === other.address &&
    one.scope === other.scope &&
    one.title === other.title &&
    isSameRecord(one.neighbours.titles, other.neighbours.titles) &&
    isSameRecord(one.neighbours.sheets ?? {}, other.neighbours.sheets ?? {})
  );
}

function isSameRecord(one: Readonly<Record<string, string>>, other: Readonly<Record<string, string>>): boolean {
  const names = Object.keys(one);
  return names.length === Object.keys(other).length && names.every((name) => lookup(one, name) === lookup(other, name));
}

function placeOf({ rule, path, start }: FindingKey): string {
  return `${rule} ${path} ${start}`;
}

/** The findings that some keys name. */
function those(findings: readonly Finding[], keys: readonly FindingKey[]): Finding[] {
  const places = new Set(keys.map(placeOf));
  return findings.filter(({ rule, at }) => places.has(placeOf({ rule, path: at.path, start: at.start })));
}

/** Where the image a finding speaks of lies in the collection; null when it speaks of none, or of one from elsewhere. */
function imageOf(page: Page, finding: Finding, from: string): string | null {
  const element = finding.family === 'images' ? elementAt(page, finding.at.path) : null;
  return element?.tag === 'img' || element?.tag === 'input' ? resolveAddress(from, addressOf(element)) : null;
}

function draftNote(finding: Finding): DraftNote {
  const { rule, family, weight, outcome, at } = finding;
  return {
    rule,
    family,
    weight,
    outcome,
    path: at.path,
    start: at.start,
    end: at.end,
    line: at.line,
    title: ruleOf(rule)?.title ?? rule,
    sentence: sentenceOf(finding),
    why: ruleOf(rule)?.why ?? '',
  };
}

/** A paste, cleaned; lines that were said to head something become headings. */
function pasted({ html, levels }: Asked<'pasted'>): Answers['pasted'] {
  const clean = cleanPaste(html);
  if (levels.length === 0) return clean;
  const result = arrange(parsePage(clean.html, { scope: 'fragment' }), { kind: 'levels', levels });
  return { html: result.ok ? result.value.after : clean.html, bold: [] };
}

function sizeUp(source: string): SizedUp {
  const page = parsePage(source);
  const notes = selectFindings(auditPage(page).findings, DEFAULT_PROFILE).length;
  return { scope: page.scope, title: titleText(page), notes, pasted: manyPasted(page) };
}

function atTheDoor({ source, answers }: Extract<Question, { kind: 'door' }>): AtTheDoor {
  const page = parsePage(source);
  const questions = doorQuestions(page);
  const cleaned = cleanAtTheDoor(page, answers ?? proposedAnswers(questions));
  return { questions, cleaned: cleaned.ok ? { ok: true, html: cleaned.after } : cleaned };
}
