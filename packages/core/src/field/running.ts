/** Clocks that run at an opening: beads that skin over, rests, sheets that must not stay uncovered for long. */
import { pieceNamed } from '../build/by-role.ts';
import type { Build } from '../build/build.ts';
import type { Material } from '../documents/material.ts';
import { momentOf } from './clocks.ts';
import type { StepProgress } from './progress.ts';

export interface RunningClock {
  /** `open`: something must follow before · `rest`: nothing may follow before · `exposed`: to be covered by then. */
  readonly kind: 'open' | 'rest' | 'exposed';
  /** The step that began it. */
  readonly of: string;
  /** The step that ends it, or waits for it. */
  readonly next: string;
  readonly until: string;
}

const DAY_ms = 86_400_000;

/** @param materials of the job; what no maker's figure is known of is not counted */
export function runningClocks(
  build: Build,
  states: readonly StepProgress[],
  materials: readonly Material[] = [],
): RunningClock[] {
  const stateOf = new Map(states.map((state) => [state.id, state]));
  const open = states.flatMap((state): RunningClock[] =>
    state.due
      .filter(({ atOnce }) => !atOnce)
      .map(({ step, by }) => ({ kind: 'open', of: step, next: state.id, until: by })),
  );
  const rests = states.flatMap((state): RunningClock[] =>
    state.blockedBy.flatMap((one) =>
      one.kind === 'rest' ? [{ kind: 'rest', of: one.step, next: state.id, until: one.until }] : [],
    ),
  );
  // A wall's layer lies open until the wall is handed on to whoever clads it.
  const handedOn = build.steps.some(({ id, role }) => role === 'release' && stateOf.get(id)?.tick);
  const exposed = build.steps.flatMap((step): RunningClock[] => {
    const tick = stateOf.get(step.id)?.tick;
    if (!tick || handedOn || step.role !== 'wall-layer') return [];
    return step.places.flatMap((id): RunningClock[] => {
      const piece = pieceNamed(build, id);
      const own = (one: Material) => piece?.form === 'sheet' && one.kind === piece.sheet.material;
      const days = materials.find((one) => own(one) && one.exposure_days !== undefined)?.exposure_days;
      if (days === undefined) return [];
      const until = new Date(momentOf(tick) + days * DAY_ms).toISOString();
      return [{ kind: 'exposed', of: step.id, next: '', until }];
    });
  });
  const once = new Map(
    [...open, ...rests, ...exposed].map((one) => [`${one.kind} ${one.of} ${one.next}`, one]),
  );
  return [...once.values()].sort((a, b) => a.until.localeCompare(b.until));
}
