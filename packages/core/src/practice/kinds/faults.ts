/** Faults as hands make them, put into a sound wall so that they are seen, and only those that water, air or a screw feels. */
import type { Build } from '../../build/build.ts';
import { kindOf, piecesFor } from '../../build/by-role.ts';
import { withChanges, type ChangedBuild, type WallChange } from '../../build/changes.ts';
import { stretchAt } from '../../build/flaws.ts';
import { stackAt } from '../../build/stack.ts';
import { buckAims } from '../../methods/buck-aim.ts';
import { stripEnds } from '../../methods/strip-ends.ts';
import { intersection, contains, bounds, rectangle, area, type Polygon } from '../../geometry/polygon.ts';
import type { Point2, Point3 } from '../../geometry/vector.ts';
import type { DrawItem } from '../../drawing/items.ts';
import { compareOutcomes, outcomeOf } from '../../proofs/water/outcome.ts';
import { panRise } from '../../proofs/water/standing.ts';
import { proveWater } from '../../proofs/water/proof.ts';
import { sheetMaterials } from '../../vocabulary/materials.ts';
import type { CutId } from '../../vocabulary/sides.ts';
import type { FaultId } from '../answers.ts';
import type { Dice } from '../dice.ts';
import { byLevel } from '../make.ts';
import type { Extra } from '../wall-views.ts';
import { liftsOf } from '../play.ts';
import type { PracticeLevel } from '../task.ts';
import type { PracticeWall } from '../wall.ts';

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

type Plant = (wall: PracticeWall, level: PracticeLevel, dice: Dice) => PlantedFault | null;

/** Names of places that are no piece. */
export const SILL_JOINT = 'joint-sill';
export const SCREW = 'screw';

const flat = (ring: Polygon): readonly Point3[] => ring.map(([u, v]) => [u, v, 0] as const);
const onWall = (build: Build, id: string): readonly Polygon[] => {
  const piece = build.pieces.find((one) => one.id === id);
  return piece?.form === 'sheet'
    ? piece.sheet.faces.filter(({ surface }) => surface === 'wall').map(({ placed }) => placed)
    : [];
};
const placedAfter = (build: Build, id: string): number =>
  build.steps.findLastIndex(({ places }) => places.includes(id)) + 1;

/** Whether water feels it: a way that is graver, or as grave with less against it, or a lap that lies wrong. */
export function isWetter({ build, exposed }: PracticeWall, changed: ChangedBuild): boolean {
  const [was, is] = [proveWater(build, exposed), proveWater(changed.build, exposed, { lost: changed.lost })];
  const wrong = (proof: typeof was) => proof.laps.filter(({ fault }) => fault !== null).length;
  return wrong(is) > wrong(was) || compareOutcomes(outcomeOf(is), outcomeOf(was)) > 0;
}

function changedBy(wall: PracticeWall, ...changes: readonly WallChange[]): ChangedBuild | null {
  const changed = withChanges(wall.build, changes);
  return changed.ok ? changed.value : null;
}

const reverseLap: Plant = (wall, _level, dice) => {
  const { build } = wall;
  const laps = proveWater(build, wall.exposed).laps.filter(
    ({ pair, fault }) => pair.plane === 'wall' && fault === null,
  );
  for (const { pair } of dice.shuffled(laps)) {
    const [upper, lower] = [pair.upper[0], pair.lower[0]];
    const laid = (id: string) => build.steps[placedAfter(build, id) - 1]?.id;
    const [step, before] = [laid(upper), laid(lower)];
    if (step === undefined || before === undefined || step === before) continue;
    const changed = changedBy(wall, { kind: 'moved', step, before });
    if (!changed) continue;
    const rings = onWall(build, upper)
      .flatMap((a) => onWall(build, lower).map((b) => intersection(a, b)))
      .filter((ring) => ring.length > 2 && Math.abs(area(ring)) > LEAST_SEEN_mm2);
    const [ring] = rings;
    if (!ring) continue;
    const { x, y } = bounds([...ring]);
    const middle: Point2 = [(x[0] + x[1]) / 2, (y[0] + y[1]) / 2];
    const count = Math.max(placedAfter(changed.build, upper), placedAfter(changed.build, lower));
    const seen = stackAt(changed.build, 'wall', middle, count).at(-1)?.thing;
    const should = stackAt(
      build,
      'wall',
      middle,
      Math.max(placedAfter(build, upper), placedAfter(build, lower)),
    ).at(-1);
    if (seen !== lower || should?.thing !== upper || !isWetter(wall, changed)) continue;
    return {
      fault: 'reverse-lap',
      drawn: changed.build,
      traced: changed,
      view: 'face',
      step: count,
      parts: [kindOf(build, upper), kindOf(build, lower)],
      rings: rings.map(flat),
      piece: lower,
      other: upper,
      mm: null,
    };
  }
  return null;
};

const LEAST_SEEN_mm2 = 300;

/** How much of a strip's end is missing, by level, mm. */
const SHORT_mm = [160, 120, 90, 70, 55] as const;

const short: Plant = (wall, level, dice) => {
  const { build } = wall;
  const mm = byLevel(level, SHORT_mm);
  for (const [piece, edge] of dice.shuffled(stripEnds)) {
    const before = onWall(build, piece);
    if (before.length === 0) continue;
    const changed = changedBy(wall, { kind: 'short', piece, edge, mm });
    if (!changed) continue;
    const { x, y } = bounds(before.flat());
    const long = edge === 'left' || edge === 'right' ? x[1] - x[0] : y[1] - y[0];
    // An end, and not the side of a strip: that would be another width.
    if (long < 3 * mm || long < Math.max(x[1] - x[0], y[1] - y[0]) - 1) continue;
    if (!isWetter(wall, changed)) continue;
    const band: Record<typeof edge, Polygon> = {
      left: rectangle([x[0], x[0] + mm], y),
      right: rectangle([x[1] - mm, x[1]], y),
      top: rectangle(x, [y[1] - mm, y[1]]),
      bottom: rectangle(x, [y[0], y[0] + mm]),
    };
    return {
      fault: 'short',
      drawn: changed.build,
      traced: changed,
      view: 'face',
      step: placedAfter(changed.build, piece),
      parts: [kindOf(build, piece)],
      rings: [flat(band[edge])],
      piece,
      other: null,
      mm,
    };
  }
  return null;
};

/** Blisters of a strip that nobody rolled: rings strewn over it, the same for the same seed. */
function blisters(rings: readonly Polygon[], seed: Dice): Extra {
  const places = rings.flatMap((ring) => {
    const { x, y } = bounds([...ring]);
    const many = Math.max(3, Math.round(((x[1] - x[0]) * (y[1] - y[0])) / 9000));
    return Array.from({ length: many }, (): Point2 => [
      x[0] + seed() * (x[1] - x[0]),
      y[0] + seed() * (y[1] - y[0]),
    ]).filter((point) => contains(ring, point));
  });
  const wide = places.map(() => 12 + seed() * 16);
  return ({ place, scale }): DrawItem[] =>
    place
      ? places.map((at, i) => {
          const [cx, cy] = place([at[0], at[1], 0]);
          const r = Math.max(3, ((wide[i] ?? 12) * scale) / 2);
          return {
            kind: 'line',
            points: Array.from({ length: 13 }, (_, k): Point2 => {
              const turn = (k / 12) * 2 * Math.PI;
              return [cx + Math.cos(turn) * r, cy + Math.sin(turn) * r * 0.7];
            }),
            stroke: 'thin',
            owner: '',
          };
        })
      : [];
}

const notRolled: Plant = (wall, _level, dice) => {
  const { build } = wall;
  const strips = build.pieces.filter(
    (piece) =>
      piece.form === 'sheet' &&
      piece.stock === 'worked' &&
      piece.film_mm === undefined &&
      sheetMaterials[piece.sheet.material].bond === 'self-adhesive' &&
      onWall(build, piece.id).some((ring) => Math.abs(area(ring)) > 8000),
  );
  for (const { id } of dice.shuffled(strips)) {
    const traced = changedBy(wall, { kind: 'bond-lost', piece: id });
    if (!traced || !isWetter(wall, traced)) continue;
    const rings = onWall(build, id);
    return {
      fault: 'not-rolled',
      drawn: build,
      traced,
      view: 'face',
      step: placedAfter(build, id),
      extra: blisters(rings, dice),
      parts: [kindOf(build, id)],
      rings: rings.map(flat),
      piece: id,
      other: null,
      mm: null,
    };
  }
  return null;
};

const BEAD_mm = 10;

const sillClosed: Plant = (wall) => {
  const { build } = wall;
  const { unit } = build.context;
  if (unit.finWidth <= 0) return null;
  const [fin] = piecesFor(build, 'fin');
  const traced = fin && changedBy(wall, { kind: 'sill-closed', piece: fin.id });
  if (!fin || !traced || !isWetter(wall, traced)) return null;
  const low = unit.bottom - unit.finWidth;
  const ring = rectangle(
    [unit.left - unit.finWidth, unit.left + unit.width + unit.finWidth],
    [low - BEAD_mm, low + BEAD_mm],
  );
  const bead: Extra = ({ place, scale }): DrawItem[] =>
    place
      ? [
          {
            kind: 'line',
            points: [
              place([unit.left - unit.finWidth, low, 0]),
              place([unit.left + unit.width + unit.finWidth, low, 0]),
            ],
            stroke: 'none',
            fill: 'sealant',
            width: Math.max(4, BEAD_mm * scale),
            owner: '',
          },
        ]
      : [];
  const set = build.steps.findIndex(({ role }) => role === 'set') + 1;
  return set === 0
    ? null
    : {
        fault: 'sill-closed',
        drawn: build,
        traced,
        view: 'face',
        step: set,
        extra: bead,
        parts: [SILL_JOINT, kindOf(build, fin.id)],
        rings: [flat(ring)],
        piece: fin.id,
        other: null,
        mm: null,
      };
};

/** How far the pan rises to its back, mm; with a dam of another height where one is given. */
const standsUpTo = (
  { context: { choices, numbers, opening } }: Build,
  damHeight = numbers.damHeight,
): number => panRise({ choices, numbers: { ...numbers, damHeight }, depth_mm: opening.depth });

const noDam: Plant = (wall) => {
  const { build } = wall;
  const [dam] = piecesFor(build, 'dam');
  const traced = dam && changedBy(wall, { kind: 'left-out', piece: dam.id });
  // What stands on the pan runs off inward sooner: the dam is what it stands against.
  if (dam?.form !== 'solid' || !traced || standsUpTo(build) <= standsUpTo(build, 0) + 1) return null;
  const middle = build.context.opening.width / 2;
  return {
    fault: 'no-dam',
    drawn: traced.build,
    traced,
    view: 'sill',
    step: build.steps.length,
    parts: [kindOf(build, dam.id)],
    rings: dam.solids.map(({ profile }) => profile.map(([w, v]): Point3 => [middle, v, w])),
    piece: dam.id,
    other: null,
    mm: null,
  };
};

/** How long a void at a corner is, by level, mm. */
const VOID_mm = [90, 75, 60, 50, 40] as const;

/** So many strips at corners are tried: each asks the proof of water. */
const CORNERS_TRIED = 8;
const NEAR_CORNER_mm = 60;

const voidCorner: Plant = (wall, level, dice) => {
  const { build } = wall;
  const { opening, unit } = build.context;
  const mm = byLevel(level, VOID_mm);
  const sides = [
    { u: [0, unit.left - unit.finWidth], out: -1 },
    { u: [opening.width, unit.left + unit.width + unit.finWidth], out: 1 },
  ] as const;
  const corners = sides.flatMap(({ u, out }) =>
    [0, opening.height, unit.bottom + unit.height + unit.finWidth].flatMap((v) =>
      u.map((at) => ({ u: at, v, out })),
    ),
  );
  const places = build.pieces.flatMap((piece) =>
    piece.form === 'sheet' && piece.stock === 'worked'
      ? corners
          .filter(({ u, v }) =>
            onWall(build, piece.id)
              .flat()
              .some((point) => Math.hypot(point[0] - u, point[1] - v) < NEAR_CORNER_mm),
          )
          .map((corner) => ({ id: piece.id, ...corner }))
      : [],
  );
  for (const { id, u, v, out } of dice.shuffled(places).slice(0, CORNERS_TRIED)) {
    const stretch = stretchAt(build, id, [u, v], mm);
    const traced = stretch && changedBy(wall, { kind: 'bond-open', piece: id, ...stretch });
    if (!traced || !isWetter(wall, traced)) continue;
    const wedge: readonly Point3[] = [
      [u - out * mm * 0.6, v - 5, 0],
      [u + out * 10, v + 6, 0],
      [u + out * 10, v - mm * 0.35, 0],
    ];
    const drawn: Extra = ({ place }): DrawItem[] =>
      place
        ? [
            {
              kind: 'area',
              points: wedge.map((point) => place(point)),
              fill: 'sealant',
              stroke: 'thin',
              owner: '',
            },
          ]
        : [];
    return {
      fault: 'void-corner',
      drawn: build,
      traced,
      view: 'face',
      step: placedAfter(build, id),
      extra: drawn,
      parts: [kindOf(build, id)],
      rings: [wedge],
      piece: id,
      other: null,
      mm,
    };
  }
  return null;
};

const openSeal: Plant = (wall, _level, dice) => {
  const { build } = wall;
  const seals = (['inner-seal'] as const)
    .flatMap((role) => piecesFor(build, role))
    .filter(({ form, side }) => form === 'sheet' && side !== null);
  for (const piece of dice.shuffled(seals)) {
    if (piece.form !== 'sheet' || piece.side === null) continue;
    const traced = changedBy(wall, { kind: 'left-out', piece: piece.id });
    if (!traced || liftsOf(traced.build) <= liftsOf(build) + 1) continue;
    return {
      fault: 'open-seal',
      drawn: traced.build,
      traced,
      view: piece.side,
      step: build.steps.length,
      parts: [kindOf(build, piece.id), piece.id],
      rings: piece.sheet.faces.map(({ space }) => space),
      piece: piece.id,
      other: null,
      mm: null,
    };
  }
  return null;
};

const screwMisses: Plant = (wall, _level, dice) => {
  const { build } = wall;
  const { choices, numbers, opening, unit } = build.context;
  const input = { choices, numbers: { ...numbers, driveAngle: 0 }, opening, unit, shims: build.fit.shims };
  const misses = buckAims(input).filter(({ holds, side }) => !holds && (side === 'left' || side === 'right'));
  const sound = buckAims({ ...input, numbers }).every(({ holds }) => holds);
  if (misses.length === 0 || !sound) return null;
  const side = dice.pick(misses).side as 'left' | 'right';
  const { screw } = build.fastening;
  const straight = { ...build, fastening: { ...build.fastening, screw: { ...screw, angle_deg: 0 } } };
  const edge = side === 'left' ? unit.left - unit.holeFromFrame : unit.left + unit.width + unit.holeFromFrame;
  return {
    fault: 'screw-misses',
    drawn: straight,
    traced: { build: straight, lost: [], strange: [] },
    view: side,
    step: build.steps.length,
    parts: [SCREW],
    rings: [
      [
        [edge, opening.height / 2, 0],
        [edge, opening.height / 2, -screw.length_mm],
      ],
    ],
    piece: SCREW,
    other: null,
    mm: null,
  };
};

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
