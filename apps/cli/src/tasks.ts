import {
  digestOf,
  inspectImageUses,
  inspectLinkUses,
  isNamedXhtml,
  type Digest,
  type ImageUseRow,
  type LinkUseRow,
  type Neighbours,
} from '@inkwell/core';
import type { ReportedPage } from '@inkwell/formats';
import { examine } from './examine.ts';
import { mend, type Mend, type MendWish } from './mend.ts';
import type { PageFile } from './pages.ts';
import { openPage, type How } from './surroundings.ts';
import { viewRows, type ViewName } from './views.ts';

/** What can be asked for of one page, or of the pages of one file; plain data, as it goes to worker threads. */
interface Asked {
  digest: { page: PageFile };
  examine: { page: PageFile; how: How };
  mend: { pages: readonly PageFile[]; how: How; wish: MendWish };
  view: { page: PageFile; how: How; view: ViewName };
  images: { page: PageFile; how: How };
  links: { page: PageFile; how: How };
}

/** What comes of each. */
export interface Answers {
  digest: Digest & { trouble: string | null };
  examine: ReportedPage;
  mend: Mend;
  view: object[];
  images: ImageUseRow[];
  links: LinkUseRow[];
}

export type Task<K extends keyof Asked = keyof Asked> = { [Kind in K]: { kind: Kind } & Asked[Kind] }[K];

const TASKS: { [K in keyof Asked]: (task: Asked[K], neighbours: Neighbours | null) => Promise<Answers[K]> } = {
  digest: async ({ page: file }) => {
    const { page } = await openPage(file, {});
    const broken = isNamedXhtml(file.path) && file.inside === null && page.xml === 'broken';
    const digest = digestOf(page, file.path);
    return {
      ...digest,
      title: digest.title || file.title,
      trouble: broken ? 'is not well-formed XML, and was read as HTML' : null,
    };
  },
  examine: async ({ page: file, how }, neighbours) => {
    const { page } = await openPage(file, how, file.of === null ? null : neighbours);
    return examine(file, page, how.profile);
  },
  mend: ({ pages, how, wish }, neighbours) => mend(pages, how, wish, neighbours),
  images: async ({ page: file, how }, neighbours) => inspectImageUses((await openPage(file, how, neighbours)).page, file.path),
  links: async ({ page: file, how }, neighbours) => inspectLinkUses((await openPage(file, how, neighbours)).page, file.path),
  view: async ({ page: file, how, view }, neighbours) => {
    const { page } = await openPage(file, how, file.of === null ? null : neighbours);
    return viewRows(page, how.profile, view);
  },
};

/** Does one task. Throws PageTrouble when a page cannot be read. */
export function perform<K extends keyof Asked>(task: Task<K>, neighbours: Neighbours | null): Promise<Answers[K]> {
  const { kind, ...asked } = task as { kind: K } & Asked[K];
  return TASKS[kind](asked as unknown as Asked[K], neighbours);
}
