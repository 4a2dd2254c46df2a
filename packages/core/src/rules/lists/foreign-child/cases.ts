import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'a list beside the items',
    html: '<ul><li>Boxes</li><ul><li>Brood box</li></ul></ul>',
    at: ['/html[1]/body[1]/ul[1]/ul[1]'],
    outcome: 'failed',
    source: 'H48',
  },
  {
    shows: 'a paragraph beside the items',
    html: '<ol><li>Light the smoker</li><p>Use dry grass.</p><li>Open the hive</li></ol>',
    at: ['/html[1]/body[1]/ol[1]/p[1]'],
    outcome: 'failed',
    source: 'H48',
  },
  { shows: 'loose text', html: '<ul>You need: <li>a veil</li></ul>', at: ['/html[1]/body[1]/ul[1]'], outcome: 'failed', source: 'H48' },
  { shows: 'a list in an item', html: '<ul><li>Boxes<ul><li>Brood box</li><li>Super</li></ul></li><li>Roof</li></ul>', source: 'H48' },
  {
    shows: 'scripts and comments',
    html: '<ul><!-- tools --><li>Veil</li><script>1</script><li>Gloves</li></ul>',
    source: 'HTML Living Standard, 4.4.6',
  },
];
