/** Writes times for reading. Months are words: figures on both sides of a slash would be set as fractions. */

/** `23 Nov 2026, 16:24` */
export const dateTime = (at: string): string =>
  new Date(at).toLocaleString('en-GB', { dateStyle: 'medium', timeStyle: 'short' });

/** `16:24` */
export const clockTime = (at: string): string =>
  new Date(at).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' });

const SHORT_DAY = new Intl.DateTimeFormat('en-GB', {
  weekday: 'short',
  day: 'numeric',
  month: 'short',
  timeZone: 'UTC',
});
const LONG_DAY = new Intl.DateTimeFormat('en-GB', {
  weekday: 'long',
  day: 'numeric',
  month: 'long',
  timeZone: 'UTC',
});
const noon = (day: string) => new Date(`${day}T12:00:00Z`);

/** `Mon 30 Nov`, of a date such as 2026-11-30. */
export const dayName = (day: string): string => SHORT_DAY.format(noon(day));

/** `Monday 30 November` */
export const longDayName = (day: string): string => LONG_DAY.format(noon(day));
