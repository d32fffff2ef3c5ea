/** Which step covers a piece: after it nobody sees it, or gets at it, without taking something off again. */
import { intersection } from '../geometry/polygon.ts';
import type { SheetPiece } from '../methods/pieces/piece.ts';
import { isReveal } from '../vocabulary/surfaces.ts';
import type { Build } from './build.ts';
import { pieceNamed, plays } from './by-role.ts';
import { faceKey, replay, thingsOf } from './replay.ts';

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
  for (let k = Math.max(0, placed + 1); k < build.steps.length; k++) {
    const step = build.steps[k];
    if (!step) break;
    if (piece.sheet.faces.some(({ surface }) => isReveal(surface)) && setsUnit(build, k)) return step.id;
    const done = new Set(build.steps.slice(0, k + 1).map((one) => one.id));
    const { faces } = replay(
      things,
      build.events.filter((event) => done.has(event.step)),
    );
    if (isCovered(build, piece, faces)) return step.id;
  }
  return null;
}

const setsUnit = ({ steps, ...build }: Build, k: number): boolean =>
  steps[k]?.events.some(({ op, thing }) => op === 'place' && plays(build, thing, 'unit')) ?? false;

/** Whether anything lies over any face of it. */
function isCovered({ pieces }: Build, piece: SheetPiece, faces: ReturnType<typeof replay>['faces']): boolean {
  return piece.sheet.faces.some((own) => {
    const now = faces.get(faceKey(piece.id, own.id));
    if (now?.state !== 'in place') return false;
    return pieces.some(
      (other) =>
        other.form === 'sheet' &&
        other.id !== piece.id &&
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
