/** What lies behind what: every plane in the depth of the wall, and whether the planes that must meet do. */
import { GUARD_THICK_mm } from '../methods/pieces/carpentry.ts';
import { sheetMaterials } from '../vocabulary/materials.ts';
import type { Unit } from '../documents/unit.ts';
import type { Wall } from '../documents/wall.ts';

export const planeIds = [
  'cladding-face',
  'cladding-back',
  'buck-face',
  'fin-face',
  'tape-face',
  'frame-front',
  'sheathing',
  'frame-back',
  'framing-back',
  'guard-face',
  'interior-face',
] as const;
export type PlaneId = (typeof planeIds)[number];

/** Three layers of tape lie over each other at a corner: common practice, no source. */
export const tapedCorner = { tape_mm: sheetMaterials['flashing-tape'].thickness_mm, tapeLayers: 3 } as const;

export interface DepthStack {
  /** Place of each plane as w: 0 at the sheathing's outer face, + to the weather, mm. Absent where there is none. */
  readonly planes: Readonly<Partial<Record<PlaneId, number>>>;
  /** The buck's face against the plane it must meet; negative is short, mm. `null` without a buck. */
  readonly buckMisses_mm: number | null;
  /** Depth of the jamb extension from the frame to the room's face, mm; negative where the frame stands proud. */
  readonly jambExtension_mm: number;
  /** Where a trim's back stands off the tape at a corner with the most layers, mm. */
  readonly tapeBuildUp_mm: number;
}

const sum = (wall: Wall, ...roles: Wall['layers'][number]['role'][]): number =>
  wall.layers.filter((l) => roles.includes(l.role)).reduce((total, l) => total + l.thickness.mm, 0);

/**
 * Returns the planes of a wall with a unit. The trim lands on the cavity's outer face: the buck must reach it, so its
 * projection equals exterior board plus cavity.
 *
 * Source: sums of thicknesses.
 *
 * @param tape_mm thickness of one layer of tape on the fin
 * @param tapeLayers most layers over each other, at a corner
 * @param drift_mm how far the fin stands off its bedding: bead and shims
 */
export function depthStack(o: {
  wall: Wall;
  unit: Unit;
  /** How far a buck stands out from the sheathing; `null` without one. */
  buck_mm: number | null;
  /** Where the frame's front stands when no fin says so, from the sheathing; left out for a unit with fins. */
  front_mm?: number;
  tape_mm: number;
  tapeLayers: number;
  drift_mm: number;
  /** A strip lies on the framing over the seal's edge. */
  guarded?: boolean;
}): DepthStack {
  const { wall, unit, buck_mm } = o;
  const outboard = sum(wall, 'exterior-board', 'cavity');
  const buck = buck_mm ?? 0;
  const fin = buck + o.drift_mm;
  const finned = o.front_mm === undefined;
  const front = o.front_mm ?? fin + unit.fin.fromFront.mm;
  const back = front - unit.frameDepth.mm;
  const framing = -sum(wall, 'sheathing', 'framing');
  const interior = framing - sum(wall, 'service', 'interior-finish');
  const tapeBuildUp_mm = o.tape_mm * o.tapeLayers;
  const cladding = sum(wall, 'cladding');
  return {
    planes: {
      ...(cladding > 0 && { 'cladding-face': outboard + cladding, 'cladding-back': outboard }),
      ...(buck_mm !== null && { 'buck-face': buck }),
      ...(finned && { 'fin-face': fin, 'tape-face': fin + tapeBuildUp_mm }),
      'frame-front': front,
      sheathing: 0,
      'frame-back': back,
      'framing-back': framing,
      ...(o.guarded === true && { 'guard-face': framing - GUARD_THICK_mm }),
      'interior-face': interior,
    },
    buckMisses_mm: buck_mm === null ? null : buck - outboard,
    jambExtension_mm: back - interior,
    tapeBuildUp_mm,
  };
}
