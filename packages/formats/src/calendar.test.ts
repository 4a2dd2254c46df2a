import { calendarFile } from './calendar.ts';

const NOW = new Date('2026-11-27T10:00:00Z');
const DAY = {
  id: 'hand-1-2',
  day: '2026-12-07',
  title: 'Two things on “Hives; boxes, lids”',
  words: 'Soon,\nplease',
  url: 'https://check.larkmoor.example/docket',
};

/** RFC 5545, 3.1: lines end with CR LF, are folded past 75 octets, and go on with a space. */
const unfolded = (text: string) => text.replace(/\r\n[ \t]/g, '').split('\r\n');

test('days that are due are whole days of a calendar, with the signs of the format escaped (RFC 5545, 3.3.11, 3.8.2.4)', () => {
  const text = calendarFile('Docket of Odile Marsh', [DAY], NOW);
  const lines = unfolded(text);
  expect(lines[0]).toBe('BEGIN:VCALENDAR');
  expect(lines).toEqual(expect.arrayContaining(['VERSION:2.0', 'UID:hand-1-2', 'DTSTART;VALUE=DATE:20261207', 'TRANSP:TRANSPARENT']));
  expect(lines).toContain('SUMMARY:Two things on “Hives\\; boxes\\, lids”');
  expect(lines).toContain('DESCRIPTION:Soon\\,\\nplease');
  for (const line of text.split('\r\n')) expect(Buffer.byteLength(line)).toBeLessThanOrEqual(75);
});

test('nobody writes lines of their own into it, and with nothing due it is a calendar all the same', () => {
  const sly = calendarFile('x', [{ ...DAY, title: 'a\r\nATTENDEE:mailto:all@larkmoor.example' }], NOW);
  expect(unfolded(sly).some((line) => line.startsWith('ATTENDEE'))).toBe(false);
  expect(
    unfolded(calendarFile('x', [], NOW))
      .filter(Boolean)
      .at(-1),
  ).toBe('END:VCALENDAR');
});
