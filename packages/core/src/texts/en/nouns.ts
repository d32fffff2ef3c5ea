/**
 * Things that the words of a step may speak of, and what has to be in a plan for that. A card that names a thing which is
 * not there sends somebody looking for it.
 */
import type { StepNeed } from '../../methods/method.ts';
import type { SheetMaterialId, SolidMaterial } from '../../vocabulary/materials.ts';
import type { PieceRole } from '../../vocabulary/roles.ts';

export interface Noun {
  /** As it stands in a sentence. */
  readonly said: RegExp;
  /** Any of these is enough. */
  readonly roles?: readonly PieceRole[];
  readonly materials?: readonly (SheetMaterialId | SolidMaterial)[];
  readonly needs?: readonly StepNeed[];
}

export const nouns = {
  pan: { said: /\bpans?\b/i, roles: ['pan'] },
  dam: { said: /\bdam\b/i, roles: ['dam'] },
  flap: { said: /\bflaps?\b/i, roles: ['wrap'] },
  wrap: { said: /\bwrap\b/i, materials: ['wrap', 'self-adhered'] },
  apron: { said: /\bapron\b/i, roles: ['apron'] },
  course: { said: /\b(first|second) course\b/i, roles: ['lower-course', 'upper-course'] },
  bead: { said: /\bbeads?\b/i, roles: ['frame-bead', 'buck-bed', 'reveal-bead', 'tape-bead'] },
  fin: { said: /\bfins?\b/i, roles: ['fin'] },
  foam: { said: /\bfoam(ed)?\b(?! board)/i, materials: ['foam', 'hd-foam'] },
  'foam board': { said: /\bfoam board\b/i, materials: ['foam-board', 'foam-face'] },
  wool: { said: /\bwool\b/i, materials: ['wool'] },
  fibre: { said: /\bfibre\b/i, materials: ['fibre'] },
  shim: { said: /\bshims?\b/i, roles: ['shims'] },
  bracket: { said: /\bbrackets?\b/i, roles: ['bracket', 'clip'] },
  clip: { said: /\bclips?\b/i, roles: ['clip'] },
  spacer: { said: /\bspacers?\b/i, roles: ['spacer', 'trim'] },
  buck: { said: /\bbuck\b/i, roles: ['buck'] },
  skirt: { said: /\bskirt\b/i, roles: ['wind-skirt'] },
  rod: { said: /\brod\b/i, roles: ['inner-rod', 'outer-rod'] },
  band: { said: /\bband\b/i, materials: ['band'] },
  membrane: {
    said: /\bmembrane\b/i,
    materials: ['membrane', 'self-adhered', 'air-sheet', 'stretch-flashing'],
  },
  tray: { said: /\btray\b/i, roles: ['cavity-tray'] },
  weep: { said: /\bweep holes?\b/i, roles: ['weep'] },
  patch: { said: /\bpatch(es)?\b/i, roles: ['corner-patch'] },
  'head tape': { said: /\bhead tapes?\b/i, roles: ['head-tape'] },
  'jamb tape': { said: /\bjamb tapes?\b/i, roles: ['jamb-tape'] },
  trim: { said: /\btrim (frame|channel)\b/i, roles: ['trim', 'unit'] },
  guard: { said: /\bguard strip\b/i, roles: ['guard'] },
  'corner tape': { said: /\bcorner tape\b/i, materials: ['corner-tape'] },
  roller: { said: /\b(roll(ed)? (it|all|them)|roller|rolled)\b/i, needs: ['roller'] },
  gauge: { said: /\bcomb gauge\b/i, needs: ['comb-gauge'] },
} as const satisfies Readonly<Record<string, Noun>>;

export type NounId = keyof typeof nouns;
export const nounIds = Object.keys(nouns) as readonly NounId[];
