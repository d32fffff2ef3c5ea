/** An opening's own order of its steps, as near to it as the wall can be built. */
import type { Piece } from '../methods/pieces/piece.ts';
import type { PlannedStep } from './build.ts';
import { eventsOf, replay, thingsOf } from './replay.ts';
import { sequence } from './sequence.ts';

/**
 * Returns the steps in the order that is wished for: nothing comes before what it physically needs, steps that nobody named
 * stay behind the one they follow, and where the events of the wall cannot happen so the method's own order stands.
 * Process reasons that the order goes against are set aside: they hold no step back, and a finding asks for why.
 */
export function inOwnOrder(
  steps: readonly PlannedStep[],
  order: readonly string[],
  pieces: readonly Piece[],
): readonly PlannedStep[] {
  if (order.length === 0) return steps;
  const wished = new Map(order.map((id, i) => [id, i]));
  let last = -1;
  const ranked = steps.map((step, i) => {
    last = wished.get(step.id) ?? last;
    return { step, rank: last, i };
  });
  const sorted = ranked.toSorted((a, b) => a.rank - b.rank || a.i - b.i).map(({ step }) => step);
  const possible = sequence(
    sorted.map((step) => ({
      ...step,
      whole: step,
      after: step.after.filter(({ because }) => because === 'physical'),
    })),
  ).map(({ whole }) => whole);
  try {
    replay(thingsOf(pieces), eventsOf(possible));
  } catch {
    return steps;
  }
  const place = new Map(possible.map(({ id }, i) => [id, i]));
  return possible.map((step, i) => ({
    ...step,
    after: step.after.map((reason) =>
      (place.get(reason.step) ?? -1) > i ? { ...reason, setAside: true as const } : reason,
    ),
  }));
}
