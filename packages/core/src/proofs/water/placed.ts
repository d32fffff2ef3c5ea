/** The planes that water runs on, with what lies on them at one moment of the work. */
import type { Polygon } from '../../geometry/polygon.ts';
import type { Range } from '../../geometry/solid.ts';
import type { SurfaceId } from '../../vocabulary/surfaces.ts';
import type { Sheet } from '../../geometry/sheet.ts';
import type { SheetMaterialId } from '../../vocabulary/materials.ts';
import type { Piece } from '../../methods/pieces/piece.ts';
import { BODY, faceKey } from '../../build/replay.ts';
import { openAlong, sideOf, without } from '../../build/flaws.ts';
import { pieceFor, piecesFor, plays } from '../../build/by-role.ts';
import type { Side } from '../../vocabulary/sides.ts';
import type { PlaneFace } from './plane.ts';
import type { Point2 } from '../../geometry/vector.ts';
import type { Moment } from '../../build/moment.ts';
import { acrossPlanes, type AcrossPlane, type PlaneId } from '../../vocabulary/planes.ts';

/** On jambs water runs along the first axis of the surface; everywhere else along the second. */
const TURNED: Readonly<Record<PlaneId, (p: Point2) => Point2>> = {
  wall: (p) => p,
  'inner-plane': (p) => p,
  'sill-reveal': (p) => p,
  'left-reveal': ([v, w]) => [w, v],
  'right-reveal': ([v, y]) => [-y, v],
  'across-left': ([u, v]) => [v, -u],
  'across-right': ([u, v]) => [v, u],
  'across-sill': ([u, v]) => [u, -v],
};
export const onPlane = (plane: PlaneId, p: Point2): Point2 => TURNED[plane](p);

/** Wind blows over the wall's own face. */
const surfaceOfPlane = (plane: PlaneId): SurfaceId =>
  (acrossPlanes as readonly PlaneId[]).includes(plane) ? 'wall' : (plane as Exclude<PlaneId, AcrossPlane>);

/** Faces of what is there already: they stick to nothing, and their edges at the opening are seams. */
const HARD: ReadonlySet<SheetMaterialId> = new Set(['coated-face', 'foam-face', 'masonry-face']);

type Unsorted = Omit<PlaneFace, 'joins'> & { readonly material: SheetMaterialId | 'solid' };

/** Everything that lies on a plane, innermost first, each knowing what it goes on into. */
export function facesOn(plane: PlaneId, moment: Moment): PlaneFace[] {
  const { build } = moment;
  const found = [
    ...build.pieces.flatMap((piece) => (piece.form === 'sheet' ? sheetFaces(plane, piece, moment) : [])),
    ...(plane === 'inner-plane' ? buckAsFace(moment) : []),
  ].sort((a, b) => a.order - b.order);
  const byThing = new Map<string, number[]>();
  found.forEach(({ thing }, i) => byThing.set(thing, [...(byThing.get(thing) ?? []), i]));
  return found.map(({ material: _, ...face }, i) => {
    const own = byThing.get(face.thing) ?? [];
    const sheet = own.length > 1 ? moment.sheets.get(face.thing) : undefined;
    const joined = (j: number) => sheet && hingedFaces(sheet, face.face, found[j]?.face ?? '');
    return { ...face, joins: own.filter((j) => j !== i && joined(j)) };
  });
}

const FAN = 'fan';

/** Whether two faces of a sheet go on into each other; a stretched corner does into every face it touches. */
export const hingedFaces = (sheet: Sheet, a: string, b: string): boolean =>
  a.startsWith(FAN) ||
  b.startsWith(FAN) ||
  sheet.hinges.some((h) => (h.a === a && h.b === b) || (h.a === b && h.b === a));

/** A shelf throws water clear, the top of a buck takes it to its front. */
function leadsTo(folds: readonly (SurfaceId | undefined)[]): PlaneFace['leadsTo'] {
  if (folds.includes('cap-shelf') || folds.includes('tray-shelf')) return 'out';
  return folds.includes('buck-head') ? 'buck-top' : null;
}

function sheetFaces(plane: PlaneId, piece: Piece & { form: 'sheet' }, moment: Moment): Unsorted[] {
  const { sheet } = piece;
  const surface = surfaceOfPlane(plane);
  const here = sheet.faces.filter((face) => face.surface === surface);
  if (here.length === 0) return [];
  const onto = new Map(sheet.faces.map((face) => [face.id, face.surface]));
  return here.flatMap((face, i): Unsorted[] => {
    const now = moment.state.faces.get(faceKey(piece.id, face.id));
    if (now?.state !== 'in place') return [];
    const common = {
      thing: piece.id,
      order: now.order,
      material: sheet.material,
      ...bondOf(piece, face.id, moment, plane),
      leadsTo: leadsTo(
        sheet.hinges
          .flatMap(({ a, b }) => (a === face.id ? [b] : b === face.id ? [a] : []))
          .map((id) => onto.get(id)),
      ),
    };
    const turned = (ring: Polygon) => ring.map((p) => onPlane(plane, p));
    const fans = i === 0 ? sheet.fans.filter((fan) => fan.surface === surface) : [];
    return [
      { ...common, face: face.id, ring: turned(face.placed) },
      ...fans.map((fan, n) => ({ ...common, face: `${FAN}-${n}`, ring: turned(fan.placed) })),
    ];
  });
}

/** The axis of the wall that lies across the water's way on a plane. */
const alongX = (plane: PlaneId): 'u' | 'v' =>
  plane === 'across-left' || plane === 'across-right' ? 'v' : 'u';

function bondOf(
  piece: Piece & { form: 'sheet' },
  face: string,
  { state, lost, build }: Moment,
  plane: PlaneId,
): Pick<PlaneFace, 'bondedAt' | 'beads'> {
  const { material } = piece.sheet;
  if (lost.has(piece.id) || HARD.has(material)) return { bondedAt: null };
  const last = state.contacts.findLast((c) => c.thing === piece.id && c.face === face && c.kind !== 'clamp');
  if (!last) return { bondedAt: null };
  const shape = piece.sheet.faces.find(({ id }) => id === face);
  const side = sideOf(build, shape?.space ?? []);
  const open = openAlong(build, piece.id, alongX(plane), side);
  if (!plays(build, piece.id, 'fin') || build.context.choices.mount === 'gasketed-fin')
    return { bondedAt: last.at, ...(open.length > 0 && { beads: without(undefined, open) }) };
  const bead = pieceFor(build, 'frame-bead');
  if (
    bead?.form !== 'bead' ||
    lost.has(bead.id) ||
    state.faces.get(faceKey(bead.id, BODY))?.state !== 'in place'
  )
    return { bondedAt: null };
  const runs = beadRuns(bead.paths, piece.sheet, { face, plane });
  return {
    bondedAt: last.at,
    beads: without(runs, [...open, ...openAlong(build, bead.id, alongX(plane), side)]),
  };
}

/** Stretches of bead under one face that lie across the water's way: it meets nothing of those along it. */
function beadRuns(
  paths: readonly (readonly (readonly [number, number, number])[])[],
  sheet: Sheet,
  { face, plane }: { readonly face: string; readonly plane: PlaneId },
): Range[] {
  const ring = sheet.faces.find((f) => f.id === face)?.placed ?? [];
  const ys = ring.map((p) => onPlane(plane, p)[1]);
  const [low, high] = [Math.min(...ys), Math.max(...ys)];
  return paths.flatMap((path) => {
    const points = path.map(([u, v]) => onPlane(plane, [u, v]));
    return points.slice(1).flatMap(([x, y], i): Range[] => {
      const [px, py] = points[i] ?? [x, y];
      if (py !== y || px === x || y < low || y > high) return [];
      return [[Math.min(x, px), Math.max(x, px)]];
    });
  });
}

/** A buck stands on the plane behind it and is bedded there: what runs down that plane meets its upper side. */
function buckAsFace({ build, state, lost }: Moment): Unsorted[] {
  const { buck, width: W, height: H } = build.context.opening;
  if (!buck) return [];
  const { leg, face } = buck;
  const ring = (x: Range, y: Range): Polygon => [
    [x[0], y[0]],
    [x[1], y[0]],
    [x[1], y[1]],
    [x[0], y[1]],
  ];
  const out: Range = [leg - face, leg + W + face];
  const sides: Readonly<Record<Side, Polygon>> = {
    sill: ring(out, [leg - face, leg]),
    head: ring(out, [leg + H, leg + H + face]),
    left: ring([leg - face, leg], [leg, leg + H]),
    right: ring([leg + W, leg + W + face], [leg, leg + H]),
  };
  const bed = pieceFor(build, 'buck-bed');
  return piecesFor(build, 'buck').flatMap(({ id: thing, side }): Unsorted[] => {
    const outline = side && sides[side];
    if (!outline) return [];
    const now = state.faces.get(faceKey(thing, BODY));
    if (now?.state !== 'in place') return [];
    const bedded = state.contacts.findLast((c) => c.thing === thing && c.kind === 'bead');
    const holds = bedded && !lost.has(thing) && !(bed && lost.has(bed.id));
    return [
      {
        thing,
        face: BODY,
        ring: outline,
        order: now.order,
        bondedAt: holds ? bedded.at : null,
        material: 'solid',
        leadsTo: null,
      },
    ];
  });
}
