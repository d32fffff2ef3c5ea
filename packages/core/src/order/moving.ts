/** Moving a step of one opening: what forbids it, and what water would do in the new order. */
import type { Build, PlannedStep } from '../build/build.ts';
import { inOrder } from '../build/changes.ts';
import type { Exposed } from '../conditions/exposed.ts';
import { compareOutcomes, outcomeOf, type Outcome } from '../proofs/water/outcome.ts';
import { proveWater, type WaterProof } from '../proofs/water/proof.ts';
import type { Reason } from '../methods/method.ts';

/** A step that would come before what it waits for. */
export interface Breach {
  readonly step: string;
  readonly before: string;
  readonly because: Reason;
}

/** The same steps with the one at `from` at `to`. */
export function moved<Step>(steps: readonly Step[], from: number, to: number): readonly Step[] {
  const next = [...steps];
  const [step] = next.splice(from, 1);
  if (step !== undefined) next.splice(to, 0, step);
  return next;
}

/** Whatever waits for something that now comes later, physical reasons first; what was set aside before is known. */
export function breachesIn(steps: readonly Pick<PlannedStep, 'id' | 'after'>[]): readonly Breach[] {
  const place = new Map(steps.map(({ id }, i) => [id, i]));
  return steps
    .flatMap(({ id, after }, i) =>
      after.flatMap(({ step, because, setAside }): Breach[] =>
        (place.get(step) ?? -1) > i && !setAside ? [{ step: id, before: step, because }] : [],
      ),
    )
    .sort((a, b) => Number(b.because === 'physical') - Number(a.because === 'physical'));
}

/** Where a step may go without any physical reason against it: first and last place. */
export function roomOf(
  steps: readonly Pick<PlannedStep, 'id' | 'after'>[],
  at: number,
): readonly [number, number] {
  const fits = (to: number) =>
    breachesIn(moved(steps, at, to)).every(({ because }) => because !== 'physical');
  let [first, last] = [at, at];
  while (first > 0 && fits(first - 1)) first--;
  while (last < steps.length - 1 && fits(last + 1)) last++;
  return [first, last];
}

export interface StepMove {
  readonly breaches: readonly Breach[];
  /** Water in the finished wall, before and after; `null` where the new order cannot be built. */
  readonly water: {
    readonly before: Outcome;
    readonly after: Outcome;
    /** Laps that lie the wrong way only in the new order, by what lies above and below. */
    readonly turned: readonly { readonly upper: string; readonly lower: string }[];
    readonly worse: boolean;
  } | null;
}

const faultsOf = ({ laps }: WaterProof) =>
  laps.flatMap(({ fault, pair: { upper, lower } }) => (fault ? [{ upper: upper[0], lower: lower[0] }] : []));

/** What a move would do, by the engine and not by rule: laps come out of the order in which pieces lie on each other. */
export function tryMove(
  build: Build,
  exposed: Pick<Exposed, 'asked_Pa'>,
  from: number,
  to: number,
): StepMove {
  const steps = moved(build.steps, from, to);
  const breaches = breachesIn(steps);
  const turned = breaches.some(({ because }) => because === 'physical') ? null : inOrder(build, steps);
  if (!turned) return { breaches, water: null };
  const [was, is] = [proveWater(build, exposed), proveWater(turned, exposed)];
  const [before, after] = [outcomeOf(was), outcomeOf(is)];
  const known = new Set(faultsOf(was).map(({ upper, lower }) => `${upper} ${lower}`));
  const wrong = faultsOf(is).filter(({ upper, lower }) => !known.has(`${upper} ${lower}`));
  return {
    breaches,
    water: { before, after, turned: wrong, worse: wrong.length > 0 || compareOutcomes(after, before) > 0 },
  };
}
