/** At sill and corners: a way out that is shut, a dam that is missing, a void. */
import type { Build } from '../../../build/build.ts';
import { kindOf, piecesFor } from '../../../build/by-role.ts';
import { stretchAt } from '../../../build/flaws.ts';
import { rectangle } from '../../../geometry/polygon.ts';
import type { Point3 } from '../../../geometry/vector.ts';
import type { DrawItem } from '../../../drawing/items.ts';
import { panRise } from '../../../proofs/water/standing.ts';
import { byLevel } from '../../make.ts';
import type { Extra } from '../../wall-views.ts';
import { type Plant, SILL_JOINT, flat, onWall, placedAfter, isWetter, changedBy } from './planted.ts';

const BEAD_mm = 10;

export const sillClosed: Plant = (wall) => {
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

export const noDam: Plant = (wall) => {
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

export const voidCorner: Plant = (wall, level, dice) => {
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
