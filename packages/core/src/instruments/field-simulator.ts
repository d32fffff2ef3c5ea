/** Instruments of a step for trying out: they read a figure that is the same for the same seed, with what goes wrong on site. */
import { generator } from '../quantities/random.ts';
import { figureKindOf, type FigureKind, type MeasuredWhat } from '../vocabulary/measured.ts';
import {
  fieldInstrumentFor,
  type FieldAnswer,
  type FieldInstrument,
  type FieldInstrumentKind,
  type FigureUnit,
} from './field-instrument.ts';

/** Largest error of a reading, evenly spread, and the unit of the display. Common practice, no source. */
const SHOWS: Readonly<
  Record<FigureKind, { noise: number; step: number; unit: FigureUnit; other: FigureUnit }>
> = {
  length: { noise: 0.5, step: 0.1, unit: 'mm', other: 'in' },
  film: { noise: 0.05, step: 0.025, unit: 'mm', other: 'mil' },
  temperature: { noise: 0.5, step: 0.1, unit: '°C', other: '°F' },
  percent: { noise: 2, step: 1, unit: '%', other: '%' },
};
const TO_OTHER: Partial<Record<FigureUnit, (x: number) => number>> = {
  in: (mm) => mm / 25.4,
  mil: (mm) => mm / 0.0254,
  '°F': (c) => (c * 9) / 5 + 32,
};

export interface SimulatedField {
  readonly kind: FieldInstrumentKind;
  /** What is there to be read, mm, °C or percent. */
  readonly truth: (what: MeasuredWhat) => number;
  readonly seed: number;
  /** Share of readings after which the connection is gone. */
  readonly lossShare?: number;
  /** Share of readings with the display set to the other system. */
  readonly otherShare?: number;
}

/** One that answers at once. */
export interface PromptInstrument extends FieldInstrument {
  read(what: MeasuredWhat): FieldAnswer;
  reconnect(): void;
}

export function simulatedFieldInstrument(o: SimulatedField): PromptInstrument {
  const random = generator(o.seed);
  let lost = false;
  return {
    kind: o.kind,
    reconnect: () => void (lost = false),
    read(what): FieldAnswer {
      if (fieldInstrumentFor(what) !== o.kind) return { ok: false, because: 'cannot' };
      if (lost || random() < (o.lossShare ?? 0.04)) {
        lost = true;
        return { ok: false, because: 'lost' };
      }
      const { noise, step, unit, other } = SHOWS[figureKindOf(what)];
      const read = Math.round((o.truth(what) + (random() * 2 - 1) * noise) / step) * step;
      const turned = random() < (o.otherShare ?? 0);
      return turned
        ? { ok: true, value: TO_OTHER[other]?.(read) ?? read, unit: other }
        : { ok: true, value: read, unit };
    },
  };
}

/** What an invented opening shows at a step: mostly as it should be. Common practice, no source. */
export function inventedFigure(
  what: MeasuredWhat,
  seed: number,
  limits: { least: number | null; most: number | null },
): number {
  const random = generator(seed);
  const usual: Readonly<Record<MeasuredWhat, readonly [number, number]>> = {
    surface: [8, 18],
    air: [8, 18],
    humidity: [45, 75],
    moisture: [10, 17],
    film: [0.5, 0.8],
    'sill-level': [0, 1.2],
    'head-level': [0, 1.2],
    plumb: [0, 1.2],
    diagonals: [0, 2.4],
    margin: [3, 4],
    bow: [0, 1],
    depth: [40, 42],
    joint: [8, 12],
  };
  const [low, high] = usual[what];
  const from = Math.max(low, limits.least ?? low);
  const to = Math.max(from, Math.min(high, limits.most ?? high));
  return from + random() * (to - from);
}
