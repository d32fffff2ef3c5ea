/** Thin pieces: a flat outline folded face by face onto surfaces. What is cut and what is drawn is the same thing. */
import type { SheetMaterialId } from '../vocabulary/materials.ts';
import { area, bounds, rectangle, type Bounds, type Polygon } from './polygon.ts';
import { onSurface, toSurface, type Surface } from './surface.ts';
import type { SurfaceId } from '../vocabulary/surfaces.ts';
import { GRID_mm, distance2, distance3, snap2, type Point2, type Point3 } from './vector.ts';

export interface SheetFace {
  readonly id: string;
  readonly surface: SurfaceId;
  /** Region of the flat outline. */
  readonly flat: Polygon;
  /** The same region in the coordinates of its surface. */
  readonly placed: Polygon;
  /** The same region in space. */
  readonly space: readonly Point3[];
}

/** Two faces of one sheet that go on into each other over a fold (or, on one surface, without any). */
export interface Hinge {
  readonly a: string;
  readonly b: string;
  readonly edge: readonly [Point2, Point2];
}

/** A corner that is stretched and not cut: the flat outline has no material for it. */
export interface Fan {
  readonly surface: SurfaceId;
  readonly corner: Point2;
  readonly radius_mm: number;
  readonly angle_deg: number;
  /** Fanned outline on the surface, for drawing. */
  readonly placed: Polygon;
  /** Longest stretched line over its flat length. */
  readonly stretch: number;
}

export interface Sheet {
  readonly id: string;
  readonly material: SheetMaterialId;
  readonly faces: readonly SheetFace[];
  readonly hinges: readonly Hinge[];
  /** Knife cuts inside the flat outline, as two-point lines. */
  readonly slits: readonly (readonly [Point2, Point2])[];
  readonly fans: readonly Fan[];
  /** Regions of the flat outline that are laid double and stick up, for a corner to be free to move. */
  readonly pleats: readonly Polygon[];
}

export interface SheetSpec extends Pick<Sheet, 'id' | 'material'>, Partial<Pick<Sheet, 'slits' | 'fans'>> {
  /** Further pairs of faces that go on into each other, where the sheet runs round a hole. */
  readonly joins?: readonly (readonly [string, string])[];
}

export interface FaceSpec {
  readonly id: string;
  readonly surface: Surface;
  readonly flat: Polygon;
  /** The face this one folds from; the first face has none. */
  readonly from?: string;
}

/** Where the flat origin of the first face lies on its surface and which way its x runs. */
export interface Laid {
  readonly at: Point2;
  readonly along: Point2;
}

/** Folding may not tear: the largest gap left at a hinge by the 0.01 mm grid. */
const HINGE_TOLERANCE_mm = 3 * GRID_mm;

/**
 * Returns the sheet folded from its flat regions, starting with the first face as `laid`.
 *
 * Every further face shares an edge with the face it folds from. Its place follows from that edge alone, so a
 * piece that would have to stretch or tear cannot be described.
 *
 * @throws Error when two faces share no edge, or a fold line does not lie on the next surface
 */
export function foldSheet(spec: SheetSpec, laid: Laid, specs: readonly FaceSpec[]): Sheet {
  const faces = new Map<string, SheetFace>();
  const hinges: Hinge[] = [];
  for (const { id, surface, flat, from } of specs) {
    const parent = from === undefined ? undefined : faces.get(from);
    if (from !== undefined && !parent)
      throw new Error(`${spec.id}: face ${id} folds from ${from}, not yet there`);
    const edge = parent ? sharedEdge(parent.flat, flat, `${spec.id}: ${id}`) : null;
    const map =
      parent && edge ? mapOverFold(spec.id, parent, edge, surface) : mapFrom([0, 0], laid.at, laid.along);
    if (parent && edge) hinges.push({ a: parent.id, b: id, edge });
    const placed = flat.map((p) => snap2(map(p)));
    faces.set(id, {
      id,
      surface: surface.id,
      flat: flat.map(snap2),
      placed,
      space: placed.map((p) => onSurface(surface, p)),
    });
  }
  const { id, material, slits = [], fans = [], joins = [] } = spec;
  for (const [a, b] of joins) {
    const [one, other] = [faces.get(a), faces.get(b)];
    if (!one || !other) throw new Error(`${id}: no faces ${a} and ${b} to join`);
    hinges.push({ a, b, edge: sharedEdge(one.flat, other.flat, `${id}: ${b}`) });
  }
  return { id, material, faces: [...faces.values()], hinges, slits, fans, pleats: [] };
}

/** One side of a strip that runs round the opening. */
export interface StripPart {
  readonly sheet: Sheet;
  /** Laid the other way round, so that the same edge of the strip lies on the frame on all sides. */
  readonly turned: boolean;
}

/**
 * One strip that runs round the opening: the lengths of its sides one after the other in the flat, with a pleat
 * between them and a closing lap at its end.
 *
 * @param pleat_mm length of strip laid double at each corner
 */
export function stripRound(
  id: string,
  parts: readonly StripPart[],
  { pleat_mm, closing_mm }: { pleat_mm: number; closing_mm: number },
): Sheet {
  const [first] = parts;
  if (!first) throw new Error(`${id}: a strip without parts`);
  const faces: SheetFace[] = [];
  const hinges: Hinge[] = [];
  const pleats: Polygon[] = [];
  let at = 0;
  parts.forEach(({ sheet, turned }, i) => {
    const sign = turned ? -1 : 1;
    const { x, y } = bounds(flatPoints(sheet).map(([px, py]): Point2 => [sign * px, sign * py]));
    const by: Point2 = [at - x[0], -y[0]];
    const move = ([px, py]: Point2): Point2 => snap2([sign * px + by[0], sign * py + by[1]]);
    const named = (face: string) => `${sheet.id}-${face}`;
    faces.push(...sheet.faces.map((face) => ({ ...face, id: named(face.id), flat: face.flat.map(move) })));
    hinges.push(
      ...sheet.hinges.map(({ a, b, edge }) => ({
        a: named(a),
        b: named(b),
        edge: [move(edge[0]), move(edge[1])] as const,
      })),
    );
    at += x[1] - x[0];
    // Every side ends at a corner; after the last one comes the lap that closes the ring.
    const extra = pleat_mm + (i === parts.length - 1 ? closing_mm : 0);
    pleats.push(rectangle([at, at + extra], [0, y[1] - y[0]]));
    at += extra;
  });
  return { id, material: first.sheet.material, faces, hinges, slits: [], fans: [], pleats };
}

const flatPoints = (sheet: Sheet): readonly Point2[] => sheet.faces.flatMap((face) => face.flat);

/** Index of the vertex of a face at a point of the flat outline; -1 when there is none. */
const vertexAt = (face: SheetFace, p: Point2): number =>
  face.flat.findIndex((q) => distance2(p, q) < HINGE_TOLERANCE_mm);

/** Lifted faces that are one flap with `face`: joined to it through lifted ones only. */
export function flapOf({ hinges }: Sheet, lifted: ReadonlySet<string>, face: string): ReadonlySet<string> {
  const flap = new Set([face]);
  const grow = (): boolean =>
    hinges.some(({ a, b }) => {
      const next = flap.has(a) ? b : flap.has(b) ? a : null;
      return next !== null && lifted.has(next) && !flap.has(next) && flap.add(next).size > 0;
    });
  while (grow());
  return flap;
}

/**
 * The line in space about which lifted faces of a sheet turn: where they hang on what stays, or their upper edge where
 * the whole sheet is lifted.
 */
export function hangingLine(sheet: Sheet, lifted: ReadonlySet<string>): readonly [Point3, Point3] | null {
  const hinge = sheet.hinges.find(({ a, b }) => lifted.has(a) !== lifted.has(b));
  const face = sheet.faces.find(({ id }) => id === hinge?.a);
  const [from, to] = hinge && face ? hinge.edge.map((p) => face.space[vertexAt(face, p)]) : upperEdge(sheet);
  return from && to ? [from, to] : null;
}

const upperEdge = ({ faces }: Sheet): readonly Point3[] =>
  faces
    .flatMap((face) => face.space)
    .toSorted((a, b) => b[1] - a[1])
    .slice(0, 2);

/** Length along the strip and width across it, from the flat outline. */
export function cutSize(sheet: Sheet): { length_mm: number; width_mm: number } {
  const { x, y } = flatBounds(sheet);
  return { length_mm: x[1] - x[0], width_mm: y[1] - y[0] };
}

export const flatBounds = (sheet: Sheet): Bounds => bounds([...flatPoints(sheet), ...sheet.pleats.flat()]);

/** Area of material, mm². */
export const flatArea = (sheet: Sheet): number =>
  [...sheet.faces.map((face) => face.flat), ...sheet.pleats].reduce(
    (sum, region) => sum + Math.abs(area(region)),
    0,
  );

/** Lines where the sheet folds from one surface to another, in the flat. */
export function foldLines(sheet: Sheet): readonly (readonly [Point2, Point2])[] {
  const surfaceOf = new Map(sheet.faces.map((face) => [face.id, face.surface]));
  return sheet.hinges.filter((h) => surfaceOf.get(h.a) !== surfaceOf.get(h.b)).map((h) => h.edge);
}

type Map2 = (point: Point2) => Point2;

function mapFrom(flatOrigin: Point2, at: Point2, along: Point2): Map2 {
  const length = Math.hypot(...along);
  const [c, s] = [along[0] / length, along[1] / length];
  return ([x, y]) => {
    const [dx, dy] = [x - flatOrigin[0], y - flatOrigin[1]];
    return [at[0] + c * dx - s * dy, at[1] + s * dx + c * dy];
  };
}

function sharedEdge(a: Polygon, b: Polygon, what: string): readonly [Point2, Point2] {
  const shared = b.filter((p) => a.some((q) => distance2(p, q) < HINGE_TOLERANCE_mm));
  const p = shared[0];
  const q = p && shared.reduce((best, r) => (distance2(p, r) > distance2(p, best) ? r : best), p);
  if (!p || !q || p === q) throw new Error(`${what} shares no edge with the face it folds from`);
  return [p, q];
}

function mapOverFold(
  sheet: string,
  parent: SheetFace,
  edge: readonly [Point2, Point2],
  surface: Surface,
): Map2 {
  const inSpace = edge.map((p) => parent.space[vertexAt(parent, p)]);
  const [from, to] = inSpace.map((p) => {
    if (!p) throw new Error(`${sheet}: fold edge lost`);
    const { at, off_mm } = toSurface(surface, p);
    if (Math.abs(off_mm) > HINGE_TOLERANCE_mm)
      throw new Error(`${sheet}: fold is ${off_mm} mm off ${surface.id}`);
    return at;
  });
  if (!from || !to) throw new Error(`${sheet}: fold edge lost`);
  const along: Point2 = [to[0] - from[0], to[1] - from[1]];
  const flatAngle = Math.atan2(edge[1][1] - edge[0][1], edge[1][0] - edge[0][0]);
  const turn = Math.atan2(along[1], along[0]) - flatAngle;
  return mapFrom(edge[0], from, [Math.cos(turn), Math.sin(turn)]);
}

/** Largest opening left at the hinges in space, mm: zero but for the grid, else the sheet would be torn. */
export function tear_mm(sheet: Sheet): number {
  const faces = new Map(sheet.faces.map((face) => [face.id, face]));
  const place = (face: SheetFace | undefined, p: Point2): Point3 | undefined =>
    face?.space[vertexAt(face, p)];
  return Math.max(
    0,
    ...sheet.hinges.flatMap(({ a, b, edge }) =>
      edge.map((p) => {
        const [here, there] = [place(faces.get(a), p), place(faces.get(b), p)];
        return here && there ? distance3(here, there) : Infinity;
      }),
    ),
  );
}
