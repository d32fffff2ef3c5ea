/** Building models: what is written by hand is read to a tenth of a millimetre; what is written here is read by two libraries. */
import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';
import { IfcParser } from '@ifc-lite/parser';
import {
  facadeFor,
  guessFields,
  guidOf,
  modelLines,
  readSchedule,
  sameMark,
  wallOfModel,
  ModelRefused,
  skarvPoint,
  tanneryRow,
  writeBuilding,
  type Building,
  type JobFile,
  type ModelOpening,
  type ModelUnit,
} from '@hulvek/core';
import { beforeAll, describe, expect, it, vi } from 'vitest';
import { IfcAPI, LogLevel } from 'web-ifc';
import { modelSheets } from '../src/lib/features/openings/model/model-sheets.ts';
import { readModel } from '../src/lib/features/openings/model/read-model.ts';
import { handModel, type HandModel } from './hand-model.ts';
import { checkStep } from './step-checker.ts';

let api: IfcAPI;
beforeAll(async () => {
  api = new IfcAPI();
  await api.Init();
  api.SetLogLevel(LogLevel.LOG_LEVEL_OFF);
  // The second library tells how far it is.
  for (const told of ['log', 'error'] as const) vi.spyOn(console, told).mockImplementation(() => undefined);
});
const read = (text: string): Building => readModel(api, new TextEncoder().encode(text));
const handmade = (of: HandModel): Building => read(handModel(of));

describe('a model made by hand', () => {
  it.each([
    ['mm', 'IFC4'],
    ['m', 'IFC4'],
    ['ft', 'IFC4'],
    ['mm', 'IFC2X3'],
    ['ft', 'IFC2X3'],
  ] as const)('in %s, %s: sizes are right to 0.1 mm from every source', (unit, schema) => {
    for (const size of ['parameters', 'rectangle', 'polyline', 'across'] as const)
      for (const turned of [0, 30, 137.5]) {
        const { units } = handmade({ unit, schema, size, turned, each: 2 });
        expect(units).toHaveLength(8);
        for (const one of units) {
          expect(Math.abs((one.width_mm ?? 0) - 914.4), `${size} ${turned}`).toBeLessThan(0.1);
          expect(Math.abs((one.height_mm ?? 0) - 1219.2), `${size} ${turned}`).toBeLessThan(0.1);
          expect(Math.abs((one.rough?.width_mm ?? 0) - 914.4)).toBeLessThan(0.1);
          expect(Math.abs((one.sill_mm ?? 0) - 762)).toBeLessThan(0.1);
          expect(one.from).toBe(size === 'parameters' ? 'parameters' : 'opening');
          expect(one).toMatchObject({ storey: 'Upper floor', kind: 'window', problem: null });
        }
      }
  });

  it.each([
    [0, [180, 90, 0, 270]],
    [30, [150, 60, 330, 240]],
    [137.5, [42.5, 312.5, 222.5, 132.5]],
  ] as const)('turned by %d°, its walls look where they look', (turned, looks) => {
    const { units } = handmade({ turned });
    units.forEach(({ azimuth_deg }, i) => expect(azimuth_deg).toBeCloseTo(looks[i] ?? NaN, 3));
  });

  it('gives marks, types, layers and ratings as they stand there, and says nothing where it has none', () => {
    const { units, walls } = handmade({ unit: 'm', each: 2 });
    expect(units[0]).toMatchObject({
      mark: 'W0-0',
      name: 'Fenêtre 0-0',
      type: 'Type 0',
      u_Wm2K: 1.1,
      fire: 'EI 30',
      external: true,
    });
    expect(units[1]).toMatchObject({ mark: 'W0-1', u_Wm2K: null, fire: '', external: null });
    expect(walls).toHaveLength(1);
    const [wall] = walls;
    expect(wall?.layers.map(({ material }) => material)).toEqual([
      'Gypsum board',
      'Timber stud 140',
      'Plywood',
      'Wood siding',
    ]);
    [12.5, 140, 12, 21].forEach((mm, i) => expect(wall?.layers[i]?.thickness_mm).toBeCloseTo(mm, 6));
    expect(handmade({ layers: false }).walls[0]?.layers).toEqual([]);
  });

  it.each([
    ['round', 'other-shape'],
    ['tilted', 'turned'],
    ['nothing', 'no-shape'],
  ] as const)('of which an opening is %s has no size, and says why', (size, problem) => {
    for (const one of handmade({ size }).units)
      expect(one).toMatchObject({ width_mm: null, height_mm: null, rough: null, from: null, problem });
  });

  it('of 5 000 openings is read whole', () => {
    const { units } = handmade({ each: 1250, size: 'rectangle', unit: 'ft', turned: 12 });
    expect(units).toHaveLength(5000);
    for (const { width_mm, height_mm } of units)
      expect(Math.abs((width_mm ?? 0) - 914.4) + Math.abs((height_mm ?? 0) - 1219.2)).toBeLessThan(0.1);
    expect(new Set(units.map(({ guid }) => guid)).size).toBe(5000);
  });
});

describe('a model as a schedule', () => {
  const sides = ['North', 'East', 'South', 'West'];
  const unit = (of: Partial<ModelUnit>): ModelUnit => ({ ...handmade({}).units[0]!, ...of });

  it('gives every opening a mark of its own, its own where it can', () => {
    const marks = [
      'A1',
      'a1',
      'B2',
      '',
      'far too long for a mark of an opening',
      'W-001',
      'x, y',
      '7–9',
      '2 to 4',
    ];
    const lines = modelLines(marks.map((mark) => unit({ mark })));
    expect(new Set(lines.map(({ mark }) => sameMark(mark))).size).toBe(marks.length);
    expect(lines.map(({ mark }) => mark).filter((mark) => marks.includes(mark))).toEqual(['B2', 'W-001']);
    expect(lines.every(({ mark }) => mark.length <= 16 && mark !== '')).toBe(true);
  });

  it('names façades as the job does, else by the side of the sky', () => {
    const facades = [{ name: 'Street', azimuth_deg: 350 }, { name: 'Yard' }];
    expect([5, 340, 328, 20, 91, 181, 269.9, 359.9].map((deg) => facadeFor(deg, facades, sides))).toEqual([
      'Street',
      'Street',
      'Street',
      'North',
      'East',
      'South',
      'West',
      'Street',
    ]);
    expect(facadeFor(null, facades, sides)).toBe('');
  });

  // Common practice, no source: what a material's name means, and which side of the framing is the weather's.
  it.each([
    [
      ['Gypsum board 12.5', 'Timber stud 140', 'Plywood 12', 'Wood siding 21'],
      ['cladding siding', 'sheathing wood-board', 'framing stud', 'interior-finish drywall'],
    ],
    [
      ['Brick 102', 'Air cavity 50', 'Mineral wool 100', 'Concrete block 100', 'Plaster 13'],
      [
        'cladding brick',
        'cavity batten',
        'exterior-board wool-board',
        'framing block',
        'interior-finish plaster',
      ],
    ],
    [
      ['Render 20', 'EPS 100', 'Concrete 180'],
      ['cladding render', 'exterior-board foam-board', 'framing concrete'],
    ],
    [['Unobtainium 10', 'Timber stud 140'], null],
    [['Gypsum board 12.5'], null],
  ])('makes a wall of %j', (layers, expected) => {
    const wall = wallOfModel(
      {
        key: 'x',
        name: 'Outer',
        u_Wm2K: null,
        fire: '',
        layers: layers.map((text) => {
          const [, material = '', mm = ''] = /^(.*) ([\d.]+)$/.exec(text) ?? [];
          return { material, thickness_mm: Number(mm) };
        }),
      },
      'wall-x',
    );
    expect(wall?.layers.map(({ role, material }) => `${role} ${material}`) ?? null).toEqual(expected);
  });

  it('is read by the reader of schedules without a question', () => {
    const { units } = handmade({ each: 3, unit: 'ft', size: 'rectangle' });
    const { sheets } = modelSheets({ units, walls: [], storeys: [] }, []);
    const [sheet] = sheets;
    const table = sheet?.table ?? [];
    const fields = guessFields(table[0] ?? []);
    expect(fields.every((field) => field !== null)).toBe(true);
    const read_ = readSchedule(table, 0, fields, { bare: null, hand: 'outside' });
    expect(read_.problems).toEqual([]);
    expect(read_.lines).toHaveLength(12);
    for (const { size, rough, sill } of read_.lines) {
      expect(Math.abs((size?.width.mm ?? 0) - 914.4)).toBeLessThan(0.1);
      expect(Math.abs((rough?.height.mm ?? 0) - 1219.2)).toBeLessThan(0.1);
      expect(Math.abs((sill?.mm ?? 0) - 762)).toBeLessThan(0.1);
    }
  });
});

describe('a file that is no model', () => {
  const sound = handModel();
  it.each([
    ['of no unit', handModel({ unit: 'none' }), 'in which unit'],
    ['of another schema', sound.replace("'IFC4'", "'IFC5'"), 'IFC2X3 and IFC4'],
    ['of no schema', sound.replace(/FILE_SCHEMA.*\n/, ''), 'IFC2X3 and IFC4'],
    ['of something else', 'hello', 'no building model'],
    ['empty', '', 'no building model'],
    ['of zeros', '\0'.repeat(5000), 'no building model'],
  ])('%s is refused in words', (_, text, words) => {
    expect(() => read(text)).toThrow(ModelRefused);
    expect(() => read(text)).toThrow(words);
  });

  it('cut off anywhere is read as far as it goes, or refused in words', () => {
    for (let i = 1; i < 40; i++) {
      const part = sound.slice(0, Math.floor((sound.length * i) / 40));
      try {
        for (const one of read(part).units)
          expect(one.width_mm === null || Math.abs(one.width_mm - 914.4) < 0.1).toBe(true);
      } catch (error) {
        expect(error).toBeInstanceOf(ModelRefused);
      }
    }
  });

  it('that refers to itself, or to what is not there, does not hang or break', () => {
    const self = sound.replaceAll(/IFCLOCALPLACEMENT\(#\d+,/g, (found, at: number) =>
      at % 2 === 0 ? found : 'IFCLOCALPLACEMENT(#999999,',
    );
    expect(read(self).units).toHaveLength(4);
    const lines = sound.split('\n');
    const round = lines.map((line) =>
      line.replace(/^(#\d+)=IFCLOCALPLACEMENT\((#\d+|\$),/, '$1=IFCLOCALPLACEMENT($1,'),
    );
    for (const one of read(round.join('\n')).units) expect(one.rough).toBeNull();
  });
});

const modelOf = ({ job, openings, units, walls }: JobFile): ModelOpening[] =>
  openings.map((opening, i) => ({
    opening: { ...opening, ...(i === 0 && { ifc: guidOf('from elsewhere') }) },
    unit: units.find(({ id }) => id === opening.unit) ?? null,
    wall: walls.find(({ id }) => id === opening.wall) ?? null,
    rough: { width_mm: 700 + i * 10.25, height_mm: 1100 + i * 3.5 },
    sets: {
      Hulvek_Planned: { Method: { text: `Schräge ‘ü’ 🪟 it's \\ ${job.name}` }, PlanVersion: { count: i } },
      Hulvek_Installed: { Released: { is: i % 2 === 0 } },
      Hulvek_Measured: { RoughWidth: { mm: 700 + i * 10.25 } },
    },
  }));

describe.each([
  ['Skarv Point', skarvPoint()],
  ['Tannery Row', tanneryRow()],
])('what is written of %s', (_, job) => {
  const openings = modelOf(job);
  const { file, leftOut } = writeBuilding({ job: job.job, openings, at: '2026-11-30T10:00:00.000Z' });

  it('is sound line by line: references, attributes, ids, containment', () => {
    const { problems, lines } = checkStep(file);
    expect(problems).toEqual([]);
    expect(leftOut).toBe(0);
    expect([...lines.values()].filter(({ type }) => /WINDOW|DOOR/.test(type))).toHaveLength(openings.length);
    // The checker sees what is wrong.
    const broken = file.replace(/IFCWALL\(('[^']+'),\$/, 'IFCWALL($1,#999999');
    expect(checkStep(broken).problems).not.toEqual([]);
    expect(checkStep(file.replace(/(IFCRECTANGLEPROFILEDEF\(.AREA.,\$),/, '$1,$,')).problems).not.toEqual([]);
  });

  it('comes back through the reader: ids, marks, sizes, façades, layers', () => {
    const { units, walls } = read(file);
    expect(units).toHaveLength(openings.length);
    for (const { opening, unit, wall, rough } of openings) {
      const one = units.find(({ mark }) => mark === opening.mark);
      expect(one?.guid).toBe(opening.ifc ?? guidOf(job.job.id, 'unit', opening.id));
      expect(one?.rough?.width_mm).toBeCloseTo(rough?.width_mm ?? NaN, 4);
      expect(one?.rough?.height_mm).toBeCloseTo(rough?.height_mm ?? NaN, 4);
      if (unit) expect(one?.width_mm).toBeCloseTo(unit.width.mm, 4);
      const kind = walls.find(({ key }) => key === one?.wall);
      expect(kind?.layers.map(({ thickness_mm }) => thickness_mm)).toEqual(
        wall ? wall.layers.map(({ thickness }) => thickness.mm) : [],
      );
      const asked = job.job.facades?.find(({ name }) => name === opening.facade)?.azimuth_deg;
      const facades = new Set(openings.map((other) => other.opening.facade));
      // Where a building has fewer sides its middle says less.
      if (asked !== undefined && facades.size === 4) expect(one?.azimuth_deg).toBeCloseTo(asked, 3);
    }
  });

  it('is read by a second library with the same ids and sizes', async () => {
    const bytes = new TextEncoder().encode(file);
    const store = await new IfcParser().parseColumnar(bytes.buffer);
    const { lines } = checkStep(file);
    expect(store.entityCount).toBe(lines.size);
    expect(store.schemaVersion).toBe('IFC4');
    const guids = openings.map(({ opening }) => opening.ifc ?? guidOf(job.job.id, 'unit', opening.id));
    const found = [...lines].filter(([, { type }]) => /^IFC(WINDOW|DOOR)$/.test(type)).map(([id]) => id);
    expect(found.map((id) => store.entities.getGlobalId(id)).sort()).toEqual([...guids].sort());
    const texts = found.map((id) => store.entities.getName(id));
    for (const { opening } of openings)
      expect(texts.some((text) => text.startsWith(opening.mark))).toBe(true);
  });
});

it('the reading library is the one that ships, beside its own file', () => {
  const at = dirname(createRequire(import.meta.url).resolve('web-ifc'));
  expect(readFileSync(join(at, 'web-ifc.wasm')).subarray(0, 4)).toEqual(Buffer.from('\0asm'));
});
