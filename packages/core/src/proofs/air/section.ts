/** What lies in a section of one side: the lines of its sheets, its solids, the places where its beads go through. */
import { flawsOf, isOpenAt } from '../../build/flaws.ts';
import { crossings } from '../../build/section.ts';
import type { CutId } from '../../vocabulary/sides.ts';
import { bounds } from '../../geometry/polygon.ts';
import { depthAt, type CutPlane, type Range, type Solid } from '../../geometry/solid.ts';
import type { SheetFace } from '../../geometry/sheet.ts';
import type { SurfaceId } from '../../vocabulary/surfaces.ts';
import type { Point2, Point3 } from '../../geometry/vector.ts';
import type { SheetMaterialId } from '../../vocabulary/materials.ts';
import type { Piece } from '../../methods/pieces/piece.ts';
import { BODY, faceKey } from '../../build/replay.ts';
import { plays } from '../../build/by-role.ts';
import type { Moment } from '../../build/moment.ts';

type BeadHere = Extract<Piece, { form: 'bead' }>;
type SolidHere = Extract<Piece, { form: 'solid' }>;

/** A section across one side, at a `u` of sill and head and at a `v` of a jamb. */
export interface Station {
  readonly side: CutId;
  readonly at: number;
}

/** A face of a sheet where the section goes through it, in the coordinate that runs along it. */
export interface SheetLine {
  readonly thing: string;
  readonly face: string;
  readonly surface: SurfaceId;
  readonly material: SheetMaterialId;
  readonly range: Range;
  /** Its ends as (w, across). */
  readonly ends: readonly [Point2, Point2];
  /** Higher lies over lower. */
  readonly order: number;
  /** Whether it sticks to what lies under it, over its whole face or along a bead. */
  readonly bond: 'face' | 'bead' | null;
}

export interface SolidCut {
  readonly thing: string;
  readonly material: string;
  readonly w: Range;
  readonly across: Range;
  readonly order: number;
}

/** Where a bead goes through the section. */
export interface BeadPoint {
  readonly thing: string;
  readonly at: Point2;
  readonly order: number;
}

export interface AirSection {
  readonly station: Station;
  /** From where to where the frame stands. */
  readonly frame: { readonly u: Range; readonly v: Range };
  readonly lines: readonly SheetLine[];
  readonly solids: readonly SolidCut[];
  readonly beads: readonly BeadPoint[];
}

const alongWall: ReadonlySet<SurfaceId> = new Set(['wall', 'inner-plane', 'unit-inside', 'sill-rear']);
/** Position in (w, across) of the coordinate that runs along a surface in a section. */
export const runsAlong = (surface: SurfaceId): 0 | 1 => (alongWall.has(surface) ? 1 : 0);

export const isUpright = (side: CutId): boolean => side === 'left' || side === 'right';
export const planeOf = ({ side, at }: Station): CutPlane => ({ axis: isUpright(side) ? 'v' : 'u', at });

interface FaceThere extends Omit<SheetLine, 'range' | 'ends'> {
  readonly shape: SheetFace;
  /** From where to where along the wall it can be met, as u and v. */
  readonly u: Range;
  readonly v: Range;
}
interface BeadThere {
  readonly bead: BeadHere;
  readonly order: number;
}
interface SolidThere {
  readonly piece: SolidHere;
  readonly order: number;
  readonly parts: readonly { readonly solid: Solid; readonly w: Range; readonly v: Range }[];
}

/** Everything in its place at a moment, ready to be cut. */
export interface Standing {
  readonly moment: Moment;
  readonly faces: readonly FaceThere[];
  readonly solids: readonly SolidThere[];
  readonly beads: readonly BeadThere[];
}

export function standingAt(moment: Moment): Standing {
  const { build, state, lost } = moment;
  const orderOf = (thing: string, face = BODY) => {
    const now = state.faces.get(faceKey(thing, face));
    return now?.state === 'in place' ? now.order : null;
  };
  const bonded = new Map<string, 'face' | 'bead'>();
  for (const { thing, face, kind } of state.contacts)
    if (kind !== 'clamp') bonded.set(faceKey(thing, face), bondKind(thing, kind, moment));
  const faces = build.pieces.flatMap((piece): FaceThere[] => {
    if (piece.form !== 'sheet') return [];
    return piece.sheet.faces.flatMap((shape): FaceThere[] => {
      const order = orderOf(piece.id, shape.id);
      if (order === null) return [];
      const bond = lost.has(piece.id) ? null : (bonded.get(faceKey(piece.id, shape.id)) ?? null);
      const us = shape.space.map((p) => p[0]);
      const vs = shape.space.map((p) => p[1]);
      return [
        {
          thing: piece.id,
          face: shape.id,
          surface: shape.surface,
          material: piece.sheet.material,
          order,
          bond,
          shape,
          u: [Math.min(...us), Math.max(...us)],
          v: [Math.min(...vs), Math.max(...vs)],
        },
      ];
    });
  });
  const solids: SolidThere[] = [];
  const beads: BeadThere[] = [];
  for (const piece of build.pieces) {
    const order = piece.form === 'sheet' ? null : orderOf(piece.id);
    if (order === null || lost.has(piece.id)) continue;
    if (piece.form === 'solid' && mayMatter(piece))
      solids.push({
        piece,
        order,
        parts: piece.solids.map((solid) => {
          const { x, y } = bounds(solid.profile);
          return { solid, w: x, v: y };
        }),
      });
    if (piece.form === 'bead') beads.push({ bead: piece, order });
  }
  return { moment, faces, solids, beads };
}

/** Bucks carry beads, fills close the joint, and what stands in it may go through a seal. */
const mayMatter = ({ roles, solids }: SolidHere): boolean =>
  roles.includes('buck') ||
  roles.includes('crosses-joint') ||
  solids.some(({ material }) => TIGHT_FILL.includes(material) || material === 'foam');

/** What closes a joint that it fills. */
export const TIGHT_FILL: readonly string[] = ['sealant', 'band'];

/** A fin lies in its bead; only the gasket of a gasketed one seals over its face. A sheet of the room hangs on its bead. */
function bondKind(thing: string, kind: string, { build, sheets }: Moment): 'face' | 'bead' {
  if (plays(build, thing, 'fin')) return build.context.choices.mount === 'gasketed-fin' ? 'face' : 'bead';
  return kind === 'bead' && sheets.get(thing)?.material === 'fin' ? 'bead' : 'face';
}

/** The half of the opening that belongs to a side. */
function ownHalf(side: CutId, { moment }: Standing): (across: number) => boolean {
  const { unit } = moment.build.context;
  const middle = isUpright(side) ? unit.left + unit.width / 2 : unit.bottom + unit.height / 2;
  return side === 'left' || side === 'sill' ? (x) => x < middle : (x) => x > middle;
}

export function frameOf({ moment }: Standing): AirSection['frame'] {
  const { left, bottom, width, height } = moment.build.context.unit;
  return { u: [left, left + width], v: [bottom, bottom + height] };
}

/** What a section of one side may meet, with what it meets wherever that is the same all along. */
interface Cutter {
  readonly isOwn: (across: number) => boolean;
  readonly lines: readonly {
    readonly there: FaceThere;
    /** Strictly within it the face is met. */
    readonly along: Range;
    /** A strip that runs straight along the side is met alike everywhere. */
    readonly alike: readonly SheetLine[] | null;
  }[];
  readonly solids: readonly {
    readonly thing: string;
    readonly order: number;
    readonly solid: Solid;
    readonly along: Range;
    readonly across: Range;
    readonly alike: SolidCut | null;
  }[];
  readonly beads: readonly {
    readonly thing: string;
    readonly order: number;
    readonly ends: readonly [Point3, Point3];
    readonly alike: BeadPoint | null;
  }[];
}

const cutters = new WeakMap<Standing, Map<CutId, Cutter>>();

function cutterOf(standing: Standing, side: CutId): Cutter {
  const known = cutters.get(standing) ?? new Map<CutId, Cutter>();
  cutters.set(standing, known);
  const found = known.get(side) ?? makeCutter(standing, side);
  known.set(side, found);
  return found;
}

function makeCutter(standing: Standing, side: CutId): Cutter {
  const upright = isUpright(side);
  const isOwn = ownHalf(side, standing);
  const [u, v] = upright ? ([1, 0] as const) : ([0, 1] as const);
  const lines = standing.faces.flatMap((there) => {
    const [along, across] = upright ? [there.v, there.u] : [there.u, there.v];
    if (!isOwn(across[0]) && !isOwn(across[1])) return [];
    const alike = runsStraight(there.shape.space, u) ? linesOf(there, side, middleOf(along), isOwn) : null;
    return [{ there, along, alike }];
  });
  const solids = standing.solids.flatMap(({ piece, order, parts }) =>
    parts.flatMap(({ solid, w, v: high }) => {
      const [along, across] = upright ? [high, solid.u] : [solid.u, high];
      if (!isOwn(across[0]) && !isOwn(across[1])) return [];
      const thing = piece.id;
      const isBox = !upright || solid.profile.every(([x, y]) => w.includes(x) && high.includes(y));
      const alike = isBox ? { thing, material: solid.material, w, across, order } : null;
      return [{ thing, order, solid, along, across, alike }];
    }),
  );
  const beads = standing.beads.flatMap(({ bead, order }) =>
    bead.paths.flatMap((path) =>
      path.slice(1).flatMap((q, i) => {
        const p = path[i] ?? q;
        const straight = p[v] === q[v] && p[2] === q[2];
        if (straight && !isOwn(q[v])) return [];
        const alike: BeadPoint | null = straight ? { thing: bead.id, at: [q[2], q[v]], order } : null;
        return [{ thing: bead.id, order, ends: [p, q] as const, alike }];
      }),
    ),
  );
  return { isOwn, lines, solids, beads };
}

const middleOf = ([from, to]: Range): number => (from + to) / 2;

/** Whether a face's edges either lie across the side or run straight along all of it, in one piece or several. */
function runsStraight(space: readonly Point3[], along: 0 | 1): boolean {
  const levels: { readonly across: number; readonly w: number; length: number }[] = [];
  let [low, high] = [Infinity, -Infinity];
  for (let i = 0; i < space.length; i++) {
    const q = space[i];
    const p = space[(i + space.length - 1) % space.length];
    if (!p || !q) return false;
    [low, high] = [Math.min(low, q[along]), Math.max(high, q[along])];
    if (p[along] === q[along]) continue;
    const [across, w] = [q[1 - along] ?? 0, q[2]];
    if (p[1 - along] !== across || p[2] !== w) return false;
    const length = Math.abs(q[along] - p[along]);
    const level = levels.find((l) => l.across === across && l.w === w);
    if (level) level.length += length;
    else levels.push({ across, w, length });
  }
  return levels.every(({ length }) => Math.abs(length - (high - low)) < EVEN_mm);
}

const EVEN_mm = 1e-6;

function linesOf(there: FaceThere, side: CutId, at: number, isOwn: (across: number) => boolean): SheetLine[] {
  const { thing, face, surface, material, order, bond } = there;
  const i = runsAlong(surface);
  return crossings(there.shape, planeOf({ side, at })).flatMap(([a, b]): SheetLine[] => {
    if (!isOwn(a[1]) && !isOwn(b[1])) return [];
    const range: Range = a[i] < b[i] ? [a[i], b[i]] : [b[i], a[i]];
    return [{ thing, face, surface, material, order, bond, ends: [a, b], range }];
  });
}

/** Returns what lies in a section. Whatever is the same in two sections of a side is one object in both. */
export function sectionAt(standing: Standing, station: Station): AirSection {
  const { side, at } = station;
  const cutter = cutterOf(standing, side);
  const upright = isUpright(side);
  const { isOwn } = cutter;
  const lines: SheetLine[] = [];
  for (const { there, along, alike } of cutter.lines)
    if (at > along[0] && at < along[1])
      for (const line of alike ?? linesOf(there, side, at, isOwn)) lines.push(line);
  const solids: SolidCut[] = [];
  for (const { thing, order, solid, along, across, alike } of cutter.solids) {
    if (at < along[0] || at > along[1]) continue;
    const depth = alike ? null : depthAt(solid.profile, at);
    if (alike) solids.push(alike);
    else if (depth) solids.push({ thing, material: solid.material, w: depth, across, order });
  }
  const beads: BeadPoint[] = [];
  const i = upright ? 1 : 0;
  for (const { thing, order, ends, alike } of cutter.beads) {
    const [p, q] = ends;
    if (p[i] < at === q[i] < at) continue;
    if (alike) beads.push(alike);
    else if (isOwn(q[1 - i] ?? 0)) beads.push({ thing, at: [q[2], q[1 - i] ?? 0], order });
  }
  const { build } = standing.moment;
  if (flawsOf(build).length === 0) return { station, frame: frameOf(standing), lines, solids, beads };
  const isOpen = (thing: string) =>
    isOpenAt(build, thing, { side, ...(upright ? { u: NaN, v: at } : { u: at, v: NaN }) });
  return {
    station,
    frame: frameOf(standing),
    lines: lines.map((line) => (isOpen(line.thing) ? { ...line, bond: null } : line)),
    solids,
    beads: beads.filter(({ thing }) => !isOpen(thing)),
  };
}

/** Where along a side anything begins or ends: between two of these every section is the same. */
export function breaksAlong(standing: Standing, side: CutId): number[] {
  const upright = isUpright(side);
  const isOwn = ownHalf(side, standing);
  const [along, across] = upright ? ([1, 0] as const) : ([0, 1] as const);
  const found: number[] = [];
  for (const { shape, u, v } of standing.faces) {
    if (!(upright ? u : v).some(isOwn)) continue;
    // A corner of a face may lie anywhere along it, as in a fold that leans.
    for (const p of shape.space) found.push(p[along]);
  }
  for (const { bead } of standing.beads)
    for (const path of bead.paths) for (const p of path) if (isOwn(p[across])) found.push(p[along]);
  for (const flaw of flawsOf(standing.moment.build))
    if (flaw.kind === 'bond-open' && (flaw.axis === 'v') === upright && (flaw.side ?? side) === side)
      found.push(...flaw.range);
  for (const { parts } of standing.solids)
    for (const { solid, v } of parts) {
      const reach = upright ? v : solid.u;
      // Shims, clips and brackets are no ends of a joint.
      if (reach[1] - reach[0] > SHORT_mm && (upright ? solid.u : v).some(isOwn)) found.push(...reach);
    }
  return found;
}

const SHORT_mm = 250;
