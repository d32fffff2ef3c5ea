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

/**
 * Hours of a weather file as rows of a calendar. The file is of a typical year, so that its hour is taken by month and day;
 * its hour 1 is the hour that ends at 01:00 (EnergyPlus weather format, from memory). It has no gusts: 1.6 times the mean
 * wind, common practice, no source.
 */
export const EPW_HOURS = [
  // Month, day, hour of the file, dry bulb, dew point, from, wind, rain.
  { file: [11, 30, 1, 4.0, 2.5, 220, 5.0, 0.0], day: '2026-11-30', at: '00:00', gust_ms: 8 },
  { file: [11, 30, 2, 3.5, 3.1, 225, 6.0, 1.2], day: '2026-11-30', at: '01:00', gust_ms: 9.6 },
  { file: [11, 30, 24, 2.0, 1.0, 230, 2.0, 0.0], day: '2026-11-30', at: '23:00', gust_ms: 3.2 },
] as const;

/** What the hut says of looks, sheets, own errands of the job, and soaked wood: common practice, no source. */
export const HUT = {
  /** Whoever did it does not look at it, where the job says so. */
  looks: 'not-the-doer',
  /** One person, so long in the evening to put a sheet up and in the morning to take it down. */
  sheet_min: { up: 20, down: 10 },
  /** A sheet laps so far over the wall on every side. */
  sheetLap_mm: 300,
  /** Wood that stood in rain is read before anything is stuck to it; it may hold at most so much. */
  soakedAsks: { wood_percent: 19 },
} as const;
