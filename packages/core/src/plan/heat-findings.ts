/** What the proof of heat has to say about an opening, with changes that were tried and helped. */
import type { CutId } from '../vocabulary/sides.ts';
import type { Finding, FindingFacts } from '../findings/finding.ts';
import type { Fix } from '../vocabulary/fix.ts';
import { FINLESS, type Choices } from '../vocabulary/axes.ts';
import type { HeatSubject } from './heat-subject.ts';
import { buildOpening } from '../build/build-opening.ts';
import { CARELESS_PSI, MOULD_SHARE, NEAR_FRSI } from '../conditions/room.ts';
import { heatInput, sketchSide, type HeatProof, type SideHeat } from '../proofs/heat/proof.ts';

const STANDARD = 'ISO 10211 and ISO 13788, from memory';
const PRACTICE = 'common practice, no source';
/** A change must warm the surface by this much to be offered, K. */
const WORTH_K = 0.3;

/** Findings of a proof; `withFixes` tries changes, which takes as long as solving each of them. */
export function heatFindings(subject: HeatSubject, proof: HeatProof, withFixes = true): Finding[] {
  const { conditions } = proof;
  return proof.sides.flatMap((side): Finding[] => {
    const { coldest, cut, psi } = side;
    const found: Finding[] = [];
    if (coldest && side.verdict !== 'holds' && coldest.fRsi < conditions.fRsiLeast + NEAR_FRSI) {
      const facts: FindingFacts['surface-cold'] = {
        side: cut,
        thing: coldest.thing,
        temperature_C: coldest.temperature_C,
        fRsi: coldest.fRsi,
        fRsiLeast: conditions.fRsiLeast,
        humidity_percent: coldest.humidity_percent,
        below: below(coldest, conditions),
      };
      found.push({
        code: 'surface-cold',
        proof: 'heat',
        severity: facts.below === 'near' ? 'watch' : 'fails',
        source: STANDARD,
        facts,
        fixes: withFixes ? warmer(subject, side) : [],
      });
    }
    if (psi.value > conditions.psiMost)
      found.push({
        code: 'joint-loses-heat',
        proof: 'heat',
        severity: 'watch',
        source: conditions.psiMost === CARELESS_PSI ? PRACTICE : 'limit of the job',
        facts: { side: cut, psi_WmK: psi.value, most_WmK: conditions.psiMost },
        fixes: [],
      });
    return found;
  });
}

const below = (
  { temperature_C, fRsi, humidity_percent }: NonNullable<SideHeat['coldest']>,
  { dew_C, fRsiLeast }: HeatProof['conditions'],
): FindingFacts['surface-cold']['below'] => {
  if (temperature_C < dew_C) return 'dew';
  if (fRsi >= fRsiLeast) return 'near';
  return humidity_percent > 100 * MOULD_SHARE ? 'damp' : 'limit';
};

/** Changes that make the coldest surface of a side warmer, warmest first. */
function warmer(subject: HeatSubject, side: SideHeat): Fix[] {
  const now = side.coldest?.temperature_C ?? Infinity;
  return changesFor(subject)
    .flatMap((fix) => {
      const temperature = coldestWith(subject, fix, side.cut);
      return temperature > now + WORTH_K ? [{ fix, temperature }] : [];
    })
    .sort((a, b) => b.temperature - a.temperature)
    .slice(0, MOST_FIXES)
    .map(({ fix }) => fix);
}

const MOST_FIXES = 3;
const MOVES_mm = [-60, -30, 30, 60];

function changesFor({ choices, build, wall }: HeatSubject): Fix[] {
  if (!choices || !build) return [];
  const choose = (choice: Partial<Choices>): Fix => ({ kind: 'design-changing', set: {}, choose: choice });
  const { opening, unit } = build.context;
  const finless = (FINLESS.mount as readonly string[]).includes(choices.mount);
  const free = opening.depth - (unit.front - unit.back);
  const moves = MOVES_mm.map((by) => Math.round(-unit.front + by)).filter((at) => at >= 0 && at <= free);
  const board = wall?.layers.some((l) => l.role === 'exterior-board') ?? false;
  return [
    ...(choices.pan === 'rigid' ? [choose({ pan: 'tape-and-patches' })] : []),
    ...(choices.buck === 'none' && board && choices.waterLayer !== 'masonry'
      ? [choose({ buck: 'foam-l' })]
      : []),
    ...(choices.buck === 'lumber' || choices.buck === 'panel-frame' ? [choose({ buck: 'foam-l' })] : []),
    ...(finless ? moves.map((setback): Fix => ({ kind: 'design-changing', set: { setback } })) : []),
  ];
}

function coldestWith(subject: HeatSubject, { set, choose }: Fix, cut: CutId): number {
  const numbers = Object.fromEntries(Object.entries(set).map(([id, mm]) => [id, { typed: String(mm), mm }]));
  const { opening } = subject;
  const build = buildOpening(
    {
      ...opening,
      numbers: { ...opening.numbers, ...numbers },
      choices: { ...opening.choices, ...choose },
    },
    subject.job,
  );
  const solved = build && sketchSide(heatInput(build, subject.job), cut);
  return solved?.ok ? (solved.value.side.coldest?.temperature_C ?? -Infinity) : -Infinity;
}
