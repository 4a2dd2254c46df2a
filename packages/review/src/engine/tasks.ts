import type {
  RuleTrouble,
  Arrangement,
  ColourSource,
  DoorAnswers,
  DoorQuestion,
  Finding,
  Inputs,
  MakeUp,
  MendPart,
  Moves,
  Neighbours,
  Profile,
  Reference,
  RegisterName,
  RemedyName,
  RemedyOffer,
  ReportedFinding,
  Scope,
  UseAround,
  UseRow,
  Verdict,
  Vocabulary,
} from '@inkwell/core';

/** A text where it stands: all the engine may know. Plain data, so that it can be sent to another thread. */
export interface PlacedText {
  html: string;
  scope: Scope;
  /** The title the page is known by. */
  title: string;
  address: string;
  neighbours: Neighbours;
}

/** What a text is and names, before anybody looked for what is wrong. */
export interface Referred {
  /** What its own tags make it, unless the caller said. */
  scope: Scope;
  title: string;
  references: Reference[];
}

/** An examined text. */
export interface Examined extends Referred {
  makeUp: MakeUp;
  engine: string;
  findings: Finding[];
  /** Rules that failed: what they would find is not known. */
  troubles: readonly RuleTrouble[];
  /** What the registers hold of it. */
  uses: UseRow[];
}

/** Names a finding of a text. */
export interface FindingKey {
  rule: string;
  path: string;
  start: number;
}

/** A text changed by remedies or by hand, and examined. */
export interface Changed {
  ok: true;
  html: string;
  /** Where places of the old text went; null when only the two texts are known. */
  moves: Moves | null;
  /** What was acted on. */
  many: number;
  /** An image whose address changed, as paths of the collection. */
  renamed: { from: string; to: string } | null;
  examined: Examined;
}

/** `gone`: the finding is no longer there. */
export type Declined = { ok: false; gone: boolean; reason: string };

export interface Mending {
  page: PlacedText;
  register: RegisterName;
  parts: readonly MendPart[];
  /** Files that have another name from then on, and the one they get. */
  renames?: readonly (readonly [string, string])[];
  /** Findings that a person has settled. */
  settled: readonly FindingKey[];
}

/** A text that is looked at and not kept, and all that counts for it. */
export interface CheckedWish {
  html: string;
  /** Null: what its own tags make it. */
  scope: Scope | null;
  title: string;
  profile: Profile;
  contentType: string | null;
  vocabulary: Vocabulary;
  /** The page it is meant for; null where it stands alone. */
  place: { address: string; title: string; neighbours: Neighbours } | null;
  /** Findings that were decided there, by their fingerprints: they hold nothing. */
  settled: Readonly<Record<string, string>>;
}

/** A finding in plain words, and how it stands where it was decided. */
export interface CheckedFinding extends ReportedFinding {
  sentence: string;
  why: string;
  fix: string;
  standing?: string;
}

export interface CheckedText {
  verdict: Verdict;
  findings: CheckedFinding[];
  /** The text as it would be after every remedy that needs no person. */
  fixed: { html: string; verdict: Verdict; findings: CheckedFinding[] };
}

export interface Tasks {
  /** A text looked at as the command line does. */
  check: { wish: CheckedWish; gives: CheckedText };
  /** `pasted`: how many marks of pasting it carries. */
  refer: { wish: { page: Omit<PlacedText, 'scope'> & { scope: Scope | null } }; gives: Referred & { pasted: number } };
  /** References that follow pages which lie elsewhere now; from the page's own address, which may be one of them. */
  follow: { wish: { page: PlacedText; renames: readonly [string, string][] }; gives: Changed | Declined };
  headings: { wish: { page: PlacedText }; gives: { level: number; name: string; id: string | null }[] };
  /** What is asked of a page before it is cleaned. */
  ask: { wish: { page: PlacedText }; gives: DoorQuestion[] };
  /** A page cleaned as was answered. With no answers it is cleaned only where nothing is asked. */
  clean: { wish: { page: PlacedText; answers: DoorAnswers }; gives: Changed | Declined };
  examine: { wish: { page: PlacedText }; gives: Examined };
  /** `stored`: the finding as this very engine saw it in this very text: it need not look again. */
  fix: {
    wish: { page: PlacedText; finding: FindingKey; stored: Finding | null; remedy: string; inputs: Inputs };
    gives: Changed | Declined;
  };
  'fix alike': {
    wish: { page: PlacedText; finding: FindingKey; among: readonly FindingKey[]; remedy: RemedyName; inputs: Inputs };
    gives: Changed | Declined;
  };
  /** All of them or none: fixes of one thing that were filled in together. */
  'fix together': {
    wish: { page: PlacedText; parts: readonly { finding: FindingKey; remedy: RemedyName; inputs: Inputs }[] };
    gives: Changed | Declined;
  };
  'fix certain': { wish: { page: PlacedText; leave: readonly FindingKey[]; profile: Profile }; gives: Changed | Declined };
  /** What was wished for uses of things of a register. */
  mend: { wish: Mending; gives: (Changed & { declined: string[] }) | Declined };
  /** The same, to be looked at: a piece of the page before and after. */
  'try mending': { wish: Mending; gives: { ok: true; before: string; after: string; many: number; declined: string[] } | Declined };
  /** What could be done to what was found on the uses of a thing, each rule once. */
  offers: {
    wish: { page: PlacedText; register: RegisterName; thing: string; settled: readonly FindingKey[] };
    gives: { rule: string; finding: FindingKey; sentence: string; offers: RemedyOffer[] }[];
  };
  /** Where a pair of colours takes its text colour from, as far as that is a style sheet of the collection. */
  'colour sources': { wish: { page: PlacedText; thing: string }; gives: ColourSource[] };
  /** Uses of things of a register as they stand on a page, with the words around them. */
  uses: { wish: { page: PlacedText; register: RegisterName; things: readonly string[] }; gives: UseAround[] };
  arrange: { wish: { page: PlacedText; arrangement: Arrangement }; gives: Changed | Declined };
}

export type TaskName = keyof Tasks;

/** Whoever runs the engine: here, in another thread, or in a test. */
export interface Engine {
  run<N extends TaskName>(name: N, wish: Tasks[N]['wish']): Promise<Tasks[N]['gives']>;
}
