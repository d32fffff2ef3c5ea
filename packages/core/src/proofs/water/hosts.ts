/** What stands under the sheets of each plane, and how far each is looked at. */
import type { Range } from '../../geometry/solid.ts';
import { sillHeight } from '../../methods/pieces/context.ts';
import { slitReach } from '../../methods/pieces/wall.ts';
import { buckSide, UNIT } from '../../methods/names.ts';
import type { Build } from '../../build/build.ts';
import type { AcrossPlane, PlaneId } from '../../vocabulary/planes.ts';
import { alongSill, damOf } from './dam.ts';
import { onPlane } from './placed.ts';
import type { Point2 } from '../../geometry/vector.ts';
import { stands, type Moment } from '../../build/moment.ts';
import { EVERYWHERE, type Host, type HostKind, type PlaneSpec } from './plane.ts';

/** A closed method keeps water out of the opening altogether; a drained one lets out what comes in. */
export const isBarrier = ({ context }: Build): boolean => context.choices.bedding === 'barrier';

/** Whether the wall's water layer lies behind a buck, on the sheathing. */
export const layerBehindBuck = ({ context: { opening, choices } }: Build): boolean =>
  opening.buck !== null && choices.waterLayer !== 'foam-face';

/** Depths of the joint round the frame that water can be in, as w. */
export function jointDepth({ context: { unit } }: Build): Range {
  return [unit.back, Math.min(unit.front, 0)];
}

/** The wall's layer as far as it is modelled, top and bottom; `null` in a wall that nobody opened. */
export function modelled(build: Build): Modelled | null {
  const before = known.get(build);
  if (before !== undefined) return before;
  const found = measured(build);
  known.set(build, found);
  return found;
}

type Modelled = { readonly x: Range; readonly y: Range };
/** Asked for at every turn, and the same for one build. */
const known = new WeakMap<Build, Modelled | null>();

function measured(build: Build): Modelled | null {
  const { pieces } = build;
  const points = pieces.flatMap((piece) =>
    piece.form === 'sheet' && piece.roles.includes('wall-layer')
      ? piece.sheet.faces
          .filter((f) => f.surface === 'wall' || f.surface === 'inner-plane')
          .flatMap((f) => f.placed)
      : [],
  );
  if (points.length === 0) return build.context.choices.waterLayer === 'existing' ? null : bareWall(build);
  const [xs, ys] = [points.map((p) => p[0]), points.map((p) => p[1])];
  return { x: [Math.min(...xs), Math.max(...xs)], y: [Math.min(...ys), Math.max(...ys)] };
}

/** Where the wall has no layer of its own yet, or none any more, water runs on what is bare. */
function bareWall({ context: { opening } }: Build): Modelled {
  const { width, height } = opening;
  return { x: [-BARE_mm, width + BARE_mm], y: [-BARE_mm, height + BARE_mm] };
}

const BARE_mm = 160;

/** Soaks: wood and board. Masonry, foam, and an old sill that has shed water for years do not. */
export function revealKind(side: 'sill' | 'jamb', { context: { choices, opening } }: Build): HostKind {
  if (choices.waterLayer === 'masonry' || opening.buck?.kind === 'foam-l') return 'solid';
  return choices.waterLayer === 'existing' && side === 'sill' ? 'solid' : 'framing';
}

type Base = Pick<PlaneSpec, 'hosts' | 'marks' | 'within' | 'gridded'>;

const host = (name: string, kind: HostKind, x: Range = EVERYWHERE, y: Range = EVERYWHERE): Host => ({
  name,
  kind,
  x,
  y,
});

export function hostsOf(plane: PlaneId, moment: Moment): Base {
  const { build } = moment;
  if (plane === 'wall') return wallHosts(moment);
  if (plane === 'across-left' || plane === 'across-right' || plane === 'across-sill')
    return acrossHosts(plane, moment);
  const { opening, numbers, unit } = build.context;
  const dam = plane === 'sill-reveal' ? damOf(moment) : null;
  if (plane === 'inner-plane') {
    const leg = opening.buck?.leg ?? 0;
    const rough = [
      [0, opening.width + 2 * leg],
      [0, opening.height + 2 * leg],
    ] as const;
    return {
      hosts: [host('sheathing', 'framing'), host('rough-opening', 'framing', ...rough)],
      marks: {
        x: headCorners(build)
          .flat()
          .map((u) => u + leg),
        y: endsOf(build),
      },
      within: { x: modelled(build)?.x ?? EVERYWHERE, y: EVERYWHERE },
    };
  }
  if (plane === 'sill-reveal')
    return {
      hosts: [host('sill', revealKind('sill', build))],
      gridded: true,
      marks: {
        x: [
          unit.left,
          unit.left + unit.frameFace,
          unit.left + unit.width - unit.frameFace,
          unit.left + unit.width,
        ],
        y: [...jointDepth(build).map((w) => alongSill(build, w)), ...(dam ? [dam.depth] : [])],
      },
      within: { x: [0, opening.width], y: [0, alongSill(build, -opening.depth)] },
    };
  return {
    hosts: [host('jamb', revealKind('jamb', build))],
    marks: { x: [], y: [] },
    within: { x: jointDepth(build), y: [numbers.boardFront, opening.height] },
  };
}

const endsOf = (build: Build): readonly number[] => modelled(build)?.y ?? [];

function wallHosts(moment: Moment): Base {
  const { build } = moment;
  const { opening, numbers, unit, choices } = build.context;
  const { width: W, height: H, buck } = opening;
  const hosts: Host[] = [];
  if (!buck) hosts.push(host('sheathing', choices.waterLayer === 'masonry' ? 'solid' : 'framing'));
  else {
    const { face } = buck;
    hosts.push(layerBehindBuck(build) ? host('board', 'outside') : host('board', 'framing'));
    const kind = !stands(moment, buckSide('head')) ? 'void' : buck.kind === 'foam-l' ? 'solid' : 'framing';
    hosts.push(host('buck', kind, [-face, W + face], [-face, H + face]));
  }
  hosts.push(host('joint', 'void', [0, W], [numbers.boardFront, H]));
  if (stands(moment, UNIT))
    hosts.push(
      host('frame', 'frame', [unit.left, unit.left + unit.width], [unit.bottom, unit.bottom + unit.height]),
    );
  const own = modelled(build);
  const face = buck?.face ?? 0;
  const x: Range = layerBehindBuck(build) || !own ? [-face, W + face] : own.x;
  return {
    hosts,
    marks: { x: headCorners(build).flat(), y: layerBehindBuck(build) ? [] : endsOf(build) },
    within: { x, y: EVERYWHERE },
  };
}

/** What the wall's face is made of, turned towards one side of the frame. */
function acrossHosts(plane: AcrossPlane, moment: Moment): Base {
  const { build } = moment;
  const { unit } = build.context;
  const { hosts, within } = wallHosts(moment);
  const turned = ({ x, y, ...host }: Host): Host => {
    const corners = [onPlane(plane, [x[0], y[0]]), onPlane(plane, [x[1], y[1]])] as const;
    const range = (i: 0 | 1): Range => [
      Math.min(corners[0][i], corners[1][i]),
      Math.max(corners[0][i], corners[1][i]),
    ];
    return { ...host, x: range(0), y: range(1) };
  };
  const right = unit.left + unit.width;
  // From where water is blown against it to just over the frame's edge.
  const from: Readonly<Record<AcrossPlane, Point2>> = {
    'across-left': [within.x[0], unit.bottom],
    'across-right': [within.x[1], unit.bottom],
    'across-sill': [unit.left, modelled(build)?.y[0] ?? -BARE_mm],
  };
  const to: Readonly<Record<AcrossPlane, Point2>> = {
    'across-left': [unit.left + EDGE_mm, unit.bottom + unit.height],
    'across-right': [right - EDGE_mm, unit.bottom + unit.height],
    'across-sill': [right, unit.bottom + EDGE_mm],
  };
  const [start, end] = [onPlane(plane, from[plane]), onPlane(plane, to[plane])];
  return {
    hosts: hosts.map(turned),
    marks: { x: [], y: [] },
    within: { x: [start[0], end[0]], y: [end[1], start[1]] },
  };
}

/** What of the frame is looked at beyond its edge. */
const EDGE_mm = 1;

/** Beside the frame's corners where nothing is slit: a hand and a half, common practice, no source. */
const CORNER_mm = 150;

/** Where strips end and slits run at the head, as stretches of u. */
export function headCorners(build: Build): Range[] {
  const { unit, opening, numbers, choices } = build.context;
  const slit = build.pieces.some((p) => p.form === 'sheet' && p.sheet.faces.some((f) => f.id === 'flap'));
  const leg = layerBehindBuck(build) ? (opening.buck?.leg ?? 0) : 0;
  const back = choices.wrapEdge === 'cut-back' ? numbers.cutBack : 0;
  const reach = slit ? slitReach(numbers.flapSlit) + back + leg : CORNER_mm - unit.left;
  return [
    [-reach, unit.left],
    [unit.left + unit.width, opening.width + reach],
  ];
}

/** Height of the sill's surface where a point of a jamb stands, mm. @param w depth, below 0 */
export const sillUnder = ({ context: { numbers } }: Build, w: number): number => sillHeight(numbers, -w);
