/** Days of a calendar in its own time zone. */

/** Hours of a clock time such as 07:30. */
export const hoursOf = (clock: string): number => {
  const [hours = 0, minutes = 0] = clock.split(':').map(Number);
  return hours + minutes / 60;
};

const formats = new Map<string, Intl.DateTimeFormat>();
function partsIn(zone: string, at: number): Record<string, string> {
  const format =
    formats.get(zone) ??
    new Intl.DateTimeFormat('en-GB', {
      timeZone: zone,
      hourCycle: 'h23',
      year: 'numeric',
      month: '2-digit',
      day: '2-digit',
      hour: '2-digit',
      minute: '2-digit',
    });
  formats.set(zone, format);
  return Object.fromEntries(format.formatToParts(at).map(({ type, value }) => [type, value]));
}

export interface DayAndTime {
  readonly day: string;
  readonly time: string;
}

/** Moments asked for again and again: a calendar of many openings names few. */
const known = new Map<string, DayAndTime>();
const MOST_KNOWN = 50_000;

/** The date of a moment in a zone, and its clock time. */
export function dayAndTime(zone: string, at: string): DayAndTime {
  const key = `${zone} ${at}`;
  const before = known.get(key);
  if (before) return before;
  const { year, month, day, hour, minute } = partsIn(zone, Date.parse(at));
  const found = { day: `${year}-${month}-${day}`, time: `${hour}:${minute}` };
  if (known.size >= MOST_KNOWN) known.clear();
  known.set(key, found);
  return found;
}

/** The moment of a clock time on a day in a zone; an hour that a change of clocks leaves out is the one after it. */
export function momentIn(zone: string, day: string, clock: string): string {
  const wanted = Date.parse(`${day}T${clock}:00Z`);
  let at = wanted;
  for (let k = 0; k < 2; k++) {
    const shown = dayAndTime(zone, new Date(at).toISOString());
    at += wanted - Date.parse(`${shown.day}T${shown.time}:00Z`);
  }
  return new Date(at).toISOString();
}

/** Monday is 1. */
export const weekdayOf = (day: string): number => new Date(`${day}T12:00:00Z`).getUTCDay() || 7;

/** So many days from one on, by their dates. */
export const daysFrom = (day: string, count: number): string[] =>
  Array.from({ length: count }, (_, k) => dayAfter(day, k));

/** A day so many days later; earlier where they are less than none. */
export const dayAfter = (day: string, days: number): string =>
  new Date(Date.parse(`${day}T12:00:00Z`) + days * 86_400_000).toISOString().slice(0, 10);
