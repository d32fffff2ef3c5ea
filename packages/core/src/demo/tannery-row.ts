/** The third demo job: an invented clinic with cavity walls, its windows in the insulation plane. All made up. */
import { jobFileSchema, JOB_FORMAT, JOB_VERSION, openingsOf, type JobFile } from '../job-file/job-file.ts';
import { generatedMonths } from '../climate/months.ts';
import { presets } from '../methods/schools.ts';
import { exampleUnit, exampleWalls, soundReadings } from './example.ts';

const length = (mm: number) => ({ typed: String(mm), mm });

/** Mark, room, façade, unit, place, and how far this reveal is out of what it should be, mm. */
const WINDOWS = [
  ['T-01', 'waiting room', 'Street', 'u-1200-1400', 900, 900, {}],
  ['T-02', 'reception', 'Street', 'u-1200-1400', 2900, 900, { widthTop: -3, diagonalRising: 2 }],
  ['T-03', 'treatment 1', 'Street', 'u-900-1400', 5000, 902, { sillRight: 2, heightRight: -2 }],
  ['T-04', 'treatment 2', 'Street', 'u-900-1400', 6800, 900, { plumbLeft: 2 }],
  ['C-01', 'pharmacy', 'Court', 'u-900-1400', 800, 900, { widthMiddle: -2 }],
  ['C-02', 'office', 'Court', 'u-1200-1400', 2600, 900, {}],
  // Blocks laid 14 mm too near: the band has no room.
  ['C-03', 'store', 'Court', 'u-600-900', 4700, 1400, { widthBottom: -14, widthMiddle: -14, widthTop: -13 }],
  ['C-04', 'wash room', 'Court', 'u-600-900', 6000, 1400, { heightCentre: -2 }],
] as const;

const SIZES = { 'u-1200-1400': [1200, 1400], 'u-900-1400': [900, 1400], 'u-600-900': [600, 900] } as const;
const SURVEYED = Date.UTC(2026, 10, 17, 7, 40);

/** Returns the job as a job file; the same every time. */
export function tanneryRow(): JobFile {
  const base = {
    format: JOB_FORMAT,
    version: JOB_VERSION,
    job: {
      id: 'tannery-row',
      name: 'Tannery Row clinic',
      note: 'Brick outside, wool, block inside; windows on brackets in the insulation. Invented for trying things out.',
      units: 'mm',
      altitude_m: 210,
      climate: { inside_C: 21, humidity_percent: 50, outside_C: -8 },
      heatLimits: { psiMost: 0.05 },
      wind: { gust_ms: 38, terrain: 'built-up' },
      months: {
        source: 'generator',
        note: 'Invented inland town: seed 5, 8 °C over the year, −2 °C in January',
        rows: generatedMonths({ seed: 5, year_C: 8, coldest_C: -2, coast: false }),
      },
    },
    walls: [{ id: 'cavity-452', ...exampleWalls['cavity-452'] }],
    units: Object.entries(SIZES).map(([id, [width, height]]) =>
      exampleUnit(
        id,
        `Type ${id.endsWith('900') ? 'K' : width === 900 ? 'L' : 'M'}, casement`,
        'masonry-cavity',
        {
          width,
          height,
        },
      ),
    ),
    methods: [
      {
        id: 'three-levels',
        name: 'Joint in three levels',
        preset: 'masonry-cavity',
        presetVersion: presets['masonry-cavity'].version,
        numbers: {},
      },
    ],
    openings: WINDOWS.map(([mark, name, facade, unit, u, v]) => ({
      id: `tannery-${mark.toLowerCase()}`,
      mark,
      name,
      facade,
      wall: 'cavity-452',
      unit,
      method: 'three-levels',
      survey: { from: 'inside' },
      numbers: {},
      position: { u: length(u), v: length(v) },
    })),
    records: { readings: [] as unknown[], issues: [], entries: [] },
  };
  const bare = jobFileSchema.parse(base);
  const readings = openingsOf(bare).flatMap((opening, i) => {
    const off: Readonly<Record<string, number>> = WINDOWS[i]?.[6] ?? {};
    const sound = soundReadings(opening, bare) as Record<string, number>;
    return Object.entries(sound).map(([point, mm], j) => ({
      id: `7a400001-0000-4000-8000-${String(i * 100 + j + 1).padStart(12, '0')}`,
      opening: opening.id,
      point,
      from: 'inside',
      value: length(Math.round(mm + (off[point] ?? 0))),
      replaces: [],
      instrument: point.startsWith('sill') ? 'levelling-laser' : 'tape',
      person: 'Jonas Myhr',
      at: new Date(SURVEYED + (i * 18 + j) * 60_000).toISOString(),
    }));
  });
  return jobFileSchema.parse({ ...base, records: { ...base.records, readings } });
}
