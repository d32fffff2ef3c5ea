/** The pen line as it is drawn: from the wall to the frame through a cut, and round the frame on the face. */
import { sectionOf } from '../../build/section.ts';
import type { CutId } from '../../vocabulary/sides.ts';
import type { Range } from '../../geometry/solid.ts';
import { distance2, type Point2, type Point3 } from '../../geometry/vector.ts';
import type { Build } from '../../build/build.ts';
import { momentOf, type LostBond } from '../../build/moment.ts';
import { contactsIn, type Contact } from './contacts.ts';
import { FRAME, isRoomLayer, wallLayer } from './layers.ts';
import { linesThrough, neighboursOf, type Line } from './lines.ts';
import type { AirProof } from './proof.ts';
import { isUpright, sectionAt, standingAt, type AirSection, type SheetLine } from './section.ts';

export interface AirStop {
  readonly thing: string;
  /** Where the pen comes onto it. */
  readonly at: Point3;
}

export interface AirCourse {
  readonly side: CutId;
  readonly points: readonly Point3[];
  readonly stops: readonly AirStop[];
  /** Where the pen has to be lifted, if it must; the line beyond it is what would be there if it were bonded. */
  readonly lift: Point3 | null;
}

interface Moment {
  readonly count?: number;
  readonly lost?: readonly LostBond[];
}

/** How far from the opening the wall's own layer is drawn, mm. */
const AWAY_mm = 400;

/** Returns the line in a cut where it is drawn; `null` where nothing joins wall and frame at all. */
export function airCourse(
  build: Build,
  proof: AirProof,
  cut: CutId,
  { count = build.steps.length, lost = [] }: Moment = {},
): AirCourse | null {
  const standing = standingAt(momentOf(build, count, lost));
  const { at } = sectionOf(build, cut).plane;
  const section = sectionAt(standing, { side: cut, at });
  const { tight, loose, foam } = contactsIn(section, standing);
  const own = proof.sides.find((side) => side.side === cut);
  const there = own?.stretches.find(({ range }) => range[0] <= at && at <= range[1])?.line ?? null;
  const from = wallLayer(cut, build.context);
  const lifted = there ? null : linesThrough(neighboursOf([...tight, ...loose, ...foam]), from, FRAME)[0];
  const line = there ?? lifted;
  if (!line) return null;
  const all = [...tight, ...loose, ...foam];
  const between = line.slice(1).map((thing, i) => {
    const before = line[i] ?? thing;
    const meet = (list: readonly Contact[]) =>
      list.find(({ a, b }) => (a === before && b === thing) || (b === before && a === thing));
    return { contact: meet(all), tight: meet(tight) !== undefined };
  });
  const space = ([w, across]: Point2): Point3 => (isUpright(cut) ? [across, at, w] : [at, across, w]);
  const meets = between.map(({ contact }) => contact?.at ?? roomEdgeOf(build, cut));
  const start = startOf(section, build, cut, meets[0] ?? roomEdgeOf(build, cut));
  const flat = line.flatMap((thing, i): Point2[] => {
    const [p, q] = [i === 0 ? start : meets[i - 1], meets[i]];
    if (!p) return [];
    return q ? alongThing(section, thing, p, q) : [p];
  });
  const lifts = between.findIndex((b) => !b.tight);
  return {
    side: cut,
    points: flat.map(space),
    stops: stopsOf(line, start, meets).map(({ thing, at: p }) => ({ thing, at: space(p) })),
    lift: lifts < 0 || there ? null : space(meets[lifts] ?? start),
  };
}

const stopsOf = (line: Line, start: Point2, meets: readonly Point2[]): { thing: string; at: Point2 }[] =>
  line.map((thing, i) => ({ thing, at: (i === 0 ? start : meets[i - 1]) ?? start }));

/** Away from the opening along the wall, as `across`. */
function outward(build: Build, cut: CutId): { edge: number; sign: 1 | -1 } {
  const { opening } = build.context;
  return {
    sill: { edge: 0, sign: -1 as const },
    left: { edge: 0, sign: -1 as const },
    head: { edge: opening.height, sign: 1 as const },
    right: { edge: opening.width, sign: 1 as const },
  }[cut];
}

/** Where a layer of the room meets the reveal. */
function roomEdgeOf(build: Build, cut: CutId): Point2 {
  const { edge } = outward(build, cut);
  return [build.context.opening.framing, edge];
}

/** The far end of the wall's own layer. */
function startOf(section: AirSection, build: Build, cut: CutId, first: Point2): Point2 {
  const { edge, sign } = outward(build, cut);
  const { context } = build;
  const layer = wallLayer(cut, context);
  const far = edge + sign * AWAY_mm;
  if (isRoomLayer(layer)) return [context.opening.framing, far];
  const own = section.lines.filter((line) => line.thing === layer && line.surface === 'wall');
  const w = own[0]?.ends[0][0] ?? first[0];
  const ends = own.flatMap((line) => line.ends.map((end) => end[1]));
  const reach = sign < 0 ? Math.min(...ends) : Math.max(...ends);
  return [w, ends.length > 0 && (sign < 0 ? reach > far : reach < far) ? reach : far];
}

/** Along a sheet's own faces from one of its points to another; straight through anything else. */
function alongThing(section: AirSection, thing: string, from: Point2, to: Point2): Point2[] {
  const faces = section.lines.filter((line) => line.thing === thing);
  if (faces.length < 2) return [from, to];
  const chain = chainBetween(faces, from, to);
  return [from, ...chain, to];
}

const MEET_mm = 3;

/** Folds that lie between two points of a sheet, in order. */
function chainBetween(faces: readonly SheetLine[], from: Point2, to: Point2): Point2[] {
  const nearest = (p: Point2) =>
    faces.reduce(
      (best, face) => (distanceTo(face, p) < distanceTo(best, p) ? face : best),
      faces[0] as SheetLine,
    );
  const [first, last] = [nearest(from), nearest(to)];
  const seen = new Map<SheetLine, readonly Point2[]>([[first, []]]);
  for (const [face, folds] of seen) {
    if (face === last) return [...folds];
    for (const other of faces) {
      if (seen.has(other)) continue;
      const fold = face.ends.find((end) => other.ends.some((e) => distance2(e, end) < MEET_mm));
      if (fold) seen.set(other, [...folds, fold]);
    }
  }
  return [];
}

function distanceTo({ ends: [a, b] }: Pick<SheetLine, 'ends'>, p: Point2): number {
  const length = distance2(a, b);
  if (length === 0) return distance2(a, p);
  const t = ((p[0] - a[0]) * (b[0] - a[0]) + (p[1] - a[1]) * (b[1] - a[1])) / length ** 2;
  const k = Math.min(1, Math.max(0, t));
  return distance2([a[0] + k * (b[0] - a[0]), a[1] + k * (b[1] - a[1])], p);
}

/** A stretch of the ring on the face: beside the frame, closed or lifted. */
export interface RingStretch {
  readonly side: CutId;
  readonly from: Point3;
  readonly to: Point3;
  readonly closed: boolean;
}

/** Returns the ring round the frame as lines on its outline, for the view of the face. */
export function airRing(build: Build, proof: AirProof): { stretches: RingStretch[]; breaks: Point3[] } {
  const { left, bottom, width, height, front } = build.context.unit;
  const on = (side: CutId, at: number): Point3 =>
    ({
      sill: [at, bottom, front] as const,
      head: [at, bottom + height, front] as const,
      left: [left, at, front] as const,
      right: [left + width, at, front] as const,
    })[side];
  const corner = (where: string): Point3 => {
    const [end, side] = where.split('-');
    return [side === 'left' ? left : left + width, end === 'sill' ? bottom : bottom + height, front];
  };
  return {
    stretches: proof.sides.flatMap(({ side, stretches }) =>
      stretches.map(({ range, line }: { range: Range; line: Line | null }): RingStretch => ({
        side,
        from: on(side, range[0]),
        to: on(side, range[1]),
        closed: line !== null,
      })),
    ),
    breaks: proof.breaks.map(({ where, at }) => (at === null ? corner(where) : on(where as CutId, at))),
  };
}
