/** Where things stand on the calendar: days across with the hours of work, rows down, bars in lanes. */
import { dayAndTime, hoursOf, momentIn, type Calendar, type Visit } from '@hulvek/core';

export const zooms = { hours: 72, days: 30, weeks: 9 } as const;
export type Zoom = keyof typeof zooms;
/** Height of a lane: for a mouse, and for a finger. */
export const LANE_px = { fine: 32, coarse: 50 } as const;
const NIGHT_px = 14;
/** Room for a mark, and for a finger. */
const LEAST_BAR_px = 44;
const LEAST_LENGTH_px = 4;

/** Days across. */
export class Days {
  readonly zone: string;
  readonly days: readonly string[];
  readonly from_h: number;
  readonly hours: number;
  readonly perHour: number;
  readonly width: number;
  readonly #at: ReadonlyMap<string, number>;

  constructor(calendar: Pick<Calendar, 'zone' | 'hours'>, days: readonly string[], zoom: Zoom) {
    this.zone = calendar.zone;
    this.days = days;
    this.from_h = hoursOf(calendar.hours.from);
    this.hours = hoursOf(calendar.hours.to) - this.from_h;
    this.perHour = zooms[zoom];
    this.width = this.hours * this.perHour + NIGHT_px;
    this.#at = new Map(days.map((day, i) => [day, i]));
  }

  get total(): number {
    return this.days.length * this.width;
  }

  /** Across from the left, px; nights have no length. */
  x(at: string): number {
    const { day, time } = dayAndTime(this.zone, at);
    const known = this.#at.get(day);
    const i = known ?? this.days.filter((one) => one < day).length;
    if (known === undefined) return i * this.width;
    return i * this.width + Math.min(this.hours, Math.max(0, hoursOf(time) - this.from_h)) * this.perHour;
  }

  /** The moment at a place across, to a quarter of an hour. */
  at(x: number): string {
    const i = Math.min(this.days.length - 1, Math.max(0, Math.floor(x / this.width)));
    const hours = Math.min(this.hours, Math.max(0, (x - i * this.width) / this.perHour));
    const quarter = Math.round(hours * 4) / 4 + this.from_h;
    const [h, m] = [Math.floor(quarter), Math.round((quarter % 1) * 60)];
    return momentIn(
      this.zone,
      this.days[i] ?? '',
      `${String(h).padStart(2, '0')}:${String(m).padStart(2, '0')}`,
    );
  }
}

export interface Bar {
  readonly visit: Visit;
  readonly id: string;
  readonly left: number;
  /** As wide as it takes to read and press; the time it takes is `length`. */
  readonly width: number;
  readonly length: number;
  readonly lane: number;
}

export interface Row {
  readonly id: string;
  readonly bars: readonly Bar[];
  readonly lanes: number;
  readonly top: number;
  readonly height: number;
}

export type RowsBy = 'places' | 'people' | 'openings';

const keyOf = (visit: Visit, by: RowsBy): string =>
  by === 'places' ? visit.place : by === 'people' ? (visit.people[0] ?? '') : visit.opening;

/** Bars in rows; those that would lie on each other go into lanes below. */
export function rowsOf(
  visits: readonly Visit[],
  {
    days,
    by,
    lane_px,
    order,
  }: {
    readonly days: Days;
    readonly by: RowsBy;
    readonly lane_px: number;
    readonly order: (a: string, b: string) => number;
  },
): Row[] {
  const byRow = new Map<string, Visit[]>();
  for (const visit of visits) byRow.set(keyOf(visit, by), [...(byRow.get(keyOf(visit, by)) ?? []), visit]);
  let top = 0;
  return [...byRow.keys()].sort(order).map((id): Row => {
    const ends: number[] = [];
    const bars = (byRow.get(id) ?? [])
      .map((visit) => ({ visit, left: days.x(visit.from), right: days.x(visit.to) }))
      .sort((a, b) => a.left - b.left)
      .map(({ visit, left, right }): Bar => {
        const length = Math.max(LEAST_LENGTH_px, right - left - 1);
        const width = length < LEAST_BAR_px ? length + LEAST_BAR_px : length;
        const free = ends.findIndex((end) => end <= left);
        const lane = free < 0 ? ends.length : free;
        ends[lane] = left + width + 1;
        return { visit, id: visit.tasks[0]?.id ?? '', left, width, length, lane };
      });
    const lanes = Math.max(1, ends.length);
    const row = { id, bars, lanes, top, height: lanes * lane_px + 10 };
    top += row.height;
    return row;
  });
}
