import 'server-only';
import { readFile } from 'node:fs/promises';
import { lookup, criterionOf, ruleOf, techniqueSays } from '@inkwell/core';
import { log } from './log';

/** A criterion as it is told beside the work. */
export interface CriterionTold {
  id: string;
  title: string;
  level: string;
  /** Ours. */
  asks: string;
  /** The standard's own text, where the house supplies it. */
  standard: string | null;
  techniques: { code: string; says: string }[];
}

/** What a criterion says, with the techniques that a rule cites; null for one there is none of. */
export async function tellCriterion(id: string, rule: string | null): Promise<CriterionTold | null> {
  const criterion = criterionOf(id);
  if (!criterion) return null;
  const { title, level, asks } = criterion;
  const cited = (rule && ruleOf(rule)?.techniques) || [];
  return {
    id,
    title,
    level,
    asks,
    standard: lookup(await standardText(), id) ?? null,
    techniques: cited.flatMap((code) => {
      const says = techniqueSays(code);
      return says === null ? [] : [{ code, says }];
    }),
  };
}

let known: { file: string; text: Promise<Record<string, string>> } | null = null;

/** The standard's own text by criterion, from the JSON file that INKWELL_STANDARD_TEXT names; a file that cannot be read counts as none. */
function standardText(): Promise<Record<string, string>> {
  const file = process.env.INKWELL_STANDARD_TEXT;
  if (!file) return Promise.resolve({});
  if (known?.file !== file) known = { file, text: readTexts(file) };
  return known.text;
}

async function readTexts(file: string): Promise<Record<string, string>> {
  try {
    const read: unknown = JSON.parse(await readFile(file, 'utf8'));
    if (typeof read !== 'object' || read === null) throw new Error('it holds no object');
    return Object.fromEntries(Object.entries(read).filter((entry): entry is [string, string] => typeof entry[1] === 'string'));
  } catch (error) {
    log.error({ file, err: error }, 'the text of the standard could not be read');
    return {};
  }
}
