import {
  append,
  greatest,
  compareAudits,
  mapOffset,
  placeUnder,
  ruleOf,
  type Finding,
  type Moves,
  type Place,
  type RemedyName,
  type Texts,
} from '@inkwell/core';
import {
  fixedFindings,
  kindIds,
  placesNamed,
  type Bar,
  type NewFinding,
  type NewOccurrence,
  type NewStanding,
  type OtherKind,
  type OtherName,
  type PlacedPage,
  type StoredFinding,
  type Write,
} from '@inkwell/store';
import { askedOf, kindOf, weightUnder } from './bars.ts';
import { standingOf } from './decide.ts';
import { isOfOtherImage, sumsOf } from './questions/sameness.ts';
import type { Services } from './services.ts';

/** What a new audit of a page makes of its findings, ready to be written. */
export interface Tracked {
  ended: string[];
  renamed: OtherName[];
  changed: OtherKind[];
  fresh: NewFinding[];
  /** The rule of each new finding, in the same order. */
  freshRules: string[];
  begun: NewOccurrence[];
  /** Findings that are fixed now, or came back. */
  standings: NewStanding[];
  /** Findings that ask another question than the one that was answered. */
  asksAnew: StoredFinding[];
  /** Of each finding that was seen, in order: its id; null for a new one. */
  ids: (number | null)[];
  /** How many the house asks for: fixed, and new. */
  fixed: number;
  brought: number;
}

export interface Before {
  findings: readonly StoredFinding[];
  texts: Texts;
  moves: Moves;
  /** Undo and redo give findings back as they were; anything else that brings one back makes it returned. */
  undone: boolean;
  today: string;
}

/** An occurrence is written down anew after so many audits, so that its place is never followed through a long chain. */
const LONGEST_CHAIN = 60;

/** Compares a new audit with the last one and says what became of each finding. `before`: null on a page's first audit. */
export async function track(
  trx: Write,
  services: Pick<Services, 'db'>,
  page: Pick<PlacedPage, 'id' | 'collection_id'>,
  bar: Bar,
  fresh: readonly Finding[],
  before: Before | null,
): Promise<Tracked> {
  const sums = await sumsOf(trx, page, fresh);
  const kinds = fresh.map(kindOf);
  const ids = await kindIds(trx, services.db, distinct(kinds), weightUnder);
  const kindId = new Map(fresh.map((finding, i) => [finding, ids.get(kinds[i]!.name)!]));
  const compared = compareAudits(before?.findings ?? [], fresh, before?.moves, before?.texts);
  const back =
    before && compared.new.length > 0
      ? compareAudits(await fixedFindings(trx, page.id, [...new Set(compared.new.map((one) => one.rule))]), compared.new).kept
      : [];
  const known = new Map<Finding, StoredFinding>([...compared.kept, ...back].map((pair) => [pair.new, pair.old]));
  const sightings = new Sightings(before?.moves ?? { edits: [] }, new Set(back.map((pair) => pair.old)));
  fresh.forEach((finding, i) => sightings.see({ finding, kindId: kindId.get(finding)!, same: sums[i]! }, known.get(finding)));
  sightings.end(compared.fixed);
  return {
    ...sightings.result,
    asksAnew: sightings.asksAnew,
    standings: [
      ...sightings.asksAnew.map((one) =>
        standingOf(one, { standing: one.standing === 'ruled out' || one.standing === 'fixed' ? 'open' : one.standing, ruled: null }),
      ),
      ...(await reopened(trx, sightings.widened)),
      ...compared.fixed.filter((one) => one.standing !== 'fixed').map((one) => standingOf(one, { standing: 'fixed' })),
      ...back
        .filter((pair) => !sightings.asksAnew.includes(pair.old))
        .map((pair) => standingOf(pair.old, { standing: standingOnReturn(pair.old, before!) })),
    ],
    ids: fresh.map((finding) => known.get(finding)?.id ?? null),
    fixed: askedOf(compared.fixed, bar).length,
    brought: askedOf(compared.new, bar).length,
  };
}

function distinct(kinds: ReturnType<typeof kindOf>[]) {
  return [...new Map(kinds.map((kind) => [kind.name, kind])).values()];
}

/** Findings that were settled for places they named, and have another now: they are open for that one. */
async function reopened(trx: Write, widened: ReadonlyMap<StoredFinding, readonly number[]>): Promise<NewStanding[]> {
  if (widened.size === 0) return [];
  const named = await placesNamed(
    trx,
    [...widened.keys()].map((finding) => finding.id),
  );
  return [...widened].flatMap(([finding, places]) => {
    const settled = named.get(finding.id);
    if (!settled || places.every((place) => settled.includes(place))) return [];
    return [
      standingOf(finding, { standing: 'open', ruled: finding.standing === 'ruled out' ? null : finding.ruled, excepted_until: null }),
    ];
  });
}

/** A finding that was ruled out or excepted and comes back unchanged stays so, while the exception holds. */
function standingOnReturn(finding: StoredFinding, { undone, today }: Before): NewStanding['standing'] {
  if (finding.ruled === 'no problem') return 'ruled out';
  if (finding.exceptedUntil !== null && finding.exceptedUntil >= today) return 'excepted';
  return undone ? 'open' : 'returned';
}

/** A finding as an audit saw it, with what is kept of it. */
interface Sighted {
  finding: Finding;
  kindId: number;
  same: string | null;
}

/** Sorts what an audit saw into rows that go on, rows that end and rows that begin. */
class Sightings {
  readonly result = {
    ended: [] as string[],
    renamed: [] as OtherName[],
    changed: [] as OtherKind[],
    fresh: [] as NewFinding[],
    freshRules: [] as string[],
    begun: [] as NewOccurrence[],
  };

  /** Settled findings with places they did not have, and all they have now. */
  readonly widened = new Map<StoredFinding, readonly number[]>();

  /** Findings whose answer was about another image, or about other words for it. */
  readonly asksAnew: StoredFinding[] = [];

  constructor(
    private readonly moves: Moves,
    private readonly cameBack: ReadonlySet<StoredFinding>,
  ) {}

  see({ finding, kindId, same }: Sighted, old: StoredFinding | undefined): void {
    if (!old) {
      this.result.fresh.push({ kind: kindId, slip: finding.slip ?? null, same });
      this.result.freshRules.push(finding.rule);
      return this.begin(finding, { finding_id: null, fresh: this.result.fresh.length - 1 }, [...placesOf(finding).keys()]);
    }
    if (old.kindId !== kindId || old.slip !== finding.slip || old.sameSum !== same)
      this.result.changed.push({ id: old.id, kind_id: kindId, slip: finding.slip ?? null, same });
    if (old.ruled !== null && isOfOtherImage(old.sameSum, same)) this.asksAnew.push(old);
    if (!this.cameBack.has(old)) {
      if (this.goesOn(old, finding)) {
        // The text beside equal findings is part of their names, and of nothing else.
        if (old.fingerprint !== finding.fingerprint)
          append(
            this.result.renamed,
            old.occurrenceIds.map((id) => ({ id, fingerprint: finding.fingerprint })),
          );
        return;
      }
      append(this.result.ended, old.occurrenceIds);
    }
    const numbers = this.numbersFor(old, finding);
    const settled = old.standing === 'excepted' || old.standing === 'ruled out';
    if (settled && numbers.some((number) => !old.placeNumbers.includes(number))) this.widened.set(old, numbers);
    this.begin(finding, { finding_id: old.id, fresh: null }, numbers);
  }

  end(gone: readonly StoredFinding[]): void {
    for (const finding of gone) append(this.result.ended, finding.occurrenceIds);
  }

  /** Whether the rows of a finding say of it what the new audit says, once its places are moved. */
  private goesOn(old: StoredFinding, finding: Finding): boolean {
    if (old.age >= LONGEST_CHAIN) return false;
    const [was, is] = [placesOf(old), placesOf(finding)];
    return (
      was.length === is.length &&
      was.every((place, i) => this.wentTo(place, is[i]!)) &&
      old.message === finding.message &&
      old.subject === finding.subject &&
      sameValues(old.values, finding.values) &&
      sameValues(old.remedies, finding.remedies)
    );
  }

  private wentTo(was: Place, is: Place): boolean {
    return (
      was.path === is.path &&
      was.through === is.through &&
      placeUnder(this.moves, was.start) === is.start &&
      mapOffset(this.moves, was.end, -1) === is.end
    );
  }

  /** A place that was there keeps its number; others take the next ones. */
  private numbersFor(old: StoredFinding, finding: Finding): number[] {
    const numbers = new Map(placesOf(old).map((place, i) => [placeUnder(this.moves, place.start) ?? `was ${i}`, old.placeNumbers[i]!]));
    let next = greatest(old.placeNumbers) + 1;
    const taken = placesOf(finding).map((place) => numbers.get(place.start));
    // One place that an edit replaced is the same place still.
    if (taken.length === 1 && old.placeNumbers.length === 1) return [old.placeNumbers[0]!];
    return taken.map((number) => number ?? next++);
  }

  private begin(finding: Finding, of: Pick<NewOccurrence, 'finding_id' | 'fresh'>, numbers: readonly number[]): void {
    placesOf(finding).forEach((place, i) =>
      this.result.begun.push({
        ...of,
        place: numbers[i]!,
        path: place.path,
        through: place.through ?? null,
        start_at: place.start,
        end_at: place.end,
        message: finding.message,
        message_values: finding.values,
        subject: finding.subject,
        fingerprint: finding.fingerprint,
        remedies: ownRemedies(finding),
      }),
    );
  }
}

export function placesOf(finding: Finding): readonly Place[] {
  return finding.places ?? [finding.at];
}

/** A finding's remedies where they differ from its rule's. */
function ownRemedies(finding: Finding): readonly RemedyName[] | null {
  return sameValues(ruleOf(finding.rule)?.remedies, finding.remedies) ? null : finding.remedies;
}

/** Values are numbers, texts and short lists of them; the database may give the parts of a record back in another order. */
function sameValues(a: object | undefined, b: object | undefined): boolean {
  const plain = (value: object | undefined) =>
    JSON.stringify(value && Object.entries(value).sort(([x], [y]) => (x < y ? -1 : x > y ? 1 : 0)));
  return plain(a) === plain(b);
}
