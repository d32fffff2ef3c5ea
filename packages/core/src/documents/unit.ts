/** A unit, as its maker describes it. */
import * as z from 'zod/mini';
import { ratings } from '../vocabulary/ratings.ts';
import { axes } from '../vocabulary/axes.ts';
import { id, name, origin, positiveLength, words } from './fields.ts';

export const unitSchema = z.strictObject({
  id: id('UnitId'),
  name,
  origin,
  /** `hung` is one of which it is not known whether one sash slides or both. */
  operation: z.enum([
    'fixed',
    'casement',
    'awning',
    'tilt-turn',
    'sliding',
    'hung',
    'single-hung',
    'double-hung',
    'door',
  ]),
  width: positiveLength,
  height: positiveLength,
  frameDepth: positiveLength,
  frameFace: positiveLength,
  fin: z.strictObject({
    kind: z.enum(['integral', 'separate', 'gasketed', 'none']),
    width: positiveLength,
    /** Centre of the fastener row to the frame. */
    holeFromFrame: positiveLength,
    /** Outside face of the frame to the back of the fin. */
    fromFront: positiveLength,
    /** From hole to hole along the fin, where it has holes. */
    holePitch: z.optional(positiveLength),
  }),
  // What follows is left out where it is not known.
  /** A shape other than a rectangle is kept, and said to be not checkable. */
  shape: z.optional(z.enum(['rectangle', 'other'])),
  frameMaterial: z.optional(z.enum(['vinyl', 'wood', 'clad-wood', 'aluminium', 'fibreglass'])),
  /** Panes from the weather to the room. */
  panes: z.optional(z.array(positiveLength).check(z.minLength(1), z.maxLength(4))),
  weight_kg: z.optional(z.number().check(z.positive(), z.lte(2000))),
  /** Pressure it passed a water test at, Pa. */
  waterTest_Pa: z.optional(z.number().check(z.positive(), z.lte(3000))),
  /** How U and solar gain on its label were found: two procedures give two figures for one unit. */
  rating: z.optional(z.enum(ratings)),
  /** W/(m² K), of the whole unit. */
  uFactor: z.optional(z.number().check(z.positive(), z.lte(8))),
  /** W/(m² K) of frame and glass, and W/(m K) of the glass edge, where the maker gives them. */
  frameU: z.optional(z.number().check(z.positive(), z.lte(8))),
  glassU: z.optional(z.number().check(z.positive(), z.lte(6))),
  spacerPsi: z.optional(z.number().check(z.gte(0), z.lte(0.3))),
  shgc: z.optional(z.number().check(z.gte(0), z.lte(1))),
  /** Seen from outside. */
  hinge: z.optional(z.enum(['left', 'right', 'top', 'bottom'])),
  /** Where sealed glazing was closed, metres above the sea. */
  madeAt_m: z.optional(z.number().check(z.gte(-400), z.lte(6000))),
  /** The maker's own limits; they go before the method's. */
  limits: z.optional(
    z.strictObject({
      foam: z.optional(z.enum(['allowed', 'forbidden'])),
      leastGap: z.optional(positiveLength),
      largestGap: z.optional(positiveLength),
      fasteners: z.optional(z.enum(['every-hole', 'every-second-hole', 'clips-only', 'frame-screws'])),
      /** What one fastener or clip may carry across the wall's face, N, as its maker or an engineer says. */
      fastener_N: z.optional(z.number().check(z.positive(), z.lte(50_000))),
    }),
  ),
  /**
   * A method of the maker's own that departs from the trade's rules, as its instructions say. It ends the quarrel between
   * rules and nothing else: what water, air and loads do stays as it is found.
   */
  asks: z.optional(
    z.strictObject({
      source: words(200).check(z.trim(), z.minLength(1, 'say where the maker says so')),
      bedding: z.optional(z.enum(axes.bedding)),
      pan: z.optional(z.enum(axes.pan)),
      tapeEdge: z.optional(z.enum(axes.tapeEdge)),
      bottomFin: z.optional(z.enum(axes.bottomFin)),
    }),
  ),
  /** Centres of the mullions of joined units, from the left edge seen from outside. */
  mullions: z.optional(z.array(positiveLength).check(z.maxLength(8))),
  /** Height of a door's threshold; its unit stands on the floor line instead of a window sill. */
  threshold: z.optional(positiveLength),
});

export type Unit = z.infer<typeof unitSchema>;
export type SashKind = Unit['operation'];

/** Sashes that slide up between the jambs. */
export const isHung = (operation: SashKind): boolean =>
  operation === 'hung' || operation === 'single-hung' || operation === 'double-hung';

export type FrameMaterial = NonNullable<Unit['frameMaterial']>;
