/** The places where strips meet at corners, each with what closes it: the small holes that nobody keeps a list of. */
import type { Build } from './build.ts';
import { BODY, faceKey, replay, thingsOf } from './replay.ts';
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
export function cornersAfter(build: Build, count: number): CornerPlace[] {
  const done = new Set(build.steps.slice(0, count).map((step) => step.id));
  const state = replay(
    thingsOf(build.pieces),
    build.events.filter((event) => done.has(event.step)),
  );
  const there = (id: string): boolean =>
    build.pieces.some((piece) => {
      if (piece.id !== id) return false;
      const faces = piece.form === 'sheet' ? piece.sheet.faces.map((f) => f.id) : [BODY];
      return faces.some((face) => state.faces.get(faceKey(id, face))?.state === 'in place');
    });
  const place = (id: CornerId, state_: CornerState, ...pieces: string[]): CornerPlace => ({
    id,
    state: state_,
    pieces,
  });
  const sides = ['left', 'right'] as const;
  const { pan, jambs } = build.context.choices;
  const atSill = sides.map((side): CornerPlace => {
    const id = `sill-${side}` as const;
    const patch = `corner-patch-${side}`;
    if (there('pan')) {
      if (pan === 'fluid') return place(id, 'filled', 'pan');
      if (pan !== 'tape-and-patches') return place(id, 'one-piece', 'pan');
      return there(patch) ? place(id, 'patched', 'pan', patch) : place(id, 'cut-open', 'pan');
    }
    if (there(patch)) return place(id, 'patched', patch);
    if (jambs === 'wrap-turned-in' && there('wrap')) return place(id, 'cut-open', 'wrap');
    return place(id, 'void');
  });
  const atHead = sides.map((side): CornerPlace => {
    const id = `head-${side}` as const;
    const jamb = `jamb-flashing-${side}`;
    if (there('head-flashing') && there(jamb))
      return place(id, jambs === 'fluid' ? 'filled' : 'lapped', 'head-flashing', jamb);
    if (jambs === 'wrap-turned-in' && there('wrap')) return place(id, 'cut-open', 'wrap');
    return there(jamb) ? place(id, 'cut-open', jamb) : place(id, 'void');
  });
  if (build.context.unit.finWidth === 0) return [...atSill, ...atHead];
  const bedded = there('bead') && there('fin');
  const closedSill = build.context.choices.bedding === 'barrier';
  const atFin = (['sill', 'head'] as const).flatMap((end) =>
    sides.map((side): CornerPlace => {
      const id = `fin-${end}-${side}` as const;
      const tapes = [`jamb-tape-${side}`, end === 'head' ? 'head-tape' : 'sill-tape'].filter(there);
      if (tapes.length === 2) return place(id, 'lapped', ...tapes);
      if (bedded && (end === 'head' || closedSill)) return place(id, 'filled', 'bead', ...tapes);
      return tapes.length > 0 ? place(id, 'one-piece', ...tapes) : place(id, 'void');
    }),
  );
  return [...atSill, ...atHead, ...atFin];
}
