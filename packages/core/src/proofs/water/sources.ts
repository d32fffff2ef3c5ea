/** Where water is let go: what runs down the wall, and where every window leaks sooner or later. */
import type { Range } from '../../geometry/solid.ts';
import { headCorners, layerBehindBuck, modelled } from './hosts.ts';
import { inJoint } from './in-joint.ts';
import { pieceFor, plays } from '../../build/by-role.ts';
import { stands } from '../../build/moment.ts';
import { acrossPlanes } from '../../vocabulary/planes.ts';
import { closes } from './moves.ts';
import { UNIT } from '../../methods/names.ts';
import { placeNode, thingOf, type Ways } from './ways.ts';

export const waterSources = [
  'wall-above',
  'head-corners',
  'blown-across',
  'behind-layer',
  'frame-joint',
  'unit-sill',
  'mullion',
] as const;
export type WaterSource = (typeof waterSources)[number];

export interface Start {
  readonly node: number;
  readonly span: Range;
}

const MULLION_HALF_mm = 20;

export type Starts = readonly Start[] | 'unknown';

/** @returns `unknown` for a wall that nobody opened, an empty list for a source that this opening has not */
export function startsOf(source: WaterSource, ways: Ways): Starts {
  switch (source) {
    case 'wall-above':
    case 'head-corners':
      return fromAbove(source, ways);
    case 'blown-across':
      return blownAcross(ways);
    case 'behind-layer':
      return fromBehind(ways);
    case 'frame-joint':
      return fromJoint(ways);
    case 'unit-sill':
    case 'mullion':
      return fromUnit(source, ways);
  }
}

function fromAbove(source: WaterSource, ways: Ways): Starts {
  const { build } = ways.moment;
  const own = modelled(build);
  if (!own) return 'unknown';
  const behind = layerBehindBuck(build);
  const plane = ways.planes.get(behind ? 'inner-plane' : 'wall');
  const leg = behind ? (build.context.opening.buck?.leg ?? 0) : 0;
  const corners = headCorners(build);
  return (plane?.columns ?? []).flatMap(({ x, cells }): Start[] => {
    const middle = (x[0] + x[1]) / 2 - leg;
    const atCorner = corners.some(([from, to]) => from < middle && middle < to);
    if (atCorner !== (source === 'head-corners')) return [];
    const top = cells.find(({ y }) => (y[0] + y[1]) / 2 < own.y[1]);
    if (!top || middle + leg < own.x[0] || middle + leg > own.x[1]) return [];
    return [{ node: ways.outermost(top), span: [x[0] - leg, x[1] - leg] }];
  });
}

/** Where wind takes it up, beside the frame. */
const blownAcross = (ways: Ways): Start[] =>
  acrossPlanes.flatMap((id) =>
    (ways.planes.get(id)?.columns ?? []).flatMap(({ x, cells }): Start[] =>
      cells[0] ? [{ node: ways.outermost(cells[0]), span: x }] : [],
    ),
  );

/** Faults higher up let water in behind the wall's layer: it comes down to the head on its inner side. */
function fromBehind(ways: Ways): Start[] {
  const { moment } = ways;
  const { build } = moment;
  const { unit, choices } = build.context;
  if (!stands(moment, UNIT)) return [];
  const whole: Range = [unit.left, unit.left + unit.width];
  const tray = pieceFor(build, 'cavity-tray');
  if (choices.waterLayer === 'masonry')
    return tray || build.wall.layers.some(({ role }) => role === 'cavity')
      ? [
          {
            node: placeNode(
              tray && stands(moment, tray.id, tray.form === 'sheet' ? tray.sheet.faces[0]?.id : undefined)
                ? 'out'
                : 'cavity-head',
            ),
            span: whole,
          },
        ]
      : [];
  // What sticks to the boards has nothing behind it; courses that come later lap over all of it.
  if (choices.waterLayer !== 'mechanical-wrap' || choices.sequence !== 'wrap-first') return [];
  const plane = ways.planes.get(layerBehindBuck(build) ? 'inner-plane' : 'wall');
  if (!plane) return [];
  const leg = layerBehindBuck(build) ? (build.context.opening.buck?.leg ?? 0) : 0;
  const isWrap = (face: number) => plays(build, plane.faces[face]?.thing ?? '', 'wrap');
  return plane.columns.flatMap((column): Start[] => {
    const { x, cells } = column;
    const middle = (x[0] + x[1]) / 2 - leg;
    if (middle < whole[0] || middle > whole[1]) return [];
    const span: Range = [x[0] - leg, x[1] - leg];
    for (const cell of cells) {
      if ((cell.y[0] + cell.y[1]) / 2 - leg < unit.bottom + unit.height) break;
      const over = cell.stack.findIndex(isWrap);
      const held = cell.stack.findIndex((_, i) => i < over && closes(plane, cell, i, x));
      if (held < 0) continue;
      // Where its lower edge is held down it cannot leave there.
      const isHeld = closes(plane, cell, over, x);
      const node = ways.behind(column, isHeld ? 'behind-layer' : { cell, gap: over });
      if (isHeld) ways.link(node, placeNode('out'), thingOf(plane, cell.stack[over]));
      else ways.link(node, ways.node(cell, over));
      // The upper edge of the strip is what keeps it from going behind.
      ways.link(node, ways.node(cell, held), thingOf(plane, cell.stack[held]));
      return [{ node, span }];
    }
    return [{ node: placeNode('cavity-head'), span }];
  });
}

function fromJoint({ moment }: Ways): Start[] {
  if (!stands(moment, UNIT)) return [];
  const { unit } = moment.build.context;
  return (['head', 'left', 'right'] as const).map((side): Start => {
    const length = side === 'head' ? unit.width : unit.height;
    return { node: placeNode(`frame-${side}`), span: [0, length] };
  });
}

/** The unit's own corners at the sill, and the ends of its mullions: on the outer side of all that lies there. */
function fromUnit(source: WaterSource, ways: Ways): Start[] {
  const { moment, planes } = ways;
  if (!stands(moment, UNIT)) return [];
  const { unit } = moment.build.context;
  const right = unit.left + unit.width;
  const under: Range[] =
    source === 'unit-sill'
      ? [
          [unit.left, unit.left + unit.frameFace],
          [right - unit.frameFace, right],
        ]
      : unit.mullions.map((u): Range => [u - MULLION_HALF_mm, u + MULLION_HALF_mm]);
  return (planes.get('sill-reveal')?.columns ?? []).flatMap(({ x, cells }): Start[] => {
    const middle = (x[0] + x[1]) / 2;
    if (!under.some(([from, to]) => from < middle && middle < to)) return [];
    return cells
      .filter((cell) => inJoint(ways, cell))
      .map((cell) => ({ node: ways.outermost(cell), span: x }));
  });
}
