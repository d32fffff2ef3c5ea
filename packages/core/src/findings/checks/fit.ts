/** Does the unit fit, and was enough measured to say so? */
import { defineCheck } from '../check.ts';

const PRACTICE = 'common practice, no source';

export const notPlanned = defineCheck({
  code: 'not-planned',
  proof: 'fit',
  severity: 'not-checkable',
  source: 'what a plan needs',
  *run({ wall, unit, method, frame, readings, build }) {
    const has = (...ids: (keyof typeof readings)[]) => ids.some((id) => readings[id] !== undefined);
    const missing = [
      ...(has('roughWidth', 'widthBottom', 'widthMiddle', 'widthTop') ? [] : (['width'] as const)),
      ...(has('roughHeight', 'heightLeft', 'heightCentre', 'heightRight') ? [] : (['height'] as const)),
      ...(unit ? [] : (['unit'] as const)),
      ...(wall ? [] : (['wall'] as const)),
      ...(method ? [] : (['method'] as const)),
    ];
    if (missing.length > 0) yield { facts: { missing } };
    else if (!build && frame) yield { facts: { missing: ['plan'] } };
  },
});

export const fitFails = defineCheck({
  code: 'fit-fails',
  proof: 'fit',
  severity: 'fails',
  source: PRACTICE,
  *run({ fit }) {
    if (fit?.result.verdict === 'does-not-fit') yield { facts: { trim: fit.result.trim } };
  },
});

export const fitTight = defineCheck({
  code: 'fit-tight',
  proof: 'fit',
  severity: 'watch',
  source: PRACTICE,
  *run({ fit }) {
    if (fit?.result.verdict === 'tight') yield { facts: { trim: fit.result.trim } };
  },
});

export const fitLoose = defineCheck({
  code: 'fit-loose',
  proof: 'fit',
  severity: 'watch',
  source: PRACTICE,
  *run({ fit }) {
    if (fit && fit.result.pack.length > 0) yield { facts: { pack: fit.result.pack } };
  },
});

/** A unit placed on drawing sizes, or in an opening not wholly measured, is not proven to fit. */
export const fitUnproven = defineCheck({
  code: 'fit-unproven',
  proof: 'fit',
  severity: 'not-checkable',
  source: 'what the placement rests on',
  *run({ frame }) {
    if (frame && frame.missing.length > 0) yield { facts: { missing: frame.missing } };
  },
});
