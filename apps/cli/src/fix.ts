import { ruleOf, RULES, type Inputs } from '@inkwell/core';
import { CallError, deliver, profileFrom, readCall, scopeNamed, sheetsFrom } from './call.ts';
import { Session, type Group } from './known.ts';
import type { MendedPage, MendWish } from './mend.ts';
import { openPaths, readPage, type Opened, type PageFile, type Whole } from './pages.ts';
import type { How } from './surroundings.ts';
import type { Task } from './tasks.ts';
import { inPlaceOrder, refuseOut, writeWhole, type Rewritten } from './write.ts';

/** `inkwell fix`: fixes a page, or the pages of a package, by minimal edits, and says what was fixed. */
export async function fixCommand(args: string[]): Promise<number> {
  const { values, positionals } = readCall(args, {
    only: { type: 'string' },
    finding: { type: 'string' },
    remedy: { type: 'string' },
    set: { type: 'string', multiple: true },
    page: { type: 'string' },
    out: { type: 'string' },
    diff: { type: 'boolean' },
    profile: { type: 'string' },
    scope: { type: 'string' },
    css: { type: 'string', multiple: true },
  });
  if (positionals.length !== 1) throw new CallError('fix needs one PATH: an HTML file, a folder, a package, or - for standard input');
  const how: How = { ...(await profileFrom(values.profile)), scope: scopeNamed(values.scope), sheets: await sheetsFrom(values.css) };
  if (values.finding === undefined && (values.remedy !== undefined || values.set !== undefined))
    throw new CallError('--remedy and --set belong to one finding: name it with --finding');
  const one = values.finding === undefined ? null : { finding: values.finding, remedy: values.remedy, inputs: inputsFrom(values.set) };
  const wish: MendWish = { only: rulesNamed(values.only), one, diff: values.diff === true };
  const opened = await openPaths(positionals);
  return opened.wholes.length > 0 ? fixWhole(opened, how, wish, values) : fixPage(opened.pages[0]!, how, wish, values.out);
}

async function fixPage(file: PageFile, how: How, wish: MendWish, out: string | undefined): Promise<number> {
  const session = new Session({ pages: [file], wholes: [] });
  for await (const group of session.groups()) {
    for await (const { value } of session.results<'mend'>(group, [{ kind: 'mend', pages: [file], how, wish }], () => file.path)) {
      const page = value.pages[0]!;
      await deliver(wish.diff ? page.diff : (value.bytes ?? (await readPage(file)).bytes), out);
      process.stderr.write(`${summary(page)}\n`);
      return page.verdict === 'held' ? 1 : 0;
    }
  }
  return 0;
}

function summary({ fixed, declined, left }: MendedPage): string {
  return `${fixed.length === 0 ? 'Nothing was fixed' : `Fixed ${fixed.length}: ${fixed.join('; ')}`}. ${declined
    .map((one) => `Left alone: ${one}. `)
    .join('')}${left === 0 ? 'Nothing is left' : `${left} left for a person`}`;
}

interface Wanted {
  page?: string | undefined;
  out?: string | undefined;
}

async function fixWhole(opened: Opened, how: How, wish: MendWish, { page, out }: Wanted): Promise<number> {
  const whole = opened.wholes[0]!;
  if (wish.one && page === undefined) throw new CallError('--finding in a folder or package needs --page: the path of its page');
  if (page !== undefined && !opened.pages.some(({ path }) => path === page))
    throw new CallError(`${whole.root} has no page ${page}; inkwell inspect ${whole.root} --view pages names them`);
  if (out !== undefined) await refuseOut(whole, out);
  const session = new Session(opened);
  const told = new Told(wish.diff, out !== undefined);
  try {
    if (opened.pages.length === 0) process.stderr.write(`${whole.root} holds no HTML pages. `);
    const first = await session.groups().next();
    await writeWhole(whole, out, first.done ? none() : mendedFiles(session, first.value, how, wish, page, told));
    told.troubles(whole);
  } finally {
    await session.close();
  }
  process.stderr.write(`${told.sum()}\n`);
  return told.held > 0 ? 1 : 0;
}

async function* none(): AsyncGenerator<Rewritten> {
  // A package without pages is written as it is.
}

/** Each file whose pages were fixed, in the order in which files lie in their archive. */
async function* mendedFiles(session: Session, group: Group, how: How, wish: MendWish, page: string | undefined, told: Told) {
  const whole = group.whole!;
  const byFile = new Map<string, PageFile[]>();
  for (const one of group.pages) {
    const file = one.path.slice(0, one.inside === null ? undefined : one.path.length - one.inside.length - 1);
    byFile.set(file, [...(byFile.get(file) ?? []), one]);
  }
  const files = inPlaceOrder(whole.files.filter(({ path }) => byFile.has(path)));
  const tasks = files.map((file): Task<'mend'> => {
    const pages = byFile.get(file.path)!;
    return { kind: 'mend', pages: page === undefined ? pages : pages.filter(({ path }) => path === page), how, wish };
  });
  const fileOf = new Map(tasks.map((task, nth) => [task, files[nth]!]));
  const asked = tasks.filter(({ pages }) => pages.length > 0);
  for await (const { task, value } of session.results<'mend'>(group, asked, (one) => fileOf.get(one)!.path)) {
    for (const one of value.pages) told.page(one);
    if (value.bytes) yield { file: fileOf.get(task)!, bytes: value.bytes };
  }
}

/** What is told of the pages of a package, as they go by. */
class Told {
  held = 0;
  private readonly sums = { pages: 0, mended: 0, fixed: 0, left: 0 };

  constructor(
    private readonly diff: boolean,
    private readonly writes: boolean,
  ) {}

  page(page: MendedPage): void {
    this.sums.pages++;
    this.sums.fixed += page.fixed.length;
    this.sums.left += page.left;
    if (page.fixed.length > 0) this.sums.mended++;
    if (page.verdict === 'held') this.held++;
    if (this.diff) process.stdout.write(page.diff);
    else if (page.fixed.length + page.declined.length > 0)
      process[this.writes ? 'stderr' : 'stdout'].write(`${page.path}: ${summary(page)}\n`);
  }

  troubles({ troubles }: Whole): void {
    for (const { path, what } of troubles) process.stderr.write(`${path} ${what}\n`);
  }

  sum(): string {
    const { pages, mended, fixed, left } = this.sums;
    return `${pages} ${pages === 1 ? 'page' : 'pages'}: ${this.writes ? 'fixed' : 'would fix'} ${fixed} on ${mended} of them; ${left} left for a person`;
  }
}

function rulesNamed(only: string | undefined): string[] | undefined {
  const names = only
    ?.split(',')
    .map((name) => name.trim())
    .filter(Boolean);
  const unknown = names?.find((name) => !ruleOf(name));
  if (unknown !== undefined) throw new CallError(`there is no rule ${unknown}; inkwell rules lists all ${RULES.length}`);
  return names;
}

function inputsFrom(pairs: readonly string[] = []): Inputs {
  return Object.fromEntries(
    pairs.map((pair) => {
      const at = pair.indexOf('=');
      if (at < 1) throw new CallError(`--set takes key=value, not "${pair}"`);
      return [pair.slice(0, at), pair.slice(at + 1)];
    }),
  );
}
