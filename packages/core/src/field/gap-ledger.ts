/** What is in the gap round a unit: what went in, what came out again, and what is left there that the method takes out. */
import { piecesFor } from '../build/by-role.ts';
import type { Build, PlannedStep } from '../build/build.ts';
import type { Entry, gapThings } from '../documents/entry.ts';

export type GapThing = (typeof gapThings)[number];

export interface GapRow {
  readonly thing: GapThing;
  readonly place: string;
  readonly went_in: number;
  readonly came_out: number;
  /** Thickness of each that went in, mm, where it was said. */
  readonly thick_mm: readonly number[];
}

/** @param entries that stand, of all steps of the opening */
export function gapLedger(entries: readonly Entry[]): GapRow[] {
  const rows = new Map<string, GapRow>();
  for (const { facts } of entries) {
    if (facts?.kind !== 'gap') continue;
    const { thing, place, count, thick_mm } = facts;
    const key = `${thing} ${place}`;
    const row = rows.get(key) ?? { thing, place, went_in: 0, came_out: 0, thick_mm: [] };
    rows.set(key, {
      ...row,
      went_in: row.went_in + Math.max(0, count),
      came_out: row.came_out + Math.max(0, -count),
      thick_mm: thick_mm === undefined || count < 0 ? row.thick_mm : [...row.thick_mm, thick_mm],
    });
  }
  return [...rows.values()];
}

export const leftIn = ({ went_in, came_out }: GapRow): number => went_in - came_out;

/**
 * What the method takes out of the gap and that by the ledger is still there. What bears the unit on the sill stays; shims at
 * jambs and head come out where the method says so.
 */
export const toComeOut = (build: Build, ledger: readonly GapRow[]): GapRow[] =>
  build.context.choices.shims === 'removed'
    ? ledger.filter((row) => row.thing === 'shim' && !row.place.startsWith('sill') && leftIn(row) > 0)
    : [];

/** What goes into the gap, or comes out of it, in a step. */
export function gapThingsAt(build: Build, { events }: Pick<PlannedStep, 'events'>): GapThing[] {
  const ids = (...roles: readonly Parameters<typeof piecesFor>[1][]) =>
    new Set(roles.flatMap((role) => piecesFor(build, role).map(({ id }) => id)));
  const [shims, unit, fill] = [ids('shims', 'sill-shims'), ids('unit', 'fin'), ids('fill')];
  const does = (ops: readonly string[], things: ReadonlySet<string>) =>
    events.some(({ op, thing }) => ops.includes(op) && things.has(thing));
  return [
    ...(does(['place', 'remove'], shims) ? (['shim', 'block'] as const) : []),
    ...(does(['fasten'], unit) ? (['screw'] as const) : []),
    ...(does(['fill', 'place'], fill) ? (['foam'] as const) : []),
  ];
}
