/** One line for each proof but heat: what a lead says of it in passing. */
import { proveText } from '$lib/texts/prove.ts';
import {
  airtightFrom,
  designJoint,
  openPlaces,
  proveLoads,
  proveMoisture,
  sealText,
  type JobContext,
  type Plan,
} from '@hulvek/core';
import type { QuickProof } from './proof-verdicts.ts';

/** Empty words where nothing is planned yet, and for the fit, which its findings tell. */
export function proofWords(plan: Plan, job: JobContext): Record<QuickProof, string> {
  const t = proveText.whole;
  const { build, wall, air, water } = plan;
  if (!build || !wall || !air) return { fit: '', water: '', air: '', joint: '', moisture: '', loads: '' };
  const design = designJoint(plan);
  const loads = proveLoads(plan);
  const wet = plan.findings.filter((f) => f.code === 'water-gets-in').length;
  return {
    fit: '',
    water: t.waterSays(wet, water?.singles.length ?? 0),
    air: t.airSays(openPlaces(air), airtightFrom(build)),
    joint: design
      ? t.jointSays(sealText(design.chosen), design.recommended && sealText(design.recommended))
      : '',
    moisture: t.moistureSays(proveMoisture(build, { job, wall }).wall?.outcome ?? null),
    loads: t.loadsSays(
      loads?.handling?.weight.kg ?? null,
      loads?.handling?.people ?? null,
      loads?.fasteners?.worst.each_N ?? null,
    ),
  };
}
