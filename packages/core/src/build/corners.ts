/** The places where strips meet at corners, each with what closes it: the small holes that nobody keeps a list of. */
import type { Piece } from '../methods/pieces/piece.ts';
import type { PieceRole } from '../vocabulary/roles.ts';
import type { Side } from '../vocabulary/sides.ts';
import type { Build } from './build.ts';
import { pieceFor } from './by-role.ts';
import { momentOf, type Moment } from './moment.ts';
import { BODY, faceKey } from './replay.ts';
import type { CornerId } from '../vocabulary/corners.ts';

/**
 * `one-piece`: a single sheet runs round it · `patched`: cut, with a patch below · `filled`: fluid or sealant fills it ·
 * `lapped`: strips lie over each other there · `cut-open`: sheets end there with a cut between them · `void`: nothing.
 */
export type CornerState = 'one-piece' | 'patched' | 'filled' | 'lapped' | 'cut-open' | 'void';

export interface CornerPlace {
  readonly id: CornerId;
  readonly state: CornerState;
  /** The pieces that make it so. */
  readonly pieces: readonly string[];
}

/** Returns every corner place after the first `count` steps; fin corners only where the unit has a fin. */
export const cornersAfter = (build: Build, count: number): CornerPlace[] => cornersAt(momentOf(build, count));

/** The same at a moment already replayed. */
export function cornersAt({ build, state }: Moment): CornerPlace[] {
  const isThere = (piece: Piece): boolean =>
    (piece.form === 'sheet' ? piece.sheet.faces.map((f) => f.id) : [BODY]).some(
      (face) => state.faces.get(faceKey(piece.id, face))?.state === 'in place',
    );
  /** The piece that plays a role, once it is there. */
  const there = (role: PieceRole, side?: Side): string | null => {
    const piece = pieceFor(build, role, side);
    return piece && isThere(piece) ? piece.id : null;
  };
  const place = (id: CornerId, state_: CornerState, ...pieces: string[]): CornerPlace => ({
    id,
    state: state_,
    pieces,
  });
  const sides = ['left', 'right'] as const;
  const { pan, jambs } = build.context.choices;
  const turnedIn = jambs === 'wrap-turned-in' ? there('wrap') : null;
  const atSill = sides.map((side): CornerPlace => {
    const id = `sill-${side}` as const;
    const [own, patch] = [there('pan'), there('corner-patch', side)];
    if (own) {
      if (pan === 'fluid') return place(id, 'filled', own);
      if (pan !== 'tape-and-patches') return place(id, 'one-piece', own);
      return patch ? place(id, 'patched', own, patch) : place(id, 'cut-open', own);
    }
    if (patch) return place(id, 'patched', patch);
    return turnedIn ? place(id, 'cut-open', turnedIn) : place(id, 'void');
  });
  const atHead = sides.map((side): CornerPlace => {
    const id = `head-${side}` as const;
    const [head, jamb] = [there('head-flashing'), there('jamb-flashing', side)];
    if (head && jamb) return place(id, jambs === 'fluid' ? 'filled' : 'lapped', head, jamb);
    if (turnedIn) return place(id, 'cut-open', turnedIn);
    return jamb ? place(id, 'cut-open', jamb) : place(id, 'void');
  });
  if (build.context.unit.finWidth === 0) return [...atSill, ...atHead];
  const bead = there('fin') ? there('frame-bead') : null;
  const closedSill = build.context.choices.bedding === 'barrier';
  const atFin = (['sill', 'head'] as const).flatMap((end) =>
    sides.map((side): CornerPlace => {
      const id = `fin-${end}-${side}` as const;
      const across = there(end === 'head' ? 'head-tape' : 'sill-tape');
      const tapes = [there('jamb-tape', side), across].filter((tape) => tape !== null);
      if (tapes.length === 2) return place(id, 'lapped', ...tapes);
      if (bead && (end === 'head' || closedSill)) return place(id, 'filled', bead, ...tapes);
      return tapes.length > 0 ? place(id, 'one-piece', ...tapes) : place(id, 'void');
    }),
  );
  return [...atSill, ...atHead, ...atFin];
}
