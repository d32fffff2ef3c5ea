import fc from 'fast-check';
import Papa from 'papaparse';
import { describe, expect, it } from 'vitest';
import { runs } from '../../test/support/count.ts';
import { parseLength } from '../quantities/parse-length.ts';
import {
  bareUnits,
  guessFields,
  headingLine,
  readSchedule,
  scheduleOf,
  typesOf,
  type ScheduleOptions,
} from './schedule.ts';
import { tableOf } from './survey-table.ts';
import { marksIn, nextMark } from './marks.ts';

/** Headings as architects and shops write them; what each is, is common practice, no source. */
const HEADINGS: [string, string | null][] = [
  ['Mark', 'mark'],
  ['Win. No.', 'mark'],
  ['TAG', 'mark'],
  ['Opening ID', 'mark'],
  ['Elevation', 'facade'],
  ['Elev.', 'facade'],
  ['Façade', 'facade'],
  ['Facade / side', 'facade'],
  ['Room name', 'room'],
  ['Location', 'room'],
  ['Type', 'type'],
  ['Unit type', 'type'],
  ['Model', 'type'],
  ['Unit Size (W x H)', 'size'],
  ['Size', 'size'],
  ['W', 'width'],
  ['Frame width [mm]', 'width'],
  ['Width', 'width'],
  ['Unit Ht.', 'height'],
  ['HEIGHT', 'height'],
  ['R.O.', 'roughSize'],
  ['Rough Opening', 'roughSize'],
  ['RO Width', 'roughWidth'],
  ['R.O. Height (in)', 'roughHeight'],
  ['Rough opening height', 'roughHeight'],
  ['Sill ht. A.F.F.', 'sill'],
  ['Sill height', 'sill'],
  ['Operation', 'swing'],
  ['Handing', 'swing'],
  ['Swing', 'swing'],
  ['Qty', 'count'],
  ['Count', 'count'],
  ['No. of', 'count'],
  ['Remarks', null],
  ['U-value', null],
  ['Glazing', null],
];

const options: ScheduleOptions = { bare: 'mm', hand: 'outside' };
const read = (text: string, more: Partial<ScheduleOptions> = {}) => {
  const table = tableOf(text);
  const at = headingLine(table);
  return readSchedule(table, at, guessFields(table[at] ?? []), { ...options, ...more });
};

describe('headings of a schedule', () => {
  it.each(HEADINGS)('%s is %s', (heading, field) => {
    expect(guessFields([heading])).toEqual([field]);
  });

  it('are found under a title and a date, and each field is taken once', () => {
    const table = tableOf('Window schedule\n2026-11-02\n\nMark,Mark,Width,Height\nW1,x,900,1200\n');
    expect(headingLine(table)).toBe(2);
    expect(guessFields(table[2] ?? [])).toEqual(['mark', null, 'width', 'height']);
  });
});

describe('sizes of a schedule', () => {
  it.each([
    ['900 x 1200', 'mm', 900, 1200],
    ['900x1200 mm', 'in', 900, 1200],
    ['90 × 120', 'cm', 900, 1200],
    ['0.9 X 1.2', 'm', 900, 1200],
    ['36 x 48', 'in', 914.4, 1219.2],
    ['3 x 4', 'ft', 914.4, 1219.2],
    ['3\'-0" x 4\'-0"', 'mm', 914.4, 1219.2],
    ['3-0 by 4-0', 'mm', 914.4, 1219.2],
    ['36 3/8" x 48 1/2"', 'mm', 923.925, 1231.9],
  ] as const)('%s, bare figures in %s, is %d × %d mm', (size, bare, width, height) => {
    const { lines, problems } = read(`Mark\tSize\nW1\t${size}\n`, { bare });
    expect(problems).toEqual([]);
    expect(lines[0]?.size?.width.mm).toBeCloseTo(width, 6);
    expect(lines[0]?.size?.height.mm).toBeCloseTo(height, 6);
  });

  it('say their unit wherever they are shown, whatever the job counts in', () => {
    const [line] = read('Mark;Width;Height\nW1;90,5;120\n', { bare: 'cm' }).lines;
    expect(line?.size).toEqual({
      width: { typed: '90,5 cm', mm: 905 },
      height: { typed: '120 cm', mm: 1200 },
    });
  });

  it('of bare figures are not read before somebody says what they are in', () => {
    const schedule = read('Mark;Width;Height\nW1;900;1200\nW2;3-0;4-0\n', { bare: null });
    expect(schedule.bare).toBe(2);
    expect(schedule.problems.map(({ code }) => code)).toEqual(['no-unit-said']);
  });

  it.each([
    ['Mark;Width;Height\n;900;1200\n', 'no-mark'],
    ['Mark;Width;Height\nW1;900;1200\nw1;900;1200\n', 'mark-twice'],
    ['Mark;Width;Height\nW1;wide;1200\n', 'not-a-length'],
    ['Mark;Width;Height\nW1;9;1200\n', 'out-of-range'],
    ['Mark;Width;Height\nW1;900;\n', 'half-a-size'],
    ['Mark;Size\nW1;900\n', 'not-a-size'],
    ['Mark;Size;Swing\nW1;900x1200;sideways\n', 'not-a-swing'],
    ['Mark;Size;Qty\nW1;900x1200;some\n', 'not-a-count'],
    ['Mark;Size;Qty\nW1;900x1200;5000\n', 'not-a-count'],
    ['Mark;Room\nABCDEFGHIJKLMNOPQRST;x\n', 'too-long'],
    ['Room;Size\nhall;900x1200\n', 'no-mark-column'],
    ['Mark;Size\n', 'empty'],
  ])('%j is answered with %s', (text, code) => {
    expect(read(text).problems.map((problem) => problem.code)).toContain(code);
  });
});

describe('lines of a schedule', () => {
  it('a count makes as many openings, each with a mark of its own', () => {
    const { lines } = read('Type;Mark;Qty;Room;Elevation\nA;W1;3;hall;South\nB;W2;1;;\n');
    expect(lines.map(({ marks }) => marks)).toEqual([['W1-1', 'W1-2', 'W1-3'], ['W2']]);
    expect(lines[0]).toMatchObject({ type: 'A', room: 'hall', facade: 'South' });
  });

  it.each([
    ['Fixed', 'fixed', undefined],
    ['picture', 'fixed', undefined],
    ['Casement LH', 'casement', 'left'],
    ['casement, right hung', 'casement', 'right'],
    ['Awning', 'awning', 'top'],
    ['Tilt & turn L', 'tilt-turn', 'left'],
    ['TT', 'tilt-turn', undefined],
    ['Slider', 'sliding', undefined],
    ['DH', 'double-hung', undefined],
    ['Single hung', 'single-hung', undefined],
    ['Door RH', 'door', 'right'],
    ['L', undefined, 'left'],
  ])('swing %s is %s, hinged %s', (swing, operation, hinge) => {
    const { lines, problems } = read(`Mark;Swing\nW1;${swing}\n`);
    expect(problems).toEqual([]);
    expect(lines[0]?.operation).toBe(operation);
    expect(lines[0]?.hinge).toBe(hinge);
  });

  it('a hand as seen from inside is the other one from outside; top stays top', () => {
    const { lines, hands } = read('Mark;Swing\nW1;casement L\nW2;awning\n', { hand: 'inside' });
    expect(lines.map(({ hinge }) => hinge)).toEqual(['right', 'top']);
    expect(hands).toBe(1);
  });

  it('are gathered by type: a type of two sizes is two units, told apart by size', () => {
    const { lines } = read(
      'Mark;Type;Size;Swing\n1;A;900x1200;fixed\n2;A;900x1200;fixed\n3;A;600x1200;fixed\n4;B;900x1200;casement L\n5;;;\n',
    );
    expect(typesOf(lines).map(({ name, marks }) => [name, marks])).toEqual([
      ['A 900 × 1200', ['1', '2']],
      ['A 600 × 1200', ['3']],
      ['B', ['4']],
    ]);
  });
});

describe('any schedule', () => {
  const NAMES = {
    mark: 'Tag',
    room: 'Room',
    facade: 'Elevation',
    width: 'Width',
    height: 'Height',
    sill: 'Sill',
  };
  const line = fc.record({
    room: fc.stringMatching(/^[a-zé,;"' ]{0,12}$/).map((text) => text.trim()),
    facade: fc.constantFrom('', 'South', 'North; rear', 'East, "low"'),
    width: fc.integer({ min: 150, max: 9000 }),
    height: fc.integer({ min: 150, max: 9000 }),
    sill: fc.integer({ min: 0, max: 3000 }),
  });

  it('comes back through a CSV writer, whatever its delimiter, the order of its columns and what stands above it', () =>
    fc.assert(
      fc.property(
        fc.array(line, { minLength: 1, maxLength: 8 }),
        fc.shuffledSubarray(Object.keys(NAMES) as (keyof typeof NAMES)[], { minLength: 6 }),
        fc.constantFrom(';', ',', '\t'),
        fc.integer({ min: 0, max: 3 }),
        (lines, order, delimiter, above) => {
          const rows = lines.map((one, i) => ({ ...one, mark: `W-${i}` }));
          const cells = [
            ...Array.from({ length: above }, (_, i) => [`title ${i}`, ...order.slice(1).map(() => '')]),
            order.map((field) => NAMES[field]),
            ...rows.map((row) => order.map((field) => String(row[field]))),
          ];
          const schedule = read(Papa.unparse(cells, { delimiter }));
          expect(schedule.problems).toEqual([]);
          expect(
            schedule.lines.map(({ marks, room, facade, size, sill }) => ({
              mark: marks[0],
              room,
              facade,
              width: size?.width.mm,
              height: size?.height.mm,
              sill: sill?.mm,
            })),
          ).toEqual(
            rows.map(({ mark, room, facade, width, height, sill }) => ({
              mark,
              room,
              facade,
              width,
              height,
              sill,
            })),
          );
        },
      ),
      runs(2000, 200),
    ));

  it('a bare figure in any unit is what a surveyor would make of it with that unit behind it', () =>
    fc.assert(
      fc.property(fc.constantFrom(...bareUnits), fc.integer({ min: 1, max: 8 }), (bare, n) => {
        const typed = { mm: n * 400, cm: n * 40, m: n / 2.5, in: n * 15, ft: n * 1.25 }[bare];
        const per_mm = { mm: 1, cm: 10, m: 1000, in: 25.4, ft: 304.8 }[bare];
        const [first] = read(`Mark;Width;Height\nW1;${typed};${typed}\n`, { bare }).lines;
        expect(first?.size?.width.mm).toBeCloseTo(typed * per_mm, 6);
        // And says so wherever it is shown, in a job of either unit.
        for (const lengths of ['mm', 'in'] as const) {
          const again = parseLength(first?.size?.width.typed ?? '', lengths);
          expect(again.ok && again.value.mm).toBeCloseTo(typed * per_mm, 6);
        }
      }),
      runs(500, 100),
    ));
});

describe('cells of a spreadsheet', () => {
  it('figures are bare, dates and yes or no are words', () => {
    const table = scheduleOf([
      ['Mark', 'Width', 'Height', 'Room'],
      ['W1', 900.5, 1200, true],
      [7, 36, 48, new Date(Date.UTC(2026, 10, 2))],
    ]);
    expect(table).toEqual([
      ['Mark', 'Width', 'Height', 'Room'],
      ['W1', '900.5', '1200', 'yes'],
      ['7', '36', '48', '2026-11-02'],
    ]);
  });
});

describe('marks in a row', () => {
  it.each([
    ['S-01 to S-04', ['S-01', 'S-02', 'S-03', 'S-04']],
    ['S-09..S-11', ['S-09', 'S-10', 'S-11']],
    ['W1–W3, D1', ['W1', 'W2', 'W3', 'D1']],
    ['A, B; C\nD', ['A', 'B', 'C', 'D']],
    ['N-1A', ['N-1A']],
  ])('%j', (text, marks) => expect(marksIn(text)).toEqual({ marks, problem: null }));

  it.each([
    ['S-04 to S-01', 'backwards'],
    ['S-1 to N-4', 'not-a-row'],
    ['A, a', 'twice'],
    ['S-1 to S-9999', 'too-many'],
    ['', 'none'],
    ['A-MARK-THAT-IS-TOO-LONG', 'too-long'],
  ])('%j is refused as %s', (text, problem) => expect(marksIn(text).problem).toBe(problem));

  it('the next one goes on counting past those that are taken', () => {
    expect(nextMark('S-09', ['S-09', 'S-10'])).toBe('S-11');
    expect(nextMark('kitchen', ['kitchen', 'kitchen 2'])).toBe('kitchen 3');
  });
});
