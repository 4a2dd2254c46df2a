import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'two breaks between texts',
    html: '<p>The lock is closed.<br><br>It opens again in May.</p>',
    at: ['/html[1]/body[1]/p[1]'],
    outcome: 'failed',
    source: 'practice',
  },
  {
    shows: 'two breaks on lines of their own',
    html: '<p>The lock is closed.<br>\n<br>\nIt opens again in May.</p>',
    at: ['/html[1]/body[1]/p[1]'],
    outcome: 'failed',
    source: 'practice',
  },
  {
    shows: 'single breaks with line ends around them',
    html: '<p>The lock is closed.<br>\nIt opens <b>again</b>\n<b>in</b> May.<br>\nCome then.</p>',
    source: 'practice',
  },
  {
    shows: 'text in no block',
    html: '<h2>Locks</h2>The lock is closed until May.<p>It opens then.</p>',
    at: ['/html[1]/body[1]'],
    outcome: 'failed',
    source: 'practice',
  },
  {
    shows: 'an address, a verse and real paragraphs',
    html: '<p>Lock House<br>Wharf Lane</p><p>The lock is closed.</p><div>A box of its own with text.</div>',
    source: 'practice',
  },
];
