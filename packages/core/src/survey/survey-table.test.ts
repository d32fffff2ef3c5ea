import fc from 'fast-check';
import Papa from 'papaparse';
import { describe, expect, it } from 'vitest';
import { pointTexts } from '../texts/en/survey.ts';
import { surveyPointIds, surveyPoints, surveyWalk, type SurveyPointId } from '../vocabulary/survey-points.ts';
import { pastedCells, readSurveySheet, writeSheet } from './survey-table.ts';
import { runs } from '../../test/support/count.ts';

const labels = Object.fromEntries(surveyPointIds.map((id) => [id, pointTexts[id].label])) as Record<
  SurveyPointId,
  string
>;
const read = (text: string, unit: 'mm' | 'in' = 'mm') => readSurveySheet(text, unit, labels);

describe('a survey sheet', () => {
  it('reads any order of columns, semicolons, decimal commas, and leaves notes aside', () => {
    const sheet = read(
      'Note;Top width;MARK;Height, left (mm);plumb left\nwet;915,5;S-01;1225;-3\n;916;S-02;;\n',
    );
    expect(sheet.problems).toEqual([]);
    expect(sheet.ignored).toEqual(['Note']);
    expect(sheet.rows).toEqual([
      {
        line: 2,
        mark: 'S-01',
        values: {
          widthTop: { typed: '915,5', mm: 915.5 },
          heightLeft: { typed: '1225', mm: 1225 },
          plumbLeft: { typed: '-3', mm: -3 },
        },
      },
      { line: 3, mark: 'S-02', values: { widthTop: { typed: '916', mm: 916 } } },
    ]);
  });

  it('reads feet and inches, quoted as a spreadsheet writes them', () => {
    const sheet = read('Opening,Width bottom,Depth\nS-01,"36 3/8""",6"\nS-02,"3\' 0 3/8""",\n', 'in');
    expect(sheet.problems).toEqual([]);
    expect(sheet.rows.map((r) => r.values.widthBottom?.mm.toFixed(6))).toEqual(['923.925000', '923.925000']);
  });

  it.each([
    ['', 'empty'],
    ['Mark;Width, top\n', 'empty'],
    ['Width, top\n915\n', 'no-mark-column'],
    ['Mark;Colour\nS-01;red\n', 'no-figures'],
    ['Mark;Width, top;top width\nS-01;915;915\n', 'column-twice'],
    ['Mark;Width, top\n;915\n', 'no-mark'],
    ['Mark;Width, top\nS-01;915\nS-01;916\n', 'mark-twice'],
    ['Mark;Width, top\nS-01;wide\n', 'not-a-length'],
    ['Mark;Width, top\nS-01;91 m\n', 'out-of-range'],
  ])('%j is answered with %s', (text, code) =>
    expect(read(text).problems.map((p) => p.code)).toContain(code),
  );

  it('comes back from a round trip through a CSV writer, whatever the columns, delimiter and marks', () =>
    fc.assert(
      fc.property(
        fc.shuffledSubarray([...surveyWalk], { minLength: 1 }),
        // An apostrophe before a formula's first sign is a spreadsheet's own way of writing it as text.
        fc.uniqueArray(
          fc
            .string({ minLength: 1, maxLength: 16 })
            .filter(
              (s) =>
                s.trim() === s &&
                !s.includes('\r') &&
                !s.includes('\n') &&
                !s.startsWith('\uFEFF') &&
                !/^'+[=+\-@]/.test(s),
            ),
          {
            minLength: 1,
            maxLength: 12,
          },
        ),
        fc.constantFrom(';', ',', '\t'),
        fc.nat(1000),
        (points, marks, delimiter, seed) => {
          const figure = (p: SurveyPointId, i: number) => surveyPoints[p].least_mm + ((seed + i * 7) % 80);
          const table = [
            ['Mark', ...points.map((p) => labels[p])],
            ...marks.map((mark, i) => [mark, ...points.map((p) => String(figure(p, i)))]),
          ];
          const sheet = read(Papa.unparse(table, { delimiter }));
          expect(sheet.problems).toEqual([]);
          expect(sheet.rows.map((r) => [r.mark, ...points.map((p) => r.values[p]?.mm)])).toEqual(
            marks.map((mark, i) => [mark, ...points.map((p) => figure(p, i))]),
          );
        },
      ),
    ));

  it('5 000 broken sheets never crash it, and what has a problem names its line or column', () =>
    fc.assert(
      fc.property(
        fc.string({
          unit: fc.constantFrom(...'Mark;,\t\n"widthTop=915 3/8\0\uFEFFS-01\r'.split('')),
          maxLength: 120,
        }),
        (text) => {
          for (const problem of read(text).problems) expect(problem.code).toMatch(/^[a-z-]+$/);
        },
      ),
      runs(5000, 500),
    ));

  it('a block from a spreadsheet is rows of cells, its last line break is no row', () =>
    expect(pastedCells('915\t916\r\n\t918\r\n')).toEqual([
      ['915', '916'],
      ['', '918'],
    ]));

  it('a text that a spreadsheet would run as a formula is written as text and read back as it was', () => {
    const marks = [
      '=HYPERLINK("x")',
      '+1+cmd',
      '-1+cmd|x!A0',
      '@SUM(A1)',
      "'=A1",
      "''-x",
      '-3',
      "O'9",
      'S-01',
    ];
    const written = writeSheet([
      ['Mark', 'widthTop', 'plumbLeft'],
      ...marks.map((mark) => [mark, '915', '-3']),
    ]);
    const cells = Papa.parse<string[]>(written, { delimiter: ';', skipEmptyLines: true }).data.slice(1);
    expect(cells.map(([mark]) => mark).filter((mark) => /^[=+@]|^-(?!3$)/.test(mark ?? ''))).toEqual([]);
    expect(cells.map(([, , plumb]) => plumb)).toEqual(marks.map(() => '-3'));
    expect(read(written).rows.map((row) => row.mark)).toEqual(marks);
    expect(read(written).rows[0]?.values.plumbLeft).toEqual({ typed: '-3', mm: -3 });
  });
});
