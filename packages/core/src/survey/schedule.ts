/** Schedules of openings as architects and shops write them: any headings, any order, any unit that somebody names. */
import type { SashKind, Unit } from '../documents/unit.ts';
import { parseLength } from '../quantities/parse-length.ts';
import type { TypedLength } from '../quantities/length.ts';
import { surveyPoints } from '../vocabulary/survey-points.ts';
import { LONGEST_MARK, MOST_AT_ONCE, sameMark } from './marks.ts';

/** Lines of cells, each as it reads. */
export type ScheduleTable = readonly (readonly string[])[];

export const scheduleFields = [
  'mark',
  'facade',
  'room',
  'type',
  'size',
  'width',
  'height',
  'roughSize',
  'roughWidth',
  'roughHeight',
  'sill',
  'swing',
  'count',
] as const;
export type ScheduleField = (typeof scheduleFields)[number];

/** What a figure without a unit may be in. */
export const bareUnits = ['mm', 'cm', 'm', 'in', 'ft'] as const;
export type BareUnit = (typeof bareUnits)[number];

export interface ScheduleOptions {
  /** What figures without a unit are in; `null` until somebody said it. */
  readonly bare: BareUnit | null;
  /** From where left and right are seen. */
  readonly hand: 'outside' | 'inside';
}

export interface TypedSize {
  readonly width: TypedLength;
  readonly height: TypedLength;
}

/** One line: one opening, or several that are alike. */
export interface ScheduleLine {
  /** Line in the sheet, 1 for the first. */
  readonly line: number;
  readonly marks: readonly string[];
  readonly facade: string;
  readonly room: string;
  readonly type: string;
  /** Of the unit over its frame. */
  readonly size: TypedSize | null;
  readonly rough: TypedSize | null;
  /** Of the rough sill above the finished floor. */
  readonly sill: TypedLength | null;
  readonly operation: SashKind | undefined;
  /** Seen from outside. */
  readonly hinge: Unit['hinge'];
}

export type ScheduleProblem =
  | { readonly code: 'empty' | 'no-mark-column' | 'too-many' | 'no-unit-said' }
  | { readonly code: 'no-mark'; readonly line: number }
  | {
      readonly code:
        | 'mark-twice'
        | 'too-long'
        | 'not-a-length'
        | 'out-of-range'
        | 'half-a-size'
        | 'not-a-size'
        | 'not-a-swing'
        | 'not-a-count';
      readonly line: number;
      readonly typed: string;
    };

export interface Schedule {
  readonly lines: readonly ScheduleLine[];
  /** A schedule with any of these is not taken, no part of it. */
  readonly problems: readonly ScheduleProblem[];
  /** How many figures have no unit of their own. */
  readonly bare: number;
  /** How many lines say left or right. */
  readonly hands: number;
}

/** Words of a heading, without what people write differently. */
const wordsOf = (heading: string): string[] =>
  heading
    .normalize('NFD')
    .toLowerCase()
    .replace(/\p{M}/gu, '')
    .replace(/\br\.?\s*o\.?(?=\s|$|\b)/g, ' rough ')
    .replace(/\ba\.?f\.?f\.?/g, ' ')
    .replace(/\(.*?\)|\[.*?\]/g, ' ')
    .replace(/[^a-z0-9#]+/g, ' ')
    .trim()
    .split(' ')
    .filter(Boolean);

const has = (...any: string[]) => {
  const wanted = new Set(any);
  return (words: readonly string[]) => words.some((word) => wanted.has(word));
};
const isRough = has('rough', 'opening', 'structural', 'masonry');
const isWidth = has('width', 'w', 'wide', 'breadth');
const isHeight = has('height', 'h', 'ht', 'high', 'hgt');
const isSize = has('size', 'dimension', 'dimensions', 'dims', 'wxh');
const isUnitsOwn = has('type', 'model', 'product', 'style');

/** What each field is called, the most telling first. */
const NAMED: readonly (readonly [ScheduleField, (words: readonly string[]) => boolean])[] = [
  ['count', has('qty', 'quantity', 'count', 'pcs', 'pieces', 'amount')],
  ['count', (words) => words.join(' ') === 'no of'],
  ['sill', has('sill', 'parapet')],
  ['swing', has('swing', 'handing', 'hand', 'operation', 'operating', 'opens', 'hinge', 'hinged')],
  ['roughWidth', (words) => has('rough', 'structural', 'opening')(words) && isWidth(words)],
  ['roughHeight', (words) => has('rough', 'structural', 'opening')(words) && isHeight(words)],
  ['roughSize', (words) => isRough(words) && (isSize(words) || has('rough')(words))],
  ['size', isSize],
  ['width', isWidth],
  ['height', isHeight],
  ['type', isUnitsOwn],
  ['mark', has('mark', 'tag', 'id', 'no', 'nr', 'number', '#', 'ref', 'reference')],
  ['mark', (words) => ['opening', 'window', 'label'].includes(words.join(' '))],
  ['facade', has('facade', 'elevation', 'elev', 'side', 'face', 'orientation')],
  ['room', has('room', 'location', 'space', 'where', 'name')],
];

/**
 * Which field each column is, by its heading; `null` for what is left aside. No field twice.
 *
 * @param remembered what somebody said of a heading before, by `headingKey`
 */
export function guessFields(
  headings: readonly string[],
  remembered: Readonly<Record<string, ScheduleField | null>> = {},
): (ScheduleField | null)[] {
  const taken = new Set<ScheduleField>();
  return headings.map((heading) => {
    const said = remembered[headingKey(heading)];
    const words = wordsOf(heading);
    const field = said !== undefined ? said : (NAMED.find(([, fits]) => fits(words))?.[0] ?? null);
    if (field === null || taken.has(field)) return null;
    taken.add(field);
    return field;
  });
}

export const headingKey = (heading: string): string => wordsOf(heading).join(' ');

/** The line of a table that names its columns: of the first ones that in which most are known. */
export function headingLine(table: ScheduleTable): number {
  const known = table
    .slice(0, 12)
    .map((cells) => guessFields(cells).filter((field) => field !== null).length);
  return Math.max(0, known.indexOf(Math.max(0, ...known)));
}

/** The table of a spreadsheet's cells: each value as it would be typed. */
export const scheduleOf = (rows: readonly (readonly unknown[])[]): ScheduleTable =>
  rows.map((cells) => cells.map(cellText)).filter((cells) => cells.some((cell) => cell !== ''));

function cellText(value: unknown): string {
  if (value === null || value === undefined) return '';
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  if (value instanceof Date) return value.toISOString().slice(0, 10);
  if (typeof value === 'number') return String(Number(value.toPrecision(12)));
  return String(value as string).trim();
}

const BARE = /^\d[\d.,\s]*$/;
const LENGTH_RANGE = surveyPoints.roughWidth;
const MOST_SILL_mm = 20_000;
const MOST_ALIKE = 200;

/** Reads the lines below the headings. */
export function readSchedule(
  table: ScheduleTable,
  headings: number,
  fields: readonly (ScheduleField | null)[],
  { bare, hand }: ScheduleOptions,
): Schedule {
  const none = (code: 'empty' | 'no-mark-column' | 'too-many'): Schedule => ({
    lines: [],
    problems: [{ code }],
    bare: 0,
    hands: 0,
  });
  const body = table.slice(headings + 1);
  if (body.length === 0) return none('empty');
  if (!fields.includes('mark')) return none('no-mark-column');
  const problems: ScheduleProblem[] = [];
  const seen = new Set<string>();
  let bareFigures = 0;
  let hands = 0;

  const lines = body.map((cells, i): ScheduleLine => {
    const line = headings + i + 2;
    const cell = (field: ScheduleField): string => (cells[fields.indexOf(field)] ?? '').trim();
    const wrong = (code: Exclude<ScheduleProblem, { code: 'no-mark' | 'empty' }>['code'], typed: string) =>
      void problems.push({ code, line, typed } as ScheduleProblem);

    /** A length that says its unit wherever it is shown. */
    const length = (typed: string, least_mm: number, most_mm: number): TypedLength | null => {
      const isBare = BARE.test(typed);
      if (isBare) bareFigures++;
      if (isBare && bare === null) return null;
      const text = isBare ? `${typed} ${bare === 'in' ? '"' : bare === 'ft' ? "'" : bare}` : typed;
      const written = text.replace(/ (?=["'])/, '');
      const read = written.length > 40 ? null : parseLength(written, 'mm');
      if (!read?.ok) return (wrong('not-a-length', typed), null);
      const { mm } = read.value;
      if (mm < least_mm || mm > most_mm) return (wrong('out-of-range', typed), null);
      return { typed: written, mm };
    };
    const side = (typed: string) => length(typed, LENGTH_RANGE.least_mm, LENGTH_RANGE.most_mm);
    const size = (whole: string, width: string, height: string): TypedSize | null => {
      let [w, h] = [width, height];
      if (whole !== '') {
        const halves = /^(.+?)\s*(?:[x×*]|by)\s*(.+)$/i.exec(whole);
        if (!halves) return (wrong('not-a-size', whole), null);
        [, w = '', h = ''] = halves;
        // One unit behind both: 900 × 1200 mm.
        const unit = /[a-z]+$|["”″]$/i.exec(h)?.[0];
        if (unit && BARE.test(w) && BARE.test(h.slice(0, -unit.length).trim())) w = `${w} ${unit}`;
      }
      if (w === '' && h === '') return null;
      if (w === '' || h === '') return (wrong('half-a-size', w || h), null);
      const [read, other] = [side(w), side(h)];
      return read && other ? { width: read, height: other } : null;
    };

    const mark = cell('mark');
    const marks = marksOf(mark, cell('count'));
    if (mark === '') problems.push({ code: 'no-mark', line });
    else if (marks === null) wrong('not-a-count', cell('count'));
    for (const one of marks ?? []) {
      if (one.length > LONGEST_MARK) wrong('too-long', one);
      if (mark !== '' && seen.has(sameMark(one))) wrong('mark-twice', one);
      seen.add(sameMark(one));
    }
    const swing = readSwing(cell('swing'));
    if (swing === null) wrong('not-a-swing', cell('swing'));
    const isHand = swing?.hinge === 'left' || swing?.hinge === 'right';
    if (isHand) hands++;
    const sill = cell('sill');
    return {
      line,
      marks: marks ?? [],
      facade: cell('facade').slice(0, 60),
      room: cell('room').slice(0, 120),
      type: cell('type').slice(0, 100),
      size: size(cell('size'), cell('width'), cell('height')),
      rough: size(cell('roughSize'), cell('roughWidth'), cell('roughHeight')),
      sill: sill === '' ? null : length(sill, 0, MOST_SILL_mm),
      operation: swing?.operation,
      hinge: isHand && hand === 'inside' ? (swing.hinge === 'left' ? 'right' : 'left') : swing?.hinge,
    };
  });
  if (lines.reduce((sum, { marks }) => sum + marks.length, 0) > MOST_AT_ONCE) return none('too-many');
  if (bareFigures > 0 && bare === null) problems.unshift({ code: 'no-unit-said' });
  return { lines, problems, bare: bareFigures, hands };
}

/** Openings that a line stands for; `null` where its count is none. */
function marksOf(mark: string, count: string): string[] | null {
  if (count === '') return [mark];
  const n = Number(count);
  if (!Number.isInteger(n) || n < 1 || n > MOST_ALIKE) return null;
  return n === 1 ? [mark] : Array.from({ length: n }, (_, i) => `${mark}-${i + 1}`);
}

interface Swing {
  readonly operation: SashKind | undefined;
  readonly hinge: Unit['hinge'];
}

const OPERATIONS: readonly (readonly [RegExp, SashKind])[] = [
  [/\btilt\b.*\bturn\b|\btt\b|\bt&t\b/, 'tilt-turn'],
  [/\bdouble[ -]?hung\b|\bdh\b/, 'double-hung'],
  [/\bsingle[ -]?hung\b|\bsh\b/, 'single-hung'],
  [/\bcasement\b|\bside[ -]hung\b/, 'casement'],
  [/\bawning\b|\btop[ -]hung\b/, 'awning'],
  [/\bslid(?:er|ing|e)\b/, 'sliding'],
  [/\bfixed\b|\bpicture\b|\bfx\b/, 'fixed'],
  [/\bdoor\b/, 'door'],
  [/\bhung\b/, 'hung'],
];

/** How a unit opens, and where its hinges are as they are seen from where its hand is said; `null` for other words. */
function readSwing(text: string): Swing | null {
  const said = text.toLowerCase();
  if (said === '' || said === '-' || said === 'n/a') return { operation: undefined, hinge: undefined };
  const hand = /\b(?:l|lh|left)\b/.test(said)
    ? 'left'
    : /\b(?:r|rh|right)\b/.test(said)
      ? 'right'
      : undefined;
  // A hand that is hung says where, not that sashes slide.
  const words = hand ? said.replace(/\b(left|right|lh|rh|l|r)[ -]?(hung|hinged|hand)?\b/g, ' ') : said;
  const operation = OPERATIONS.find(([fits]) => fits.test(words))?.[1];
  if (operation === undefined && hand === undefined) return null;
  return { operation, hinge: hand ?? (operation === 'awning' ? 'top' : undefined) };
}

/** A kind of unit that a schedule asks for. */
export interface ScheduleType {
  readonly key: string;
  readonly name: string;
  readonly size: TypedSize;
  readonly operation: SashKind | undefined;
  readonly hinge: Unit['hinge'];
  readonly marks: readonly string[];
}

/** What one unit is the same as another by: whatever differs in size or swing is ordered apart. */
export const typeKey = ({ type, size, operation, hinge }: ScheduleLine): string | null =>
  size && [type, size.width.mm, size.height.mm, operation ?? '', hinge ?? ''].join('|');

/** The units a schedule asks for, in its order; lines without a size ask for none. */
export function typesOf(lines: readonly ScheduleLine[]): ScheduleType[] {
  const groups = new Map<string, { line: ScheduleLine; size: TypedSize; marks: string[] }>();
  for (const line of lines) {
    const key = typeKey(line);
    if (key === null || !line.size) continue;
    const group = groups.get(key) ?? { line, size: line.size, marks: [] };
    group.marks.push(...line.marks);
    groups.set(key, group);
  }
  const all = [...groups.values()];
  return [...groups].map(([key, { line, size, marks }]) => {
    const alike = all.filter((other) => other.line.type === line.type);
    const sizes = new Set(alike.map((other) => sizeText(other.size)));
    const swings = new Set(alike.map((other) => `${other.line.operation ?? ''} ${other.line.hinge ?? ''}`));
    const name = [
      line.type,
      ...(line.type === '' || sizes.size > 1 ? [sizeText(size)] : []),
      ...(swings.size > 1 ? [[line.operation, line.hinge].filter(Boolean).join(' ')] : []),
    ];
    const { operation, hinge } = line;
    return { key, name: name.filter(Boolean).join(' ').slice(0, 120), size, operation, hinge, marks };
  });
}

const sizeText = ({ width, height }: TypedSize): string => `${bareOf(width)} × ${bareOf(height)}`;
/** Millimetres need not be said in a name. */
const bareOf = ({ typed }: TypedLength): string => typed.replace(/ mm$/, '');
