/** The demo job: an invented field station on a cold, windy coast. Every name and number is made up. */
import { MATERIALS } from './shelf.ts';
import { generatedMonths } from '../climate/months.ts';
import { presets } from '../methods/schools.ts';
import type { PresetId } from '../vocabulary/presets.ts';
import { issueOf } from '../plan/issue.ts';
import { planOpening } from '../plan/plan-opening.ts';
import {
  contextOf,
  jobFileSchema,
  JOB_FORMAT,
  JOB_VERSION,
  openingsOf,
  type JobFile,
} from '../job-file/job-file.ts';
import { surveyPointIds, type SurveyPointId } from '../vocabulary/survey-points.ts';

const length = (mm: number) => ({ typed: String(mm), mm });

type Readings = Partial<Record<SurveyPointId, number>>;

type Side = 'outside' | 'inside';
const survey = (values: Readings, from: Side = 'outside') => ({ from, values });

/** A square, level and plumb opening of this size, with the small errors of careful framing. */
function framed(width: number, height: number, errors: Readings = {}): Readings {
  const diagonal = Math.round(Math.hypot(width, height));
  return {
    roughWidth: width,
    roughHeight: height,
    widthBottom: width,
    widthMiddle: width + 1,
    widthTop: width,
    heightLeft: height,
    heightCentre: height + 1,
    heightRight: height + 1,
    diagonalRising: diagonal + 1,
    diagonalFalling: diagonal,
    sillLeft: 0,
    sillMiddle: 0,
    sillRight: -1,
    plumbLeft: 1,
    plumbRight: 1,
    depth: 152,
    ...errors,
  };
}

const fin = { kind: 'integral', width: length(35), holeFromFrame: length(25), fromFront: length(25) };
const unit = (id: string, name: string, operation: string, width: number, height: number) => ({
  id,
  name,
  operation,
  width: length(width),
  height: length(height),
  frameDepth: length(83),
  frameFace: length(70),
  fin,
  waterTest_Pa: width > 1000 ? 220 : 300,
  rating: 'iso',
  uFactor: 1.1,
  shgc: 0.5,
  frameMaterial: 'vinyl',
  panes: [length(4), length(4)],
  // As its maker states for a screw through the fin.
  limits: { fastener_N: 260 },
});

const method = (id: string, name: string, preset: PresetId) => ({
  id,
  name,
  preset,
  presetVersion: presets[preset].version,
  numbers: {},
});

const opening = (
  mark: string,
  name: string,
  facade: string,
  unitId: string,
  at: readonly [u: number, v: number],
  readings: ReturnType<typeof survey>,
  method = 'drained',
  otherwise: { numbers?: Record<string, unknown>; choices?: Record<string, string> } = {},
) => ({
  id: `skarv-${mark.toLowerCase()}`,
  mark,
  name,
  facade,
  wall: 'timber-140',
  unit: unitId,
  method,
  survey: { from: readings.from },
  numbers: {},
  ...otherwise,
  position: { u: length(at[0]), v: length(at[1]) },
  // One storey on a plinth under a roof that stands out 350 mm all round, and over a porch before the store.
  exposure: {
    height_m: 1.8,
    zone: at[0] < 1000 ? 'corner' : 'field',
    overhang: length(mark === 'S-01' ? 1500 : 350),
    toSoffit: length(2700 - at[1]),
  },
  readings: readings.values,
});

const OPENINGS = [
  opening('S-01', 'store window', 'South', 'u-900-1200', [900, 900], survey(framed(920, 1225))),
  opening(
    'S-02',
    'mess room',
    'South',
    'u-1200-1200',
    [2900, 900],
    survey({ roughWidth: 1220, roughHeight: 1225 }),
  ),
  opening(
    'S-03',
    'laboratory',
    'South',
    'u-1200-1500',
    [5200, 600],
    survey(
      framed(1207, 1525, {
        widthTop: 1194,
        widthMiddle: 1201,
        plumbLeft: 7,
        plumbRight: -6,
        diagonalRising: 1941,
        diagonalFalling: 1941,
      }),
    ),
  ),
  opening('S-04', 'bunk room', 'South', 'u-900-1200', [7600, 902], survey(framed(913, 1224), 'inside')),
  opening('S-05', 'stair window', 'South', 'u-600-1500', [9700, 1500], survey(framed(619, 1525))),
  opening(
    'W-01',
    'radio room',
    'West',
    'u-900-1200',
    [700, 900],
    survey(framed(921, 1226, { sillLeft: 0, sillMiddle: 4, sillRight: 1, heightCentre: 1222 })),
    'barrier',
  ),
  // The pan's leg was drawn for wrap that runs up to the sill; here it is cut back, and the leg ends above it.
  opening('W-02', 'workshop', 'West', 'u-1200-1200', [2500, 903], survey(framed(1238, 1225)), 'cut-back', {
    numbers: { panLap: length(40) },
  }),
  opening('W-03', 'drying room', 'West', 'u-600-900', [4800, 1200], survey({})),
  opening('N-01', 'battery room', 'North', 'u-600-900', [800, 1200], survey(framed(619, 925)), 'skirt'),
  // So near to N-01 that the strips of both meet.
  opening('N-02', 'pump room', 'North', 'u-600-900', [1590, 1200], survey(framed(620, 926)), 'skirt'),
  opening('N-03', 'workshop, back', 'North', 'u-1200-1200', [3800, 900], survey(framed(1222, 1223)), 'rigid'),
  opening('E-01', 'cabin 1', 'East', 'u-900-1200', [700, 900], survey(framed(921, 1226)), 'coated'),
  opening(
    'E-02',
    'cabin 2',
    'East',
    'u-900-1200',
    [2700, 904],
    survey(framed(920, 1226, { twistLeft: 5, twistRight: -1, sillFallLeft: -14, sillFallRight: -12 })),
    'coated',
  ),
  // Framed 35 mm lower than its neighbours: it cannot stand on their line.
  // Somebody thought that coated sheathing needs no pan: what the unit lets through stands on the bare sill.
  opening('E-03', 'cabin 3', 'East', 'u-900-1200', [4700, 866], survey(framed(921, 1225)), 'coated', {
    choices: { pan: 'none' },
  }),
];

/** Ticks of the half-installed opening: step, minutes after the start, kind, by whom, note. */
const DONE: readonly [
  step: string,
  minute: number,
  kind: 'tick' | 'look' | 'note',
  person: string,
  note: string,
][] = [
  ['check-opening', 0, 'tick', 'Tove Aas', ''],
  ['wrap', 14, 'tick', 'Tove Aas', ''],
  ['cut-flap', 21, 'tick', 'Tove Aas', ''],
  ['slope-board', 33, 'tick', 'Jonas Myhr', ''],
  ['pan', 47, 'tick', 'Jonas Myhr', 'Left corner rolled twice, texture shows.'],
  ['pan', 52, 'look', 'Ines Kallas', 'Corners whole, lap 52 mm.'],
  ['jamb-flashing', 68, 'tick', 'Jonas Myhr', ''],
  ['head-flashing', 79, 'tick', 'Tove Aas', ''],
  ['unpack', 84, 'tick', 'Tove Aas', 'Glazing tube cut and sealed by its maker.'],
  ['dry-fit', 92, 'tick', 'Tove Aas', 'Gap 7 mm left, 8 mm right.'],
];

/** Who measured what of an opening, in walking order, a reading every 40 seconds. */
function readingsOf({ id, survey: { from }, readings: values }: ReturnType<typeof opening>, index: number) {
  const begun = SURVEYED + index * 20 * 60_000;
  return surveyPointIds.flatMap((point, i) => {
    const mm = values[point];
    if (mm === undefined) return [];
    const drawn = point === 'roughWidth' || point === 'roughHeight';
    return {
      id: `5ca20001-0000-4000-8000-${String(index * 100 + i + 1).padStart(12, '0')}`,
      opening: id,
      point,
      from,
      value: length(mm),
      replaces: [],
      instrument: drawn ? 'drawing' : point.startsWith('sill') ? 'levelling-laser' : 'tape',
      person: drawn ? 'Ines Kallas' : 'Tove Aas',
      at: new Date(drawn ? DRAWN : begun + i * 40_000).toISOString(),
    };
  });
}

const HALF_DONE = 'skarv-s-05';
const DRAWN = Date.UTC(2026, 10, 2, 13, 5);
const SURVEYED = Date.UTC(2026, 10, 12, 8, 10);
const START = Date.UTC(2026, 10, 16, 7, 30);

/** Returns the demo job as a job file; the same every time. */
export function skarvPoint(): JobFile {
  const base = {
    format: JOB_FORMAT,
    version: JOB_VERSION,
    job: {
      id: 'skarv-point',
      name: 'Skarv Point field station',
      note: 'Timber frame with 140 mm studs on an open, windy shore. Invented for trying things out.',
      units: 'mm',
      altitude_m: 20,
      wind: { gust_ms: 46, terrain: 'coast' },
      climate: { inside_C: 20, humidity_percent: 45, outside_C: -5 },
      // Framing round the hole is counted in.
      heatLimits: { psiMost: 0.16 },
      months: {
        source: 'generator',
        note: 'Invented coast: seed 14, 6 °C over the year, 0.5 °C in January',
        rows: generatedMonths({ seed: 14, year_C: 6, coldest_C: 0.5, coast: true }),
      },
      joints: { installed_C: 8, coldest_C: -10, hottest_C: 45, movement: 0.25 },
      handling: { person_kg: 23, gust_ms: 9 },
      facades: [
        { name: 'South', azimuth_deg: 180, uMost: 1.4, shgcLeast: 0.45 },
        { name: 'North', azimuth_deg: 0, uMost: 1.1 },
        { name: 'East', azimuth_deg: 90 },
        { name: 'West', azimuth_deg: 270 },
      ],
      calendar: {
        start: '2026-11-30',
        zone: 'UTC',
        site: { latitude: 60, longitude: 0 },
        hours: { from: '07:00', to: '15:30' },
        weekdays: [1, 2, 3, 4, 5],
        people: [
          { id: 'tove', name: 'Tove Aas', skills: ['look', 'set', 'seal'], off: [] },
          { id: 'jonas', name: 'Jonas Myhr', skills: ['set', 'seal'], off: [] },
          { id: 'third', name: 'Third hand', skills: ['seal'], off: [] },
        ],
        tools: {},
        setup_min: 15,
        deliveries: [{ opening: 'skarv-n-02', on: '2026-12-02' }],
        others: [],
        weather: { source: 'invented', seed: 7 },
        pins: [],
        kept: [],
        covers: [],
      },
      currency: 'EUR',
      supply: {
        articles: [
          { id: 'flashing-tape/100', price: 24 },
          { id: 'flashing-tape/230', price: 52 },
          { id: 'stretch-flashing/230', price: 98 },
          { id: 'corner-tape/60', price: 41 },
          { id: 'sealant', price: 9.5 },
          { id: 'foam', price: 11 },
          { id: 'wood/152x16.3', price: 14 },
          { id: 'unit/u-900-1200', price: 540, lead_days: 35 },
          { id: 'unit/u-1200-1200', price: 690, lead_days: 35 },
          { id: 'fastener/57', price: 12 },
        ],
        pricesOf: '2026-11-16',
        van: [
          { id: 'v1', article: 'flashing-tape/100', amount: 1, length_mm: 9400 },
          { id: 'v2', article: 'flashing-tape/230', amount: 1, lot: 'B-2207' },
          { id: 'v3', article: 'sealant', amount: 6, lot: 'S-118', useBy: '2027-05-31' },
          { id: 'v4', article: 'wood/152x16.3', amount: 1, length_mm: 2050 },
          { id: 'v5', article: 'cup', amount: 4 },
        ],
        orders: [
          {
            id: 'o1',
            article: 'unit/u-900-1200',
            amount: 6,
            events: [
              { state: 'ordered', at: '2026-10-12T08:10:00.000Z', person: 'Ines Kallas' },
              {
                state: 'came',
                at: '2026-11-26T10:30:00.000Z',
                person: 'Ines Kallas',
                checks: { size: true, handing: true, damage: true, label: true },
              },
            ],
          },
          {
            id: 'o2',
            article: 'unit/u-1200-1200',
            amount: 3,
            events: [
              { state: 'ordered', at: '2026-10-20T09:00:00.000Z', person: 'Ines Kallas' },
              {
                state: 'promised',
                at: '2026-11-18T13:20:00.000Z',
                person: 'Ines Kallas',
                promised: '2026-12-01',
              },
            ],
          },
        ],
        adhesion: [],
      },
      lines: [
        { id: 'line-south', name: 'Sills, south', kind: 'sills', openings: ['skarv-s-01', 'skarv-s-04'] },
        {
          id: 'line-east',
          name: 'Sills of the cabins',
          kind: 'sills',
          openings: ['skarv-e-01', 'skarv-e-02', 'skarv-e-03'],
        },
        { id: 'line-west', name: 'Heads, west', kind: 'heads', openings: ['skarv-w-01', 'skarv-w-02'] },
      ],
    },
    walls: [
      {
        id: 'timber-140',
        name: 'Timber frame 140, board sheathing',
        layers: [
          { role: 'sheathing', material: 'wood-board', thickness: length(12) },
          { role: 'framing', material: 'stud', thickness: length(140) },
          { role: 'interior-finish', material: 'drywall', thickness: length(13) },
        ],
        insideSheet_sd_m: 5,
      },
    ],
    units: [
      unit('u-600-900', 'Type A, fixed', 'fixed', 600, 900),
      unit('u-900-1200', 'Type B, casement', 'casement', 900, 1200),
      unit('u-600-1500', 'Type C, awning', 'awning', 600, 1500),
      unit('u-1200-1200', 'Type D, sliding', 'sliding', 1200, 1200),
      unit('u-1200-1500', 'Type E, casement', 'casement', 1200, 1500),
    ],
    methods: [
      method('drained', 'Drained, head flap', 'drained-head-flap'),
      method('barrier', 'Closed barrier, north-west wind', 'closed-barrier'),
      method('cut-back', 'Cut-back wrap, as drawn', 'cut-back-wrap'),
      method('skirt', 'Drained, wind skirt', 'drained-full-jambs'),
      method('rigid', 'Rigid pan, heavy slider', 'rigid-pan-heavy'),
      method('coated', 'Coated sheathing, cabins', 'integral-sheathing'),
    ],
    // What a figure of heat or vapour rests on is left as it is usual.
    materials: MATERIALS.map(({ ...material }) => {
      const {
        sd_m: _sd,
        lambda_WmK: _lambda,
        ...own
      } = material as typeof material & { sd_m?: number; lambda_WmK?: number };
      return own;
    }),
    openings: OPENINGS.map(({ readings: _readings, ...document }) => document),
    records: { readings: OPENINGS.flatMap(readingsOf), issues: [], entries: [] },
  };
  const file = jobFileSchema.parse(base);
  return { ...file, records: { ...file.records, ...halfInstalled(file) } };
}

function halfInstalled(file: JobFile): Pick<JobFile['records'], 'issues' | 'entries'> {
  const subject = openingsOf(file).find((o) => o.id === HALF_DONE);
  if (!subject) throw new Error('the demo job lost an opening');
  const at = (minute: number) => new Date(START + minute * 60_000).toISOString();
  const issue = issueOf(planOpening(subject, contextOf(file)), {
    version: 1,
    person: 'Ines Kallas',
    at: at(-20),
  });
  if (!issue) throw new Error('the demo opening cannot be built');
  return {
    issues: [issue],
    entries: DONE.map(([step, minute, kind, person, note], i) => ({
      id: `5ca20000-0000-4000-8000-${String(i + 1).padStart(12, '0')}`,
      opening: subject.id,
      issue: 1,
      kind,
      step,
      undoes: null,
      person,
      at: at(minute),
      note,
      photo: null,
    })),
  };
}
