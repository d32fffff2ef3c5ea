/** The wall's water layer round the opening: wrap in its cuts, hard faces, apron and courses. */
import { foldSheet, type FaceSpec, type Sheet } from '../../geometry/sheet.ts';
import { rectangle } from '../../geometry/polygon.ts';
import type { Surface } from '../../geometry/surface.ts';
import type { Point2 } from '../../geometry/vector.ts';
import type { SheetMaterialId } from '../../vocabulary/materials.ts';
import { surfaceIn, withUnit, type PieceContext } from './context.ts';
import { inPlace, worked, type SheetPiece } from './piece.ts';

/** How far the wrap is modelled beyond the slits: it is a sheet of the whole wall. */
const WRAP_BEYOND_mm = 160;
/** How far a hard face is modelled beyond the opening. */
const FACE_BEYOND_mm = 300;

/** Sideways (and upward) reach of a 45° slit. */
export const slitReach = (slit_mm: number): number => slit_mm / Math.SQRT2;

/** The plane and the hole that the wall's sheet is cut to: behind a buck that is the rough opening. */
export function wrapPlane(context: PieceContext): { on: Surface; W: number; H: number } {
  const { opening, choices } = context;
  const leg = opening.buck?.leg ?? 0;
  const behind = opening.buck !== null && choices.waterLayer !== 'foam-face';
  return {
    on: surfaceIn(context, behind ? 'inner-plane' : 'wall'),
    W: opening.width + (behind ? 2 * leg : 0),
    H: opening.height + (behind ? 2 * leg : 0),
  };
}

/** Wrap cut flush with the opening, the head slit at 45° so that a flap can be folded up and brought back. */
export function wrapWithFlap(id: string, material: SheetMaterialId, context: PieceContext): SheetPiece {
  const { on, W, H } = wrapPlane(context);
  // A sill that is framed at a slope begins below the opening as measured.
  const bare = { low: Math.min(0, context.numbers.boardFront), left: 0, right: W };
  return inPlace(id, flapped({ id, material, on, W, H, hole: bare, context }));
}

/** Wrap cut back beside and below the opening, so that the fin lies on the sheathing. */
export function wrapCutBack(id: string, material: SheetMaterialId, context: PieceContext): SheetPiece {
  const { on, W, H } = wrapPlane(context);
  const back = context.numbers.cutBack;
  const hole = { low: -back, left: -back, right: W + back };
  return inPlace(id, flapped({ id, material, on, W, H, hole, context }));
}

/** Wrap folded into the opening at sill and jambs, the head slit and flapped. */
export function wrapTurnedIn(id: string, material: SheetMaterialId, context: PieceContext): SheetPiece {
  const { on, W, H } = wrapPlane(context);
  // Behind a buck there is nothing to fold it onto once the buck stands.
  if (on.id === 'inner-plane') return wrapWithFlap(id, material, context);
  const { numbers, choices } = context;
  const low = numbers.boardFront;
  const t = Math.min(numbers.wrapTurnIn, context.opening.depth);
  // A sill that falls inward takes nothing off the jambs' turn: it begins at the sill's edge.
  const drift = Math.max(0, t * Math.tan((numbers.slope * Math.PI) / 180));
  const into: FaceSpec[] = [
    {
      id: 'left-in',
      surface: surfaceIn(context, 'left-reveal'),
      flat: rectangle([0, t], [low + drift, H]),
      from: 'left',
    },
    {
      id: 'right-in',
      surface: surfaceIn(context, 'right-reveal'),
      flat: rectangle([W - t, W], [low + drift, H]),
      from: 'right',
    },
    {
      id: 'sill-in',
      surface: surfaceIn(context, 'sill-reveal'),
      flat: rectangle([0, W], [low, low + t / Math.cos((numbers.slope * Math.PI) / 180)]),
      from: 'below',
    },
  ];
  const tucked: FaceSpec[] = choices.head.startsWith('tucked')
    ? [
        {
          id: 'head-in',
          surface: surfaceIn(context, 'head-reveal'),
          flat: rectangle([0, W], [H - t, H]),
          from: 'above',
        },
      ]
    : [];
  const hole = { low, left: 0, right: W, jambFrom: low + drift };
  return inPlace(id, flapped({ id, material, on, W, H, hole, context, into: [...into, ...tucked] }));
}

interface Flapped {
  readonly id: string;
  readonly material: SheetMaterialId;
  readonly on: Surface;
  readonly W: number;
  readonly H: number;
  /** Edges of the hole; the slits start at its upper corners. */
  readonly hole: { low: number; left: number; right: number; jambFrom?: number };
  readonly context: PieceContext;
  readonly into?: readonly FaceSpec[];
}

/** Methods that bring wrap down over the head; others leave it whole there. */
const hasFlap = ({ choices }: PieceContext): boolean =>
  choices.head === 'flap' || choices.head === 'flap-and-cap';

/** Wrap that is folded into the opening has no flaps at the jambs. */
const hasJambFlaps = ({ choices }: PieceContext): boolean =>
  choices.slits === 'four-corners' && choices.wrapEdge !== 'turned-in';

function flapped(piece: Flapped): Sheet {
  if (!hasFlap(piece.context)) return wholeAtHead(piece);
  return hasJambFlaps(piece.context) ? slitAtFour(piece) : slitAtHead(piece);
}

/** How far from its edge a jamb flap is trimmed. */
export const jambFlapTrim = ({ jambFlapTrim, flapSlit }: PieceContext['numbers']): number =>
  Math.min(jambFlapTrim, slitReach(flapSlit) - 1);

/** Slit at all four corners: flaps at the head and at both jambs, the wrap below whole between its slits. */
function slitAtFour(piece: Flapped): Sheet {
  const { id, material, on, W, H, hole, context } = piece;
  const { low, left, right } = hole;
  const { numbers } = context;
  const reach = slitReach(numbers.flapSlit);
  const side = reach + Math.max(0, -low, -left) + WRAP_BEYOND_mm;
  const [l, r, b, t] = [left - reach, right + reach, low - reach, H + reach];
  const trim = Math.min(numbers.flapTrim, reach - 1);
  const back = jambFlapTrim(numbers);
  const face = (name: string, flat: readonly Point2[], from?: string): FaceSpec =>
    from === undefined ? { id: name, surface: on, flat } : { id: name, surface: on, flat, from };
  /** A part between two slits, cut along its trimmed edge into what stays and what goes. */
  const part = (name: string, from: string, ends: readonly [Point2, Point2, Point2, Point2], by: number) => {
    const [p, q, qOut, pOut] = ends;
    const at = (a: Point2, z: Point2): Point2 => [
      a[0] + (by / reach) * (z[0] - a[0]),
      a[1] + (by / reach) * (z[1] - a[1]),
    ];
    const edge = [at(p, pOut), at(q, qOut)] as const;
    return [
      face(name, [edge[0], edge[1], qOut, pOut], from),
      face(`${name}-edge`, [p, q, edge[1], edge[0]], name),
    ];
  };
  const corners = { bl: [left, low], br: [right, low], tl: [left, H], tr: [right, H] } as const;
  const outer = { bl: [l, b], br: [r, b], tl: [l, t], tr: [r, t] } as const;
  const joins: [string, string][] = [['right', 'above']];
  const slits = (['tl', 'tr', 'bl', 'br'] as const).map((at): [Point2, Point2] => [corners[at], outer[at]]);
  return foldSheet({ id, material, joins, slits }, START, [
    face('left', [
      [-side, b],
      [l, b],
      [l, t],
      [-side, t],
    ]),
    face(
      'below',
      [
        [-side, -side],
        [W + side, -side],
        [W + side, b],
        outer.br,
        corners.br,
        corners.bl,
        outer.bl,
        [-side, b],
      ],
      'left',
    ),
    face(
      'right',
      [
        [r, b],
        [W + side, b],
        [W + side, t],
        [r, t],
      ],
      'below',
    ),
    face(
      'above',
      [[-side, t], outer.tl, outer.tr, [W + side, t], [W + side, H + side], [-side, H + side]],
      'left',
    ),
    ...part('flap', 'above', [corners.tl, corners.tr, outer.tr, outer.tl], trim),
    ...part('left-flap', 'left', [corners.tl, corners.bl, outer.bl, outer.tl], back),
    ...part('right-flap', 'right', [corners.br, corners.tr, outer.tr, outer.br], back),
  ]);
}

const START = { at: [0, 0], along: [1, 0] } as const;

/** How far a wrap runs beyond the hole, and the outline of its parts beside and below it. */
function roundHole({ on, W, H, hole, context }: Flapped) {
  const { low, left, right, jambFrom = low } = hole;
  const reach = slitReach(context.numbers.flapSlit);
  const side = reach + Math.max(0, -low, -left) + WRAP_BEYOND_mm;
  const face = (id: string, flat: readonly Point2[], from?: string): FaceSpec =>
    from === undefined ? { id, surface: on, flat } : { id, surface: on, flat, from };
  /** Where the wrap is turned into the reveal only from here on up, it has a corner there. */
  const kink = (x: number): Point2[] => (jambFrom > low ? [[x, jambFrom]] : []);
  const faces = [
    face('left', [[-side, low], [left, low], ...kink(left), [left, H], [-side, H]]),
    face(
      'below',
      [
        [-side, -side],
        [W + side, -side],
        [W + side, low],
        [right, low],
        [left, low],
        [-side, low],
      ],
      'left',
    ),
    face('right', [[W + side, low], [W + side, H], [right, H], ...kink(right), [right, low]], 'below'),
  ];
  return { reach, side, face, faces };
}

function wholeAtHead(piece: Flapped): Sheet {
  const { id, material, W, H, hole, into = [] } = piece;
  const { side, face, faces } = roundHole(piece);
  const above: Point2[] = [
    [-side, H],
    [hole.left, H],
    [hole.right, H],
    [W + side, H],
    [W + side, H + side],
    [-side, H + side],
  ];
  const all = [...faces, face('above', above, 'left'), ...into];
  return foldSheet({ id, material, joins: [['right', 'above']] }, START, all);
}

/** Slit at both corners of the head, so that a flap can be lifted and brought down again. */
function slitAtHead(piece: Flapped): Sheet {
  const { id, material, W, H, hole, context, into = [] } = piece;
  const { left, right } = hole;
  const { reach, side, face, faces } = roundHole(piece);
  const trim = Math.min(context.numbers.flapTrim, reach - 1);
  const leftEnd: Point2 = [left - reach, H + reach];
  const rightEnd: Point2 = [right + reach, H + reach];
  const edge: readonly [Point2, Point2] = [
    [left - trim, H + trim],
    [right + trim, H + trim],
  ];
  const above: Point2[] = [
    [-side, H + reach],
    leftEnd,
    rightEnd,
    [W + side, H + reach],
    [W + side, H + side],
    [-side, H + side],
  ];
  const slits: [Point2, Point2][] = [
    [[left, H], leftEnd],
    [[right, H], rightEnd],
  ];
  return foldSheet({ id, material, joins: [['right-shoulder', 'above']], slits }, START, [
    ...faces,
    face('left-shoulder', [[-side, H], [left, H], leftEnd, [-side, H + reach]], 'left'),
    face('right-shoulder', [[right, H], [W + side, H], [W + side, H + reach], rightEnd], 'right'),
    face('above', above, 'left-shoulder'),
    face('flap', [...edge, rightEnd, leftEnd], 'above'),
    face('flap-edge', [[left, H], [right, H], edge[1], edge[0]], 'flap'),
    ...into,
  ]);
}

/** A hard face with its seams closed: coated sheathing, foam board, fluid, masonry. Cut out as the opening is. */
export function wallFace(id: string, material: SheetMaterialId, context: PieceContext): SheetPiece {
  const { on, W, H } = wrapPlane(context);
  const face =
    context.opening.buck && context.choices.waterLayer === 'foam-face' ? context.opening.buck.face : 0;
  const out = FACE_BEYOND_mm + face;
  const [x0, x1, y0, y1] = [-out, W + out, -out, H + out];
  const [l, r, b, t] = [-face, W + face, Math.min(0, context.numbers.boardFront) - face, H + face];
  return inPlace(
    id,
    foldSheet({ id, material, joins: [['right', 'above']] }, { at: [0, 0], along: [1, 0] }, [
      { id: 'left', surface: on, flat: rectangle([x0, l], [b, t]) },
      {
        id: 'below',
        surface: on,
        flat: [
          [x0, y0],
          [x1, y0],
          [x1, b],
          [r, b],
          [l, b],
          [x0, b],
        ],
        from: 'left',
      },
      { id: 'right', surface: on, flat: rectangle([r, x1], [b, t]), from: 'below' },
      {
        id: 'above',
        surface: on,
        flat: [
          [x0, t],
          [l, t],
          [r, t],
          [x1, t],
          [x1, y1],
          [x0, y1],
        ],
        from: 'left',
      },
    ]),
  );
}

/** What of the apron stays flat below the pan's lap, common practice, no source. */
const APRON_FREE_mm = 25;

/** The pan sticks to the apron's upper part; only what hangs below that can be folded up. */
const apronHeld = ({ panLap, apronWidth }: PieceContext['numbers']): number =>
  Math.min(panLap + APRON_FREE_mm, apronWidth - 1);

/** A strip of wrap hung below the sill of open studs: the first course comes under it. */
export function apron(id: string, context: PieceContext): SheetPiece {
  const { opening, numbers } = context;
  const past = numbers.apronPast;
  const x = [-past, opening.width + past] as const;
  const stuck = apronHeld(numbers);
  const on = opening.surfaces.wall;
  const sheet = foldSheet({ id, material: 'wrap' }, { at: [0, 0], along: [1, 0] }, [
    { id: 'top', surface: on, flat: rectangle(x, [-stuck, 0]) },
    { id: 'hanging', surface: on, flat: rectangle(x, [-numbers.apronWidth, -stuck]), from: 'top' },
  ]);
  return worked(id, sheet);
}

/** Lower course of wrap, under the apron up to where that is held. */
export function lowerCourse(id: string, context: PieceContext): SheetPiece {
  const { opening, numbers } = context;
  const { left, right } = courseEnds(context);
  const top = -apronHeld(numbers);
  const sheet = foldSheet({ id, material: 'wrap' }, { at: [0, 0], along: [1, 0] }, [
    {
      id: 'face',
      surface: opening.surfaces.wall,
      flat: rectangle([left, right], [top - COURSE_BELOW_mm, top]),
    },
  ]);
  return inPlace(id, sheet);
}

const COURSE_BELOW_mm = 500;
const courseEnds = ({ opening, numbers }: PieceContext) => ({
  left: -numbers.apronPast - 100,
  right: opening.width + numbers.apronPast + 100,
});

/** Upper course over the lower one, cut out round the frame that stands already. */
export function upperCourse(id: string, context: PieceContext): SheetPiece {
  const { unit, opening, numbers } = withUnit(context, id);
  const { left: x0, right: x1 } = courseEnds(context);
  const wall = opening.surfaces.wall;
  const [l, r, b, t] = [unit.left, unit.left + unit.width, unit.bottom, unit.bottom + unit.height];
  const low = Math.min(-numbers.courseLap, b - 1);
  const high = t + 400;
  return inPlace(
    id,
    foldSheet({ id, material: 'wrap', joins: [['right', 'above']] }, { at: [0, 0], along: [1, 0] }, [
      { id: 'left', surface: wall, flat: rectangle([x0, l], [0, t]) },
      // Beside the unit only: under its sill the apron hangs free over the lower course.
      { id: 'left-low', surface: wall, flat: rectangle([x0, l], [low, 0]), from: 'left' },
      {
        id: 'above',
        surface: wall,
        flat: [
          [x0, t],
          [l, t],
          [r, t],
          [x1, t],
          [x1, high],
          [x0, high],
        ],
        from: 'left',
      },
      { id: 'right', surface: wall, flat: rectangle([r, x1], [0, t]), from: 'above' },
      { id: 'right-low', surface: wall, flat: rectangle([r, x1], [low, 0]), from: 'right' },
    ]),
  );
}
