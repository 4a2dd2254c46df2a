import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'a word processor’s class and properties',
    html: '<p class="MsoNormal" style="mso-margin-top-alt:auto">The lock is <span lang="en">closed</span>.</p>',
    at: ['/html[1]/body[1]/p[1]'],
    outcome: 'failed',
    source: 'practice',
  },
  {
    shows: 'its own tags',
    html: '<p>The lock is closed.<o:p></o:p></p>',
    at: ['/html[1]/body[1]/p[1]/o:p[1]'],
    outcome: 'failed',
    source: 'practice',
  },
  {
    shows: 'many spans that only set looks',
    html: '<p><span style="font-family:Arial">The</span> <span style="font-size:11pt">lock</span> <span style="color:#000;background:#fff">is closed</span>.</p>',
    at: ['/html[1]/body[1]/p[1]/span[1]'],
    outcome: 'failed',
    source: 'practice',
  },
  {
    shows: 'plain markup',
    html: '<p class="note">The <span class="lock">lock</span> is <span lang="fr">fermé</span>.</p><!-- a comment -->',
    source: 'practice',
  },
];
