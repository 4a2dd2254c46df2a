import type { RuleCase } from '../../types.ts';

export const cases: RuleCase[] = [
  {
    shows: 'a new window with no word',
    html: '<p><a href="map.html" target="_blank">Map of the locks</a></p>',
    at: ['/html[1]/body[1]/p[1]/a[1]'],
    outcome: 'failed',
    source: 'F22',
  },
  {
    shows: 'a window with a name of its own',
    html: '<p><a href="map.html" target="help">Map of the locks</a></p>',
    at: ['/html[1]/body[1]/p[1]/a[1]'],
    outcome: 'failed',
    source: 'H83',
  },
  { shows: 'the text says so', html: '<p><a href="map.html" target="_blank">Map of the locks (opens in a new tab)</a></p>', source: 'H83' },
  {
    shows: 'the image in it says so',
    html: '<p><a href="map.html" target="_blank">Map <img src="w.png" alt="new window"></a></p>',
    source: 'G201',
  },
  { shows: 'the words right behind it say so', html: '<p><a href="map.html" target="_blank">Map</a> (new window)</p>', source: 'G201' },
  {
    shows: 'the same window',
    html: '<p><a href="map.html" target="_self">Map</a> <a href="map.html" target="_top">Map</a> <a href="map.html">Map</a></p>',
    source: 'H83',
  },
  {
    shows: 'another language',
    html: '<p lang="de"><a href="k.html" target="_blank">Karte (öffnet in neuem Fenster)</a></p>',
    source: 'G201',
  },
];
