/** A wall with a fault in it, and what every fault is made and felt by. */
import type { Build } from '../../../build/build.ts';
import { withChanges, type ChangedBuild, type WallChange } from '../../../build/changes.ts';
import type { Polygon } from '../../../geometry/polygon.ts';
import type { Point3 } from '../../../geometry/vector.ts';
import { compareOutcomes, outcomeOf } from '../../../proofs/water/outcome.ts';
import { proveWater } from '../../../proofs/water/proof.ts';
import type { CutId } from '../../../vocabulary/sides.ts';
import type { FaultId } from '../../answers.ts';
import type { Dice } from '../../dice.ts';
import type { Extra } from '../../wall-views.ts';
import type { PracticeLevel } from '../../task.ts';
import type { PracticeWall } from '../../wall.ts';

/** A wall with a fault in it: where it is to be seen, and what counts as having found it. */
export interface PlantedFault {
  readonly fault: FaultId;
  /** To be drawn; and to be traced, with bonds that are lost. */
  readonly drawn: Build;
  readonly traced: ChangedBuild;
  readonly view: 'face' | CutId;
  /** Steps done when it is seen. */
  readonly step: number;
  readonly extra?: Extra;
  /** Kinds of pieces, or places, by which it may be named. */
  readonly parts: readonly string[];
  readonly rings: readonly (readonly Point3[])[];
  readonly piece: string;
  readonly other: string | null;
  readonly mm: number | null;
}

export type Plant = (wall: PracticeWall, level: PracticeLevel, dice: Dice) => PlantedFault | null;

/** Names of places that are no piece. */
export const SILL_JOINT = 'joint-sill';
export const SCREW = 'screw';

export const flat = (ring: Polygon): readonly Point3[] => ring.map(([u, v]) => [u, v, 0] as const);
export const onWall = (build: Build, id: string): readonly Polygon[] => {
  const piece = build.pieces.find((one) => one.id === id);
  return piece?.form === 'sheet'
    ? piece.sheet.faces.filter(({ surface }) => surface === 'wall').map(({ placed }) => placed)
    : [];
};
export const placedAfter = (build: Build, id: string): number =>
  build.steps.findLastIndex(({ places }) => places.includes(id)) + 1;

/** Whether water feels it: a way that is graver, or as grave with less against it, or a lap that lies wrong. */
export function isWetter({ build, exposed }: PracticeWall, changed: ChangedBuild): boolean {
  const [was, is] = [proveWater(build, exposed), proveWater(changed.build, exposed, { lost: changed.lost })];
  const wrong = (proof: typeof was) => proof.laps.filter(({ fault }) => fault !== null).length;
  return wrong(is) > wrong(was) || compareOutcomes(outcomeOf(is), outcomeOf(was)) > 0;
}

export function changedBy(wall: PracticeWall, ...changes: readonly WallChange[]): ChangedBuild | null {
  const changed = withChanges(wall.build, changes);
  return changed.ok ? changed.value : null;
}
