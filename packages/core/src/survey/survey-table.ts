/** Survey sheets from a spreadsheet: any order of columns, comma, semicolon or tab, millimetres or feet and inches. */
import Papa from 'papaparse';
import type { TypedLength, LengthUnit } from '../quantities/length.ts';
import { parseLength } from '../quantities/parse-length.ts';
import { surveyPointIds, surveyPoints, type SurveyPointId } from '../vocabulary/survey-points.ts';

/** One line of a sheet: the opening it names and the figures that could be read. */
export interface SheetRow {
  /** Line in the file, 1 for the first. */
  readonly line: number;
  readonly mark: string;
  readonly values: Readonly<Partial<Record<SurveyPointId, TypedLength>>>;
}

export type SheetProblem =
  | { readonly code: 'no-mark-column' | 'no-figures' | 'empty' }
  | { readonly code: 'unknown-column'; readonly column: string }
  | { readonly code: 'column-twice'; readonly column: string }
  | { readonly code: 'no-mark'; readonly line: number }
  | { readonly code: 'mark-twice'; readonly line: number; readonly mark: string }
  | { readonly code: 'not-a-length'; readonly line: number; readonly column: string; readonly typed: string }
  | { readonly code: 'out-of-range'; readonly line: number; readonly column: string; readonly typed: string }
  | { readonly code: 'too-many-rows'; readonly most: number };

export interface SurveySheet {
  readonly rows: readonly SheetRow[];
  /** Columns that were understood, in the order of the file. */
  readonly points: readonly SurveyPointId[];
  /** A sheet with any of these is not taken, no part of it. */
  readonly problems: readonly SheetProblem[];
  /** Columns left aside: notes, dates and the like. */
  readonly ignored: readonly string[];
}

export const MOST_ROWS = 5000;
const MARK_NAMES = ['mark', 'opening', 'id', 'no', 'nr', 'number', 'window'];

/** The table in a text: a file with commas, semicolons or tabs, or a block copied from a spreadsheet. */
export function tableOf(text: string): string[][] {
  const { data } = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), {
    skipEmptyLines: 'greedy',
    delimitersToGuess: ['\t', ';', ','],
  });
  return data.map((cells) => cells.map((cell) => cell.trim()));
}

/** A heading without everything that people write differently. */
const plain = (heading: string): string =>
  heading
    .toLowerCase()
    .replace(/\(.*?\)|\[.*?\]/g, ' ')
    .replace(/[^a-z0-9]+/g, ' ')
    .trim()
    .split(' ')
    .sort()
    .join(' ');

/** What each point may be called: its own name in any order of words, and short forms. */
export function headingsOf(point: SurveyPointId, label: string): string[] {
  const words = point.replace(/([A-Z])/g, ' $1');
  const initials = words
    .split(' ')
    .map((word) => word[0])
    .join('');
  return [point, words, label, initials].map(plain);
}

/**
 * Reads a sheet whose first line names the columns.
 *
 * @param labels what the points are called on screen: a sheet may use those words
 */
export function readSurveySheet(
  text: string,
  unit: LengthUnit,
  labels: Readonly<Record<SurveyPointId, string>>,
): SurveySheet {
  const { data } = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), {
    skipEmptyLines: 'greedy',
    delimitersToGuess: ['\t', ';', ','],
  });
  const [header, ...body] = data;
  const none = (problem: SheetProblem): SurveySheet => ({
    rows: [],
    points: [],
    problems: [problem],
    ignored: [],
  });
  if (!header || body.length === 0) return none({ code: 'empty' });
  if (body.length > MOST_ROWS) return none({ code: 'too-many-rows', most: MOST_ROWS });
  const columns = header.map((heading) => columnOf(heading, labels));
  const markAt = columns.indexOf('mark');
  if (markAt < 0) return none({ code: 'no-mark-column' });
  const points = columns.filter((c) => c !== null && c !== 'mark');
  if (points.length === 0) return none({ code: 'no-figures' });
  const problems: SheetProblem[] = header.flatMap((heading, i) => {
    const column = columns[i];
    return column !== null && columns.indexOf(column ?? null) !== i
      ? [{ code: 'column-twice', column: heading }]
      : [];
  });
  const seen = new Set<string>();
  const rows = body.map((cells, i): SheetRow => {
    const line = i + 2;
    const mark = unquoted((cells[markAt] ?? '').trim());
    if (mark === '') problems.push({ code: 'no-mark', line });
    else if (seen.has(mark)) problems.push({ code: 'mark-twice', line, mark });
    seen.add(mark);
    const values: Partial<Record<SurveyPointId, TypedLength>> = {};
    columns.forEach((column, c) => {
      const typed = (cells[c] ?? '').trim();
      if (column === null || column === 'mark' || typed === '') return;
      const read = readCell(typed, unit, column);
      if ('mm' in read) values[column] = read;
      else problems.push({ code: read.code, line, column: header[c] ?? '', typed });
    });
    return { line, mark, values };
  });
  return { rows, points, problems, ignored: header.filter((_, i) => columns[i] === null) };
}

/** A figure of a sheet or of a pasted cell. */
export function readCell(
  typed: string,
  unit: LengthUnit,
  point: SurveyPointId,
): TypedLength | { readonly code: 'not-a-length' | 'out-of-range' } {
  if (typed.length > 40) return { code: 'not-a-length' };
  const parsed = parseLength(typed, unit);
  if (!parsed.ok) return { code: 'not-a-length' };
  const { least_mm, most_mm } = surveyPoints[point];
  const { mm } = parsed.value;
  return mm < least_mm || mm > most_mm ? { code: 'out-of-range' } : { typed, mm };
}

function columnOf(
  heading: string,
  labels: Readonly<Record<SurveyPointId, string>>,
): SurveyPointId | 'mark' | null {
  const name = plain(heading);
  if (MARK_NAMES.includes(name)) return 'mark';
  return surveyPointIds.find((point) => headingsOf(point, labels[point]).includes(name)) ?? null;
}

/** The cells of a block copied from a spreadsheet, row by row. */
export const pastedCells = (text: string): string[][] =>
  text
    .replace(/\r\n?/g, '\n')
    .replace(/\n$/, '')
    .split('\n')
    .map((line) => line.split('\t').map((cell) => cell.trim()));

/** What a spreadsheet would take for a formula when the cell begins with it; quoted once more if it was quoted. */
const FORMULA_START = /^'*[=+\-@\t\r]/;
/** A figure and nothing else: digits, marks of feet, inches and fractions, and its sign. */
const FIGURE = /^[+-]?[\d.,][\d.,\s/'"’”-]*(mm|cm|m|in|ft)?$/;

/** A text that a spreadsheet shows and does not run; a figure keeps its minus. */
const quoted = (cell: string): string => (FORMULA_START.test(cell) && !FIGURE.test(cell) ? `'${cell}` : cell);

/** The text as it was before `quoted`. */
const unquoted = (cell: string): string => (/^'+[=+\-@]/.test(cell) ? cell.slice(1) : cell);

/** Writes a sheet that `readSurveySheet` reads back; semicolons, because a comma may be a decimal one. */
export const writeSheet = (rows: readonly (readonly string[])[]): string =>
  `${Papa.unparse(
    rows.map((row) => row.map(quoted)),
    { delimiter: ';', newline: '\r\n' },
  )}\r\n`;
