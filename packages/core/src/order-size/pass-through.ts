/** Can a unit with its fins be handed out through its own opening, to be set from inside? */
import type { Size } from '../quantities/size.ts';

/**
 * Whether a rectangle fits into another, turned as it likes.
 *
 * Source: Carver, "Solution to Problem E 1225", American Mathematical Monthly 64 (1957), from memory.
 */
export function fitsTurned(piece: Size, hole: Size): boolean {
  const [p, q] = [Math.max(piece.width, piece.height), Math.min(piece.width, piece.height)];
  const [a, b] = [Math.max(hole.width, hole.height), Math.min(hole.width, hole.height)];
  if (p <= a) return q <= b;
  const square = p * p + q * q - a * a;
  return square > 0 && b >= (2 * p * q * a + (p * p - q * q) * Math.sqrt(square)) / (p * p + q * q);
}

export interface PassThrough {
  readonly passes: boolean;
  /** The unit goes edge first: the side that leads. */
  readonly leading: 'width' | 'height' | null;
  /** Room needed behind the opening to swing it in, mm: the other side. */
  readonly room_mm: number;
}

/**
 * Returns whether a unit passes its opening edge first. Its cross-section, one side over the fins by its depth, must
 * fit the opening, turned if need be; the other side follows through.
 *
 * It stops being true where something stands close before the wall: a scaffold, a railing.
 */
export function passThrough(o: { unit: Size; fin_mm: number; depth_mm: number; opening: Size }): PassThrough {
  const over = { width: o.unit.width + 2 * o.fin_mm, height: o.unit.height + 2 * o.fin_mm };
  const sides = over.width <= over.height ? (['width', 'height'] as const) : (['height', 'width'] as const);
  const leading =
    sides.find((side) => fitsTurned({ width: over[side], height: o.depth_mm }, o.opening)) ?? null;
  return { passes: leading !== null, leading, room_mm: leading === 'width' ? over.height : over.width };
}
