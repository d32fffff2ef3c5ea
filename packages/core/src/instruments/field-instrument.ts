/**
 * Instruments at a step of the work. Whatever carries a reading (a radio, a cable, a device that types into the field that has
 * the cursor, a simulator) hands on what its display shows, figure and unit; here it becomes a figure of ours or is refused.
 */
import { figureKindOf, type FigureKind, type MeasuredWhat } from '../vocabulary/measured.ts';

export const fieldInstrumentKinds = [
  'distance-meter',
  'levelling-laser',
  'digital-level',
  'film-comb',
  'hygrometer',
  'moisture-meter',
] as const;
export type FieldInstrumentKind = (typeof fieldInstrumentKinds)[number];

const TO_OURS = {
  mm: { kind: 'length', ours: (x: number) => x },
  cm: { kind: 'length', ours: (x: number) => x * 10 },
  m: { kind: 'length', ours: (x: number) => x * 1000 },
  in: { kind: 'length', ours: (x: number) => x * 25.4 },
  µm: { kind: 'film', ours: (x: number) => x / 1000 },
  mil: { kind: 'film', ours: (x: number) => x * 0.0254 },
  '°C': { kind: 'temperature', ours: (x: number) => x },
  '°F': { kind: 'temperature', ours: (x: number) => ((x - 32) * 5) / 9 },
  '%': { kind: 'percent', ours: (x: number) => x },
} as const satisfies Record<string, { kind: FigureKind; ours: (x: number) => number }>;

export type FigureUnit = keyof typeof TO_OURS;

/** What a display shows. */
export interface Shown {
  readonly value: number;
  readonly unit: FigureUnit;
}

export type FieldAnswer =
  | ({ readonly ok: true } & Shown)
  /** `lost`: it must be connected again · `cannot`: it measures something else. */
  | { readonly ok: false; readonly because: 'lost' | 'cannot' };

/** What an adapter of an instrument has to do. */
export interface FieldInstrument {
  readonly kind: FieldInstrumentKind;
  read(what: MeasuredWhat): FieldAnswer | Promise<FieldAnswer>;
  reconnect(): void | Promise<void>;
}

/** What a figure of each kind is read with. */
export function fieldInstrumentFor(what: MeasuredWhat): FieldInstrumentKind {
  switch (what) {
    case 'surface':
    case 'air':
    case 'humidity':
      return 'hygrometer';
    case 'moisture':
      return 'moisture-meter';
    case 'film':
      return 'film-comb';
    case 'sill-level':
    case 'head-level':
      return 'levelling-laser';
    case 'plumb':
      return 'digital-level';
    default:
      return 'distance-meter';
  }
}

export type TakenFigure =
  | { readonly ok: true; readonly value: number }
  /** `unit`: of another kind of figure · `range`: no such thing is that much. */
  | { readonly ok: false; readonly because: 'unit' | 'range' };

/** What a figure of each kind can be at all. Films may be read in mm too. */
const CAN_BE: Readonly<Record<FigureKind, readonly [number, number]>> = {
  length: [0, 20_000],
  film: [0, 10],
  temperature: [-60, 120],
  percent: [0, 100],
};

/** A reading as a figure of ours (mm, °C, percent), or why it is none. Unevenness has no sign here. */
export function figureFrom(what: MeasuredWhat, { value, unit }: Shown): TakenFigure {
  const kind = figureKindOf(what);
  const known = TO_OURS[unit];
  const fits = known.kind === kind || (kind === 'film' && known.kind === 'length');
  if (!fits) return { ok: false, because: 'unit' };
  const ours = known.ours(value);
  const signless = kind === 'length' ? Math.abs(ours) : ours;
  const [least, most] = CAN_BE[kind];
  return Number.isFinite(signless) && signless >= least && signless <= most
    ? { ok: true, value: signless }
    : { ok: false, because: 'range' };
}

const SPELLED: Readonly<Record<string, FigureUnit>> = {
  '"': 'in',
  inch: 'in',
  um: 'µm',
  μm: 'µm',
  mils: 'mil',
  c: '°C',
  f: '°F',
  '°c': '°C',
  '°f': '°F',
  '%rh': '%',
};

/** What a device types that acts as a keyboard: a figure and its unit; `null` where it is neither. */
export function shownIn(text: string): Shown | null {
  const match = /^\s*([+-]?\d+(?:[.,]\d+)?)\s*([^\d\s]+)\s*$/.exec(text);
  if (!match) return null;
  const [, figure = '', written = ''] = match;
  const unit = Object.hasOwn(TO_OURS, written) ? (written as FigureUnit) : SPELLED[written.toLowerCase()];
  return unit === undefined ? null : { value: Number(figure.replace(',', '.')), unit };
}
