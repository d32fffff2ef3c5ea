/** Every number a method works with: default, range, and what stands behind it. All can be changed per opening. */
import { inches } from '../quantities/length.ts';
import {
  BUCKED,
  FINNED,
  FINLESS,
  FLAPPED,
  FOUR_SLIT,
  HEAD_TAPED,
  NOT_POCKET,
  CAPPED,
  CAP_TAPED,
  FIN_FASTENED,
  PITCHED,
  SEAM_TAPED,
  SLOPED,
  TWO_TAPED,
  UNIT_FIRST,
  type Condition,
} from './axes.ts';

export type ParameterGroup =
  'fit' | 'shims' | 'fasteners' | 'buck' | 'sill' | 'jambs' | 'head' | 'outside' | 'inside' | 'trim';

export interface Parameter {
  readonly group: ParameterGroup;
  readonly kind: 'length' | 'angle';
  readonly initial: number;
  readonly least: number;
  readonly most: number;
  /** Methods in which the number does anything. */
  readonly when: Condition;
  readonly source: 'common practice, no source' | 'geometry';
}

const row = (
  group: ParameterGroup,
  initial: number,
  least: number,
  most: number,
  when: Condition = {},
  kind: Parameter['kind'] = 'length',
): Parameter => ({ group, kind, initial, least, most, when, source: 'common practice, no source' });

const PANNED = {
  pan: ['stretched', 'tape-and-patches', 'rigid', 'membrane-under-metal', 'fluid', 'of-unit'],
} as const;
const JAMBS_FLASHED = { jambs: ['flashing', 'fluid'] } as const;
const SEALED_BY_STRIP = { innerSeal: ['corner-tape', 'membrane', 'sheet-acoustic'] } as const;

const rows = {
  leastGap: row('fit', inches(1 / 4), 3, 20),
  largestGap: row('fit', 25, 10, 40),
  // 1/2 to 3/4 in more than the unit in all.
  frameClearance: row('fit', inches(3 / 8), 3, 25),
  holeEdgeDistance: row('fit', 10, 4, 30, FIN_FASTENED),
  setback: row('fit', 20, -60, 400, FINLESS),
  leastShim: row('shims', inches(1 / 8), 1, 25),
  shimFromCorner: row('shims', 125, 50, 300),
  shimSpacing: row('shims', 400, 150, 800),
  sillShimFromEnd: row('shims', 50, 20, 200),
  fastenerFromCorner: row('fasteners', 100, 40, 200),
  fastenerSpacing: row('fasteners', 200, 80, 600),
  embedment: row('fasteners', 38, 20, 90),
  driveAngle: row('fasteners', 0, 0, 45, BUCKED, 'angle'),
  buckLeg: row('buck', 38, 12, 90, { buck: ['lumber', 'foam-l'] }),
  buckProjection: row('buck', 70, 0, 400, BUCKED),
  buckFace: row('buck', 64, 30, 200, BUCKED),
  buckShort: row('buck', 2, 0, 6, { buck: ['lumber', 'foam-l'] }),
  buckBead: row('buck', 9.5, 5, 14, BUCKED),
  slope: row('sill', 5, 0, 15, PITCHED, 'angle'),
  boardFront: row('sill', 3, 1, 30, SLOPED),
  damHeight: row('sill', 20, 5, 60, { sillDrain: ['back-dam', 'slope-and-dam'] }),
  /** From the room side of the framing out to the pan's inner edge. */
  panInset: row('sill', 12, 0, 300, PANNED),
  panLap: row('sill', 50, 10, 200, PANNED),
  panUpturn: row('sill', 150, 30, 300, PANNED),
  panRearLeg: row('sill', 25, 5, 80, { pan: ['rigid', 'membrane-under-metal', 'of-unit'] }),
  patchSize: row('sill', 100, 60, 200, { pan: ['tape-and-patches'] }),
  film: row('sill', 0.35, 0.1, 2, { pan: ['fluid'] }),
  spacer: row('sill', 1.5, 0.5, 6, { ...FIN_FASTENED, bottomFin: ['spacers'] }),
  apronWidth: row('sill', 300, 100, 600, UNIT_FIRST),
  apronPast: row('sill', 400, 50, 800, UNIT_FIRST),
  jambFaceLeg: row('jambs', 50, 10, 150, JAMBS_FLASHED),
  jambAboveHead: row('jambs', 25, 10, 80, JAMBS_FLASHED),
  wrapTurnIn: row('jambs', 100, 30, 400, { wrapEdge: ['turned-in'] }),
  cutBack: row('jambs', 50, 20, 150, { wrapEdge: ['cut-back'] }),
  beadDiameter: row('outside', 8, 4, 14, FINNED),
  beadBreak: row('outside', 50, 10, 200, { ...FINNED, bedding: ['interrupted'] }),
  jambTapeWidth: row('outside', 100, 50, 300, FINNED),
  jambTapeAboveFin: row('outside', 25, 0, 100, FINNED),
  jambTapeBelowFin: row('outside', 100, 0, 300, FINNED),
  tapeOnFrame: row('outside', inches(1 / 4), 2, 20, { ...FINNED, tapeEdge: ['onto-frame'] }),
  gasketZone: row('outside', 10, 0, 40, { ...FINNED, tapeEdge: ['gasket'] }),
  sillTapeWidth: row('outside', 100, 50, 200, { ...FINNED, bedding: ['barrier'] }),
  faceTapeWidth: row('outside', 100, 60, 200, { ...BUCKED, waterLayer: ['foam-face'] }),
  skirtHeight: row('outside', 250, 100, 400, { ...FINNED, windSkirt: ['strip'] }),
  outerSealDepth: row('outside', 12, 5, 40, FINLESS),
  courseLap: row('outside', 150, 50, 400, UNIT_FIRST),
  headPast: row('head', 25, 10, 80, JAMBS_FLASHED),
  headTapeWidth: row('head', 100, 50, 300, HEAD_TAPED),
  headTapePast: row('head', 25, 5, 100, NOT_POCKET),
  headTape2Width: row('head', 150, 75, 300, {
    ...FINNED,
    head: [...TWO_TAPED.head, ...SEAM_TAPED.head],
  }),
  headLayerHeight: row('head', 400, 150, 1200, { ...FINNED, head: ['tucked-under-layer'] }),
  capTapeWidth: row('head', 100, 50, 200, CAP_TAPED),
  flapSlit: row('head', 200, 80, 400, FLAPPED),
  jambFlapTrim: row('jambs', 60, 20, 150, FOUR_SLIT),
  flapTrim: row('head', 25, 5, 50, FLAPPED),
  slitTapeWidth: row('head', 100, 50, 150, FLAPPED),
  capLeg: row('head', 60, 20, 150, CAPPED),
  capOut: row('head', 15, 5, 80, CAPPED),
  capDrop: row('head', 20, 5, 60, CAPPED),
  sealWidth: row('inside', 60, 40, 300, SEALED_BY_STRIP),
  sealOnFrame: row('inside', 10, 5, 30, SEALED_BY_STRIP),
  sealLap: row('inside', 25, 10, 60, SEALED_BY_STRIP),
  innerSealDepth: row('inside', 8, 4, 20, { innerSeal: ['sealant-rod', 'precompressed'] }),
  guardWidth: row('inside', 38, 20, 80, { guard: ['strip'] }),
  /** What of the frame a casing leaves to be seen. */
  casingReveal: row('inside', 5, 0, 60, { insideTrim: ['casing'] }),
  casingWidth: row('inside', 120, 30, 300, { insideTrim: ['casing'] }),
  trimWidth: row('trim', 90, 40, 250, { trim: ['frame-with-cap'] }),
  trimThickness: row('trim', 25, 10, 50, { trim: ['frame-with-cap'] }),
  trimGap: row('trim', 6, 3, 20, { trim: ['frame-with-cap'] }),
  /** Over a head flashing, on spacers, left open. */
  trimHeadGap: row('trim', 10, 5, 25, { trim: ['frame-with-cap'], ...CAPPED }),
} as const satisfies Record<string, Parameter>;

/** Of what is brushed, wet, where the material's own sheet says nothing else: common practice, no source. */
export const LEAST_FILM_mm = 0.3;

export type ParameterId = keyof typeof rows;

/** Lengths in mm, angles in degrees. */
export const parameters: Readonly<Record<ParameterId, Parameter>> = rows;
export const parameterIds = Object.keys(rows) as unknown as readonly [ParameterId, ...ParameterId[]];

/** The numbers of one opening after preset, method and opening have each had their say. */
export type ParameterValues = Readonly<Record<ParameterId, number>>;
