import type { RuleCase } from '../../types.ts';

const page = (lang: string) => `<html lang="${lang}"><head><title>Locks</title></head><body><main><h1>Locks</h1></main></body></html>`;

export const cases: RuleCase[] = [
  { shows: 'a word in place of a tag', html: page('english'), at: ['/html[1]'], outcome: 'failed', source: 'H57' },
  { shows: 'an underscore', html: page('en_GB'), at: ['/html[1]'], outcome: 'failed', source: 'H57' },
  {
    shows: 'two languages at once',
    html: '<html lang="en" xml:lang="de"><head><title>Locks</title></head><body><main><h1>Locks</h1></main></body></html>',
    at: ['/html[1]'],
    outcome: 'failed',
    source: 'H57',
  },
  {
    shows: 'a made-up tag on a passage',
    html: '<p>The bee is <i lang="latin">Apis mellifera</i>.</p>',
    at: ['/html[1]/body[1]/p[1]/i[1]'],
    outcome: 'failed',
    source: 'H58',
  },
  {
    shows: 'registered tags',
    html: '<html lang="de-CH-1996" xml:lang="de"><head><title>Schleusen</title></head><body><main><h1>Schleusen</h1><p lang="zh-Hant">x</p></main></body></html>',
    source: 'IANA Language Subtag Registry',
  },
];
