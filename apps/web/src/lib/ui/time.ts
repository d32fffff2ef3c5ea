/** Writes times for reading. Months are words: figures on both sides of a slash would be set as fractions. */

/** `23 Nov 2026, 16:24` */
export const dateTime = (at: string): string =>
  new Date(at).toLocaleString('en-GB', { dateStyle: 'medium', timeStyle: 'short' });

/** `16:24` */
export const clockTime = (at: string): string =>
  new Date(at).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' });
