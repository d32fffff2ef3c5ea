/** Damp that cannot get out: in the joint round the frame, and between the layers of the wall. */
import { MOST_WATER_kg_m2 } from '../../proofs/moisture/proof.ts';
import { defineCheck } from '../check.ts';

export const dries = defineCheck({
  code: 'joint-dries-inward',
  proof: 'moisture',
  severity: 'watch',
  source: 'common practice, no source',
  *run({ moisture }) {
    if (!moisture) return;
    const { inner_m, outer_m, drains, twoClosed, from, verdict } = moisture.joint;
    const balanced = from === 'weather' ? outer_m >= inner_m : inner_m >= outer_m;
    if (balanced && (!twoClosed || drains)) return;
    yield {
      severity: verdict === 'fails' ? 'fails' : drains ? 'note' : 'watch',
      facts: { inner_m, outer_m, drains, twoClosed, from },
    };
  },
});

export const gathers = defineCheck({
  code: 'wall-gathers-water',
  proof: 'moisture',
  severity: 'watch',
  source: 'ISO 13788, from memory',
  *run({ moisture, job }) {
    if (!moisture || !job.job.months) return;
    const { wall: year, wallVerdict, layers } = moisture;
    if (!year || year.outcome === 'none') return;
    const [wettest] = year.wet.toSorted((a, b) => b.most_kg_m2 - a.most_kg_m2);
    const name = (i: number | undefined) => (i === undefined ? null : (layers[i]?.name ?? null));
    yield {
      severity: wallVerdict === 'fails' ? 'fails' : 'note',
      facts: {
        layers: [name(wettest?.between[0]), name(wettest?.between[1])],
        most_kg_m2: year.most_kg_m2,
        left_kg_m2: year.left_kg_m2,
        outcome: year.outcome,
        limit_kg_m2: MOST_WATER_kg_m2,
        from: moisture.damp?.from ?? 'room',
        inward: moisture.damp?.inward.length ?? 0,
      },
    };
  },
});
