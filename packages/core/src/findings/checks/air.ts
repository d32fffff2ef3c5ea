/** Where air gets through: the pen line that does not close, what goes through it, a seal that cannot work. */
import type { Interrupter, Lift } from '../../proofs/air/proof.ts';
import type { CutId } from '../../vocabulary/sides.ts';
import type { Choices } from '../../vocabulary/axes.ts';
import type { Build } from '../../build/build.ts';
import { pieceNamed, plays } from '../../build/by-role.ts';
import { defineCheck } from '../check.ts';
import type { FindingFacts } from '../finding.ts';
import type { Fix } from '../../vocabulary/fix.ts';

const TRACED = 'the pen test, traced round the opening; common practice, no source';
const PRACTICE = 'common practice, no source';

const choose = (choices: Partial<Choices>): Fix => ({ kind: 'design-changing', set: {}, choose: choices });

/** Foam and pieces that only lie on each other let a little through, a gap lets it blow. */
export const lineOpen = defineCheck({
  code: 'air-line-open',
  proof: 'air',
  severity: 'fails',
  source: TRACED,
  *run({ air, build, choices }) {
    if (!air || !build || !choices) return;
    const all = air.sides.flatMap(({ side, lifts }) => lifts.map((lift) => ({ side, lift })));
    const family = (thing: string) => pieceNamed(build, thing)?.family ?? thing;
    const alike = ({ lift: { kind, between } }: (typeof all)[number]) =>
      kind === 'foam' ? kind : [kind, ...between.map(family)].join();
    for (const key of new Set(all.map(alike))) {
      const own = all.filter((one) => alike(one) === key);
      const [widest] = own.toSorted((a, b) => b.lift.width_mm - a.lift.width_mm);
      if (!widest) continue;
      const { kind, width_mm, between } = widest.lift;
      yield {
        severity: kind === 'gap' ? 'fails' : 'watch',
        facts: {
          sides: [...new Set(own.map(({ side }) => side))],
          kind,
          width_mm: Math.round(width_mm),
          between,
        },
        fixes: bridges(build, widest.side, widest.lift),
      };
    }
  },
});

export const lineBreaks = defineCheck({
  code: 'air-line-breaks',
  proof: 'air',
  severity: 'fails',
  source: TRACED,
  *run({ air, choices }) {
    const bare = choices !== null && choices.jambs === 'bare' && isOuter(choices);
    for (const { where, at, apart, kind } of air?.breaks ?? [])
      yield {
        severity: kind === 'gap' ? 'fails' : 'watch',
        facts: { where, at_mm: at, apart, kind },
        fixes: bare ? [choose({ jambs: 'flashing' })] : [],
      };
  },
});

export const interrupted = defineCheck({
  code: 'air-interrupted',
  proof: 'air',
  severity: 'look',
  source: PRACTICE,
  *run({ air, build, choices }) {
    if (!build) return;
    for (const { sides, ...place } of together(air?.interrupters ?? [], build)) {
      const pulled = plays(build, place.thing, 'jamb-shims') && choices?.shims !== 'removed';
      yield {
        facts: { sides, ...place },
        fixes: pulled ? [choose({ shims: 'removed' })] : [],
        step: build.steps.findLast(({ places }) => places.includes(place.member))?.id,
      };
    }
  },
});

/** Left and right jamb are one finding: what goes through is the same, and so is what to do. */
function together(all: readonly Interrupter[], build: Build): FindingFacts['air-interrupted'][] {
  const kinds = new Map<string, FindingFacts['air-interrupted']>();
  for (const { side, thing, member, count, width_mm } of all) {
    const kind = pieceNamed(build, member)?.family ?? member;
    const known = kinds.get(`${thing} ${kind}`);
    kinds.set(`${thing} ${kind}`, {
      thing,
      member: known?.member ?? member,
      count: count + (known?.count ?? 0),
      width_mm,
      sides: [...(known?.sides ?? []), side],
    });
  }
  return [...kinds.values()];
}

export const waits = defineCheck({
  code: 'air-waits',
  proof: 'air',
  severity: 'note',
  source: PRACTICE,
  *run({ air }) {
    if (air?.closed && air.waitsFor) yield { facts: { layer: air.waitsFor } };
  },
});

export const sealUnfit = defineCheck({
  code: 'seal-unfit',
  proof: 'air',
  severity: 'fails',
  source: 'ASTM C1193 and C1472, from memory; ranges of foam and bands are common practice, no source',
  *run(draft) {
    const design = draft.joint;
    const chosen = design?.seals.find((seal) => seal.id === design.chosen);
    const instead = design?.recommended ?? null;
    // Of foam and fibre alone rules of their own speak.
    if (!chosen || chosen.verdict !== 'fails' || chosen.id === 'foam-alone') return;
    const reason = chosen.reasons.find((r) => r.weight === 'no');
    if (!reason) return;
    yield {
      facts: { seal: chosen.id, reason, instead },
      fixes: instead && instead !== chosen.id ? [choose({ innerSeal: instead })] : [],
    };
  },
});

/** Whether the wall keeps air out on its outer side, so that a line has to come in over the jambs. */
const isOuter = ({ airLayer, waterLayer, mount }: Choices): boolean =>
  (airLayer === 'water-layer' || airLayer === 'sheathing') &&
  waterLayer !== 'masonry' &&
  waterLayer !== 'existing' &&
  mount !== 'pocket';

/** What would carry the line over the place, as far as choices do. */
function bridges(build: Build, side: CutId, { kind, between }: Lift): Fix[] {
  const { choices } = build.context;
  const bare = choices.jambs === 'bare' && isOuter(choices);
  const flashed = bare ? ({ jambs: 'flashing' } as const) : {};
  if (kind === 'foam') return [choose({ innerSeal: 'corner-tape', ...flashed })];
  const [from, to] = between;
  if (kind === 'loose') {
    if (side === 'head' && choices.flapEdge === 'open' && plays(build, to, 'head-tape'))
      return [choose({ flapEdge: 'taped' })];
    return plays(build, to, 'pan') && choices.pan === 'rigid' ? [choose({ pan: 'stretched' })] : [];
  }
  if (side !== 'sill') return bare ? [choose(flashed)] : [];
  return choices.pan === 'none' && !plays(build, from, 'pan') && choices.mount !== 'pocket'
    ? [choose({ pan: 'stretched' })]
    : [];
}
