/** What lies in a section of one side: the lines of its sheets, its solids, the places where its beads go through. */
import { crossings } from '../../build/section.ts';
import type { CutId } from '../../vocabulary/sides.ts';
import { bounds } from '../../geometry/polygon.ts';
import { depthAt, type CutPlane, type Range, type Solid } from '../../geometry/solid.ts';
import type { SheetFace } from '../../geometry/sheet.ts';
import type { SurfaceId } from '../../vocabulary/surfaces.ts';
import type { Point2 } from '../../geometry/vector.ts';
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

export function sectionAt(standing: Standing, station: Station): AirSection {
  const plane = planeOf(station);
  const upright = plane.axis === 'v';
  const isOwn = ownHalf(station.side, standing);
  const lines: SheetLine[] = [];
  for (const there of standing.faces) {
    const [along, across] = upright ? [there.v, there.u] : [there.u, there.v];
    if (station.at <= along[0] || station.at >= along[1] || !(isOwn(across[0]) || isOwn(across[1]))) continue;
    const i = runsAlong(there.surface);
    for (const [a, b] of crossings(there.shape, plane)) {
      if (!isOwn(a[1]) && !isOwn(b[1])) continue;
      const { thing, face, surface, material, order, bond } = there;
      const range: Range = a[i] < b[i] ? [a[i], b[i]] : [b[i], a[i]];
      lines.push({ thing, face, surface, material, order, bond, ends: [a, b], range });
    }
  }
  const solids: SolidCut[] = [];
  for (const { piece, order, parts } of standing.solids)
    for (const { solid, w, v } of parts) {
      const [from, to] = upright ? v : solid.u;
      if (plane.at < from || plane.at > to) continue;
      const across = upright ? solid.u : v;
      if (!isOwn(across[0]) && !isOwn(across[1])) continue;
      const depth = upright ? depthAt(solid.profile, plane.at) : w;
      if (depth) solids.push({ thing: piece.id, material: solid.material, w: depth, across, order });
    }
  return { station, frame: frameOf(standing), lines, solids, beads: beadPoints(standing, plane, isOwn) };
}

function beadPoints(standing: Standing, plane: CutPlane, isOwn: (across: number) => boolean): BeadPoint[] {
  const along = plane.axis === 'u' ? 0 : 1;
  const found: BeadPoint[] = [];
  for (const { bead, order } of standing.beads)
    for (const path of bead.paths)
      for (let i = 1; i < path.length; i++) {
        const [p, q] = [path[i - 1], path[i]];
        if (!p || !q || p[along] < plane.at === q[along] < plane.at) continue;
        const across = q[1 - along] ?? 0;
        if (isOwn(across)) found.push({ thing: bead.id, at: [q[2], across], order });
      }
  return found;
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
  for (const { parts } of standing.solids)
    for (const { solid, v } of parts) {
      const reach = upright ? v : solid.u;
      // Shims, clips and brackets are no ends of a joint.
      if (reach[1] - reach[0] > SHORT_mm && (upright ? solid.u : v).some(isOwn)) found.push(...reach);
    }
  return found;
}

const SHORT_mm = 250;
