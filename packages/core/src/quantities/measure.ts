/**
 * Everything that is neither a length nor a bare share: how it is written for readers of either system of units, and
 * read back whichever of them it was typed in.
 *
 * Values are kept in the unit of SI that the name of their field says; what people read follows who reads.
 */
import type { LengthUnit } from './length.ts';

const THIN_SPACE = '\u202f';
const MINUS = '\u2212';

/** One unit of a kind: what it is called, how it may be typed besides, and the way from the kept value and back. */
interface Scale {
  readonly name: string;
  /** Digits behind the point that are written. */
  readonly digits: number;
  readonly from: (kept: number) => number;
  readonly to: (shown: number) => number;
  readonly typed: RegExp;
}

interface Kind {
  readonly mm: Scale;
  readonly in: Scale;
  /** Other units that may be typed and are never written. */
  readonly also?: readonly Pick<Scale, 'typed' | 'to'>[];
}

const FOOT_m = 0.3048;
const INCH_m = 0.0254;
const POUND_kg = 0.45359237;
const GRAVITY_ms2 = 9.80665;
const POUND_FORCE_N = POUND_kg * GRAVITY_ms2;
/** British thermal unit of the International Table. */
const BTU_J = 1055.05585262;
const FAHRENHEIT_K = 5 / 9;
const HOUR_s = 3600;
const SQUARE_FOOT_m2 = 0.09290304;
const FLUID_OUNCE_ml = 29.5735295625;
const OUNCE_kg = POUND_kg / 16;
const MILE_m = 1609.344;
/** Still air that lets as little vapour through as one US perm: 2·10⁻¹⁰ kg/(m s Pa) against 57.2 ng/(m² s Pa). */
const AIR_OF_ONE_PERM_m = 2e-10 / 57.2135e-12;

/** @param size how much of the kept unit one of this is */
const times = (name: string, size: number, digits: number, typed: RegExp): Scale => ({
  name,
  digits,
  from: (kept) => kept / size,
  to: (shown) => shown * size,
  typed,
});
const also = (size: number, typed: RegExp) => ({ typed, to: (shown: number) => shown * size });

/**
 * The kinds, each with the unit it is kept in (`mm` readers see it so, except where noted).
 *
 * Source: definitions of the units (international yard and pound 1959, IT Btu, ISO 80000-5), from memory.
 */
const kinds = {
  temperature: {
    mm: times('°C', 1, 1, /^(?:°\s*)?c$/i),
    in: {
      name: '°F',
      digits: 1,
      from: (C) => C / FAHRENHEIT_K + 32,
      to: (F) => (F - 32) * FAHRENHEIT_K,
      typed: /^(?:°\s*)?f$/i,
    },
  },
  /** A difference of temperatures: it has no zero to move. */
  difference: {
    mm: times('K', 1, 1, /^k$/i),
    in: times('°F', FAHRENHEIT_K, 1, /^(?:°\s*)?f$/i),
  },
  mass: {
    mm: times('kg', 1, 1, /^kgs?$/i),
    in: times('lb', POUND_kg, 1, /^(?:lbs?|pounds?|#)$/i),
    also: [also(0.001, /^g$/i), also(OUNCE_kg, /^oz$/i), also(1000, /^t$/i)],
  },
  speed: {
    mm: times('m/s', 1, 1, /^m\/s$/i),
    in: times('mph', MILE_m / HOUR_s, 1, /^(?:mph|mi\/h)$/i),
    also: [also(1000 / HOUR_s, /^(?:km\/h|kph)$/i), also(1852 / HOUR_s, /^(?:kn|kt|knots?)$/i)],
  },
  pressure: {
    mm: times('Pa', 1, 0, /^pa$/i),
    in: times('psf', POUND_FORCE_N / SQUARE_FOOT_m2, 2, /^(?:psf|lbf?\/ft[²2])$/i),
    also: [
      also(1000, /^kpa$/i),
      also(100, /^(?:hpa|mbar)$/i),
      also(POUND_FORCE_N / (INCH_m * INCH_m), /^psi$/i),
    ],
  },
  altitude: {
    mm: times('m', 1, 0, /^m$/i),
    in: times('ft', FOOT_m, 0, /^(?:ft|feet|foot|['′])$/i),
  },
  /** Above the ground. */
  height: {
    mm: times('m', 1, 2, /^m$/i),
    in: times('ft', FOOT_m, 1, /^(?:ft|feet|foot|['′])$/i),
  },
  area: {
    mm: times('m²', 1, 2, /^m[²2]$/i),
    in: times('ft²', SQUARE_FOOT_m2, 1, /^(?:ft[²2]|sq\.?\s*ft)$/i),
  },
  /** A leakage area, kept in cm². */
  leakage: {
    mm: times('cm²', 1, 1, /^cm[²2]$/i),
    in: times('in²', 6.4516, 2, /^(?:in[²2]|sq\.?\s*in)$/i),
  },
  /** Air, kept in m³/h. */
  flow: {
    mm: times('m³/h', 1, 1, /^m[³3]\/h$/i),
    in: times('cfm', FOOT_m ** 3 * 60, 2, /^(?:cfm|ft[³3]\/min)$/i),
  },
  /** Of a house, kept in m³. */
  space: {
    mm: times('m³', 1, 0, /^m[³3]$/i),
    in: times('ft³', FOOT_m ** 3, 0, /^(?:ft[³3]|cu\.?\s*ft)$/i),
  },
  /** Sealant and foam, kept in ml. */
  volume: {
    mm: times('ml', 1, 0, /^ml$/i),
    in: times('fl oz', FLUID_OUNCE_ml, 1, /^fl\.?\s*oz$/i),
    also: [also(1000, /^l$/i), also(FLUID_OUNCE_ml * 128, /^gal$/i)],
  },
  force: {
    mm: times('N', 1, 0, /^n$/i),
    in: times('lbf', POUND_FORCE_N, 1, /^(?:lbf|lbs?)$/i),
    also: [also(1000, /^kn$/i)],
  },
  /** On each length of a line, kept in N/mm. */
  lineLoad: {
    mm: times('N/mm', 1, 1, /^n\/mm$/i),
    in: times('lbf/in', POUND_FORCE_N / 25.4, 1, /^lbf?\/in$/i),
  },
  /** Heat through an area: U. */
  transmittance: {
    mm: times('W/(m² K)', 1, 3, /^w(?:\/\(?m[²2][·\s]*k\)?)?$/i),
    in: times(
      'Btu/(h ft² °F)',
      BTU_J / HOUR_s / SQUARE_FOOT_m2 / FAHRENHEIT_K,
      3,
      /^btu(?:\/\(?h[·\s]*ft[²2][·\s]*°?f\)?)?$/i,
    ),
  },
  /** Heat through a line: Ψ. */
  lineTransmittance: {
    mm: times('W/(m K)', 1, 3, /^w\/\(?m[·\s]*k\)?$/i),
    in: times('Btu/(h ft °F)', BTU_J / HOUR_s / FOOT_m / FAHRENHEIT_K, 3, /^btu\/\(?h[·\s]*ft[·\s]*°?f\)?$/i),
  },
  /** Of a material: λ. */
  conductivity: {
    mm: times('W/(m K)', 1, 3, /^w\/\(?m[·\s]*k\)?$/i),
    in: times(
      'Btu in/(h ft² °F)',
      (BTU_J / HOUR_s / SQUARE_FOOT_m2 / FAHRENHEIT_K) * INCH_m,
      3,
      /^btu[·\s]*in\.?\/\(?h[·\s]*ft[²2][·\s]*°?f\)?$/i,
    ),
  },
  /** Against heat: R. */
  resistance: {
    mm: times('m² K/W', 1, 2, /^\(?m[²2][·\s]*k\)?\/w$/i),
    in: times(
      'h ft² °F/Btu',
      1 / (BTU_J / HOUR_s / SQUARE_FOOT_m2 / FAHRENHEIT_K),
      1,
      /^\(?h[·\s]*ft[²2][·\s]*°?f\)?\/btu$/i,
    ),
  },
  power: {
    mm: times('W', 1, 0, /^w$/i),
    in: times('Btu/h', BTU_J / HOUR_s, 0, /^btu\/h$/i),
  },
  /** Water on an area, kept in kg/m² and read in g/m². */
  film: {
    mm: times('g/m²', 0.001, 0, /^g\/m[²2]$/i),
    in: times('oz/ft²', OUNCE_kg / SQUARE_FOOT_m2, 2, /^oz\/ft[²2]$/i),
  },
  /** Against vapour: metres of still air, or perms, of which tight sheets have few. */
  vapour: {
    mm: times('m', 1, 2, /^m$/i),
    in: {
      name: 'perm',
      digits: 3,
      from: (sd_m) => AIR_OF_ONE_PERM_m / sd_m,
      to: (perms) => AIR_OF_ONE_PERM_m / perms,
      typed: /^perms?$/i,
    },
  },
  /** How hard it rains. */
  rain: {
    mm: times('mm', 1, 1, /^mm$/i),
    in: times('in', 25.4, 2, /^(?:in|["″])$/i),
  },
} satisfies Record<string, Kind>;

export type MeasureKind = keyof typeof kinds;
export const measureKinds = Object.keys(kinds) as readonly MeasureKind[];

const kindOf = (kind: MeasureKind): Kind => kinds[kind];
const scaleOf = (kind: MeasureKind, system: LengthUnit): Scale => kindOf(kind)[system];

/** The unit that readers of `system` see. */
export const measureUnit = (kind: MeasureKind, system: LengthUnit): string => scaleOf(kind, system).name;

/** The step in which `system` is written, in its own unit. */
export const measureStep = (kind: MeasureKind, system: LengthUnit, digits?: number): number =>
  10 ** -(digits ?? scaleOf(kind, system).digits);

/** The bare figure, for columns whose head says the unit, and for axes. */
export const measureIn = (kind: MeasureKind, kept: number, system: LengthUnit): number =>
  scaleOf(kind, system).from(kept);

/**
 * Returns the figure without its unit, rounded to the digits of its kind, trailing zeros left out.
 *
 * @param digits so many behind the point, zeros too: for figures that stand below each other
 */
export function measureFigure(kind: MeasureKind, kept: number, system: LengthUnit, digits?: number): string {
  if (Number.isNaN(kept)) throw new Error(`${kind} got ${kept}`);
  const scale = scaleOf(kind, system);
  const written = scale.from(kept).toFixed(digits ?? scale.digits);
  const bare = digits === undefined ? String(Math.abs(Number(written))) : written.replace('-', '');
  return Number(written) < 0 ? `${MINUS}${bare}` : bare;
}

/**
 * The value as readers of `system` see it, with its unit.
 *
 * @example writeMeasure('temperature', 20, 'in') // '68 °F'
 */
export const writeMeasure = (kind: MeasureKind, kept: number, system: LengthUnit, digits?: number): string =>
  `${measureFigure(kind, kept, system, digits)}${THIN_SPACE}${measureUnit(kind, system)}`;

/**
 * Returns what was typed as the kept value; a bare number is meant in the unit of `system`, either unit may be written
 * out, and `null` is no such value.
 *
 * @param before a value whose text nobody touched: it keeps all of its digits
 * @example readMeasure('speed', '30 mph', 'mm') // 13.4112
 */
export function readMeasure(
  kind: MeasureKind,
  typed: string,
  system: LengthUnit,
  before?: number,
): number | null {
  const text = typed.trim();
  const untouched = (s: LengthUnit) => before !== undefined && same(text, writeMeasure(kind, before, s));
  if (before !== undefined && (untouched('mm') || untouched('in'))) return before;
  const [, sign = '', digits = '', unit = ''] =
    /^([-−+]?)\s*(\d+(?:[.,]\d*)?|[.,]\d+)\s*(.*)$/s.exec(text) ?? [];
  if (digits === '') return null;
  const figure = Number(digits.replace(',', '.')) * (sign === '-' || sign === MINUS ? -1 : 1);
  const { mm, in: inches, also: others = [] } = kindOf(kind);
  const own = system === 'mm' ? [mm, inches] : [inches, mm];
  const said = unit === '' ? own[0] : [...own, ...others].find((scale) => scale.typed.test(unit.trim()));
  const value = said?.to(figure);
  return value !== undefined && Number.isFinite(value) ? value : null;
}

const same = (a: string, b: string) => bare(a) === bare(b);
const bare = (text: string) => text.replace(/\s+/g, ' ').replace(/-/g, MINUS);

/** What was typed with the unit it was meant in, before anybody reads it in another; what is no such value stays. */
export function withMeasureUnit(kind: MeasureKind, typed: string, system: LengthUnit): string {
  const isBare = /^[-−+]?[\d.,\s]+$/.test(typed.trim()) && readMeasure(kind, typed, system) !== null;
  return isBare ? `${typed.trim()} ${measureUnit(kind, system)}` : typed;
}
