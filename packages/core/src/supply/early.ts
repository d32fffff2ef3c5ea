/** What must be ordered by when, from the day it is first needed; and whom a late promise holds up. */
import type { CalendarPlan } from '../documents/calendar.ts';
import type { SupplyOrder } from '../documents/supply.ts';
import { dayAfter, dayAndTime } from '../calendar/days.ts';
import type { OrderState } from '../vocabulary/order-states.ts';
import { stateOf, type TakeoffLine } from './takeoff.ts';

/** `unit` and what takes days or is in few shops are ordered early; all else is bought on the way. */
export type EarlyBecause = 'unit' | 'few' | 'lead' | 'short';

export interface EarlyLine {
  readonly line: TakeoffLine;
  readonly because: readonly EarlyBecause[];
  /** First day on which it is planned for; `null` while it is in no plan. */
  readonly needed: string | null;
  /** The opening whose work it is. */
  readonly first: string | null;
  readonly orderBy: string | null;
  readonly order: SupplyOrder | null;
  readonly state: OrderState | null;
  readonly promised: string | null;
  /** Openings planned for before it is promised. */
  readonly heldUp: readonly string[];
  /**
   * `late`: should be ordered by now · `now`: within a week · `later` · `undated`: in no plan · `waiting`: ordered in time ·
   * `too-late`: promised for after it is needed · `wrong`: came wrong or short · `there`.
   */
  readonly standing: 'late' | 'now' | 'later' | 'undated' | 'waiting' | 'too-late' | 'wrong' | 'there';
}

/** Days of lead from which on something is ordered and not fetched. */
const EARLY_DAYS = 4;
const SOON_DAYS = 7;

/** On which day each step of each opening is planned for, by the plan that was taken. */
export function plannedDays(plan: CalendarPlan | undefined, zone: string): ReadonlyMap<string, string> {
  const days = new Map<string, string>();
  for (const { opening, step, from, gone } of plan?.tasks ?? []) {
    if (gone) continue;
    const key = `${opening}/${step}`;
    const { day } = dayAndTime(zone, from);
    const known = days.get(key);
    if (known === undefined || day < known) days.set(key, day);
  }
  return days;
}

/** @param today a date; what is built in already is not asked for any more */
export function early(
  lines: readonly TakeoffLine[],
  {
    days,
    orders,
    today,
    isDone = () => false,
  }: {
    readonly days: ReadonlyMap<string, string>;
    readonly orders: readonly SupplyOrder[];
    readonly today: string;
    readonly isDone?: (opening: string, step: string) => boolean;
  },
): EarlyLine[] {
  return lines
    .map((line): EarlyLine => {
      const { article, terms } = line;
      const dated = line.needs
        .filter(({ opening, step }) => step !== null && !isDone(opening, step))
        .map(({ opening, step }) => ({ opening, day: days.get(`${opening}/${step ?? ''}`) ?? null }));
      const known = dated.flatMap(({ opening, day }) => (day === null ? [] : [{ opening, day }]));
      const first = known.toSorted((a, b) => (a.day < b.day ? -1 : a.day > b.day ? 1 : 0))[0] ?? null;
      const orderBy = first && dayAfter(first.day, -terms.lead_days);
      const order = orders.findLast((one) => one.article === article.id) ?? null;
      const state = order && stateOf(order);
      const promised = order?.events.findLast(({ promised: on }) => on !== undefined)?.promised ?? null;
      const waits = state === 'asked' || state === 'ordered' || state === 'promised';
      const heldUp =
        waits && promised !== null
          ? [...new Set(known.filter(({ day }) => day < promised).map(({ opening }) => opening))]
          : [];
      const because: EarlyBecause[] = [
        ...(article.goods === 'unit' ? (['unit'] as const) : []),
        ...(terms.few ? (['few'] as const) : []),
        ...(terms.lead_days >= EARLY_DAYS && article.goods !== 'unit' ? (['lead'] as const) : []),
        ...(line.missing > 0 && (line.van > 0 || line.came > 0) ? (['short'] as const) : []),
      ];
      const standing = ((): EarlyLine['standing'] => {
        if (dated.length === 0 || (line.missing === 0 && !waits && state !== 'wrong' && state !== 'short'))
          return 'there';
        if (state === 'wrong' || state === 'short') return 'wrong';
        if (heldUp.length > 0) return 'too-late';
        if (waits && line.missing === 0) return 'waiting';
        if (orderBy === null) return 'undated';
        if (orderBy < today) return 'late';
        return orderBy <= dayAfter(today, SOON_DAYS) ? 'now' : 'later';
      })();
      return {
        line,
        because,
        needed: first?.day ?? null,
        first: first?.opening ?? null,
        orderBy,
        order,
        state,
        promised,
        heldUp,
        standing,
      };
    })
    .sort((a, b) => (a.orderBy ?? '9').localeCompare(b.orderBy ?? '9') || rank(a) - rank(b));
}

const rank = ({ line }: EarlyLine): number => (line.article.goods === 'unit' ? 0 : 1);
