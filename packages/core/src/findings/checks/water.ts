/** Where water goes on the finished wall: what gets wet, what stays in, what one bond alone holds. */
import type { Choices } from '../../vocabulary/axes.ts';
import { type ParameterId, parameters } from '../../vocabulary/parameters.ts';
import type { Draft } from '../draft.ts';
import { panAgainst } from '../../proofs/water/over-sill.ts';
import { headVerdict } from '../../conditions/exposure.ts';
import { drivenHeight, type Lap } from '../../proofs/water/laps.ts';
import type { SingleBond } from '../../proofs/water/proof.ts';
import { plannedSeal } from '../../proofs/water/standing.ts';
import type { WaterSource } from '../../proofs/water/sources.ts';
import { isOfUnit, SEEN_mm, wetPlace, waterVerdict, type WaterPart } from '../../proofs/water/trace.ts';
import type { Build } from '../../build/build.ts';
import { kindOf, plays } from '../../build/by-role.ts';
import { LEAST_LAP_mm } from '../../vocabulary/laps.ts';
import type { PieceRole } from '../../vocabulary/roles.ts';
import { defineCheck } from '../check.ts';
import type { Fix } from '../../vocabulary/fix.ts';

const TRACED = 'the shingle rule, traced through every layer; common practice, no source';
const PRACTICE = 'common practice, no source';

const choose = (choices: Partial<Choices>): Fix => ({ kind: 'design-changing', set: {}, choose: choices });

/** A gap that water cannot get out of, or a bare place that it comes to, with every bond sound. */
export const getsIn = defineCheck({
  code: 'water-gets-in',
  proof: 'water',
  severity: 'fails',
  source: TRACED,
  *run(draft) {
    const { build, water } = draft;
    if (!build || !water) return;
    for (const { source, parts } of water.traces)
      for (const part of parts) {
        if (part.outcome !== 'structure' && part.outcome !== 'room') continue;
        const { width_mm, spans } = part;
        const wets = part.outcome;
        yield {
          facts: { source, wets, width_mm, spans, ...wetPlace(part.wayIn) },
          fixes: waysToKeepOut(draft, part),
        };
      }
  },
});

export const trapped = defineCheck({
  code: 'water-trapped',
  proof: 'water',
  severity: 'fails',
  source: TRACED,
  *run({ build, water, choices }) {
    if (!build || !water || !choices) return;
    for (const { source, parts } of water.traces)
      for (const part of parts) {
        if (part.outcome !== 'trapped') continue;
        const drains = part.run.some(({ at }) => typeof at !== 'string' && at.plane === 'sill-reveal');
        yield {
          severity: waterVerdict(part, source, build) === 'watch' ? 'watch' : 'fails',
          facts: { source, width_mm: part.width_mm, closed: choices.bedding === 'barrier' },
          fixes:
            drains && choices.bedding === 'barrier' && choices.pan !== 'none'
              ? [choose({ bedding: 'drained' })]
              : [],
        };
      }
  },
});

export const single = defineCheck({
  code: 'one-bond',
  proof: 'water',
  severity: 'watch',
  source: TRACED,
  *run({ water, build }) {
    for (const bond of water?.singles ?? []) {
      if (!build) return;
      yield {
        severity: bond.only ? 'watch' : 'look',
        facts: bond,
        fixes: bond.only ? secondLine(bond, build) : [],
        step: stepThatBonds(build, bond.things),
      };
    }
  },
});

/** It is drained, and a pan that has to work in every rain is no first line. */
export const unshielded = defineCheck({
  code: 'no-first-line',
  proof: 'water',
  severity: 'watch',
  source: TRACED,
  *run({ water, build, choices }) {
    if (!water || !build || !choices) return;
    const open = water.traces.flatMap(({ source, parts }) =>
      isOfUnit(source)
        ? []
        : parts.flatMap(({ outcome, width_mm }) =>
            outcome === 'drained' && width_mm >= SEEN_mm ? [{ source, width_mm }] : [],
          ),
    );
    if (open.length === 0) return;
    yield {
      facts: {
        sources: [...new Set(open.map(({ source }) => source))],
        width_mm: Math.max(...open.map(({ width_mm }) => width_mm)),
      },
      fixes:
        choices.mount === 'separate-fin' && choices.tapeEdge !== 'onto-frame'
          ? [choose({ tapeEdge: 'onto-frame' })]
          : [],
    };
  },
});

export const thinFirstLine = defineCheck({
  code: 'first-line-one-bond',
  proof: 'water',
  severity: 'look',
  source: TRACED,
  *run({ water, build }) {
    if (!water || !build) return;
    const told = new Set(water.singles.flatMap(({ things }) => things));
    const found = new Map<string, { things: Set<string>; sources: Set<WaterSource> }>();
    for (const { source, parts } of water.traces)
      for (const { kOpening, firstLine } of isOfUnit(source) ? [] : parts) {
        const [bond] = firstLine;
        if (kOpening !== 1 || bond === undefined || told.has(bond)) continue;
        const kind = kindOf(build, bond);
        const known = found.get(kind) ?? { things: new Set(), sources: new Set() };
        known.things.add(bond);
        known.sources.add(source);
        found.set(kind, known);
      }
    for (const { things, sources } of found.values())
      yield {
        facts: { things: [...things], sources: [...sources] },
        step: stepThatBonds(build, [...things]),
      };
  },
});

/** Where somebody can still see what sticks. */
const stepThatBonds = (build: Build, things: readonly string[]): string | undefined =>
  build.steps.findLast(({ events }) => events.some(({ op, thing }) => things.includes(thing) && LAID.has(op)))
    ?.id;
const LAID: ReadonlySet<string> = new Set(['bond', 'bed', 'place', 'fill', 'fasten']);

export const reversed = defineCheck({
  code: 'reverse-lap',
  proof: 'water',
  severity: 'watch',
  source: PRACTICE,
  *run({ water, numbers }) {
    for (const lap of water?.laps ?? []) {
      if (!lap.fault) continue;
      const { fault, width_mm, above_mm, lap_mm } = lap;
      const [upper, lower] = [lap.pair.upper[0], lap.pair.lower[0]];
      yield { facts: { upper, lower, fault, width_mm, above_mm, lap_mm }, fixes: mendsOf(lap, numbers) };
    }
  },
});

/** Wind pushes water up under a lap that nothing holds down. */
export const driven = defineCheck({
  code: 'lap-driven-over',
  proof: 'water',
  severity: 'watch',
  source: 'hydrostatics; the share of the pressure across the layer is common practice, no source',
  *run({ water, exposed, job, numbers }) {
    if (!exposed.design) return;
    const driven_mm = drivenHeight(exposed.design.inward_Pa, job.job.wind?.layerShare);
    for (const lap of water?.laps ?? []) {
      if (lap.stuck || lap.fault || lap.lap_mm >= driven_mm) continue;
      const [upper, lower] = [lap.pair.upper[0], lap.pair.lower[0]];
      yield {
        facts: { upper, lower, lap_mm: lap.lap_mm, driven_mm },
        fixes: longer(lap, numbers, driven_mm),
      };
    }
  },
});

export const overtopped = defineCheck({
  code: 'pan-overtopped',
  proof: 'water',
  severity: 'watch',
  source: 'hydrostatics; factor and share are common practice, no source',
  *run({ build, choices, numbers, exposed }) {
    if (!build || !choices || choices.pan === 'none' || choices.bedding === 'barrier') return;
    const seal = plannedSeal(choices);
    const pan = { choices, numbers, depth_mm: build.context.opening.depth, asked_Pa: exposed.asked_Pa };
    const dam = panAgainst(pan, seal);
    if (!dam || dam.holds) return;
    const { water_mm, needed_mm, has_mm } = dam;
    yield {
      severity: seal === 'missing' ? 'fails' : 'watch',
      facts: { seal, water_mm, needed_mm, has_mm },
      fixes: [choose({ innerSeal: 'corner-tape' })],
    };
  },
});

export const unitTest = defineCheck({
  code: 'water-test-low',
  proof: 'water',
  severity: 'fails',
  source: 'NAFS (AAMA/WDMA/CSA 101/I.S.2/A440), from memory',
  *run({ unit, exposed: { asked_Pa } }) {
    const passed_Pa = unit?.waterTest_Pa;
    if (asked_Pa !== null && passed_Pa !== undefined && passed_Pa < asked_Pa)
      yield { facts: { passed_Pa, asked_Pa } };
  },
});

export const headBare = defineCheck({
  code: 'head-unflashed',
  proof: 'water',
  severity: 'watch',
  source: 'national best-practice guides on rain exposure, from memory',
  *run({ choices, exposed: { rain } }) {
    if (!choices || rain === null || headVerdict(rain, choices) !== 'watch') return;
    const head = choices.head === 'flap' ? 'flap-and-cap' : 'cap';
    yield { severity: rain === 'exposed' ? 'watch' : 'note', facts: { rain }, fixes: [choose({ head })] };
  },
});

/** What would keep water off the place it came to. */
function waysToKeepOut({ choices, numbers, water }: Draft, part: WaterPart): Fix[] {
  if (!choices) return [];
  const { place, off } = wetPlace(part.wayIn);
  const lap = water?.laps.find((l) => l.fault === 'open' && l.pair.upper[0] === off);
  if (lap) return mendsOf(lap, numbers);
  if (place === 'joint' && choices.mount === 'separate-fin' && choices.tapeEdge !== 'onto-frame')
    return [choose({ tapeEdge: 'onto-frame' })];
  const bareJamb = choices.jambs === 'bare' || choices.jambs === 'wrap-turned-in';
  if ((place === 'left-reveal' || place === 'right-reveal') && bareJamb && choices.mount !== 'pocket')
    return [
      ...(choices.mount === 'separate-fin' && choices.tapeEdge !== 'onto-frame'
        ? [choose({ tapeEdge: 'onto-frame' })]
        : []),
      choose({ jambs: 'flashing' }),
    ];
  if (place === 'sill-reveal' && choices.pan === 'none' && choices.mount !== 'pocket')
    return [choose({ pan: 'stretched' })];
  return [];
}

/** What would stand behind a bond that nothing stands behind. */
function secondLine({ things, wets }: SingleBond, build: Build): Fix[] {
  const { choices } = build.context;
  const [thing = ''] = things;
  const is = (...roles: readonly PieceRole[]) => roles.some((role) => plays(build, thing, role));
  if (wets === 'room')
    return choices.sillDrain === 'slope' || choices.sillDrain === 'framed-slope'
      ? [choose({ sillDrain: 'slope-and-dam' })]
      : [];
  if (is('slit-tape') && choices.waterLayer === 'mechanical-wrap')
    return [choose({ waterLayer: 'self-adhered' })];
  if (is('corner-patch')) return [choose({ pan: 'stretched' })];
  const ontoFrame = is('jamb-tape', 'head-tape', 'fin');
  return ontoFrame && choices.jambs === 'bare' ? [choose({ jambs: 'flashing' })] : [];
}

/** Longer up, or less far up below it: both are cut sizes. */
function mendsOf(lap: Lap, numbers: Draft['numbers']): Fix[] {
  const { raise, cut } = lap.pair.mend;
  if (lap.fault === 'swapped') return [];
  const missing = lap.fault === 'open' ? LEAST_LAP_mm - lap.lap_mm : lap.above_mm + LEAST_LAP_mm;
  return [by(raise, missing, numbers), by(lap.fault === 'open' ? undefined : cut, -missing, numbers)].flat();
}

function longer(lap: Lap, numbers: Draft['numbers'], driven_mm: number): Fix[] {
  return by(lap.pair.mend.raise, driven_mm - lap.lap_mm, numbers);
}

/** Cut sizes are rounded to what a knife is set to. */
const STEP_mm = 5;

function by(id: ParameterId | undefined, mm: number, numbers: Draft['numbers']): Fix[] {
  if (!id) return [];
  const round = mm > 0 ? Math.ceil : Math.floor;
  const value = round((numbers[id] + mm) / STEP_mm) * STEP_mm;
  const { least, most } = parameters[id];
  return value < least || value > most ? [] : [{ kind: 'safe', set: { [id]: value } }];
}
