/** One line for each proof but heat: what a lead says of it in passing. */
import { proveText } from '$words/prove.ts';
import { airtightFrom, openPlaces, restsOnInvented, sealText, type Figures, type Plan } from '@hulvek/core';

export const quickProofs = ['fit', 'water', 'air', 'joint', 'moisture', 'loads'] as const;
export type QuickProof = (typeof quickProofs)[number];

/** Empty words where nothing is planned yet, and for the fit, which its findings tell. */
export function proofWords(plan: Plan, f: Figures): Record<QuickProof, string> {
  const t = proveText.whole;
  const { build, air, water, joint: design, moisture, loads } = plan;
  if (!build || !air) return { fit: '', water: '', air: '', joint: '', moisture: '', loads: '' };
  const wet = plan.findings.filter((f) => f.code === 'water-gets-in').length;
  return {
    fit: '',
    water: t.waterSays(wet, water?.singles.length ?? 0),
    air: t.airSays(openPlaces(air), airtightFrom(build)),
    joint: design
      ? t.jointSays(
          sealText(design.chosen),
          design.recommended && sealText(design.recommended),
          restsOnInvented(plan.job.job),
        )
      : '',
    moisture: t.moistureSays(moisture?.wall?.outcome ?? null),
    loads: t.loadsSays(
      loads?.handling?.weight.kg ?? null,
      loads?.handling?.people ?? null,
      loads?.fasteners?.worst.each_N ?? null,
      f,
    ),
  };
}
