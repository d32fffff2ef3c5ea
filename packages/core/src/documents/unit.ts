/** A unit, as its maker describes it. */
import { z } from 'zod';
import { id, name, origin, positiveLength } from './fields.ts';

export const unitSchema = z.strictObject({
  id: id('UnitId'),
  name,
  origin,
  operation: z.enum(['fixed', 'casement', 'awning', 'sliding', 'hung']),
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
  }),
  // What follows is left out where it is not known.
  /** A shape other than a rectangle is kept, and said to be not checkable. */
  shape: z.enum(['rectangle', 'other']).optional(),
  frameMaterial: z.enum(['vinyl', 'wood', 'clad-wood', 'aluminium', 'fibreglass']).optional(),
  /** Panes from the weather to the room. */
  panes: z.array(positiveLength).min(1).max(4).optional(),
  weight_kg: z.number().positive().max(2000).optional(),
  /** Pressure it passed a water test at, Pa. */
  waterTest_Pa: z.number().positive().max(3000).optional(),
  /** W/(m² K), of the whole unit. */
  uFactor: z.number().positive().max(8).optional(),
  /** W/(m² K) of frame and glass, and W/(m K) of the glass edge, where the maker gives them. */
  frameU: z.number().positive().max(8).optional(),
  glassU: z.number().positive().max(6).optional(),
  spacerPsi: z.number().min(0).max(0.3).optional(),
  shgc: z.number().min(0).max(1).optional(),
  /** Seen from outside. */
  hinge: z.enum(['left', 'right', 'top', 'bottom']).optional(),
  /** Where sealed glazing was closed, metres above the sea. */
  madeAt_m: z.number().min(-400).max(6000).optional(),
  /** The maker's own limits; they go before the method's. */
  limits: z
    .strictObject({
      foam: z.enum(['allowed', 'forbidden']).optional(),
      leastGap: positiveLength.optional(),
      largestGap: positiveLength.optional(),
      fasteners: z.enum(['every-hole', 'every-second-hole', 'clips-only', 'frame-screws']).optional(),
      /** What one fastener or clip may carry across the wall's face, N, as its maker or an engineer says. */
      fastener_N: z.number().positive().max(50_000).optional(),
    })
    .optional(),
  /** Centres of the mullions of joined units, from the left edge seen from outside. */
  mullions: z.array(positiveLength).max(8).optional(),
  /** Height of a door's threshold; its unit stands on the floor line instead of a window sill. */
  threshold: positiveLength.optional(),
});

export type Unit = z.infer<typeof unitSchema>;

export type FrameMaterial = NonNullable<Unit['frameMaterial']>;
