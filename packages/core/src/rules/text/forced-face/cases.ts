import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'a face on a paragraph',
    html: '<p style="font-family:Georgia, serif">The lock is closed.</p>',
    at: ['/html[1]/body[1]/p[1]'],
    outcome: 'failed',
    source: 'practice',
  },
  {
    shows: 'a face by a font tag',
    html: '<p><font face="Arial">The lock is closed.</font></p>',
    at: ['/html[1]/body[1]/p[1]/font[1]'],
    outcome: 'failed',
    source: 'practice',
  },
  {
    shows: 'code, and text that takes up its surroundings',
    html: '<p style="font-family:inherit">Type <code style="font-family:monospace">open</code>.</p>',
    source: 'practice',
  },
];
