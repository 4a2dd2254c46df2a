import {
  auditPage,
  childElements,
  inspectColours,
  inspectImages,
  inspectLinks,
  inspectLists,
  inspectNames,
  inspectOutline,
  inspectTables,
  isSeen,
  selectFindings,
  speakPage,
  titleText,
  verdictOf,
  type Page,
  type Profile,
} from '@inkwell/core';

interface View {
  rows(page: Page, profile: Profile): readonly object[];
  /** One row as a line for people. */
  line(row: never): string;
}

const view = <T extends object>(rows: (page: Page, profile: Profile) => readonly T[], line: (row: T) => string): View => ({
  rows,
  line: line as (row: never) => string,
});

export interface PageRow {
  path: string;
  title: string;
  scope: string;
  contentType: string;
  words: number;
  verdict: string;
  open: { must: number; should: number; consider: number; questions: number };
}

/** What is known of a page apart from its place. */
export type OnePage = Omit<PageRow, 'path' | 'contentType'>;

const plural = (many: number, one: string) => `${many} ${one}${many === 1 ? '' : 's'}`;

const VIEWS = {
  outline: view(inspectOutline, (row) => `${'  '.repeat(Math.max(0, row.level - 1))}${row.level}  ${row.text || '(blank)'}`),
  names: view(
    inspectNames,
    (row) =>
      `${row.role}${row.level ? ` ${row.level}` : ''}  “${row.name}”${row.description ? `  described as “${row.description}”` : ''}  ${row.path}`,
  ),
  colours: view(
    inspectColours,
    (row) =>
      `${row.ratio.toFixed(2)} to 1${row.ratio < row.required ? `, ${row.required} needed` : ''}${row.certain ? '' : ', not certain'}  ${row.color} on ${row.background}, ${row.fontSizePx} px, ${row.fontWeight}  “${row.text.trim().slice(0, 50)}”`,
  ),
  tables: view(
    inspectTables,
    (row) => `${row.use}  ${row.rows} rows, ${row.columns} columns  ${row.caption ? `“${row.caption}”` : 'no caption'}  ${row.path}`,
  ),
  lists: view(inspectLists, (row) => `${'  '.repeat(row.depth)}${row.kind}, ${row.items} items${row.typed ? ', typed' : ''}  ${row.path}`),
  links: view(
    inspectLinks,
    (row) =>
      `“${row.name}”  ${row.href || '(no address)'}${row.newWindow ? ', new window' : ''}${row.problems.length > 0 ? `  ${row.problems.join(', ')}` : ''}`,
  ),
  images: view(
    inspectImages,
    (row) => `${row.fileName || '(no file)'}  ${row.decorative ? 'decorative' : row.alt === null ? 'no alternative' : `“${row.alt}”`}`,
  ),
  pages: {
    rows: (page: Page, profile: Profile) => [aboutPage(page, profile)],
    line: (({ path, title, verdict, words, open }: PageRow) =>
      `${path}  ${title ? `“${title}”` : '(no title)'}  ${verdict}, ${plural(words, 'word')}  ${open.must} must, ${open.should} should, ${open.consider} to consider, ${plural(open.questions, 'question')}`) as (
      row: never,
    ) => string,
  },
  spoken: view(speakPage, (row) => row.says),
};

export type ViewName = keyof typeof VIEWS;

export const VIEW_NAMES = Object.keys(VIEWS) as ViewName[];

export function viewRows(page: Page, profile: Profile, name: ViewName): object[] {
  return [...VIEWS[name].rows(page, profile)];
}

export function viewLine(name: ViewName, row: object): string {
  return VIEWS[name].line(row as never);
}

function aboutPage(page: Page, profile: Profile): OnePage {
  const findings = selectFindings(auditPage(page).findings, profile);
  const failed = (weight: string) => findings.filter((one) => one.outcome === 'failed' && one.weight === weight).length;
  return {
    title: titleText(page),
    scope: page.scope,
    words: wordsIn(page),
    verdict: verdictOf(findings, profile),
    open: {
      must: failed('must'),
      should: failed('should'),
      consider: failed('consider'),
      questions: findings.filter((one) => one.outcome === 'cantTell').length,
    },
  };
}

/** Words that can be seen. */
function wordsIn(page: Page): number {
  let words = 0;
  const waiting = [page.body];
  for (let element = waiting.pop(); element; element = waiting.pop()) {
    if (!isSeen(page, element)) continue;
    for (const child of element.children) if (child.kind === 'text') words += child.text.match(/[\p{L}\p{N}]\S*/gu)?.length ?? 0;
    waiting.push(...childElements(element));
  }
  return words;
}
