/** Records by their clocks: in which order they are told, how long something rests, what does not fit. */
import type { Entry } from '../documents/entry.ts';
import type { Issue } from '../documents/issue.ts';

type Timed = Pick<Entry, 'at' | 'clock_s'>;

/** When it was made by the server's clock, ms. */
export const momentOf = ({ at, clock_s = 0 }: Timed): number => Date.parse(at) + clock_s * 1000;

/** Time from one record to another by whichever clock makes it shorter, ms. */
export const lapse = (from: Timed, to: Timed): number =>
  Math.min(Date.parse(to.at) - Date.parse(from.at), momentOf(to) - momentOf(from));

/**
 * Returns records in the order in which they are told: what one device made in the order in which it made it, whatever its
 * clock said, and devices among each other by time.
 *
 * @param records in the order in which the server took them
 */
export function asTold<Record extends Pick<Entry, 'at' | 'clock_s' | 'device' | 'count'>>(
  records: readonly Record[],
): Record[] {
  interface Told {
    readonly record: Record;
    readonly taken: number;
    readonly moment: number;
  }
  const byDevice = new Map<string, Told[]>();
  const told: Told[] = [];
  records.forEach((record, taken) => {
    const one = { record, taken, moment: momentOf(record) };
    if (record.device === undefined || record.count === undefined) told.push(one);
    else byDevice.set(record.device, [...(byDevice.get(record.device) ?? []), one]);
  });
  for (const own of byDevice.values()) {
    const places = own.map(({ taken }) => taken);
    let latest = -Infinity;
    own
      .toSorted((a, b) => (a.record.count ?? 0) - (b.record.count ?? 0) || a.taken - b.taken)
      .forEach(({ record, moment }, i) => {
        latest = Math.max(latest, moment);
        told.push({ record, taken: places[i] ?? 0, moment: latest });
      });
  }
  return told.sort((a, b) => a.moment - b.moment || a.taken - b.taken).map(({ record }) => record);
}

type Placed = Timed & Pick<Entry, 'device' | 'count' | 'received'>;

/**
 * Whether one record was made after another: by the counter of their device, between devices by the order in which the
 * server took them, and by time where neither is known.
 */
export function isAfter(
  later: { readonly record: Placed; readonly taken: number },
  earlier: { readonly record: Placed; readonly taken: number },
): boolean {
  const [a, b] = [earlier.record, later.record];
  if (a.device !== undefined && a.device === b.device && a.count !== undefined && b.count !== undefined)
    return b.count > a.count;
  if (a.received !== undefined || b.received !== undefined) return later.taken > earlier.taken;
  return momentOf(b) >= momentOf(a);
}

/** What does not fit about the times of a record: it is told, and refuses nothing. */
export type Oddity = 'before-the-plan' | 'in-the-future' | 'against-the-counter';

/** Clocks that differ by less are taken as one, ms: common practice, no source. */
export const FEW_MINUTES_ms = 5 * 60_000;

/** @param among every record of the device that is at hand */
export function odditiesOf(
  entry: Placed & Pick<Entry, 'issue'>,
  { issues, among }: { issues: readonly Pick<Issue, 'version' | 'at'>[]; among: readonly Placed[] },
): Oddity[] {
  const at = Date.parse(entry.at);
  const frozen = issues.find(({ version }) => version === entry.issue);
  const ownAfterIt = among.some(
    (other) =>
      other.device !== undefined &&
      other.device === entry.device &&
      (other.count ?? 0) < (entry.count ?? 0) &&
      Date.parse(other.at) > at + COUNTER_ms,
  );
  return [
    ...(frozen && at < Date.parse(frozen.at) - FEW_MINUTES_ms ? (['before-the-plan'] as const) : []),
    ...(entry.received !== undefined && at > Date.parse(entry.received) + FEW_MINUTES_ms
      ? (['in-the-future'] as const)
      : []),
    ...(ownAfterIt ? (['against-the-counter'] as const) : []),
  ];
}

/** A clock that is set by the network may step back by this, ms: common practice, no source. */
const COUNTER_ms = 60_000;

/** Whether the server took a record so much later, or earlier, than its device says that both times are told. */
export const toldTwice = ({ at, received }: Pick<Entry, 'at' | 'received'>): boolean =>
  received !== undefined && Math.abs(Date.parse(received) - Date.parse(at)) > FEW_MINUTES_ms;
