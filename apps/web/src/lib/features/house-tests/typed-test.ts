/** A fan test as it is typed, and read back. */
import { testsWords as t } from '$words/tests.ts';
import { fanTestSchema, readMeasure, type FanTest, type LengthUnit, type MeasureKind } from '@hulvek/core';

export interface TypedTest {
  mode: FanTest['mode'];
  volume: string;
  envelope: string;
  inside: string;
  outside: string;
  pressure: string;
  zeroBefore: string;
  zeroAfter: string;
  readings: string;
}

const figure = (text: string): number => (text.trim() === '' ? NaN : Number(text.trim().replace(',', '.')));

/** Figures between commas or blanks, a comma between digits of one figure where there is a semicolon. */
const listOf = (text: string): number[] =>
  text
    .split(text.includes(';') ? /;/ : /[,\s]+/)
    .filter((part) => part.trim() !== '')
    .map(figure);

/** Lines of pressure and flow; what a heading says is passed over. */
export function readingsIn(text: string, reads: LengthUnit): FanTest['readings'] | null {
  const rows = text
    .split(/\r?\n/)
    .map((line) =>
      line.split(/[\t;]|,\s+|\s{1,}|(?<=\d),(?=-?\d+(?:[.,]|$))/).filter((cell) => cell.trim() !== ''),
    )
    .filter((cells) => cells.length > 0 && /\d/.test(cells.join('')));
  const read = rows.map(([pressure = '', flow = '']) => ({
    pressure_Pa: figure(pressure),
    flow_m3h: readMeasure('flow', flow, reads) ?? NaN,
  }));
  return read.every(({ pressure_Pa, flow_m3h }) => Number.isFinite(pressure_Pa) && Number.isFinite(flow_m3h))
    ? read
    : null;
}

export type TestRead =
  { readonly ok: true; readonly value: FanTest } | { readonly ok: false; readonly problem: string };

export function readTyped(typed: TypedTest, reads: LengthUnit): TestRead {
  const wrong = (what: string): TestRead => ({ ok: false, problem: t.wrong(what) });
  const measure = (kind: MeasureKind, text: string) => readMeasure(kind, text, reads);
  const volume_m3 = measure('space', typed.volume);
  if (volume_m3 === null) return wrong(t.volume);
  const envelope_m2 = typed.envelope.trim() === '' ? undefined : measure('area', typed.envelope);
  if (envelope_m2 === null) return wrong(t.envelope);
  const [inside_C, outside_C] = [measure('temperature', typed.inside), measure('temperature', typed.outside)];
  if (inside_C === null) return wrong(t.inside);
  if (outside_C === null) return wrong(t.outside);
  const pressure_Pa = figure(typed.pressure);
  if (!Number.isFinite(pressure_Pa)) return wrong(t.pressure);
  const [zero_before_Pa, zero_after_Pa] = [listOf(typed.zeroBefore), listOf(typed.zeroAfter)];
  if (zero_before_Pa.some(Number.isNaN)) return wrong(t.zeroBefore);
  if (zero_after_Pa.some(Number.isNaN)) return wrong(t.zeroAfter);
  const readings = readingsIn(typed.readings, reads);
  if (!readings) return wrong(t.readings);
  const parsed = fanTestSchema.safeParse({
    format: 'hulvek-fan-test',
    version: 1,
    volume_m3,
    ...(envelope_m2 !== undefined && { envelope_m2 }),
    inside_C,
    outside_C,
    pressure_Pa,
    zero_before_Pa,
    zero_after_Pa,
    mode: typed.mode,
    readings,
  });
  if (parsed.success) return { ok: true, value: parsed.data };
  const [issue] = parsed.error.issues;
  return wrong(`${issue?.path.join('.') ?? ''}: ${issue?.message ?? ''}`);
}
