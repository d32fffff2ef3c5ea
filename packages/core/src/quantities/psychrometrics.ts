/** Moist air: how much vapour it can hold, and where it lets go of it. */

/**
 * Returns the pressure of saturated vapour over water, and over ice below 0 °C, Pa.
 *
 * Source: ASHRAE Fundamentals (Hyland and Wexler), from memory; checked against a psychrometric library.
 *
 * @param temperature_C −100 to 200
 */
export function saturationPressure(temperature_C: number): number {
  const T = temperature_C + 273.15;
  const polynomial =
    temperature_C < 0
      ? -5.6745359e3 / T +
        6.3925247 +
        T * (-9.677843e-3 + T * (6.2215701e-7 + T * (2.0747825e-9 - 9.484024e-13 * T))) +
        4.1635019 * Math.log(T)
      : -5.8002206e3 / T +
        1.3914993 +
        T * (-4.8640239e-2 + T * (4.1764768e-5 - 1.4452093e-8 * T)) +
        6.5459673 * Math.log(T);
  return Math.exp(polynomial);
}

/** Temperature at which vapour of a pressure saturates, °C: halved until a millionth of a degree. */
function saturatedAt(pressure_Pa: number): number {
  let [low, high] = [-100, 200];
  while (high - low > 1e-6) {
    const middle = (low + high) / 2;
    if (saturationPressure(middle) < pressure_Pa) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

/** @param humidity_percent above 0, to 100 */
export const dewPoint = (temperature_C: number, humidity_percent: number): number =>
  saturatedAt((saturationPressure(temperature_C) * humidity_percent) / 100);

/** Surface temperature below which air of the room is damper than `share` at the surface, °C. */
export const dampBelow = (temperature_C: number, humidity_percent: number, share: number): number =>
  saturatedAt((saturationPressure(temperature_C) * humidity_percent) / 100 / share);

/** Humidity of the room's air where it lies against a surface, %. */
export const humidityAt = (surface_C: number, temperature_C: number, humidity_percent: number): number =>
  (humidity_percent * saturationPressure(temperature_C)) / saturationPressure(surface_C);
