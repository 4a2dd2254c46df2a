import type { RuleCase } from '../../types.ts';

const page = (css: string) =>
  `<html lang="en"><head><title>Locks</title><style>${css}</style></head><body><main><h1>Locks</h1></main></body></html>`;

export const cases: RuleCase[] = [
  {
    shows: 'the body turned when upright',
    html: page('@media (orientation: portrait){body{transform:rotate(90deg)}}'),
    at: ['/html[1]/body[1]'],
    outcome: 'cantTell',
    source: 'F97',
  },
  {
    shows: 'another layout when upright',
    html: page('@media (orientation: portrait){main{width:100%}} .mark{transform:rotate(90deg)}'),
    source: 'F97',
  },
];
