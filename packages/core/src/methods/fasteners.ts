/** What holds the unit: where fasteners go on each side, how long they must be, which holes stay open. */
import type { Side } from '../vocabulary/sides.ts';
import { positionsAlong, type Shim } from '../fit/shims.ts';
import { radians } from '../geometry/vector.ts';
import type { Choices } from '../vocabulary/axes.ts';
import { sheetMaterials } from '../vocabulary/materials.ts';
import type { ParameterValues } from '../vocabulary/parameters.ts';
import { isHeldByBrackets } from './choices.ts';
import type { OpeningGeometry, UnitGeometry } from './pieces/context.ts';

export type Through =
  'fin' | 'spacer' | 'buck' | 'exterior-board' | 'sheathing' | 'frame' | 'gap' | 'clip' | 'framing';

export interface Screw {
  /** What it goes through, from its head on, mm along the shortest way. */
  readonly through: readonly { readonly what: Through; readonly mm: number }[];
  /** Driven this far off square, degrees. */
  readonly angle_deg: number;
  /** Length through all layers along the drive, mm. */
  readonly length_mm: number;
}

export interface FastenedSide {
  readonly side: Side;
  /** Along the side from its left or lower end of the frame, mm. */
  readonly at_mm: readonly number[];
  /** Corner distance times two, where the side is no longer than that; otherwise `null`. */
  readonly tooShort_mm: number | null;
  /** Fin's hole to the edge of the framing, mm; negative where it misses. `null` without a fin. */
  readonly edge_mm: number | null;
}

export interface Fastening {
  readonly sides: readonly FastenedSide[];
  readonly screw: Screw;
  readonly count: number;
  /** Sides whose holes are left open, all or every second. */
  readonly open: readonly { readonly side: Side; readonly holes: 'all' | 'every-second' }[];
}

/**
 * Returns the length of a screw through layers into framing, driven at an angle: the sum of what it goes through and
 * the embedment, over the cosine of the angle.
 *
 * Source: trigonometry; the embedment itself is common practice, no source. Straight through a foam buck a screw can
 * miss the stud: the angle is the method's.
 *
 * @example screwLength([1.5, 12], { embedment_mm: 38, angle_deg: 0 }) // 51.5
 * @example screwLength([1.5, 70, 12], { embedment_mm: 38, angle_deg: 15 }) // 125.8
 */
export const screwLength = (
  through_mm: readonly number[],
  o: { embedment_mm: number; angle_deg: number },
): number => (through_mm.reduce((sum, mm) => sum + mm, 0) + o.embedment_mm) / Math.cos(radians(o.angle_deg));

export interface FasteningInput {
  readonly choices: Choices;
  readonly numbers: ParameterValues;
  readonly opening: OpeningGeometry;
  readonly unit: UnitGeometry;
  readonly shims: readonly Shim[];
}

export function fastening(input: FasteningInput): Fastening {
  const finned = input.unit.finWidth > 0 && !isHeldByBrackets(input.choices);
  const sides = finned ? finSides(input) : jambSides(input);
  const screw = finned ? finScrew(input) : frameScrew(input);
  const { bottomFin, jambHoles } = input.choices;
  return {
    sides,
    screw,
    count: sides.reduce((sum, side) => sum + side.at_mm.length, 0),
    open: !finned
      ? []
      : [
          ...(bottomFin === 'every-hole' ? [] : (['sill'] as const)),
          ...(jambHoles === 'every-second-hole' ? (['left', 'right', 'head'] as const) : []),
        ].map((side) => ({ side, holes: 'every-second' as const })),
  };
}

/** Clear joint between the frame and what it stands in, mm. */
export const gapsOf = ({
  opening,
  unit,
}: Pick<FasteningInput, 'opening' | 'unit'>): Record<Side, number> => ({
  left: unit.left,
  right: opening.width - unit.left - unit.width,
  head: opening.height - unit.bottom - unit.height,
  sill: unit.bottom,
});

/** How far apart, by which holes are used: of a fin whose holes are not known they lie where fasteners usually do. */
const HOLES: Readonly<
  Record<Choices['bottomFin' | 'jambHoles'], (o: { spacing: number; pitch: number | undefined }) => number>
> = {
  pitch: ({ spacing }) => spacing,
  'every-hole': ({ spacing, pitch }) => pitch ?? spacing,
  'every-second-hole': ({ spacing, pitch }) => 2 * (pitch ?? spacing),
  spacers: ({ spacing, pitch }) => 2 * (pitch ?? spacing),
};

/** Every side of the fin; the bottom one in every second place where the drain is kept open. */
function finSides({ choices, numbers, opening, unit }: FasteningInput): FastenedSide[] {
  const { fastenerFromCorner: edge, fastenerSpacing: spacing } = numbers;
  const gap = gapsOf({ opening, unit });
  return (['left', 'right', 'head', 'sill'] as const).map((side): FastenedSide => {
    const length = side === 'left' || side === 'right' ? unit.height : unit.width;
    const apart = HOLES[side === 'sill' ? choices.bottomFin : choices.jambHoles]({
      spacing,
      pitch: unit.holePitch,
    });
    return {
      side,
      at_mm: positionsAlong({ length, edge, spacing: apart }),
      tooShort_mm: length <= 2 * edge ? 2 * edge : null,
      edge_mm: unit.holeFromFrame - gap[side],
    };
  });
}

/** Frames without fins are held at the jambs, where shims or clips take the load. */
function jambSides({ numbers, unit, shims, choices }: FasteningInput): FastenedSide[] {
  const spread = { length: unit.height, edge: numbers.shimFromCorner, spacing: numbers.shimSpacing };
  return (['left', 'right'] as const).map((side): FastenedSide => {
    const own = shims.filter((s) => s.side === side).map((s) => s.at_mm - unit.bottom);
    return {
      side,
      at_mm: choices.shims === 'none' || own.length === 0 ? positionsAlong(spread) : own,
      tooShort_mm: unit.height <= 2 * numbers.shimFromCorner ? 2 * numbers.shimFromCorner : null,
      edge_mm: null,
    };
  });
}

const CLIP_mm = 2;

const thickness = (opening: OpeningGeometry, role: string): number =>
  opening.layers.filter((l) => l.role === role).reduce((sum, l) => sum + l.w[1] - l.w[0], 0);

const screwOf = (through: Screw['through'], numbers: ParameterValues, angle_deg: number): Screw => {
  const before = through.filter(({ mm }) => mm > 0);
  return {
    through: [...before, { what: 'framing', mm: numbers.embedment }],
    angle_deg,
    length_mm: screwLength(
      before.map((t) => t.mm),
      { embedment_mm: numbers.embedment, angle_deg },
    ),
  };
};

/** Through fin, spacer, what projects, and sheathing; a lumber buck is framing itself. */
export function finScrew({ numbers, opening, choices }: FasteningInput): Screw {
  const { buck } = opening;
  const bored = buck && buck.kind !== 'lumber';
  return screwOf(
    [
      { what: 'fin', mm: sheetMaterials.fin.thickness_mm },
      { what: 'spacer', mm: choices.bottomFin === 'spacers' ? numbers.spacer : 0 },
      { what: 'buck', mm: bored ? buck.projection : 0 },
      { what: 'exterior-board', mm: !buck && choices.waterLayer === 'foam-face' ? -opening.sheathing : 0 },
      { what: 'sheathing', mm: buck?.kind === 'lumber' ? 0 : thickness(opening, 'sheathing') },
    ],
    numbers,
    bored ? numbers.driveAngle : 0,
  );
}

/** Through the frame, the gap and the buck's leg; or through a clip straight into the reveal. */
function frameScrew({ choices, numbers, opening, unit }: FasteningInput): Screw {
  if (choices.mount === 'clips' || isHeldByBrackets(choices))
    return screwOf([{ what: 'clip', mm: CLIP_mm }], numbers, 0);
  const gap = Math.max(unit.left, opening.width - unit.left - unit.width);
  const { buck } = opening;
  return screwOf(
    [
      { what: 'frame', mm: unit.frameFace / 2 },
      { what: 'gap', mm: gap },
      { what: 'buck', mm: buck && buck.kind !== 'lumber' ? buck.leg : 0 },
    ],
    numbers,
    buck ? numbers.driveAngle : 0,
  );
}

/** Foam buck bearing, a maker's value, common practice, no source: 70 lb/in is about 12 N per mm of sill. */
export const BUCK_BEARING_Nmm = 12;
const GRAVITY_ms2 = 9.81;

/** Load of a unit on each mm of the sill it stands on, N/mm. */
export const sillLoad = (o: { weight_kg: number; width_mm: number }): number =>
  (o.weight_kg * GRAVITY_ms2) / o.width_mm;
