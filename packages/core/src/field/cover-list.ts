/** What a step hides: pieces that nobody sees any more after it, and what of them nobody has seen, measured or pictured yet. */
import type { Build } from '../build/build.ts';
import { coveringStep } from '../build/covered.ts';
import type { Look } from '../documents/issue.ts';
import type { Material } from '../documents/material.ts';
import { faultsOf } from './faults.ts';
import { asksAt, measuredAt } from './measured.ts';
import type { StepProgress } from './progress.ts';

export interface Hidden {
  readonly piece: string;
  /** The step that brought it. */
  readonly step: string;
  /** Looks of that step that are about it, and that nobody recorded. */
  readonly looks: readonly Look[];
  /** A look of the step itself that is due. */
  readonly stepLook: boolean;
  /** How many figures of that step nobody measured, or left outside their limits without a reason. */
  readonly figures: number;
  readonly pictured: boolean;
  /** Faults of it that are not closed, and those among them that stop what would cover them. */
  readonly faults: number;
  readonly stops: number;
  /** Its step is done: before that there is nothing to hide. */
  readonly laid: boolean;
  /** Somebody said why this step may cover it unseen. */
  readonly passed: boolean;
}

/** What a look or a figure leaves open: a picture is wished for, and holds nothing up. */
export const isUnseen = ({ looks, stepLook, figures, faults }: Hidden): boolean =>
  looks.length > 0 || stepLook || figures > 0 || faults > 0;

/** What a step may not cover before somebody looked, or said why it is covered all the same: looks, stops and open faults. */
export const isHeld = (one: Hidden): boolean =>
  one.laid && !one.passed && (one.looks.length > 0 || one.stepLook || one.stops > 0);

/** By build: which step covers each piece, worked out once. */
const known = new WeakMap<Build, ReadonlyMap<string, string | null>>();

function coversOf(build: Build): ReadonlyMap<string, string | null> {
  const before = known.get(build);
  if (before) return before;
  const found = new Map(build.pieces.map(({ id }) => [id, coveringStep(build, id)] as const));
  known.set(build, found);
  return found;
}

/** @param states of every step, as they stand */
export function hiddenBy(
  build: Build,
  step: string,
  states: readonly StepProgress[],
  materials?: readonly Material[],
): Hidden[] {
  const at = build.steps.findIndex(({ id }) => id === step);
  const pieces = [...coversOf(build)].flatMap(([piece, by]) => (by === step ? [piece] : []));
  return pieces.flatMap((piece): Hidden[] => {
    // What is fitted dry and taken out again is brought by the last step that lays it.
    const own = build.steps.slice(0, at).findLast(({ places }) => places.includes(piece));
    if (!own) return [];
    const state = states.find(({ id }) => id === own.id);
    const entries = state?.entries ?? [];
    const asked = measuredAt(asksAt(build, own, materials), entries);
    const open = asked.filter(
      ({ value, outside, accepted }) => value === null || (outside && accepted === null),
    );
    const noted = faultsOf(entries).filter(
      ({ facts, status }) => facts.piece === piece && status !== 'closed',
    );
    // Covered all the same: it stays on the list, and is not one more that stands in the way.
    const isPass = ({ facts }: (typeof noted)[number]) =>
      facts.severity === 'passed' && facts.before === step;
    const faults = noted.filter((fault) => !isPass(fault));
    return [
      {
        piece,
        step: own.id,
        looks: state?.look ? [] : (state?.looks ?? []).filter(({ things }) => things.includes(piece)),
        stepLook: own.holdPoint && state?.look === null,
        figures: open.length,
        pictured: entries.some(({ kind }) => kind === 'photo'),
        faults: faults.length,
        stops: faults.filter(({ facts }) => facts.severity === 'stops').length,
        laid: state?.tick !== null && state !== undefined,
        passed: noted.some(isPass),
      },
    ];
  });
}
