import { EVENTS } from '@inkwell/review';
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

/** When a page is to be published: at once where nothing is said. */
export const PUBLICATION = {
  ...base,
  properties: {
    at: {
      type: 'string',
      pattern: '^\\d{4}-\\d{2}-\\d{2}T\\d{2}:\\d{2}:\\d{2}(\\.\\d{1,3})?Z$',
      description: 'In UTC, as RFC 3339 writes it.',
    },
  },
} as const satisfies JSONSchema;
export const NOTHING = { ...base, properties: {} } as const;

const EVENT_TYPES = { type: 'array', minItems: 1, items: { enum: [...EVENTS] } } as const;
export const WEBHOOK = {
  ...base,
  required: ['url', 'events'],
  properties: {
    url: { type: 'string', minLength: 1, maxLength: 2_000 },
    events: EVENT_TYPES,
    secret: { type: 'string', minLength: 16, maxLength: 200, description: 'What messages are signed with; made where it is left out.' },
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

const REPORTED_CRITERION = {
  type: 'object',
  required: ['id', 'title', 'level', 'clause', 'outcome', 'basis', 'evidence', 'counts'],
  properties: {
    id: { type: 'string' },
    title: { type: 'string' },
    level: { enum: ['A', 'AA', 'AAA'] },
    clause: { type: ['string', 'null'], description: 'Of EN 301 549 V3.2.1.' },
    outcome: { enum: ['passed', 'failed', 'cannot tell', 'not present', 'not looked at'] },
    basis: { enum: ['audit', 'person', 'content', 'nobody'] },
    evidence: { type: 'string' },
    counts: { type: 'object', additionalProperties: { type: 'integer' } },
  },
} as const;

/** Something that happened; a webhook is sent the same. */
const EVENT = {
  type: 'object',
  required: ['id', 'type', 'at', 'by', 'collection', 'data'],
  properties: {
    id: { type: 'string' },
    type: { enum: [...EVENTS] },
    at: { type: 'string' },
    by: { type: ['object', 'null'], required: ['id', 'name'], properties: { id: { type: 'string' }, name: { type: 'string' } } },
    collection: { type: 'string' },
    page: { type: 'object', required: ['id', 'address'], properties: { id: { type: 'integer' }, address: { type: 'string' } } },
    finding: { type: 'object', required: ['id'], properties: { id: { type: 'integer' } } },
    data: { type: 'object' },
  },
} as const;

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
    required: ['id', 'address', 'title', 'contentType', 'scope', 'revision', 'verdict', 'release', 'open'],
    properties: {
      id: { type: 'integer' },
      address: { type: 'string' },
      title: { type: 'string' },
      contentType: { type: 'string' },
      scope: { enum: ['document', 'fragment'] },
      revision: { type: 'integer' },
      verdict: VERDICT,
      release: { enum: ['draft', 'signed off', 'published', 'lapsed'] },
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
  Report: {
    type: 'object',
    required: ['method', 'subject', 'made', 'engines', 'audited', 'standard', 'criteria', 'totals', 'verdicts', 'pages', 'findings'],
    properties: {
      method: { type: 'string' },
      subject: {
        type: 'object',
        required: ['kind', 'title', 'slug', 'pages'],
        properties: {
          kind: { enum: ['collection', 'page'] },
          title: { type: 'string' },
          slug: { type: 'string' },
          pages: { type: 'integer' },
        },
      },
      house: { type: 'string' },
      made: { type: 'object', required: ['at', 'by'], properties: { at: { type: 'string' }, by: { type: 'string' } } },
      engines: WORDS,
      audited: { type: 'object', properties: { from: { type: ['string', 'null'] }, to: { type: ['string', 'null'] } } },
      standard: { type: 'object', required: ['name', 'level'], properties: { name: { type: 'string' }, level: { type: 'string' } } },
      sample: { type: ['object', 'null'] },
      criteria: { type: 'array', items: REPORTED_CRITERION },
      totals: { type: 'object', additionalProperties: { type: 'integer' } },
      verdicts: { type: 'object', additionalProperties: { type: 'integer' } },
      hours: { type: 'object', properties: { from: { type: 'number' }, to: { type: 'number' } } },
      exceptions: { type: 'array', items: { type: 'object' } },
      pages: { type: 'array', items: { type: 'object', required: ['slug', 'address', 'title', 'revision', 'verdict', 'release'] } },
      findings: { type: 'array', items: { type: 'object', required: ['id', 'rule', 'weight', 'outcome', 'standing', 'page'] } },
    },
  },
  Job: {
    type: 'object',
    required: ['id', 'kind', 'state', 'progress', 'troubles', 'result'],
    properties: {
      id: { type: 'string' },
      kind: { enum: ['bring in', 'renew'] },
      state: { enum: ['waiting', 'running', 'done', 'failed', 'cancelled'] },
      progress: { type: 'object', required: ['done', 'total'], properties: { done: { type: 'integer' }, total: { type: 'integer' } } },
      troubles: {
        type: 'array',
        items: { type: 'object', required: ['path', 'what'], properties: { path: { type: 'string' }, what: { type: 'string' } } },
      },
      result: { type: ['object', 'null'], required: ['collection'], properties: { collection: { type: 'string' } } },
      problem: { type: 'string', description: 'Why it failed.' },
    },
  },
  Events: {
    type: 'object',
    required: ['items', 'cursor', 'more'],
    properties: { items: { type: 'array', items: EVENT }, cursor: { type: 'string' }, more: { type: 'boolean' } },
  },
  Event: EVENT,
  Webhook: {
    type: 'object',
    required: ['id', 'url', 'events', 'madeAt'],
    properties: { id: { type: 'integer' }, url: { type: 'string' }, events: WORDS, madeAt: { type: 'string' } },
  },
  NewWebhook: {
    type: 'object',
    required: ['id', 'url', 'events', 'secret'],
    properties: { id: { type: 'integer' }, url: { type: 'string' }, events: WORDS, secret: { type: 'string' } },
  },
  Delivery: {
    type: 'object',
    required: ['id', 'event', 'type', 'state', 'tries', 'madeAt', 'triedAt', 'status', 'answer'],
    properties: {
      id: { type: 'string' },
      event: { type: 'string' },
      type: { type: 'string' },
      page: { type: ['string', 'null'] },
      state: { enum: ['waiting', 'received', 'given up'] },
      tries: { type: 'integer' },
      madeAt: { type: 'string' },
      triedAt: { type: ['string', 'null'] },
      status: { type: ['integer', 'null'] },
      answer: { type: ['string', 'null'] },
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
