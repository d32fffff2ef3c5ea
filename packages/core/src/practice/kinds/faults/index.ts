/** Faults as hands make them, put into a sound wall so that they are seen, and only those that water, air or a screw feels. */
import type { FaultId } from '../../answers.ts';
import type { Dice } from '../../dice.ts';
import type { PracticeLevel } from '../../task.ts';
import type { PracticeWall } from '../../wall.ts';
import type { PlantedFault, Plant } from './planted.ts';
import { openSeal, screwMisses } from './joint.ts';
import { noDam, sillClosed, voidCorner } from './sill.ts';
import { notRolled, reverseLap, short } from './strips.ts';

const PLANTS: Readonly<Record<FaultId, Plant>> = {
  'reverse-lap': reverseLap,
  short,
  'not-rolled': notRolled,
  'sill-closed': sillClosed,
  'no-dam': noDam,
  'void-corner': voidCorner,
  'open-seal': openSeal,
  'screw-misses': screwMisses,
};

/** The fault that is wished for; `null` where it cannot be in this wall. */
export const plantIn = (
  wall: PracticeWall,
  fault: FaultId,
  level: PracticeLevel,
  dice: Dice,
): PlantedFault | null => PLANTS[fault](wall, level, dice);

export { SCREW, SILL_JOINT, type PlantedFault } from './planted.ts';
