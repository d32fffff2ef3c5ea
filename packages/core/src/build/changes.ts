/** The same wall built otherwise: what somebody tries out, and what was done on site against the plan. */
import { clip, type Polygon } from '../geometry/polygon.ts';
import type { PieceEdge } from '../vocabulary/piece-edges.ts';
import type { Sheet } from '../geometry/sheet.ts';
import type { Point2 } from '../geometry/vector.ts';
import type { Piece } from '../methods/pieces/piece.ts';
import { LEAST_FILM_mm } from '../vocabulary/parameters.ts';
import type { Side } from '../vocabulary/sides.ts';
import { stretchOf } from './flaws.ts';
import { eventsOf, replay, thingsOf } from './replay.ts';
import type { Build, PlannedStep } from './build.ts';

export type WallChange =
  /** It does not stick: not rolled, not bedded, come off. */
  | { readonly kind: 'bond-lost'; readonly piece: string }
  | { readonly kind: 'left-out'; readonly piece: string }
  /**
   * It does not stick, or was skipped, over a part of its length: from its left, or its lower, end; on one side of the
   * opening only where that is said of a piece that runs round it.
   */
  | {
      readonly kind: 'bond-open';
      readonly piece: string;
      readonly from_mm: number;
      readonly to_mm: number;
      readonly side?: Side | undefined;
    }
  /** The way out at the sill is shut: a fin caulked or pinched, foam that came too far. */
  | { readonly kind: 'sill-closed'; readonly piece: string }
  /** It was to come out again and stayed. */
  | { readonly kind: 'left-in'; readonly piece: string }
  /** Wet film as it was read. */
  | { readonly kind: 'film'; readonly piece: string; readonly mm: number }
  /** Of another material than planned; where the stock is one that is known, its id. */
  | {
      readonly kind: 'other-material';
      readonly piece: string;
      readonly material: string;
      readonly stock?: string | undefined;
    }
  /** It ends too early at one edge. */
  | { readonly kind: 'short'; readonly piece: string; readonly edge: PieceEdge; readonly mm: number }
  /** It sits higher than planned, or lower where negative. */
  | { readonly kind: 'raised'; readonly piece: string; readonly mm: number }
  | { readonly kind: 'moved'; readonly step: string; readonly before: string };

/** What is known of another stock in a piece's place: it does the same, it does not hold there, or neither is known. */
export type StockSays = 'as-planned' | 'no-bond' | 'unknown';
export type AskStock = (build: Build, piece: string, stock: string) => StockSays;

export interface ChangedBuild {
  readonly build: Build;
  readonly lost: readonly string[];
  /** Pieces of another material than the one that is computed, of which it is not known whether it does the same. */
  readonly strange: readonly string[];
}

export const unchanged = (build: Build): ChangedBuild => ({ build, lost: [], strange: [] });

export type ChangeRefused = 'unknown-piece' | 'unknown-step' | 'not-possible';
export type ChangeResult =
  { readonly ok: true; readonly value: ChangedBuild } | { readonly ok: false; readonly error: ChangeRefused };

/**
 * Returns the build with `changes` made to it, in order, after those that were made `before`.
 *
 * An order is possible when nothing is done before what makes it physically possible; whether it is wise is what the
 * tracing says.
 */
export function withChanges(
  build: Build,
  changes: readonly WallChange[],
  before: Omit<ChangedBuild, 'build'> = unchanged(build),
  askStock: AskStock = () => 'unknown',
): ChangeResult {
  let now = build;
  const [lost, strange] = [[...before.lost], [...before.strange]];
  for (const change of changes) {
    if (change.kind !== 'moved' && !has(now, change.piece)) return refused('unknown-piece');
    if (change.kind === 'other-material') {
      const says = change.stock === undefined ? 'unknown' : askStock(now, change.piece, change.stock);
      if (says === 'no-bond') lost.push(change.piece);
      if (says === 'unknown') strange.push(change.piece);
      continue;
    }
    if (change.kind === 'bond-lost') {
      lost.push(change.piece);
      continue;
    }
    if (change.kind === 'film') {
      const { piece } = change;
      if (!now.pieces.some((p) => p.id === piece && p.form === 'sheet' && p.film_mm !== undefined))
        return refused('not-possible');
      // A film that is too thin is no film.
      if (change.mm < LEAST_FILM_mm) now = without(now, change.piece);
      continue;
    }
    if (change.kind === 'bond-open' || change.kind === 'sill-closed' || change.kind === 'left-in') {
      const next = flawed(now, change);
      if (!next) return refused('not-possible');
      now = next;
      continue;
    }
    const next = change.kind === 'moved' ? reordered(now, change) : reshaped(now, change);
    if (typeof next === 'string') return refused(next);
    now = next;
  }
  return { ok: true, value: { build: now, lost, strange } };
}

const refused = (error: ChangeRefused): ChangeResult => ({ ok: false, error });
const has = ({ pieces }: Build, id: string): boolean => pieces.some((piece) => piece.id === id);

type FlawChange = Extract<WallChange, { kind: 'bond-open' | 'sill-closed' | 'left-in' }>;

function flawed(build: Build, change: FlawChange): Build | null {
  const { flaws = [] } = build;
  if (change.kind === 'sill-closed') return { ...build, flaws: [...flaws, { kind: 'sill-closed' }] };
  if (change.kind === 'left-in') {
    const stays = <T extends { readonly op: string; readonly thing: string }>(events: readonly T[]) =>
      events.filter(({ op, thing }) => op !== 'remove' || thing !== change.piece);
    const steps = build.steps.map((step) => ({ ...step, events: stays(step.events) }));
    const changed = steps.some((step, i) => step.events.length !== build.steps[i]?.events.length);
    return changed ? { ...build, steps, events: stays(build.events) } : null;
  }
  const piece = build.pieces.find(({ id }) => id === change.piece);
  const stretch = piece && stretchOf(piece, change);
  if (!stretch) return null;
  const side = change.side && { side: change.side };
  return { ...build, flaws: [...flaws, { kind: 'bond-open', piece: change.piece, ...stretch, ...side }] };
}

type PieceChange = Exclude<
  WallChange,
  FlawChange | { kind: 'moved' | 'bond-lost' | 'film' | 'other-material' }
>;

function reshaped(build: Build, change: PieceChange): Build | ChangeRefused {
  if (!has(build, change.piece)) return 'unknown-piece';
  if (change.kind === 'left-out') return without(build, change.piece);
  const onFace = build.pieces.some(
    (p) => p.id === change.piece && p.form === 'sheet' && p.sheet.faces.some((f) => f.surface === WALL),
  );
  if (!onFace) return 'not-possible';
  const alter = (piece: Piece): Piece =>
    piece.form === 'sheet' && piece.id === change.piece
      ? { ...piece, sheet: onWall(piece.sheet, (ring) => changedRing(ring, change, piece.sheet)) }
      : piece;
  return { ...build, pieces: build.pieces.map(alter) };
}

function changedRing(ring: Polygon, change: Extract<PieceChange, { mm: number }>, sheet: Sheet): Polygon {
  if (change.kind === 'raised') return ring.map(([u, v]): Point2 => [u, v + change.mm]);
  const all = sheet.faces.filter((f) => f.surface === WALL).flatMap((f) => f.placed);
  const us = all.map((p) => p[0]);
  const vs = all.map((p) => p[1]);
  const keep: Record<PieceEdge, (p: Point2) => number> = {
    top: ([, v]) => Math.max(...vs) - change.mm - v,
    bottom: ([, v]) => v - Math.min(...vs) - change.mm,
    left: ([u]) => u - Math.min(...us) - change.mm,
    right: ([u]) => Math.max(...us) - change.mm - u,
  };
  return clip(ring, keep[change.edge]);
}

const WALL = 'wall';

/** Only what lies on the wall's face is laid by eye; what is folded into the opening has its place from the fold. */
const onWall = (sheet: Sheet, change: (ring: Polygon) => Polygon): Sheet => ({
  ...sheet,
  faces: sheet.faces.flatMap((face) => {
    if (face.surface !== WALL) return [face];
    const placed = change(face.placed);
    return placed.length < 3 ? [] : [{ ...face, placed, space: placed.map(([u, v]) => [u, v, 0] as const) }];
  }),
});

function without(build: Build, piece: string): Build {
  const kept = <T extends { readonly thing: string }>(events: readonly T[]) =>
    events.filter((event) => event.thing !== piece);
  return {
    ...build,
    pieces: build.pieces.filter((p) => p.id !== piece),
    steps: build.steps.map((step) => ({ ...step, events: kept(step.events) })),
    events: kept(build.events),
  };
}

function reordered(
  build: Build,
  { step, before }: Extract<WallChange, { kind: 'moved' }>,
): Build | ChangeRefused {
  const moving = build.steps.find((s) => s.id === step);
  const rest = build.steps.filter((s) => s.id !== step);
  const at = rest.findIndex((s) => s.id === before);
  if (!moving || at < 0) return 'unknown-step';
  const steps = rest.toSpliced(at, 0, moving);
  return inOrder(build, steps) ?? 'not-possible';
}

/** The build with its steps in this order; `null` where that is physically not possible. */
export function inOrder(build: Build, steps: readonly PlannedStep[]): Build | null {
  const done = new Set<string>();
  for (const step of steps) {
    if (step.after.some(({ step: id, because }) => because === 'physical' && !done.has(id))) return null;
    done.add(step.id);
  }
  const events = eventsOf(steps);
  try {
    replay(thingsOf(build.pieces), events);
  } catch {
    // An event that finds nothing to act on: the rows name no physical reason for it, the geometry does.
    return null;
  }
  return { ...build, steps, events };
}
