import type { CriterionResult } from '@inkwell/core';

/** What a report says: of what, against what, how, and what came of it. Kept as it was made, and written in any form. */
export interface ReportSaid {
  subject: { kind: 'collection' | 'page'; title: string; slug: string; address: string | null; pages: number };
  house: string;
  made: { at: string; by: string };
  /** Version of the engine, or several while pages are still being looked at again. */
  engines: string[];
  audited: { from: string | null; to: string | null };
  standard: { name: string; level: string };
  profiles: { name: string; version: number; standard: string; level: string; pages: number }[];
  /** Content types of the pages, with how many of each. */
  contentTypes: { type: string; pages: number }[];
  present: { links: number; images: number; media: number; tables: number };
  /** The sample that was looked at; null: all pages were. */
  sample: { seed: number; of: number; structured: number; random: number } | null;
  criteria: (CriterionResult & { worst: { slug: string; title: string; many: number; rule: string }[] })[];
  totals: {
    must: number;
    should: number;
    consider: number;
    questions: number;
    excepted: number;
    elsewhere: number;
    fixed: number;
    ruled: number;
  };
  hours: { from: number; to: number };
  verdicts: { held: number; judge: number; ready: number };
  releases: { signed: number; published: number; lapsed: number };
  exceptions: { page: string; title: string; reason: string; until: string; by: string }[];
  pages: {
    slug: string;
    address: string;
    title: string;
    revision: number;
    verdict: string;
    release: string;
    must: number;
    should: number;
    consider: number;
    questions: number;
    signed: { by: string; at: string; revision: number } | null;
    looks: string[];
    chosen: string | null;
    because: string | null;
  }[];
}

export const LOOK_NAMES: Readonly<Record<string, string>> = {
  widths: 'seen at three widths',
  aloud: 'read aloud',
  links: 'links followed',
  menu: 'menu reached by keyboard',
  address: 'address and summary',
};
