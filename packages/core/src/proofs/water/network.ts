/**
 * Every place water can be at round an opening, and every way it can take from there.
 *
 * Water falls; it runs sideways only on flats, along the sill and along the frame's top. What is in the joint wets
 * both sides of it. All ways are taken at once: the worst of them counts.
 */
import { cornersAt } from '../../build/corners.ts';
import { edgesInto, type EdgesInto } from './graph.ts';
import { onFace } from './across.ts';
import { hostsOf, isBarrier, layerBehindBuck, modelled } from './hosts.ts';
import { onReveal, waysBeside, waysInJoint, waysOnBuck } from './in-joint.ts';
import { onSill, type OverSill } from './on-sill.ts';
import { onWall } from './on-wall.ts';
import { facesOn } from './placed.ts';
import { UNIT } from '../../methods/names.ts';
import { acrossPlanes, type AcrossPlane, type PlaneId } from '../../vocabulary/planes.ts';
import { stands, type Moment } from '../../build/moment.ts';
import { arrange, type Plane } from './plane.ts';
import { startsOf, waterSources, type Starts, type WaterSource } from './sources.ts';
import { Ways, type Follow } from './ways.ts';

export interface Network extends Pick<
  Ways,
  'moment' | 'planes' | 'edges' | 'bonds' | 'describe' | 'count' | 'reached'
> {
  readonly into: EdgesInto;
  readonly starts: ReadonlyMap<WaterSource, Starts>;
}

/** Sides of a frame with fins that wind blows water against; the sill's only where that is meant to be closed. */
function acrossOf(moment: Moment): readonly AcrossPlane[] {
  if (!stands(moment, UNIT) || moment.build.context.unit.finWidth === 0) return [];
  return isBarrier(moment.build) ? acrossPlanes : ['across-left', 'across-right'];
}

export function networkOf(moment: Moment, overSill: OverSill | null = null): Network {
  const ways = new Ways(moment);
  const { build } = moment;
  const add = (id: PlaneId, alongX: readonly number[] = []): Plane => {
    const { marks, ...base } = hostsOf(id, moment);
    const x = [...marks.x, ...alongX];
    return ways.add(id, arrange({ ...base, faces: facesOn(id, moment), marks: { ...marks, x } }));
  };
  // Of an old wall nobody knows what lies in it.
  const wall = modelled(build) || build.context.opening.buck ? add('wall') : null;
  const behind = layerBehindBuck(build) && modelled(build) ? add('inner-plane') : null;
  // Every column of the sill lies under one of the wall.
  const sill = add(
    'sill-reveal',
    wall?.columns.flatMap(({ x }) => x),
  );
  const [left, right] = [add('left-reveal'), add('right-reveal')];
  const across = wall ? acrossOf(moment) : [];
  const faces = new Map(across.map((id) => [id, add(id)]));
  const nowhere: Follow = () => undefined;
  const blown = (id: AcrossPlane): Follow => {
    const plane = faces.get(id);
    return plane ? onFace(ways, id, plane) : nowhere;
  };
  const starts = new Map(waterSources.map((source) => [source, startsOf(source, ways)]));
  if (behind && wall) waysOnBuck(ways, wall);
  waysInJoint(ways);
  waysBeside(ways, 'left', left, sill);
  waysBeside(ways, 'right', right, sill);
  ways.explore(
    [...starts.values()].flatMap((list) => (list === 'unknown' ? [] : list.map(({ node }) => node))),
    {
      wall: wall ? onWall(ways, wall) : nowhere,
      'inner-plane': behind ? onWall(ways, behind) : nowhere,
      'sill-reveal': onSill(ways, sill, wall, { corners: cornersAt(moment), overSill }),
      'left-reveal': onReveal(ways, 'left', left, sill),
      'right-reveal': onReveal(ways, 'right', right, sill),
      'across-left': blown('across-left'),
      'across-right': blown('across-right'),
      'across-sill': blown('across-sill'),
    },
  );
  const { planes, edges, bonds, describe, count, reached } = ways;
  return { moment, planes, edges, bonds, describe, count, reached, starts, into: edgesInto(count, edges) };
}
