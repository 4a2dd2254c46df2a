import { attachmentKindOf } from './kinds.ts';
import { readCaptions } from './captions.ts';

const VTT = `WEBVTT - a talk
Language: en-GB

NOTE nobody reads this --> nor this

STYLE
::cue { color: white }

intro
00:01.000 --> 00:04.000 align:start
<v Ines>The gate is open.

00:03.500 --> 00:06.000
Boats come in.

00:07.000 --> 00:08.000
<i> </i>&nbsp;

01:10:00.000 --> 01:10:02.000
The last one.
`;

test('captions of the web: cues, words, gaps, overlaps and language (WebVTT, W3C, 4 and 6)', () => {
  expect(readCaptions(VTT, 'talk.vtt')).toEqual({
    of: 'captions',
    cues: 4,
    empty: 1,
    overlaps: 1,
    disorder: 0,
    gaps: 1,
    longestGap: { seconds: 4_192, at: 8 },
    broken: 0,
    language: 'en-GB',
    ends: 4_202,
  });
});

test('SubRip is read alike, whatever its line ends; its name may say the language (common practice)', () => {
  const srt =
    '1\r\n00:00:05,000 --> 00:00:07,500\r\nErste Schleuse.\r\n\r\n2\r\n00:00:08,000 --> 00:00:09,000\r\n\r\n\r\n3\r\n00:00:04,000 --> 00:00:04,900\r\nZu spät.\r\n';
  expect(readCaptions(srt, 'media/schleuse.de.srt')).toMatchObject({
    cues: 3,
    empty: 1,
    disorder: 1,
    overlaps: 0,
    language: 'de',
    ends: 9,
  });
});

test('times that cannot be read are counted, and a silence before the first caption is one', () => {
  const read = readCaptions('WEBVTT\n\n00:99 --> later\nHm.\n\n00:45.000 --> 00:46.000\nAt last.\n', 'a.vtt');
  expect(read).toMatchObject({ cues: 1, broken: 1, gaps: 1, longestGap: { seconds: 45, at: 0 }, language: null });
});

test('a text of arrows alone holds no captions', () => {
  expect(readCaptions('a --> b', 'a.vtt')).toMatchObject({ cues: 0, broken: 1 });
  expect(readCaptions('Just a letter.', 'a.srt')).toMatchObject({ cues: 0, broken: 0 });
});

test.each([
  ['files/record sheet.PDF', 'PDF'],
  ['talk.en.vtt', 'captions'],
  ['a.tar.gz', 'archive'],
  ['index.html', null],
  ['images/bee.png', null],
  ['README', null],
])('%s is %s', (path, kind) => expect(attachmentKindOf(path)).toBe(kind));
