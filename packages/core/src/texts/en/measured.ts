/** Words for what is measured at a step. */
import type { MeasuredWhat } from '../../vocabulary/measured.ts';

export const measuredTexts: Readonly<
  Record<MeasuredWhat, { readonly name: string; readonly outside: string }>
> = {
  surface: {
    name: 'Temperature of the surface',
    outside: 'Outside what the material asks for: warm or shade it, or wait.',
  },
  moisture: { name: 'Moisture of the wood, %', outside: 'Too wet to hold: let it dry, and measure again.' },
  film: { name: 'Wet film', outside: 'Too thin: brush on more before it skins, and measure again.' },
  'sill-level': { name: 'Sill out of level', outside: 'Shim the low end, and measure again.' },
  plumb: { name: 'Jamb out of plumb', outside: 'Move the shims at this jamb, and measure again.' },
  diagonals: {
    name: 'Difference of the diagonals',
    outside: 'Rack the frame square before more fasteners go in, and measure again.',
  },
  bow: { name: 'Jamb bowed', outside: 'Foam pushes: cut it back, let it cure, foam in lifts.' },
};

export const measuredPlaceTexts: Readonly<Record<string, string>> = {
  left: 'left, seen from outside',
  right: 'right, seen from outside',
  before: 'before foam',
  after: 'after foam',
};
