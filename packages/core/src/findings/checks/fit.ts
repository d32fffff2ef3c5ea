/** Does the unit fit, and was enough measured to say so? */
import type { Side } from '../../vocabulary/sides.ts';
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

/** What a method wants of an opening before anything is ordered: what it has, and what every side lacks. */
export const openingSmall = defineCheck({
  code: 'opening-small-for-method',
  proof: 'fit',
  severity: 'note',
  source: PRACTICE,
  *run({ fit, frame, build }) {
    if (!fit || !frame || !build || fit.result.trim.length === 0) return;
    const lacks = (side: Side) =>
      Math.max(0, ...fit.result.trim.filter(({ gap }) => gap.side === side).map(({ by_mm }) => by_mm));
    const width_mm = frame.cover.width + lacks('left') + lacks('right');
    const height_mm = frame.cover.height + lacks('head') + lacks('sill');
    yield {
      facts: { width_mm, height_mm, seat_mm: fit.placement.bottom },
      fixes:
        build.context.choices.sillDrain === 'slope' && lacks('head') + lacks('sill') > 0
          ? [{ kind: 'design-changing', set: {}, choose: { sillDrain: 'framed-slope' } }]
          : [],
    };
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
