/** What lies over what, and what sticks to what, at any moment: read from the events and the geometry together. */
import { contains, intersection, type Polygon } from '../geometry/polygon.ts';
import type { SheetFace } from '../geometry/sheet.ts';
import type { SurfaceId } from '../vocabulary/surfaces.ts';
import type { Point2 } from '../geometry/vector.ts';
import type { Build } from './build.ts';
import { pieceNamed, plays } from './by-role.ts';
import { CONTACT_OF, faceKey, replay, thingsOf, type ContactKind } from './replay.ts';
import type { WallEvent } from '../vocabulary/events.ts';

/** One face in the stack over a point; the list it stands in runs from the wall outwards. */
export interface StackEntry {
  readonly thing: string;
  readonly face: string;
  readonly order: number;
}

/** A bond with what lay under it when it was made. */
export interface Bond {
  readonly thing: string;
  readonly face: string;
  readonly kind: ContactKind;
  readonly step: string;
  /** Faces it sticks to, uppermost first, with the region on their common surface. */
  readonly under: readonly (StackEntry & { readonly region: Polygon })[];
  readonly surface: SurfaceId;
}

type Faces = ReadonlyMap<string, { readonly thing: string; readonly face: SheetFace }>;

const facesOf = ({ pieces }: Pick<Build, 'pieces'>): Faces =>
  new Map(
    pieces.flatMap((piece) =>
      piece.form === 'sheet'
        ? piece.sheet.faces.map((face) => [faceKey(piece.id, face.id), { thing: piece.id, face }] as const)
        : [],
    ),
  );

const eventsAfter = (build: Build, count: number): WallEvent[] => {
  const done = new Set(build.steps.slice(0, count).map((step) => step.id));
  return build.events.filter((event) => done.has(event.step));
};

/** Faces that lie on a surface over a point after the first `count` steps, innermost first. Lifted ones do not lie. */
export function stackAt(build: Build, surface: SurfaceId, at: Point2, count: number): StackEntry[] {
  const faces = facesOf(build);
  const state = replay(thingsOf(build.pieces), eventsAfter(build, count));
  return [...state.faces.entries()]
    .flatMap(([key, now]): StackEntry[] => {
      const known = faces.get(key);
      if (now.state !== 'in place' || known?.face.surface !== surface) return [];
      if (!contains(known.face.placed, at)) return [];
      return [{ thing: now.thing, face: now.face, order: now.order }];
    })
    .sort((a, b) => a.order - b.order);
}

/** A fluid fuses to what it is brushed on; a gasketed fin is held by its gasket and not by a bead. */
function contactKind(made: ContactKind, thing: string, build: Build): ContactKind {
  const piece = pieceNamed(build, thing);
  if (made === 'adhesive' && piece?.form === 'sheet' && piece.sheet.material === 'fluid') return 'fluid';
  const isGasketed = build.context.choices.mount === 'gasketed-fin' && plays(build, thing, 'fin');
  return made === 'bead' && isGasketed ? 'gasket' : made;
}

/**
 * Returns every bond of a sheet that still holds after the first `count` steps. A bond holds to the faces that lay
 * under it when it was made, and to the wall itself where nothing did. What is lifted is not there to be stuck to.
 *
 * @throws Error when a face is lifted while something that stays is stuck to it: the rows of the method contradict
 * each other, which is a bug in them
 */
export function bondsAfter(build: Build, count: number): Bond[] {
  const faces = facesOf(build);
  const things = thingsOf(build.pieces);
  const events = eventsAfter(build, count);
  let bonds: Bond[] = [];
  events.forEach((event, i) => {
    const named = (event.faces ?? things.get(event.thing) ?? []).map((face) => faceKey(event.thing, face));
    if (event.op === 'lift' || event.op === 'remove') {
      const going = new Set(named);
      bonds = bonds.filter((bond) => !going.has(faceKey(bond.thing, bond.face)));
      const held = bonds.find((bond) => bond.under.some((u) => going.has(faceKey(u.thing, u.face))));
      if (held && event.op === 'lift')
        throw new Error(
          `step ${event.step}: ${event.thing} is lifted under ${held.thing}, which sticks to it`,
        );
    }
    const made = CONTACT_OF[event.op];
    if (!made) return;
    const { faces: state } = replay(things, events.slice(0, i));
    for (const key of named) {
      const known = faces.get(key);
      const now = state.get(key);
      if (!known || !now) continue;
      const kind = contactKind(made, known.thing, build);
      const under = [...state.entries()]
        .flatMap(([other, beneath]) => {
          const below = faces.get(other);
          if (!below || other === key || beneath.state !== 'in place' || beneath.order >= now.order)
            return [];
          if (below.face.surface !== known.face.surface || below.thing === known.thing) return [];
          const region = intersection(below.face.placed, known.face.placed);
          return region.length > 0
            ? [{ thing: beneath.thing, face: beneath.face, order: beneath.order, region }]
            : [];
        })
        .sort((a, b) => b.order - a.order);
      bonds.push({
        thing: known.thing,
        face: known.face.id,
        kind,
        step: event.step,
        under,
        surface: known.face.surface,
      });
    }
  });
  return bonds;
}
