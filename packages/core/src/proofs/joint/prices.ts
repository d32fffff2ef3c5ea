/** What material and work cost: plain figures to start from, each of them the job's own to change. */
import type { Job } from '../../documents/job.ts';
import type { PriceId } from '../../vocabulary/prices.ts';
export type Prices = Readonly<Record<PriceId, number>>;

/** Invented to be in proportion; no maker's and no shop's. `bandPerMm_m` comes on top for each mm the band must fill. */
export const USUAL_PRICES: Prices = {
  sealantCartridge: 9,
  rod_m: 0.5,
  primer_m: 0.4,
  cornerTape_m: 2.6,
  membrane_m: 3.4,
  band_m: 1.8,
  bandPerMm_m: 0.22,
  airSheet_m: 1.2,
  foamCan: 12,
  wool_m: 0.6,
  block: 3,
  labour_h: 48,
};

export const pricesOf = ({ prices }: Pick<Job, 'prices'>): Prices => ({ ...USUAL_PRICES, ...prices });

/** Whether any figure that money is worked out with is the invented one. */
export const restsOnInvented = ({ prices }: Pick<Job, 'prices'>): boolean =>
  Object.keys(USUAL_PRICES).some((id) => prices?.[id as PriceId] === undefined);
