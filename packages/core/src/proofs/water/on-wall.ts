/** Water on the planes of the wall: straight down each column, until it leaves, soaks in or comes to the joint. */
import { isOnFrame } from '../../vocabulary/surfaces.ts';
import { GRID_mm } from '../../geometry/vector.ts';
import { BODY } from '../../build/replay.ts';
import { plays } from '../../build/by-role.ts';
import { buckSide, UNIT } from '../../methods/names.ts';
import { modelled } from './hosts.ts';
import { failedAt, movesDown } from './moves.ts';
import { stands } from '../../build/moment.ts';
import type { Cell, Plane } from './plane.ts';
import { placeNode, thingOf, type Follow, type Spot, type Ways } from './ways.ts';

const OUT = placeNode('out');
const STRUCTURE = placeNode('structure');

export function onWall(ways: Ways, plane: Plane): Follow {
  const end = modelled(ways.moment.build)?.y[0] ?? -Infinity;
  return (node, at, gap) => {
    const { cell, column, row } = at;
    const below = column.cells[row + 1];
    const { kind } = cell.host;
    if (gap === 0 && kind === 'framing') ways.link(node, STRUCTURE);
    else if (gap === 0 && kind === 'void') intoJoint(ways, at, node);
    else if (kind === 'outside' || kind === 'frame' || !below) ways.link(node, OUT);
    else {
      const aside = leavesTo(ways, plane, { cell, gap, below, end });
      if (aside) ways.link(node, placeNode(aside));
      else if (below.host.kind === 'frame') ontoFrame(ways, plane, cell, gap, node);
      else down(ways, plane, at, gap, node, below);
    }
  };
}

function down(
  ways: Ways,
  plane: Plane,
  { cell, column: { x } }: Spot,
  gap: number,
  node: number,
  below: Cell,
): void {
  const seam = cell.host !== below.host && cell.host.kind !== 'void' && below.host.kind === 'solid';
  const edge = { from: cell, to: below, x, goesOn: plane.goesOn };
  movesDown(plane, edge, gap, failedAt(plane, cell, gap, x), (next, failing) => {
    const over = plane.faces[below.stack[next - 1] ?? -1];
    const fails = thingOf(plane, failing);
    // A buck stands out of the plane behind it: what stays outside of it comes to its top or runs off beside it.
    if (over?.face === BODY)
      ways.link(node, over.thing === buckSide('head') ? placeNode('buck-top') : OUT, fails);
    // Nothing bridges the joint between two hosts: it leads in.
    else if (seam && next === 0) ways.link(node, STRUCTURE, fails);
    else ways.link(node, ways.node(below, next), fails);
  });
}

/** The wall's own layer runs on where its model ends, and a cap throws its water clear. */
function leavesTo(
  { moment }: Ways,
  plane: Plane,
  { cell, gap, below, end }: { cell: Cell; gap: number; below: Cell; end: number },
): 'out' | 'buck-top' | null {
  const face = cell.stack[gap - 1] ?? -1;
  const carrier = plane.faces[face];
  if (!carrier || below.stack.some((next) => plane.goesOn(face, next))) return null;
  return plays(moment.build, carrier.thing, 'wall-layer') && cell.y[0] <= end + 2 * GRID_mm
    ? 'out'
    : carrier.leadsTo;
}

/** Behind whatever spans the joint water is in it: on which side of the frame says the place of its column. */
function intoJoint(ways: Ways, { column: { x }, cell }: Spot, node: number): void {
  const { moment } = ways;
  const { unit } = moment.build.context;
  const middle = (x[0] + x[1]) / 2;
  const high = (cell.y[0] + cell.y[1]) / 2;
  if (!stands(moment, UNIT) || high < unit.bottom) return ontoSill(ways, middle, node);
  const side = high > unit.bottom + unit.height ? 'head' : middle < unit.left ? 'left' : 'right';
  // A recessed frame has its seal between this edge and the joint behind; one with fins is in the joint already.
  ways.link(node, placeNode(unit.finWidth === 0 ? `joint-${side}` : `cavity-${side}`));
}

function ontoSill(ways: Ways, u: number, node: number): void {
  const column = ways.planes.get('sill-reveal')?.columns.find(({ x }) => x[0] < u && u < x[1]);
  const cell = column?.cells.at(-1);
  ways.link(node, cell ? ways.outermost(cell) : OUT);
}

/** Water comes down to the frame's upper edge, on the fin or on what lies over it. */
function ontoFrame(ways: Ways, plane: Plane, cell: Cell, gap: number, node: number): void {
  const turned = (face: number) => turnsOntoFrame(ways, plane.faces[face]?.thing ?? '');
  // Under a tape that turns onto the frame it is led into the corner, outside of it over the frame.
  const under = cell.stack.slice(gap).some(turned);
  const over = cell.stack.slice(0, gap).some(turned);
  if (!under) ways.link(node, OUT);
  if (under || !over) ways.link(node, placeNode('joint-head'));
}

/** A tape with a face on the frame's own side. */
function turnsOntoFrame({ moment }: Ways, thing: string): boolean {
  const faces = moment.sheets.get(thing)?.faces ?? [];
  return faces.some((face) => isOnFrame(face.surface) && stands(moment, thing, face.id));
}
