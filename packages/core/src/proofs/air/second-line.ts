/** What is left of the pen line when one of its pieces is not there: a second line, or a hole. */
import type { CutId } from '../../vocabulary/sides.ts';
import type { Build } from '../../build/build.ts';
import { withChanges } from '../../build/changes.ts';
import type { Line } from './lines.ts';
import { openPlaces, proveAir, type AirProof, type SideAir } from './proof.ts';
import type { AirCorner } from '../../vocabulary/corners.ts';

export interface WithoutPiece {
  readonly piece: string;
  /** Sides whose line ran over it. */
  readonly sides: readonly CutId[];
  /** Where the pen has to be lifted without it. */
  readonly opens: readonly (CutId | AirCorner)[];
  /** The line that takes its place, by side; `null` where it opens. */
  readonly second: Readonly<Partial<Record<CutId, Line | null>>>;
}

/** Pieces of the line that somebody puts there and could leave out; wall and unit are not among them. */
export const bridgesOf = ({ sides }: AirProof, { pieces }: Build): string[] => [
  ...new Set(
    sides.flatMap((side) =>
      (side.line ?? []).slice(0, -1).filter((thing) => pieces.some((p) => p.id === thing)),
    ),
  ),
];

/** Returns what the line does without one piece. @throws when the build has no such piece */
export function withoutPiece(build: Build, proof: AirProof, piece: string): WithoutPiece {
  const changed = withChanges(build, [{ kind: 'left-out', piece }]);
  if (!changed.ok) throw new Error(`${piece} cannot be left out: ${changed.error}`);
  const after = proveAir(changed.value.build);
  const ran = proof.sides.filter((side) => side.line?.includes(piece)).map((side) => side.side);
  const line = (side: CutId): Line | null => lineOf(after.sides.find((s) => s.side === side));
  const before = openPlaces(proof);
  return {
    piece,
    sides: ran,
    opens: openPlaces(after).filter((where) => !before.includes(where)),
    second: Object.fromEntries(ran.map((side) => [side, line(side)])),
  };
}

/** A side with a lift anywhere has no line that goes all along it. */
const lineOf = (side: SideAir | undefined): Line | null =>
  !side || side.lifts.length > 0 ? null : side.line;
