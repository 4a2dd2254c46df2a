import type { JSONSchema } from 'json-schema-to-ts';

const base = { type: 'object', additionalProperties: false } as const;

/** What `POST /checks` takes. */
export const CHECK = {
  ...base,
  required: ['html'],
  properties: {
    html: { type: 'string', minLength: 1, description: 'The text of the page, or a piece of one.' },
    scope: { enum: ['document', 'fragment'], description: 'A whole document or a piece of one; guessed from its own tags when left out.' },
    contentType: { type: 'string', maxLength: 100, description: 'What sort of page it is; the house may ask other things of other sorts.' },
    title: { type: 'string', maxLength: 1_000, description: 'The title the platform shows above a fragment.' },
    page: {
      ...base,
      required: ['collection', 'address'],
      properties: { collection: { type: 'string', maxLength: 200 }, address: { type: 'string', maxLength: 2_000 } },
      description: 'The page it is meant for: what was ruled and let stand there counts. Wants the reach `read` too.',
    },
    profile: {
      oneOf: [{ type: 'string', maxLength: 100 }, { type: 'object' }],
      description: 'A profile by name, or a whole one as its file has it; without it what the house holds such pages to.',
    },
  },
} as const satisfies JSONSchema;

/** What `PUT` of a page takes. */
export const PAGE_TEXT = {
  ...base,
  required: ['html'],
  properties: {
    html: { type: 'string', minLength: 1 },
    note: { type: 'string', maxLength: 1_000, description: 'What stands in the history beside the revision.' },
  },
} as const satisfies JSONSchema;

/** What is decided about a finding. */
export const RULING = { ...base, required: ['answer'], properties: { answer: { enum: ['stands', 'no problem', 'not sure'] } } } as const;
export const EXCEPTION = {
  ...base,
  required: ['reason', 'until'],
  properties: { reason: { type: 'string', minLength: 1, maxLength: 20_000 }, until: { type: 'string', pattern: '^\\d{4}-\\d{2}-\\d{2}$' } },
} as const satisfies JSONSchema;
export const ASSIGNMENT = {
  ...base,
  required: ['to'],
  properties: {
    to: { type: ['string', 'null'], maxLength: 254, description: 'The address of whoever is to see to it; null takes it back.' },
    due: { type: ['string', 'null'], pattern: '^\\d{4}-\\d{2}-\\d{2}$' },
    words: { type: 'string', maxLength: 2_000 },
  },
} as const satisfies JSONSchema;

const PLACE = {
  type: 'object',
  required: ['path', 'start', 'end', 'line', 'column'],
  properties: {
    path: { type: 'string' },
    start: { type: 'integer' },
    end: { type: 'integer' },
    line: { type: 'integer' },
    column: { type: 'integer' },
  },
} as const;
const WORDS = { type: 'array', items: { type: 'string' } } as const;
const VERDICT = { enum: ['held', 'judge', 'ready'] } as const;
const OPEN = {
  type: 'object',
  required: ['must', 'should', 'consider', 'questions'],
  properties: { must: { type: 'integer' }, should: { type: 'integer' }, consider: { type: 'integer' }, questions: { type: 'integer' } },
} as const;

/** What a finding is, wherever it is told. */
const AUDITED = {
  rule: { type: 'string' },
  family: { type: 'string' },
  weight: { enum: ['must', 'should', 'consider'] },
  outcome: { enum: ['failed', 'cantTell'] },
  criteria: WORDS,
  techniques: WORDS,
  message: { type: 'string' },
  at: PLACE,
  places: { type: 'array', items: PLACE },
  fingerprint: { type: 'string' },
  remedies: {
    type: 'array',
    items: {
      type: 'object',
      required: ['name', 'certain', 'needs'],
      properties: { name: { type: 'string' }, certain: { type: 'boolean' }, needs: WORDS },
    },
  },
} as const;
const ALWAYS = ['rule', 'family', 'weight', 'outcome', 'criteria', 'techniques', 'message', 'at', 'fingerprint', 'remedies'] as const;

const CHECKED_FINDING = {
  type: 'object',
  required: [...ALWAYS, 'sentence', 'why', 'fix'],
  properties: {
    ...AUDITED,
    sentence: { type: 'string' },
    why: { type: 'string' },
    fix: { type: 'string' },
    standing: { type: 'string', description: 'How it stands on the page it is meant for, where that was decided: it holds nothing.' },
  },
} as const;

const CHECKED = { verdict: VERDICT, findings: { type: 'array', items: CHECKED_FINDING } } as const;

/** What is answered, by the names the description gives it. */
export const ANSWERS = {
  Check: {
    type: 'object',
    required: ['engine', 'profile', 'verdict', 'findings', 'fixed'],
    properties: {
      engine: { type: 'string' },
      profile: {
        type: 'object',
        required: ['name', 'standard', 'level'],
        properties: { name: { type: 'string' }, standard: { type: 'string' }, level: { type: 'string' } },
      },
      ...CHECKED,
      fixed: { type: 'object', required: ['html', 'verdict', 'findings'], properties: { html: { type: 'string' }, ...CHECKED } },
    },
  },
  Collection: {
    type: 'object',
    required: ['slug', 'title', 'kind', 'pages', 'verdicts', 'open'],
    properties: {
      slug: { type: 'string' },
      title: { type: 'string' },
      kind: { type: 'string' },
      pages: { type: 'integer' },
      verdicts: {
        type: 'object',
        required: ['held', 'judge', 'ready'],
        properties: { held: { type: 'integer' }, judge: { type: 'integer' }, ready: { type: 'integer' } },
      },
      open: OPEN,
    },
  },
  Page: {
    type: 'object',
    required: ['id', 'address', 'title', 'contentType', 'scope', 'revision', 'verdict', 'open'],
    properties: {
      id: { type: 'integer' },
      address: { type: 'string' },
      title: { type: 'string' },
      contentType: { type: 'string' },
      scope: { enum: ['document', 'fragment'] },
      revision: { type: 'integer' },
      verdict: VERDICT,
      open: OPEN,
      html: { type: 'string', description: 'Its text; not in lists.' },
    },
  },
  Finding: {
    type: 'object',
    required: [...ALWAYS, 'id', 'page', 'standing', 'assignee', 'firstRevision'],
    properties: {
      ...AUDITED,
      id: { type: 'integer' },
      page: {
        type: 'object',
        required: ['id', 'address'],
        properties: { id: { type: 'integer' }, address: { type: 'string' } },
      },
      standing: { enum: ['open', 'fixed', 'returned', 'ruled out', 'excepted', 'elsewhere'] },
      assignee: {
        type: ['object', 'null'],
        required: ['id', 'name'],
        properties: { id: { type: 'string' }, name: { type: 'string' } },
      },
      firstRevision: { type: 'integer' },
    },
  },
  Problem: {
    type: 'object',
    required: ['type', 'title', 'status', 'detail', 'kept', 'next'],
    properties: {
      type: { type: 'string' },
      title: { type: 'string' },
      status: { type: 'integer' },
      detail: { type: 'string' },
      kept: { type: 'string' },
      next: { type: 'string' },
      errors: {
        type: 'array',
        items: { type: 'object', required: ['pointer', 'detail'], properties: { pointer: { type: 'string' }, detail: { type: 'string' } } },
      },
    },
  },
} as const;
