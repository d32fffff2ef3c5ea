/** Water at the frame's edge, in the joint behind it, on the reveals beside it, and on top of a buck. */
import type { Range } from '../../geometry/solid.ts';
import { pieceFor } from '../../build/by-role.ts';
import { UNIT } from '../../methods/names.ts';
import type { PieceRole } from '../../vocabulary/roles.ts';
import type { Choices } from '../../vocabulary/axes.ts';
import { alongSill } from './dam.ts';
import { jointDepth, sillUnder } from './hosts.ts';
import { hingedFaces } from './placed.ts';
import { seals, stands } from '../../build/moment.ts';
import type { Cell, Plane } from './plane.ts';
import { placeNode, type Follow, type Spot, type Ways } from './ways.ts';

const OUT = placeNode('out');
const STRUCTURE = placeNode('structure');
const THREE = ['head', 'left', 'right'] as const;
const TWO = ['left', 'right'] as const;

/** How the frame is joined to what spans the joint: the bond that holds water back, `open`, or one piece with it. */
type Joint = { readonly bond: string } | 'open' | 'whole';

function frameJoint({ moment }: Ways): Joint {
  const { build } = moment;
  const { mount } = build.context.choices;
  const sealing = (role: PieceRole): string | null => {
    const piece = pieceFor(build, role);
    return piece && seals(moment, piece.id) ? piece.id : null;
  };
  const held = (role: PieceRole): Joint => {
    const bond = sealing(role);
    return bond === null ? 'open' : { bond };
  };
  const kinds: Readonly<Record<Choices['mount'], () => Joint>> = {
    'integral-fin': () => 'whole',
    'separate-fin': () => 'open',
    'gasketed-fin': () => held('fin'),
    clips: () => held('outer-seal'),
    'frame-screws': () => held('outer-seal'),
    // A back bead on the old stops.
    pocket: () => (sealing('stop-bead') === null ? 'open' : held('unit')),
  };
  return kinds[mount]();
}

export function waysInJoint(ways: Ways): void {
  if (!stands(ways.moment, UNIT)) return;
  const joint = frameJoint(ways);
  const finless = ways.moment.build.context.unit.finWidth === 0;
  for (const side of THREE) {
    const [edge, seam, cavity] = [`frame-${side}`, `joint-${side}`, `cavity-${side}`] as const;
    ways.link(placeNode(edge), OUT);
    ways.link(placeNode(edge), placeNode(seam), tapeOnFrame(ways, side));
    if (finless) ways.link(placeNode(seam), OUT);
    if (joint === 'whole') continue;
    ways.link(placeNode(seam), placeNode(cavity), joint === 'open' ? null : joint.bond);
  }
  // It drips onto the frame's top, which is level, and runs off both ends.
  for (const side of TWO) ways.link(placeNode('cavity-head'), placeNode(`cavity-${side}`));
}

/** The tape that turns onto the frame and still sticks there, which keeps water off the joint. */
function tapeOnFrame({ moment }: Ways, side: (typeof THREE)[number]): string | null {
  const surface = `unit-${side}`;
  for (const piece of moment.build.pieces) {
    if (piece.form !== 'sheet' || moment.lost.has(piece.id)) continue;
    const face = piece.sheet.faces.find((f) => f.surface === surface);
    const bonded = moment.state.contacts.some((c) => c.thing === piece.id && c.face === face?.id);
    if (face && bonded && stands(moment, piece.id, face.id)) return piece.id;
  }
  return null;
}

/** Into the joint beside the frame: onto the reveal at every depth of it, and off the frame's side onto the sill. */
export function waysBeside(ways: Ways, side: 'left' | 'right', reveal: Plane, sill: Plane): void {
  const cavity = placeNode(`cavity-${side}`);
  const { unit } = ways.moment.build.context;
  for (const { cells } of reveal.columns) if (cells[0]) ways.link(cavity, ways.outermost(cells[0]));
  const beside = ([from, to]: Range) => (side === 'left' ? to <= unit.left : from >= unit.left + unit.width);
  for (const { x, cells } of sill.columns)
    if (beside(x)) for (const cell of cells) if (inJoint(ways, cell)) ways.link(cavity, ways.outermost(cell));
}

/** Down the reveal of a jamb to the sill. */
export function onReveal(ways: Ways, side: 'left' | 'right', reveal: Plane, sill: Plane): Follow {
  return (node, at, gap) => {
    const { cell, column, row } = at;
    const { x } = column;
    const below = column.cells[row + 1];
    if (gap === 0 && cell.host.kind === 'framing') ways.link(node, STRUCTURE);
    else if (below && !isUnderSill(ways, x, below))
      ways.over({ from: cell, to: below, x, goesOn: reveal.goesOn }, { from: reveal, to: reveal, gap });
    else ontoSill(ways, side, { reveal, sill }, at, gap);
  };
}

const isUnderSill = ({ moment }: Ways, x: Range, { y }: Cell): boolean =>
  (y[0] + y[1]) / 2 < sillUnder(moment.build, (x[0] + x[1]) / 2);

/** Whether a place on the sill lies in the joint's depth. */
export function inJoint({ moment }: Pick<Ways, 'moment'>, { y }: Cell): boolean {
  const [back, front] = jointDepth(moment.build);
  const middle = (y[0] + y[1]) / 2;
  return middle < alongSill(moment.build, back) && middle > alongSill(moment.build, front);
}

/** From the foot of a jamb onto the sill's end, on the outer side of what turns up there. */
function ontoSill(
  ways: Ways,
  side: 'left' | 'right',
  { reveal, sill }: { reveal: Plane; sill: Plane },
  { cell, column: { x } }: Spot,
  gap: number,
): void {
  const column = side === 'left' ? sill.columns[0] : sill.columns.at(-1);
  const depth = alongSill(ways.moment.build, (x[0] + x[1]) / 2);
  const to = column?.cells.find(({ y }) => y[0] <= depth && depth <= y[1]);
  if (!column || !to) return;
  const edge = { from: cell, to, x: column.x, goesOn: overFold(ways, reveal, sill) };
  ways.over(edge, { from: reveal, to: sill, gap });
}

/** Whether a face of one plane goes on as a face of another over the fold between them. */
export const overFold =
  ({ moment }: Ways, from: Plane, to: Plane) =>
  (above: number, below: number): boolean => {
    const [a, b] = [from.faces[above], to.faces[below]];
    if (!a || !b || a.thing !== b.thing) return false;
    const sheet = moment.sheets.get(a.thing);
    return sheet !== undefined && hingedFaces(sheet, a.face, b.face);
  };

/** A buck's top is level: it leads to its whole front, on the outer side of what is stuck there. */
export function waysOnBuck(ways: Ways, wall: Plane): void {
  for (const { cells } of wall.columns) {
    const first = cells.find((cell) => cell.host.name === 'buck');
    if (first) ways.link(placeNode('buck-top'), ways.outermost(first));
  }
  ways.link(placeNode('buck-top'), OUT);
}
