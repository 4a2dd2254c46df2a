import { listsBy } from '@inkwell/core';
import type { Call } from './call';
import { CALLS } from './calls';
import { KINDS } from './problems';
import { ANSWERS } from './schemas';

const of = (name: string) => ({ $ref: `#/components/schemas/${name}` });
const content = (schema: object, type = 'application/json') => ({ content: { [type]: { schema } } });

/** The description of all that may be asked (OpenAPI 3.1), made from the schemas that requests are checked with. */
export function openApi(): object {
  const calls = listsBy(CALLS.map((call) => [`/api/v1${call.path}`, [call.method.toLowerCase(), operation(call)] as const]));
  const paths = Object.fromEntries(Object.entries(calls).map(([path, methods]) => [path, Object.fromEntries(methods)]));
  return {
    openapi: '3.1.0',
    info: {
      title: 'Inkwell Check',
      version: '1.0.0',
      description: 'For hosts, scripts and continuous integration. Lists are cut in parts; errors are problems after RFC 9457.',
    },
    servers: [{ url: '/' }],
    security: [{ token: [] }],
    paths,
    components: {
      securitySchemes: { token: { type: 'http', scheme: 'bearer', description: 'A token that was made under People, or by bin/token.' } },
      schemas: ANSWERS,
      responses: {
        Problem: { description: 'Why not, what was kept, and what to do next', ...content(of('Problem'), 'application/problem+json') },
      },
    },
  };
}

function operation(call: Call): object {
  const named = [...call.path.matchAll(/\{(\w+)\}/g)].map(([, name]) => ({ name, in: 'path', required: true, schema: { type: 'string' } }));
  const lists = call.answers && 'list' in call.answers ? LISTS : [];
  const match = call.ifMatch
    ? [{ name: 'If-Match', in: 'header', required: true, schema: { type: 'string' }, description: 'The ETag it was seen under.' }]
    : [];
  return {
    operationId: `${call.method.toLowerCase()} ${call.path}`.replace(
      /[^a-z]+(\w)?/gi,
      (_, next: string | undefined) => next?.toUpperCase() ?? '',
    ),
    summary: call.summary,
    description: `Wants the reach \`${call.reach}\`.`,
    parameters: [...named, ...filtersOf(call), ...lists, ...match, ...saidBeside(call)],
    ...bodyIn(call),
    responses: { ...wellOf(call), ...problems() },
  };
}

/** What else is said in the address and the head. */
const saidBeside = ({ search = {}, headers = {} }: Call) => [
  ...Object.entries(search).map(([name, { description, enum: some }]) => ({
    ...{ name, in: 'query', description, schema: { type: 'string', ...(some ? { enum: some } : {}) } },
  })),
  ...Object.entries(headers).map(([name, description]) => ({ name, in: 'header', description, schema: { type: 'string' } })),
];

function bodyIn({ body, bodyOptional, takes }: Call): object {
  if (body) return { requestBody: { required: !bodyOptional, ...content(body) } };
  if (!takes) return {};
  const bytes = { type: 'string', format: 'binary' };
  const form = { type: 'object', required: ['package'], properties: { package: bytes } };
  const schemas = takes.map((type) => [type, { schema: type === 'multipart/form-data' ? form : bytes }]);
  return { requestBody: { required: true, content: Object.fromEntries(schemas) as object } };
}

/** What is answered when all is well, by status. */
function wellOf({ answers, statuses = { '200': 'Done' } }: Call): object {
  const answer = answers ? answerOf(answers) : {};
  return Object.fromEntries(Object.entries(statuses).map(([status, description]) => [status, { description, ...answer }]));
}

const filtersOf = ({ filters = {} }: Call) =>
  Object.entries(filters).map(([name, some]) => ({
    ...{ name, in: 'query', explode: true, description: 'Repeated, one of them is enough.' },
    schema: { type: 'array', items: { type: 'string', ...(some ? { enum: some } : {}) } },
  }));

const LISTS = [
  { name: 'limit', in: 'query', schema: { type: 'integer', minimum: 1, maximum: 500, default: 100 } },
  { name: 'cursor', in: 'query', schema: { type: 'string' }, description: '`next` of the part before.' },
];

function answerOf(answers: NonNullable<Call['answers']>): object {
  if ('formats' in answers)
    return {
      content: Object.fromEntries(
        Object.entries(answers.formats).map(([type, name]) => [type, { schema: name ? of(name) : { type: 'string', format: 'binary' } }]),
      ) as object,
    };
  if ('bytes' in answers) return content({ type: 'string', format: 'binary' }, answers.bytes);
  if ('one' in answers) return content(of(answers.one));
  const items = { type: 'array', items: of(answers.list) };
  return content({ type: 'object', required: ['items', 'next'], properties: { items, next: { type: ['string', 'null'] } } });
}

const problems = () =>
  Object.fromEntries(
    [...new Set(Object.values(KINDS).map(({ status }) => String(status)))].map((status) => [
      status,
      { $ref: '#/components/responses/Problem' },
    ]),
  );
