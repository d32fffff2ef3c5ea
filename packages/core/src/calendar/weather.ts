/** The weather that work is planned by: hour by hour, known for so long; invented where nobody has any. */
import type { Calendar, WeatherRow } from '../documents/calendar.ts';
import { generator } from '../quantities/random.ts';
import { momentIn } from './days.ts';
import { saturationPressure } from '../quantities/psychrometrics.ts';

const HOUR_ms = 3_600_000;
const DAY_h = 24;

/** Days of invented weather. */
const INVENTED_days = 60;
const MOST_days = 1000;

/**
 * Invented weather of a cool, windy site: the same for a seed. It is for trying things out and is marked so wherever it is
 * shown.
 *
 * @param start ISO moment of the first hour
 */
function inventedWeather(seed: number, start: string, days = INVENTED_days): WeatherRow[] {
  const random = generator(seed);
  const rows: WeatherRow[] = [];
  let [isWet, wind, from, base] = [false, 4, 200, 9];
  for (let h = 0; h < days * DAY_h; h++) {
    isWet = random() < (isWet ? 0.8 : 0.035);
    if (h % DAY_h === 0) base = 9 + (random() - 0.5) * 6;
    wind = Math.min(16, Math.max(0.5, wind * 0.85 + (isWet ? 1.1 : 0.45) + (random() - 0.5) * 2));
    from = (from + (random() - 0.5) * 40 + 360) % 360;
    const temperature_C = base + 4 * Math.sin(((h % DAY_h) - 9) * (Math.PI / 12));
    const below = isWet ? 0.6 : 3 + 4 * random();
    rows.push({
      at: new Date(Date.parse(start) + h * HOUR_ms).toISOString(),
      temperature_C: tenth(temperature_C),
      dew_point_C: tenth(temperature_C - below),
      rain_mm: isWet ? tenth(0.2 + 2.5 * random() ** 2) : 0,
      wind_ms: tenth(wind),
      from_deg: Math.round(from),
      gust_ms: tenth(wind * (1.5 + 0.3 * random())),
    });
  }
  return rows;
}

const tenth = (value: number): number => Math.round(value * 10) / 10;

/** The rows of a calendar, and the moment until which they hold. */
export function weatherOf(
  { weather, start, zone }: Pick<Calendar, 'weather' | 'start' | 'zone'>,
  now: string,
): { rows: readonly WeatherRow[]; until_ms: number } {
  const begin = momentIn(zone, start, '00:00');
  // Invented weather of a job stays the same from day to day.
  const passed = Math.max(0, Math.ceil((Date.parse(now) - Date.parse(begin)) / (DAY_h * HOUR_ms)));
  const rows =
    weather.source === 'invented'
      ? inventedWeather(weather.seed, begin, Math.min(MOST_days, INVENTED_days + passed))
      : weather.rows;
  const last = rows.at(-1);
  return { rows, until_ms: last ? Date.parse(last.at) + HOUR_ms : -Infinity };
}

/** Temperature of a wet surface in moving air, °C: halved until a hundredth of a degree. */
function wetBulb(temperature_C: number, dew_point_C: number): number {
  const vapour = saturationPressure(Math.min(dew_point_C, temperature_C));
  let [low, high] = [dew_point_C, temperature_C];
  while (high - low > 0.01) {
    const middle = (low + high) / 2;
    if (saturationPressure(middle) - PSYCHROMETER_Pa_K * (temperature_C - middle) < vapour) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}
/** Psychrometer constant at sea level, Pa/K: from memory. */
const PSYCHROMETER_Pa_K = 66;

/** Water that stays on a face after rain, kg/m²: common practice, no source; it makes 2 to 4 hours in fair weather. */
const FILM_kg_m2 = 0.15;
/** Share of the wind that gets into a reveal: common practice, no source. */
const REVEAL_WIND = 0.3;

/**
 * Water that dries from a wet face, kg/(m² h): vapour pressure at the wet face's own temperature against the air's, over
 * the surface's transfer.
 *
 * Source: h = 4 + 4 v (ISO 6946, annex), vapour transfer 7·10⁻⁹ of it by Lewis' relation, both from memory.
 *
 * @param wind_ms at the face, not in the open
 */
export function dryingRate({
  temperature_C,
  dew_point_C,
  wind_ms,
}: {
  temperature_C: number;
  dew_point_C: number;
  wind_ms: number;
}): number {
  const deficit_Pa =
    saturationPressure(wetBulb(temperature_C, dew_point_C)) -
    saturationPressure(Math.min(dew_point_C, temperature_C));
  return Math.max(0, 7e-9 * (4 + 4 * wind_ms) * deficit_Pa * 3600);
}

/** Hours until a wet face is dry in air that does not change. */
export const dryingHours = (air: { temperature_C: number; dew_point_C: number; wind_ms: number }): number => {
  const rate = dryingRate(air);
  return rate > 0 ? FILM_kg_m2 / rate : Infinity;
};

/**
 * Whether faces are dry, by the hour: rain fills the film, dry air empties it. Where no dew point is known the air is taken
 * to be damp: half a degree above it.
 */
export function dryHours(rows: readonly WeatherRow[]): boolean[] {
  let film = 0;
  return rows.map(({ rain_mm, temperature_C, dew_point_C = temperature_C - 0.5, wind_ms }) => {
    if (rain_mm > 0) film = Math.min(FILM_kg_m2, film + rain_mm);
    const wasDry = film <= 0;
    // Dew wets a face as well.
    if (temperature_C - dew_point_C < DEW_K && !wasDry) return false;
    film = Math.max(
      0,
      film - (rain_mm > 0 ? 0 : dryingRate({ temperature_C, dew_point_C, wind_ms: wind_ms * REVEAL_WIND })),
    );
    return wasDry && rain_mm === 0;
  });
}
const DEW_K = 0.3;
