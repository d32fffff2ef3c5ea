/** Which step covers a piece: after it nobody sees it, or gets at it, without taking something off again. */
import { contains, intersection } from '../geometry/polygon.ts';
import type { Point2 } from '../geometry/vector.ts';
import type { SheetPiece } from '../methods/pieces/piece.ts';
import { isReveal, type SurfaceId } from '../vocabulary/surfaces.ts';
import type { Build } from './build.ts';
import { pieceNamed, plays } from './by-role.ts';
import { faceKey, replay, thingsOf } from './replay.ts';
import { stackAt } from './stack.ts';

/**
 * Returns the first step that lays something over a piece, or sets the unit before what lies in the reveal; `null` for
 * what nothing of the plan covers, and for what is no piece.
 */
export function coveringStep(build: Build, id: string): string | null {
  const piece = pieceNamed(build, id);
  if (piece?.form !== 'sheet') return null;
  const placed = build.steps.findIndex(({ events }) =>
    events.some(({ op, thing }) => op === 'place' && thing === id),
  );
  const things = thingsOf(build.pieces);
  // What is laid over it in the same step hides nothing from whoever lays both.
  const together = new Set(build.steps[placed]?.places);
  for (let k = Math.max(0, placed + 1); k < build.steps.length; k++) {
    const step = build.steps[k];
    if (!step) break;
    if (piece.sheet.faces.some(({ surface }) => isReveal(surface)) && setsUnit(build, k)) return step.id;
    const done = new Set(build.steps.slice(0, k + 1).map((one) => one.id));
    const { faces } = replay(
      things,
      build.events.filter((event) => done.has(event.step)),
    );
    if (isCovered(build, piece, faces, together)) return step.id;
  }
  return null;
}

/**
 * Returns the first step after which something else is seen at a point of a piece than the piece: there, and not somewhere on
 * it. `null` where nothing of the plan covers that place.
 */
export function coveringStepAt(build: Build, id: string, surface: SurfaceId, at: Point2): string | null {
  const piece = pieceNamed(build, id);
  if (piece?.form !== 'sheet') return null;
  const own = piece.sheet.faces.find((face) => face.surface === surface && contains(face.placed, at));
  if (!own) return null;
  const placed = build.steps.findIndex(({ events }) =>
    events.some(({ op, thing }) => op === 'place' && thing === id),
  );
  const together = new Set(build.steps[placed]?.places);
  for (let k = Math.max(0, placed + 1); k < build.steps.length; k++) {
    const step = build.steps[k];
    if (!step) break;
    if (isReveal(surface) && setsUnit(build, k)) return step.id;
    const stack = stackAt(build, surface, at, k + 1);
    const lies = stack.findIndex(({ thing, face }) => thing === id && face === own.id);
    if (lies >= 0 && stack.slice(lies + 1).some(({ thing }) => !together.has(thing))) return step.id;
  }
  return null;
}

const setsUnit = ({ steps, ...build }: Build, k: number): boolean =>
  steps[k]?.events.some(({ op, thing }) => op === 'place' && plays(build, thing, 'unit')) ?? false;

/** Whether anything lies over any face of it. */
function isCovered(
  { pieces }: Build,
  piece: SheetPiece,
  faces: ReturnType<typeof replay>['faces'],
  together: ReadonlySet<string>,
): boolean {
  return piece.sheet.faces.some((own) => {
    const now = faces.get(faceKey(piece.id, own.id));
    if (now?.state !== 'in place') return false;
    return pieces.some(
      (other) =>
        other.form === 'sheet' &&
        !together.has(other.id) &&
        other.sheet.faces.some((face) => {
          const over = faces.get(faceKey(other.id, face.id));
          return (
            face.surface === own.surface &&
            over?.state === 'in place' &&
            over.order > now.order &&
            intersection(face.placed, own.placed).length > 0
          );
        }),
    );
  });
}
