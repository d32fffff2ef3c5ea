/** The wall as it was built so far: the steps in the order they were ticked, with what was done otherwise. */
import type { Entry } from '../documents/entry.ts';
import type { Verdict } from '../vocabulary/verdict.ts';
import { faultsOf } from './faults.ts';
import { standing } from './progress.ts';
import type { Build, PlannedStep } from '../build/build.ts';
import {
  inOrder,
  unchanged,
  withChanges,
  type AskStock,
  type ChangedBuild,
  type WallChange,
} from '../build/changes.ts';

export interface AsBuilt extends ChangedBuild {
  /** Steps done. */
  readonly count: number;
  /** What was built otherwise, as it was entered. */
  readonly changes: readonly WallChange[];
  /** Changes and an order that no longer fit the plan, and are left out here. */
  readonly left: number;
}

/**
 * Returns the wall as the entries of one opening tell it: undone entries do not count, and of two ticks the first.
 *
 * @param askStock what is known of another stock in a piece's place; without it nothing is
 *
 * An order or a change that the present plan does not know any more is left out and counted.
 */
export function asBuilt(build: Build, entries: readonly Entry[], askStock?: AskStock): AsBuilt {
  const valid = standing(entries);
  const ticked = [...new Set(valid.filter((e) => e.kind === 'tick').map((e) => e.step))];
  // What hands could not have done in that order is left out, and what was never ticked is never counted.
  let done: PlannedStep[] = [];
  let ordered = build;
  let left = 0;
  for (const id of ticked) {
    const step = build.steps.find((one) => one.id === id);
    const next = step && [...done, step];
    const possible = next && inOrder(build, [...next, ...build.steps.filter((one) => !next.includes(one))]);
    if (next && possible) [done, ordered] = [next, possible];
    else left += 1;
  }
  let now = unchanged(ordered);
  const changes: WallChange[] = [];
  // Of films that were measured again the newest is the one that is there.
  const newest = new Set(
    new Map(
      valid.flatMap((entry) => {
        const film = filmOf(entry);
        return film ? [[film.piece, entry] as const] : [];
      }),
    ).values(),
  );
  // A fault is in the wall until somebody looked at its mend and found it good.
  const closed = new Set(
    faultsOf(valid).flatMap(({ entry, status }) => (status === 'closed' ? [entry] : [])),
  );
  for (const entry of valid) {
    const built = closed.has(entry) ? null : (entry.built ?? (newest.has(entry) ? filmOf(entry) : null));
    if (!built) continue;
    const next = withChanges(now.build, [built], now, askStock);
    if (next.ok) {
      now = next.value;
      changes.push(built);
    } else left += 1;
  }
  return { ...now, count: done.length, changes, left };
}

/** A wet film that was measured is the film that is there. */
const filmOf = ({ facts }: Entry): Extract<WallChange, { kind: 'film' }> | null =>
  facts?.kind === 'measured' && facts.what === 'film' && facts.value > 0 && facts.value <= 10
    ? { kind: 'film', piece: facts.place, mm: facts.value }
    : null;

/**
 * The verdict of a proof on a wall that is not the planned one: what rests on looks that nobody recorded, on pieces of another
 * material, or on entries that do not fit is not known. What fails without them fails.
 */
export const verdictOnSite = (
  verdict: Verdict,
  unknown: { readonly looks: number; readonly strange: number; readonly left: number },
): Verdict =>
  verdict === 'fails' || unknown.looks + unknown.strange + unknown.left === 0 ? verdict : 'not-checkable';
