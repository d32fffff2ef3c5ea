/** What stands on the wall at a moment of the work, in the order it lies on each other. */
import { flapOf, hangingLine, type Fan, type Sheet, type SheetFace } from '../geometry/sheet.ts';
import type { Solid } from '../geometry/solid.ts';
import type { Point3 } from '../geometry/vector.ts';
import type { BeadPiece } from '../methods/pieces/piece.ts';
import { BODY, faceKey, replay, thingsOf, type WallState } from './replay.ts';
import type { Build } from './build.ts';

/** One visible layer; `fresh` when it came or moved in the step shown. */
export type Layer =
  | {
      readonly kind: 'solid';
      readonly thing: string;
      readonly solids: readonly Solid[];
      readonly order: number;
      readonly fresh: boolean;
    }
  | {
      readonly kind: 'bead';
      readonly thing: string;
      readonly bead: BeadPiece;
      readonly order: number;
      readonly fresh: boolean;
    }
  | {
      readonly kind: 'face';
      readonly thing: string;
      readonly sheet: Sheet;
      readonly face: SheetFace;
      readonly fans: readonly Fan[];
      readonly lifted: boolean;
      /** The line a lifted face hangs on. */
      readonly hangs: readonly [Point3, Point3] | null;
      readonly order: number;
      readonly fresh: boolean;
    };

export interface Scene {
  readonly layers: readonly Layer[];
  readonly state: WallState;
}

/**
 * Returns the wall after the first `count` steps, lowest layer first.
 *
 * @param count 0 for the bare opening, `build.steps.length` for the finished wall
 */
export function sceneAfter(build: Build, count: number): Scene {
  const done = new Set(build.steps.slice(0, count).map((step) => step.id));
  const current = build.steps[count - 1]?.id;
  const events = build.events.filter((event) => done.has(event.step));
  const state = replay(thingsOf(build.pieces), events);
  const isFresh = (order: number) => events[order]?.step === current;
  const layers = build.pieces.flatMap((piece): Layer[] => {
    if (piece.form === 'sheet') {
      const up = new Set(
        piece.sheet.faces
          .map(({ id }) => id)
          .filter((id) => state.faces.get(faceKey(piece.id, id))?.state === 'lifted'),
      );
      return piece.sheet.faces.flatMap((face): Layer[] => {
        const now = state.faces.get(faceKey(piece.id, face.id));
        if (!now || now.state === 'gone') return [];
        const lifted = now.state === 'lifted';
        const first = piece.sheet.faces.find((f) => f.surface === face.surface) === face;
        const fans = first ? piece.sheet.fans.filter((fan) => fan.surface === face.surface) : [];
        const fresh = isFresh(now.order) || (lifted && current === liftedIn(build, piece.id, face.id));
        return [
          {
            kind: 'face',
            thing: piece.id,
            sheet: piece.sheet,
            face,
            fans,
            lifted,
            hangs: lifted ? hangingLine(piece.sheet, flapOf(piece.sheet, up, face.id)) : null,
            order: now.order,
            fresh,
          },
        ];
      });
    }
    const now = state.faces.get(faceKey(piece.id, BODY));
    if (!now || now.state === 'gone') return [];
    const common = { thing: piece.id, order: now.order, fresh: isFresh(now.order) };
    return [
      piece.form === 'bead'
        ? { kind: 'bead', bead: piece, ...common }
        : { kind: 'solid', solids: piece.solids, ...common },
    ];
  });
  return { layers: layers.sort((a, b) => a.order - b.order), state };
}

const liftedIn = (build: Build, thing: string, face: string): string | undefined =>
  build.events.find((e) => e.op === 'lift' && e.thing === thing && (e.faces ?? [face]).includes(face))?.step;
