/** Words for what is measured at a step. */
import type { MeasuredWhat } from '../../vocabulary/measured.ts';

export const measuredTexts: Readonly<
  Record<MeasuredWhat, { readonly name: string; readonly outside: string }>
> = {
  surface: {
    name: 'Temperature of the surface',
    outside: 'Outside what the material asks for: warm or shade it, or wait.',
  },
  air: { name: 'Temperature of the air', outside: '' },
  humidity: { name: 'Humidity of the air, %', outside: '' },
  moisture: { name: 'Moisture of the wood, %', outside: 'Too wet to hold: let it dry, and measure again.' },
  film: { name: 'Wet film', outside: 'Too thin: brush on more before it skins, and measure again.' },
  'sill-level': { name: 'Sill out of level', outside: 'Shim the low end, and measure again.' },
  'head-level': { name: 'Head out of level', outside: 'Shim and rack the frame, and measure again.' },
  plumb: { name: 'Jamb out of plumb', outside: 'Move the shims at this jamb, and measure again.' },
  diagonals: {
    name: 'Difference of the diagonals',
    outside: 'Rack the frame square before more fasteners go in, and measure again.',
  },
  margin: { name: 'Margin between sash and frame', outside: '' },
  depth: { name: 'Depth from a string to the frame', outside: '' },
  joint: {
    name: 'Joint between unit and opening',
    outside:
      'The seal has too little room, or too much: move the unit, or choose another seal with whoever leads.',
  },
  bow: { name: 'Jamb bowed', outside: 'Foam pushes: cut it back, let it cure, foam in lifts.' },
};

const CORNERS = {
  'top-left': 'top left',
  'top-right': 'top right',
  'bottom-right': 'bottom right',
  'bottom-left': 'bottom left',
} as const;

export const measuredPlaceTexts: Readonly<Record<string, string>> = {
  left: 'left, seen from outside',
  right: 'right, seen from outside',
  head: 'head',
  sill: 'sill',
  outside: 'seen from outside',
  before: 'before foam',
  after: 'after foam',
  'after-first': 'after the first corner',
  'after-hinge': 'after the hinge side',
  'after-rest': 'after the last fastener',
  ...Object.fromEntries(
    (['', 'before ', 'after '] as const).flatMap((when) =>
      Object.entries(CORNERS).map(([id, text]) => [
        `${when}${id}`,
        when === '' ? text : `${text}, ${when.trim()} foam`,
      ]),
    ),
  ),
};
