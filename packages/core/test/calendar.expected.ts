/** What crews say of drying, nights and days: common practice, no source, where nothing else stands beside it. */

/** Hours until a reveal is dry after rain, by the air. */
export const DRYING = [
  // Fair weather: 2 to 4 hours.
  { air: { temperature_C: 15, dew_point_C: 7.3, wind_ms: 0.9 }, least_h: 2, most_h: 4 },
  // About 100 Pa short of saturation at 5 °C: 10 hours and more.
  { air: { temperature_C: 5, dew_point_C: 3.3, wind_ms: 0.9 }, least_h: 10, most_h: 30 },
] as const;

/** By hand, with p = 610.94 exp(17.625 t / (243.04 + t)) (Magnus, Alduchov and Eskridge 1996, from memory) for vapour pressures. */
export const BY_HAND = [
  // Wet bulb 10.84 °C: 1296.3 Pa on the face, 1021.4 Pa in the air, h = 4 + 4 · 0.9: 7e-9 · 7.6 · 274.9 · 3600.
  { air: { temperature_C: 15, dew_point_C: 7.3, wind_ms: 0.9 }, rate_kg_m2_h: 0.0526 },
  // Wet bulb 4.22 °C: 825.3 Pa against 773.6 Pa.
  { air: { temperature_C: 5, dew_point_C: 3.3, wind_ms: 0.9 }, rate_kg_m2_h: 0.0099 },
] as const;
