/** Water on the sill: outwards with its slope, along it to both ends, and out over its edge. */
import type { Range } from '../../geometry/solid.ts';
import type { CornerPlace } from '../../build/corners.ts';
import { isBarrier } from './hosts.ts';
import { overFold } from './in-joint.ts';
import { isSillClosed } from '../../build/flaws.ts';
import { plays } from '../../build/by-role.ts';
import { damOf } from './dam.ts';
import { seals } from '../../build/moment.ts';
import type { Cell, Plane } from './plane.ts';
import { placeNode, type Follow, type Spot, type Ways } from './ways.ts';

const STRUCTURE = placeNode('structure');

/** What keeps water that stands on the sill from the room. */
export interface OverSill {
  /** The bond of the inner seal; `null` where there is none. */
  readonly seal: string | null;
}

export function onSill(
  ways: Ways,
  sill: Plane,
  wall: Plane | null,
  o: { corners: readonly CornerPlace[]; overSill: OverSill | null },
): Follow {
  const { slope } = ways.moment.build.context.numbers;
  const [runsOut, runsIn] = [slope > -LEVEL_deg, slope < LEVEL_deg];
  const dam = damOf(ways.moment);
  const shut = isSillClosed(ways.moment.build);
  // A seal that is not there yet, or that is known not to stick, keeps nothing out.
  const planned = o.overSill?.seal ?? null;
  const seal = planned !== null && seals(ways.moment, planned) ? planned : null;
  const ends = openEnds(ways, sill, o.corners);
  return (node, at, gap) => {
    const { cell, column, i, row } = at;
    const { x } = column;
    if (gap === 0 && cell.host.kind === 'framing') return ways.link(node, STRUCTURE);
    const on = (to: Cell) =>
      ways.over({ from: cell, to, x, goesOn: sill.goesOn }, { from: sill, to: sill, gap });
    const outward = column.cells[row + 1];
    if (runsOut && outward) on(outward);
    else if (runsOut && !shut) overEdge(ways, { sill, wall }, at, gap, node);
    const inward = runsIn ? column.cells[row - 1] : undefined;
    if (inward) {
      if (!dam || dam.depth < middle(cell.y) || dam.depth > middle(inward.y)) on(inward);
      // It stands before the dam; over it only pressure lifts it, and under it a bed that has come off lets it.
      else if (dam.bed !== null) ways.link(node, ways.outermost(inward), dam.bed);
    } else if (!runsOut) ways.link(node, placeNode('room'));
    for (const next of [sill.columns[i - 1], sill.columns[i + 1]])
      for (const to of next?.cells ?? []) if (to.y[0] < cell.y[1] && cell.y[0] < to.y[1]) on(to);
    if (o.overSill) ways.link(node, placeNode('room'), seal);
    if (gap === 0) return;
    for (const { side, fails } of ends)
      if (i === (side === 'left' ? 0 : sill.columns.length - 1)) ways.link(node, STRUCTURE, fails);
  };
}

const middle = ([from, to]: Range): number => (from + to) / 2;

/** Within this a sill counts as level, degrees: common practice, no source. */
const LEVEL_deg = 0.3;

/** Over the fold at the sill's outer edge, under whatever hangs down over it there. */
function overEdge(
  ways: Ways,
  { sill, wall }: { sill: Plane; wall: Plane | null },
  { column, cell }: Spot,
  gap: number,
  node: number,
): void {
  const middle = (column.x[0] + column.x[1]) / 2;
  const cells = wall?.columns.find(({ x }) => x[0] < middle && middle < x[1])?.cells ?? [];
  const low = ways.moment.build.context.numbers.boardFront;
  const at = cells.findIndex(({ y }) => (y[0] + y[1]) / 2 < low);
  const to = cells[at];
  // An old wall is not opened: its sill sheds in front of it.
  if (!wall || !to) return ways.link(node, placeNode('out'), null, true);
  const covering = cells[at - 1]?.stack ?? [];
  const edge = { from: cell, to, x: column.x, goesOn: overFold(ways, sill, wall), covering };
  ways.over(edge, { from: sill, to: wall, gap }, true);
}

/**
 * Ends of the sill that what lies there gets through. In a closed method no water should come this far: that it has no
 * way out is what is said of it, not which corner it finds.
 */
function openEnds(
  { moment }: Ways,
  sill: Plane,
  corners: readonly CornerPlace[],
): { side: 'left' | 'right'; fails: string | null }[] {
  if (sill.hosts[0]?.kind !== 'framing' || isBarrier(moment.build)) return [];
  return (['left', 'right'] as const).flatMap((side) => {
    const corner = corners.find((c) => c.id === `sill-${side}`);
    if (!corner || corner.state === 'one-piece' || corner.state === 'filled') return [];
    const patch = corner.pieces.find((piece) => plays(moment.build, piece, 'corner-patch'));
    return [{ side, fails: corner.state === 'patched' && patch && !moment.lost.has(patch) ? patch : null }];
  });
}
