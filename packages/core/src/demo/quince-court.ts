/** The fourth demo job: an invented old house whose windows are replaced inside their frames, measured in inches. */
import { jobFileSchema, JOB_FORMAT, JOB_VERSION, openingsOf, type JobFile } from '../job-file/job-file.ts';
import { generatedMonths } from '../climate/months.ts';
import { presets } from '../methods/schools.ts';
import { asTyped } from '../quantities/format-length.ts';
import { MM_PER_INCH } from '../quantities/length.ts';
import { BTU_W_m2K } from '../quantities/u-value.ts';
import { exampleUnit, exampleWalls, soundReadings } from './example.ts';

const inches = (figure: number) => asTyped(figure * MM_PER_INCH, 'in');

/** Mark, room, façade, unit, and how far this old frame is out of what it should be, sixteenths of an inch. */
const WINDOWS = [
  ['P-01', 'parlour, left', 'Street', 'hung-32-60', {}],
  // Settled towards the porch: out of level and out of square.
  ['P-02', 'parlour, right', 'Street', 'hung-32-60', { sillRight: -3, diagonalRising: 3, plumbRight: 2 }],
  ['B-01', 'bedroom, front', 'Street', 'hung-28-52', { bowLeft: 3 }],
  ['B-02', 'bedroom, back', 'Garden', 'hung-28-52', { widthMiddle: -2 }],
  ['K-01', 'kitchen', 'Garden', 'casement-30-38', {}],
  // Painted shut for forty years: the jambs have come in.
  ['K-02', 'pantry', 'Garden', 'casement-30-38', { widthMiddle: -9, widthTop: -7 }],
] as const;

/** Name, how it opens, inches, kg. */
const UNITS = {
  'hung-32-60': ['Type P, hung', 'double-hung', 32, 60, 31],
  'hung-28-52': ['Type B, hung', 'double-hung', 28, 52, 24],
  'casement-30-38': ['Type K, casement', 'casement', 30, 38, 21],
} as const;
const SURVEYED = Date.UTC(2026, 10, 19, 13, 5);
const SIXTEENTH_mm = MM_PER_INCH / 16;

/** Returns the job as a job file; the same every time. */
export function quinceCourt(): JobFile {
  const base = {
    format: JOB_FORMAT,
    version: JOB_VERSION,
    job: {
      id: 'quince-court',
      name: 'Quince Court house',
      note: 'Old timber house; hung windows and casements replaced inside their frames. Invented for trying things out.',
      units: 'in',
      altitude_m: 120,
      climate: { inside_C: 20, humidity_percent: 40, outside_C: -12 },
      wind: { gust_ms: 34, terrain: 'built-up' },
      months: {
        source: 'generator',
        note: 'Invented valley: seed 9, 9 °C over the year, −4 °C in January',
        rows: generatedMonths({ seed: 9, year_C: 9, coldest_C: -4, coast: false }),
      },
      facades: [
        { name: 'Street', rating: 'north-american', uMost: 0.3 * BTU_W_m2K },
        { name: 'Garden', rating: 'north-american', uMost: 0.3 * BTU_W_m2K },
      ],
    },
    walls: [{ id: 'old-frame', ...exampleWalls['old-frame'] }],
    units: Object.entries(UNITS).map(([id, [name, operation, width, height, weight_kg]]) => ({
      ...exampleUnit(id, name, 'pocket', { width: width * MM_PER_INCH, height: height * MM_PER_INCH }),
      operation,
      width: inches(width),
      height: inches(height),
      frameDepth: inches(3.25),
      frameFace: inches(1.75),
      rating: 'north-american',
      weight_kg,
      uFactor: 0.28 * BTU_W_m2K,
      shgc: 0.3,
    })),
    methods: [
      {
        id: 'pocket',
        name: 'Pocket, set from inside',
        preset: 'pocket',
        presetVersion: presets.pocket.version,
        numbers: {},
      },
    ],
    openings: WINDOWS.map(([mark, name, facade, unit]) => ({
      id: `quince-${mark.toLowerCase()}`,
      mark,
      name,
      facade,
      wall: 'old-frame',
      unit,
      method: 'pocket',
      survey: { from: 'inside' },
      numbers: {},
      exposure: { height_m: mark.startsWith('B') ? 4.6 : 1.4 },
    })),
    records: { readings: [] as unknown[], issues: [], entries: [] },
  };
  const bare = jobFileSchema.parse(base);
  const readings = openingsOf(bare).flatMap((opening, i) => {
    const off: Readonly<Record<string, number>> = WINDOWS[i]?.[4] ?? {};
    const sound = { bowLeft: 0, bowRight: 0, ...soundReadings(opening, bare) } as Record<string, number>;
    return Object.entries(sound).map(([point, mm], j) => ({
      id: `9c0e0001-0000-4000-8000-${String(i * 100 + j + 1).padStart(12, '0')}`,
      opening: opening.id,
      point,
      from: 'inside',
      value: inches((Math.ceil(mm / SIXTEENTH_mm) + (off[point] ?? 0)) / 16),
      replaces: [],
      instrument: 'tape',
      person: 'Tove Aas',
      at: new Date(SURVEYED + (i * 18 + j) * 60_000).toISOString(),
    }));
  });
  return jobFileSchema.parse({ ...base, records: { ...base.records, readings } });
}
