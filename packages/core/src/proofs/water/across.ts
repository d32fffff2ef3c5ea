/** Water that wind blows over the wall's face against the side of a frame with fins: the shingle rule, sideways. */
import { isReveal } from '../../vocabulary/surfaces.ts';
import { revealKind } from './hosts.ts';
import { failedAt, movesDown } from './moves.ts';
import type { Plane } from './plane.ts';
import { placeNode, thingOf, type Follow, type Ways } from './ways.ts';
import type { AcrossPlane } from '../../vocabulary/planes.ts';

const OUT = placeNode('out');
const STRUCTURE = placeNode('structure');

/** Which places stand for the joint on a side; under the sill the joint is the sill itself. */
const JOINT = {
  'across-left': ['joint-left', 'cavity-left'],
  'across-right': ['joint-right', 'cavity-right'],
  'across-sill': [null, 'cavity-left'],
} as const;

export function onFace(ways: Ways, id: AcrossPlane, plane: Plane): Follow {
  const { mount } = ways.moment.build.context.choices;
  const [joint, cavity] = JOINT[id];
  const soaks = revealKind('jamb', ways.moment.build) === 'framing';
  return (node, { cell, column, row }, gap) => {
    const nearer = column.cells[row + 1];
    const { kind } = cell.host;
    if (gap === 0 && kind === 'framing') return ways.link(node, STRUCTURE);
    if (gap === 0 && kind === 'void') return ways.link(node, placeNode(cavity));
    // Blown off again, or run down to where it leaves.
    if (kind === 'frame' || kind === 'outside' || !nearer) return ways.link(node, OUT);
    if (nearer.host.kind === 'frame') {
      ways.link(node, OUT);
      // At the frame it meets what joins frame and fin, outside of the tapes or under them.
      const outermost = gap === cell.stack.length;
      if (joint && mount !== 'integral-fin') ways.link(node, placeNode(outermost ? FRAME[joint] : joint));
      return;
    }
    const over = plane.faces[cell.stack[gap] ?? -1];
    // Under a flashing that turns into the opening it is led along the reveal, behind it.
    if (nearer.host.kind === 'void' && over && turnsIn(ways, over.thing, over.face))
      ways.link(node, soaks ? STRUCTURE : placeNode(cavity));
    const edge = { from: cell, to: nearer, x: column.x, goesOn: plane.goesOn };
    const seam = cell.host !== nearer.host && kind !== 'void' && nearer.host.kind === 'solid';
    movesDown(plane, edge, gap, failedAt(plane, cell, gap, column.x), (next, failing) => {
      const fails = thingOf(plane, failing);
      if (seam && next === 0) ways.link(node, STRUCTURE, fails);
      else ways.link(node, ways.node(nearer, next), fails);
    });
    // It may run down and out before it is blown any further.
    ways.link(node, OUT);
  };
}

/** Whether a face of the wall goes on along a reveal. */
function turnsIn({ moment }: Ways, thing: string, face: string): boolean {
  const sheet = moment.sheets.get(thing);
  return (
    sheet?.hinges.some(({ a, b }) => {
      const other = a === face ? b : b === face ? a : null;
      return sheet.faces.some(({ id, surface }) => id === other && isReveal(surface));
    }) === true
  );
}

const FRAME = { 'joint-left': 'frame-left', 'joint-right': 'frame-right' } as const;
