/** What a job can have a price for. */

export const priceIds = [
  'sealantCartridge',
  'rod_m',
  'primer_m',
  'cornerTape_m',
  'membrane_m',
  'band_m',
  'bandPerMm_m',
  'airSheet_m',
  'foamCan',
  'wool_m',
  'block',
  'labour_h',
] as const;

export type PriceId = (typeof priceIds)[number];
