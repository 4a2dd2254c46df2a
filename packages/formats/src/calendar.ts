import ical from 'ical-generator';

/** A day in a calendar on which something is due. */
export interface DueDay {
  /** The same for the same thing, whenever it is asked for. */
  id: string;
  /** YYYY-MM-DD. */
  day: string;
  title: string;
  words: string;
  url: string;
}

/** Days on which something is due, as a calendar that other programs subscribe to (RFC 5545): whole days, which keep nobody busy. */
export function calendarFile(name: string, days: readonly DueDay[], now: Date): string {
  const calendar = ical({ name, prodId: { company: 'Inkwell Check', product: 'Docket' }, ttl: 3_600 });
  for (const { id, day, title, words, url } of days)
    calendar.createEvent({
      id,
      stamp: now,
      start: new Date(`${day}T00:00:00Z`),
      allDay: true,
      timezone: null,
      summary: title,
      description: words,
      url,
      transparency: 'TRANSPARENT' as never,
    });
  return calendar.toString();
}
