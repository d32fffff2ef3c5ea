/** Do the choices of the method go together, with the wall and with the unit? */
import { soldLength } from '../../vocabulary/sold-lengths.ts';
import { buckAims } from '../../methods/buck-aim.ts';
import { BUCK_BEARING_Nmm, sillLoad } from '../../methods/fasteners.ts';
import { cutSize } from '../../geometry/sheet.ts';
import { holdsFor, type Choices } from '../../vocabulary/axes.ts';
import { OWN_ORDER } from '../../documents/opening.ts';
import type { Unit } from '../../documents/unit.ts';
import { ruleIds, rules, type Rule } from '../../methods/rules.ts';
import { fitsTurned } from '../../order-size/pass-through.ts';
import { glassWeight } from '../../unit/weight.ts';
import { factsOf } from '../../methods/choices.ts';
import { piecesFor } from '../../build/by-role.ts';
import type { PieceRole } from '../../vocabulary/roles.ts';
import type { Severity } from '../../vocabulary/verdict.ts';
import { defineCheck } from '../check.ts';

const PRACTICE = 'common practice, no source';

export const brokenRules = defineCheck({
  code: 'rule-broken',
  proof: 'water',
  severity: 'watch',
  source: PRACTICE,
  *run({ opening, wall, unit, choices }) {
    if (!wall || !unit || !choices) return;
    const facts = factsOf(wall, unit, choices);
    for (const rule of ruleIds) {
      const { when, proof, severity, source, fixes } = rules[rule];
      if (!holdsFor(when, choices, facts)) continue;
      const accepted = opening.deviations?.findLast((d) => d.rule === rule) ?? null;
      if (unit.asks && asksFor(unit.asks, rules[rule], choices)) {
        const facts = { rule, accepted, maker: unit.asks.source };
        yield { proof, severity: 'note', source: MAKERS, facts };
        continue;
      }
      yield {
        proof,
        source,
        severity: accepted && severity !== 'note' ? lessened(severity) : severity,
        facts: { rule, accepted },
        fixes: [...fixes, ...mountOf(rule, unit.fin.kind)].map((choose) => ({
          kind: 'design-changing' as const,
          set: {},
          choose,
        })),
      };
    }
  },
});

export const ownOrder = defineCheck({
  code: 'order-sets-aside',
  proof: 'water',
  severity: 'watch',
  source: PRACTICE,
  *run({ opening, build }) {
    const pairs = (build?.steps ?? []).flatMap(({ id, after }) =>
      after.flatMap(({ step, setAside }) => (setAside ? [{ step: id, before: step }] : [])),
    );
    if (pairs.length === 0) return;
    const accepted = opening.deviations?.findLast((d) => d.rule === OWN_ORDER) ?? null;
    yield { severity: accepted ? 'note' : 'watch', facts: { pairs, accepted } };
  },
});

const MAKERS = 'the maker’s instructions, as entered for the unit';
const ASKED = ['bedding', 'pan', 'tapeEdge', 'bottomFin'] as const;

/** Whether the maker asks for every choice that a rule of practice quarrels over; what holds the unit up is no habit. */
function asksFor(asks: NonNullable<Unit['asks']>, { when, proof }: Rule, choices: Choices): boolean {
  if (proof === 'structure') return false;
  const over = ASKED.filter((axis) => when[axis] !== undefined);
  return over.length > 0 && over.every((axis) => asks[axis] === choices[axis]);
}

/** Whoever accepts a departure answers for it; it never turns into "holds" by that. */
const lessened = (severity: Severity) => (severity === 'fails' ? 'watch' : 'note');

const MOUNT_OF = { integral: 'integral-fin', separate: 'separate-fin', gasketed: 'gasketed-fin' } as const;
const EDGE_OF = { integral: 'frame-edge', separate: 'onto-frame', gasketed: 'gasket' } as const;

/** The mount that the unit's own fin asks for. */
function mountOf(rule: string, fin: keyof typeof MOUNT_OF | 'none'): Partial<Choices>[] {
  if (rule !== 'mount-differs-from-fin' || fin === 'none') return [];
  return [{ mount: MOUNT_OF[fin], tapeEdge: EDGE_OF[fin] }];
}

/** Where wrap is cut back the fin must lie clear of it. */
export const finOnWrap = defineCheck({
  code: 'fin-on-wrap',
  proof: 'water',
  severity: 'watch',
  source: PRACTICE,
  *run({ build, choices, numbers }) {
    if (!build || choices?.wrapEdge !== 'cut-back' || piecesFor(build, 'wrap').length === 0) return;
    const { unit, opening } = build.context;
    const beyond = Math.max(
      unit.finWidth - unit.left,
      unit.finWidth - (opening.width - unit.left - unit.width),
      unit.finWidth - unit.bottom,
    );
    const over_mm = beyond - numbers.cutBack;
    if (over_mm <= 0) return;
    const enough = Math.ceil(beyond / 5) * 5 + 5;
    yield {
      facts: { over_mm, cutBack_mm: numbers.cutBack },
      fixes: [{ kind: 'safe', set: { cutBack: enough } }],
    };
  },
});

export const passes = defineCheck({
  code: 'does-not-pass',
  proof: 'fit',
  severity: 'fails',
  source: 'plane geometry; Carver 1957, from memory',
  *run({ build, choices, unit }) {
    if (!build || !unit || choices?.setFrom !== 'inside' || build.context.unit.finWidth === 0) return;
    const { finWidth } = build.context.unit;
    const { width, height } = build.context.opening;
    const over = { width: unit.width.mm + 2 * finWidth, height: unit.height.mm + 2 * finWidth };
    const leads = [over.width, over.height].some((side) =>
      fitsTurned({ width: side, height: unit.frameDepth.mm }, { width, height }),
    );
    if (leads) return;
    yield {
      facts: { needs_mm: Math.min(over.width, over.height), clear_mm: Math.max(width, height) },
      fixes: [{ kind: 'design-changing', set: {}, choose: { setFrom: 'outside' } }],
    };
  },
});

export const shortSides = defineCheck({
  code: 'side-too-short',
  proof: 'structure',
  severity: 'watch',
  source: PRACTICE,
  *run({ build }) {
    for (const { side, tooShort_mm } of build?.fastening.sides ?? []) {
      if (tooShort_mm === null || !build) continue;
      const { width, height } = build.context.unit;
      const length_mm = side === 'left' || side === 'right' ? height : width;
      yield { facts: { side, length_mm, least_mm: tooShort_mm } };
    }
  },
});

export const buckLoad = defineCheck({
  code: 'buck-overloaded',
  proof: 'structure',
  severity: 'watch',
  source: PRACTICE,
  *run({ build, unit }) {
    if (!unit || build?.context.opening.buck?.kind !== 'foam-l') return;
    const weight_kg = unit.weight_kg ?? glassWeight(unit);
    if (weight_kg === null) return;
    const load_Nmm = sillLoad({ weight_kg, width_mm: unit.width.mm });
    if (load_Nmm > BUCK_BEARING_Nmm) yield { facts: { load_Nmm, limit_Nmm: BUCK_BEARING_Nmm } };
  },
});

/** A screw whose point ends in the leg of a foam buck holds in foam. */
export const screwsInBuck = defineCheck({
  code: 'screw-ends-in-buck',
  proof: 'structure',
  severity: 'fails',
  source: 'plane geometry; common practice, no source',
  *run({ build, method }) {
    // Its maker says that it carries screws: then the maker's own fasteners and tables hold.
    if (!build || method?.buck?.carriesScrews) return;
    const { context, fit, fastening } = build;
    const aims = buckAims({ ...context, shims: fit.shims });
    const missed = aims.filter(({ holds }) => !holds);
    const worst = missed.toSorted((a, b) => b.missed_mm - a.missed_mm)[0];
    if (!worst) return;
    const { cure } = worst;
    yield {
      facts: {
        sides: missed.map(({ side }) => side),
        missed_mm: worst.missed_mm,
        angle_deg: fastening.screw.angle_deg,
        cure,
      },
      fixes: cure ? [{ kind: 'safe', set: { driveAngle: cure.angle_deg } }] : [],
    };
  },
});

/** Where others have set the unit, what they have covered is named: nobody of this job has looked. */
export const unseen = defineCheck({
  code: 'set-by-others',
  proof: 'water',
  severity: 'not-checkable',
  source: PRACTICE,
  *run({ build, choices }) {
    if (!build || choices?.begins !== 'unit-set') return;
    const placed = new Set(
      build.steps.filter(({ role }) => role === 'found-set').flatMap(({ places }) => places),
    );
    const hidden = build.pieces.filter(
      ({ id, roles }) => placed.has(id) && roles.some((role) => HIDDEN.has(role)),
    );
    if (hidden.length > 0) yield { facts: { unseen: hidden.map(({ id }) => id) } };
  },
});

/** What cannot be seen once a unit stands. */
const HIDDEN: ReadonlySet<PieceRole> = new Set([
  'pan',
  'corner-patch',
  'damp-course',
  'jamb-flashing',
  'head-flashing',
  'frame-bead',
  'bedding-tape',
  'buck-bed',
] as const);

/** A casing has to cover strip and joint alike. Places from the frame's inner edge outward. */
export const casing = defineCheck({
  code: 'casing-shows-tape',
  proof: 'fit',
  severity: 'watch',
  source: 'plane geometry',
  *run({ build, choices, numbers }) {
    if (!build || choices?.insideTrim !== 'casing') return;
    const { unit, opening } = build.context;
    const reveal_mm = numbers.casingReveal;
    const strips =
      piecesFor(build, 'inner-strip').length > 0 || piecesFor(build, 'frame-membrane').length > 0;
    const shown = reveal_mm - (unit.frameFace - numbers.sealOnFrame);
    if (strips && shown > 0)
      yield {
        facts: { shows: 'tape', by_mm: shown, reveal_mm },
        fixes: [{ kind: 'safe', set: { casingReveal: Math.floor(unit.frameFace - numbers.sealOnFrame) } }],
      };
    const joint = Math.max(
      unit.left,
      opening.width - unit.left - unit.width,
      opening.height - unit.bottom - unit.height,
    );
    const short = unit.frameFace + joint - (reveal_mm + numbers.casingWidth);
    if (short > 0)
      yield {
        facts: { shows: 'joint', by_mm: short, reveal_mm },
        fixes: [
          {
            kind: 'safe',
            set: { casingWidth: Math.ceil((numbers.casingWidth + short) / 5) * 5 },
          },
        ],
      };
  },
});

/** From here on few shops have them. */
const STOCKED_mm = 100;

export const longScrews = defineCheck({
  code: 'screw-to-order',
  proof: 'order',
  severity: 'note',
  source: PRACTICE,
  *run({ build }) {
    const length_mm = build ? soldLength(build.fastening.screw.length_mm) : 0;
    if (length_mm >= STOCKED_mm) yield { facts: { length_mm, limit_mm: STOCKED_mm } };
  },
});

/** A strip is cut across its roll or not at all: what the job holds of its material must be wide enough. */
export const rollWidth = defineCheck({
  code: 'wider-than-roll',
  proof: 'order',
  severity: 'watch',
  source: 'the widths of the rolls, as entered for the job',
  *run({ build, job }) {
    for (const piece of build?.pieces ?? []) {
      if (piece.form !== 'sheet' || piece.stock === 'in place' || piece.film_mm !== undefined) continue;
      const { material } = piece.sheet;
      const widths = (job.materials ?? []).flatMap((m) =>
        m.kind === material && m.width ? [m.width.mm] : [],
      );
      const widest_mm = Math.max(...widths);
      const { width_mm } = cutSize(piece.sheet);
      if (widths.length > 0 && width_mm > widest_mm + CUT_mm)
        yield { facts: { piece: piece.id, width_mm, widest_mm } };
    }
  },
});

/** A knife cut is no narrower than this. */
const CUT_mm = 0.5;
