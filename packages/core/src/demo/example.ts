/** A job with one sound opening built by a school: something to start from, and what the schools are tested on. */
import type { JobContext } from '../documents/job.ts';
import type { Opening } from '../documents/opening.ts';
import type { Wall } from '../documents/wall.ts';
import { jobFileSchema, JOB_FORMAT, JOB_VERSION, openingsOf, type JobFile } from '../job-file/job-file.ts';
import { presets } from '../methods/schools.ts';
import { presetIds, type PresetId } from '../vocabulary/presets.ts';
import type { Size } from '../quantities/size.ts';
import { presetTexts } from '../texts/language.ts';
import { planOpening } from '../plan/plan-opening.ts';

const length = (mm: number) => ({ typed: String(mm), mm });
type Layer = Wall['layers'][number];
/** Drywall of the room's side. */
const lining = () => layer('interior-finish', 'drywall', 13);
const layer = (role: Layer['role'], material: Layer['material'], mm: number) => ({
  role,
  material,
  thickness: length(mm),
});

/** A sheet that slows damp from a heated room, as most lined walls have it: common practice, no source. */
const SHEET_m = 5;

/** Walls the schools are made for, from the weather to the room. */
export const exampleWalls = {
  'timber-140': {
    name: 'Timber frame 140, board sheathing',
    layers: [layer('sheathing', 'wood-board', 12), layer('framing', 'stud', 140), lining()],
    insideSheet_sd_m: SHEET_m,
  },
  'studs-140': {
    name: 'Open studs 140',
    layers: [layer('framing', 'stud', 140), lining()],
    insideSheet_sd_m: SHEET_m,
  },
  'timber-foam-51': {
    name: 'Timber frame 140, 51 foam board, batten',
    layers: [
      layer('cavity', 'batten', 19),
      layer('exterior-board', 'foam-board', 51),
      layer('sheathing', 'wood-board', 12),
      layer('framing', 'stud', 140),
      lining(),
    ],
    insideSheet_sd_m: SHEET_m,
  },
  'timber-foam-100': {
    name: 'Timber frame 140, 100 foam board',
    layers: [
      layer('exterior-board', 'foam-board', 100),
      layer('sheathing', 'wood-board', 12),
      layer('framing', 'stud', 140),
      lining(),
    ],
    insideSheet_sd_m: SHEET_m,
  },
  'thick-300': {
    name: 'Thick timber wall 300',
    layers: [layer('sheathing', 'wood-board', 18), layer('framing', 'stud', 300), lining()],
    insideSheet_sd_m: SHEET_m,
  },
  'cavity-452': {
    name: 'Brick, cavity, wool, block',
    layers: [
      layer('cladding', 'brick', 102),
      layer('cavity', 'batten', 40),
      layer('exterior-board', 'wool-board', 120),
      layer('framing', 'block', 190),
      layer('interior-finish', 'plaster', 13),
    ],
  },
  'studs-89': {
    name: 'Studs 89, board sheathing, lined',
    layers: [layer('sheathing', 'wood-board', 12), layer('framing', 'stud', 89), lining()],
    insideSheet_sd_m: SHEET_m,
  },
  'studs-140-lined': {
    name: 'Studs 140, board sheathing, lined',
    layers: [layer('sheathing', 'wood-board', 12), layer('framing', 'stud', 140), lining()],
    insideSheet_sd_m: SHEET_m,
  },
  'double-stud': {
    name: 'Double studs, 300 deep, lined',
    layers: [layer('sheathing', 'wood-board', 12), layer('framing', 'stud', 300), lining()],
    insideSheet_sd_m: SHEET_m,
  },
  'wool-outside-120': {
    name: 'Studs 140, 120 mineral wool outside, batten and siding, lined',
    layers: [
      layer('cladding', 'siding', 20),
      layer('cavity', 'batten', 38),
      layer('exterior-board', 'wool-board', 120),
      layer('sheathing', 'wood-board', 12),
      layer('framing', 'stud', 140),
      lining(),
    ],
    insideSheet_sd_m: SHEET_m,
  },
  'foam-outside-51': {
    name: 'Studs 140, 51 foam board outside, batten and siding, lined',
    layers: [
      layer('cladding', 'siding', 20),
      layer('cavity', 'batten', 19),
      layer('exterior-board', 'foam-board', 51),
      layer('sheathing', 'wood-board', 12),
      layer('framing', 'stud', 140),
      lining(),
    ],
    insideSheet_sd_m: SHEET_m,
  },
  'solid-brick-240': {
    name: 'Solid brick 240, plastered',
    layers: [layer('framing', 'brick', 240), layer('interior-finish', 'plaster', 15)],
  },
  'block-190-render': {
    name: 'Block 190 under render, plastered',
    layers: [
      layer('cladding', 'render', 20),
      layer('framing', 'block', 190),
      layer('interior-finish', 'plaster', 13),
    ],
  },
  'concrete-200-foam': {
    name: 'Concrete 200, 140 foam board and render outside, plastered',
    layers: [
      layer('cladding', 'render', 10),
      layer('exterior-board', 'foam-board', 140),
      layer('framing', 'concrete', 200),
      layer('interior-finish', 'plaster', 10),
    ],
  },
  'old-frame': {
    name: 'Old timber frame',
    layers: [layer('framing', 'stud', 115), layer('interior-finish', 'plaster', 15)],
  },
} as const satisfies Record<string, { name: string; layers: readonly unknown[]; insideSheet_sd_m?: number }>;

export type ExampleWallId = keyof typeof exampleWalls;

/** The wall a school is made for. */
export const wallFor: Readonly<Record<PresetId, ExampleWallId>> = {
  'drained-head-flap': 'timber-140',
  'closed-barrier': 'timber-140',
  'open-studs': 'studs-140',
  'foam-buck-outboard': 'timber-foam-51',
  'fluid-recessed': 'thick-300',
  'masonry-cavity': 'cavity-452',
  'drained-full-jambs': 'timber-140',
  'cut-back-wrap': 'timber-140',
  'integral-sheathing': 'timber-140',
  'rigid-pan-heavy': 'timber-140',
  'foam-buck-inside': 'timber-foam-51',
  'interior-clips': 'timber-140',
  'panel-frame': 'timber-foam-100',
  pocket: 'old-frame',
  'separate-fin-double-head': 'timber-140',
  'deep-wall-blocks': 'thick-300',
};

const FIN_OF = {
  'integral-fin': 'integral',
  'separate-fin': 'separate',
  'gasketed-fin': 'gasketed',
  clips: 'none',
  'frame-screws': 'none',
  pocket: 'none',
} as const;

/** A casement of this size with the fin that the school needs. */
export const exampleUnit = (
  id: string,
  name: string,
  preset: PresetId,
  size: { width: number; height: number },
) => {
  const heavy = preset === 'rigid-pan-heavy';
  return {
    id,
    name,
    operation: 'casement' as const,
    width: length(size.width),
    height: length(size.height),
    frameDepth: length(heavy ? 92 : 83),
    frameFace: length(70),
    fin: {
      kind: FIN_OF[presets[preset].choices.mount],
      width: length(35),
      holeFromFrame: length(25),
      fromFront: length(25),
    },
    frameMaterial: 'vinyl' as const,
    ...(heavy && { weight_kg: 95 }),
  };
};

/** Least head gap and side gaps of a sound opening: room for the layers and for foam. */
const HEAD_mm = 10;
const SIDES_mm = 20;
/** Tall enough for any build-up under a unit: the height is cut down to what the plan needs. */
const TALL_mm = 400;

/**
 * Returns the readings of a square, level and plumb opening that fits `unit` under a method.
 *
 * @throws Error when the method cannot be planned at all
 */
export function soundReadings(
  opening: Opening,
  context: JobContext,
): Partial<Record<keyof Opening['survey']['values'], number>> {
  const unit = context.units.find((u) => u.id === opening.unit);
  if (!unit) throw new Error(`${opening.id} has no unit`);
  const sized = (width: number, height: number) => ({ roughWidth: width, roughHeight: height });
  const planned = (readings: Record<string, number>) =>
    planOpening({ ...opening, survey: { from: 'outside', values: typed(readings) } }, context);
  const wide = unit.width.mm + SIDES_mm;
  const first = planned(sized(wide + TALL_mm, unit.height.mm + TALL_mm));
  if (!first.build || !first.fit) throw new Error(`${opening.id} cannot be planned`);
  const leg = first.build.context.opening.buck?.leg ?? 0;
  const width = Math.ceil(wide + 2 * leg);
  const height = Math.ceil(first.fit.placement.bottom + unit.height.mm + HEAD_mm + 2 * leg);
  const diagonal = Math.hypot(width, height);
  return {
    widthBottom: width,
    widthMiddle: width,
    widthTop: width,
    heightLeft: height,
    heightCentre: height,
    heightRight: height,
    diagonalRising: diagonal,
    diagonalFalling: diagonal,
    sillLeft: 0,
    sillMiddle: 0,
    sillRight: 0,
    plumbLeft: 0,
    plumbRight: 0,
  };
}

const typed = (readings: Record<string, number>): Opening['survey']['values'] =>
  Object.fromEntries(
    Object.entries(readings).map(([id, mm]) => [id, { typed: mm.toFixed(1), mm: Number(mm.toFixed(1)) }]),
  );

/** What an example is built round where nobody says otherwise, mm. */
const EXAMPLE_SIZE: Size = { width: 900, height: 1200 };

export function exampleJob(preset: PresetId, size: Size = EXAMPLE_SIZE): JobFile {
  const wall = wallFor[preset];
  const base = {
    format: JOB_FORMAT,
    version: JOB_VERSION,
    job: { id: `example-${preset}`, name: presetTexts[preset].name, note: '', units: 'mm' },
    walls: [{ id: wall, ...exampleWalls[wall] }],
    units: [exampleUnit(`u-${size.width}-${size.height}`, 'Casement', preset, size)],
    methods: [
      {
        id: 'method',
        name: presetTexts[preset].name,
        preset,
        presetVersion: presets[preset].version,
        numbers: {},
      },
    ],
    openings: [
      {
        id: 'opening-1',
        mark: 'A-01',
        name: 'example',
        facade: 'South',
        wall,
        unit: `u-${size.width}-${size.height}`,
        method: 'method',
        survey: { from: 'outside' },
        numbers: {},
      },
    ],
    records: { readings: [] as unknown[], issues: [], entries: [] },
  };
  const bare = jobFileSchema.parse(base);
  const [opening] = openingsOf(bare);
  if (!opening) throw new Error('an example without an opening');
  const values = typed(soundReadings(opening, bare) as Record<string, number>);
  // No two schools share a reading, so that the examples of all can stand in one database.
  const school = (presetIds.indexOf(preset) + 1).toString(16).padStart(3, '0');
  const readings = Object.entries(values).map(([point, value], i) => ({
    id: `e0000000-0000-4000-8${school}-${String(i + 1).padStart(12, '0')}`,
    opening: opening.id,
    point,
    from: 'outside',
    value,
    replaces: [],
    instrument: 'tape',
    person: 'Example',
    at: null,
  }));
  return jobFileSchema.parse({ ...base, records: { ...base.records, readings } });
}
