/** The proof of air for one opening: where the pen line runs, where it has to be lifted, what goes through it. */
import { type CutId, cutIds } from '../../vocabulary/sides.ts';
import type { Verdict } from '../../vocabulary/verdict.ts';
import { bounds } from '../../geometry/polygon.ts';
import type { Range, Solid } from '../../geometry/solid.ts';
import type { UnitGeometry } from '../../methods/pieces/context.ts';
import type { Build } from '../../build/build.ts';
import { plays } from '../../build/by-role.ts';
import { momentOf, type LostBond } from '../../build/moment.ts';
import type { Contact } from './contacts.ts';
import { FRAME, isRoomLayer, wallLayer } from './layers.ts';
import { linesThrough, neighboursOf, reached, type Line } from './lines.ts';
import { ringOf, walkRound, type Ring, type RingBreak, type Stretch } from './ring.ts';
import { isReveal } from '../../vocabulary/surfaces.ts';
import { airCorners, type AirCorner } from '../../vocabulary/corners.ts';
import {
  isUpright,
  runsAlong,
  sectionAt,
  standingAt,
  type AirSection,
  type SolidCut,
  type Standing,
} from './section.ts';

/** Why the pen has to be lifted: pieces lie on each other without a bond, foam alone is between, or nothing is. */
export type LiftKind = 'loose' | 'foam' | 'gap';

export interface Lift {
  readonly kind: LiftKind;
  /** Along the side, as u or v; from where to where. */
  readonly range: Range;
  readonly width_mm: number;
  /** The last thing on the wall's side and the first on the frame's. */
  readonly between: readonly [string, string];
  /** Where they come closest, as (w, across) of the section; `null` where that is beyond what is drawn. */
  readonly at: readonly [number, number] | null;
}

export interface SideAir {
  readonly side: CutId;
  /** In the longest stretch; `null` where there is none. */
  readonly line: Line | null;
  /** Another line with another seal at the frame, that would hold if the first one failed. */
  readonly spare: Line | null;
  readonly lifts: readonly Lift[];
  readonly stretches: readonly { readonly range: Range; readonly line: Line | null }[];
}

/** Something that goes through the line at one place or several and must be sealed there. */
export interface Interrupter {
  readonly side: CutId;
  readonly thing: string;
  readonly member: string;
  readonly count: number;
  /** Of one place, along the side. */
  readonly width_mm: number;
}

export interface AirProof {
  readonly sides: readonly SideAir[];
  /** Corners that the line does not pass. */
  readonly open: readonly AirCorner[];
  readonly breaks: readonly RingBreak[];
  readonly interrupters: readonly Interrupter[];
  /** The layer of the room that a later trade closes onto the opening; `null` where the wall's layer is there already. */
  readonly waitsFor: string | null;
  /** An old frame hides how it is joined to its wall. */
  readonly hidden: boolean;
  readonly closed: boolean;
  readonly verdict: Verdict;
}

/** @param count steps done, all of them where left out @param lost things whose bond failed */
export function proveAir(
  build: Build,
  o: { readonly count?: number; readonly lost?: readonly LostBond[] } = {},
): AirProof {
  const { count = build.steps.length, lost = [] } = o;
  const standing = standingAt(momentOf(build, count, lost));
  const ring = ringOf(walkRound(standing));
  const { choices } = build.context;
  const sides = cutIds.map((side) => sideOf(side, ring, standing));
  const cornersBroken = ring.breaks.flatMap(({ where }) => airCorners.filter((corner) => corner === where));
  const isOpen = (side: CutId): boolean => sides.some((s) => s.side === side && s.lifts.length > 0);
  const open = airCorners.filter(
    (corner) => cornersBroken.includes(corner) || corner.split('-').some((side) => isOpen(side as CutId)),
  );
  const layer = wallLayer('head', build.context);
  const parts = {
    sides,
    open,
    breaks: ring.breaks,
    interrupters: interruptersOf(sides, standing),
    waitsFor: isRoomLayer(layer) && choices.waterLayer !== 'existing' ? layer : null,
    hidden: choices.waterLayer === 'existing',
    closed: ring.breaks.length === 0 && sides.every((side) => side.lifts.length === 0),
  };
  return { ...parts, verdict: verdictOf(parts) };
}

/** Where the pen has to be lifted: sides, and the corners that are open for themselves. */
export function openPlaces({ sides, breaks }: Pick<AirProof, 'sides' | 'breaks'>): (CutId | AirCorner)[] {
  return [
    ...new Set([
      ...sides.filter((s) => s.lifts.length > 0).map((s) => s.side),
      ...breaks.map((b) => b.where),
    ]),
  ];
}

function verdictOf(proof: Omit<AirProof, 'verdict'>): Verdict {
  const lifts = proof.sides.flatMap((side) => side.lifts);
  if ([...proof.breaks, ...lifts].some(({ kind }) => kind === 'gap')) return 'fails';
  if (proof.hidden) return 'not-checkable';
  // What goes through a seal is looked at, place by place.
  return lifts.length > 0 || proof.breaks.length > 0 ? 'watch' : 'holds';
}

function sideOf(side: CutId, ring: Ring, standing: Standing): SideAir {
  const parts = ring.parts.filter(({ stretch }) => stretch.side === side);
  const length = ({ range }: Stretch) => range[1] - range[0];
  const main = parts.reduce<(typeof parts)[number] | null>(
    (best, part) => (!best || length(part.stretch) > length(best.stretch) ? part : best),
    null,
  );
  const line = main?.line ?? null;
  return {
    side,
    line,
    spare: line && main ? spareLine(main.stretch, line, standing) : null,
    lifts: liftsOf(
      parts.filter((part) => part.line === null).map(({ stretch }) => stretch),
      standing,
    ),
    stretches: parts.map((part) => ({ range: part.stretch.range, line: part.line })),
  };
}

/** A line that reaches the frame over another seal. */
function spareLine({ side, graph }: Stretch, line: Line, { moment }: Standing): Line | null {
  const seal = line.at(-2);
  const without = new Map(
    [...graph]
      .filter(([thing]) => thing !== seal)
      .map(([thing, next]) => [thing, new Set([...next].filter((other) => other !== seal))]),
  );
  return linesThrough(without, wallLayer(side, moment.build.context), FRAME)[0] ?? null;
}

/** Neighbouring stretches that are open for the same reason are one lift. */
function liftsOf(stretches: readonly Stretch[], standing: Standing): Lift[] {
  const lifts: Lift[] = [];
  for (const stretch of stretches.toSorted((a, b) => a.range[0] - b.range[0])) {
    const lift = liftIn(stretch, standing);
    const same = lifts.find((l) => l.kind === lift.kind && l.between.join() === lift.between.join());
    if (!same) {
      lifts.push(lift);
      continue;
    }
    lifts[lifts.indexOf(same)] = {
      ...same,
      range: [same.range[0], lift.range[1]],
      width_mm: same.width_mm + lift.width_mm,
    };
  }
  return lifts;
}

function liftIn(stretch: Stretch, { moment }: Standing): Lift {
  const { range, contacts, side } = stretch;
  const from = wallLayer(side, moment.build.context);
  const common = { range, width_mm: range[1] - range[0] };
  const over = (kind: LiftKind, ...more: (readonly Contact[])[]): Lift | null => {
    const extra = more.flat();
    const [line] = linesThrough(neighboursOf([...contacts.tight, ...extra]), from, FRAME);
    const crossed = line?.flatMap((thing, i) => {
      const next = line[i + 1];
      return next === undefined || stretch.graph.get(thing)?.has(next) ? [] : [[thing, next] as const];
    });
    const [between] = crossed ?? [];
    if (!between) return null;
    const at = extra.find(({ a, b }) => between.includes(a) && between.includes(b))?.at ?? null;
    return { kind, between, at, ...common };
  };
  return (
    over('foam', contacts.foam) ??
    over('loose', contacts.loose) ??
    over('foam', contacts.foam, contacts.loose) ?? {
      kind: 'gap',
      ...closest(stretch, from),
      ...common,
    }
  );
}

/** The pieces of both sides that come closest to each other. */
function closest({ section, graph, contacts }: Stretch, from: string): Pick<Lift, 'between' | 'at'> {
  const ours = reached(graph, from);
  const theirs = reached(graph, FRAME);
  const points = [
    ...section.lines.flatMap(({ thing, ends }) => ends.map((at) => ({ thing, at }))),
    ...section.solids.flatMap(({ thing, w, across }) =>
      w.flatMap((x) => across.map((y) => ({ thing, at: [x, y] as const }))),
    ),
    ...contacts.tight.flatMap(({ a, b, at }) => (at ? [a, b].map((thing) => ({ thing, at })) : [])),
  ];
  let best: { between: readonly [string, string]; at: readonly [number, number] | null; far: number } = {
    between: [from, FRAME],
    at: null,
    far: Infinity,
  };
  for (const one of points)
    if (ours.has(one.thing))
      for (const other of points) {
        if (!theirs.has(other.thing)) continue;
        const far = Math.hypot(one.at[0] - other.at[0], one.at[1] - other.at[1]);
        if (far < best.far)
          best = {
            far,
            between: [one.thing, other.thing],
            at: [(one.at[0] + other.at[0]) / 2, (one.at[1] + other.at[1]) / 2],
          };
      }
  return { between: best.between, at: best.at };
}

/** A strip this close to a solid is laid over it. */
const MET_mm = 3;

/** Seals of the ring that a shim, a clip or a bracket goes through. */
function interruptersOf(sides: readonly SideAir[], standing: Standing): Interrupter[] {
  const { unit } = standing.moment.build.context;
  return sides.flatMap(({ side, line }) => {
    const seals = sealsOf(line, standing);
    if (seals.length === 0) return [];
    const upright = isUpright(side);
    const own: Range = upright
      ? [unit.bottom, unit.bottom + unit.height]
      : [unit.left, unit.left + unit.width];
    return standing.solids.flatMap(({ piece, order }): Interrupter[] => {
      if (!piece.roles.includes('crosses-joint')) return [];
      const along = piece.solids
        .filter((solid) => isOnSide(solid, side, unit))
        .map((solid) => (upright ? bounds(solid.profile).y : solid.u))
        .filter(([from, to]) => from > own[0] && to < own[1]);
      const sections = along.map(([from, to]) => sectionAt(standing, { side, at: (from + to) / 2 }));
      return seals.flatMap((member): Interrupter[] => {
        const met = along.filter((_, i) => {
          const section = sections[i];
          return section?.solids.some((s) => s.thing === piece.id && meets(s, member, order, section));
        });
        const [first] = met;
        if (!first) return [];
        return [{ side, thing: piece.id, member, count: met.length, width_mm: first[1] - first[0] }];
      });
    });
  });
}

/** What stands at the other jamb, or at the other end of the height, is counted there. */
function isOnSide({ u, profile }: Solid, side: CutId, unit: UnitGeometry): boolean {
  const middle = (u[0] + u[1]) / 2 - unit.left - unit.width / 2;
  const { y } = bounds(profile);
  const height = (y[0] + y[1]) / 2 - unit.bottom - unit.height / 2;
  return { left: middle < 0, right: middle >= 0, sill: height < 0, head: height >= 0 }[side];
}

/** What closes the joint at the frame; a fin and what lies on it stand before everything that goes through. */
const sealsOf = (line: Line | null, { moment: { build } }: Standing): string[] =>
  (line ?? []).filter(
    (thing, i) =>
      plays(build, thing, 'reveal-bead') || (i === (line?.length ?? 0) - 2 && !plays(build, thing, 'fin')),
  );

const over = (a: Range, b: Range, by: number) => a[0] < b[1] - by && a[1] > b[0] + by;

function meets(cut: SolidCut, member: string, order: number, section: AirSection): boolean {
  const { w, across } = cut;
  return (
    section.solids.some((s) => s.thing === member && over(s.w, w, 0.5) && over(s.across, across, 0.5)) ||
    section.beads.some(({ thing, at }) => thing === member && w[0] < at[0] && at[0] < w[1]) ||
    section.lines.some(({ thing, surface, range, ends, order: laid }) => {
      // A strip over the face of the joint is not gone through by what stands behind it.
      if (thing !== member || laid < order || !isReveal(surface)) return false;
      const i = runsAlong(surface);
      const [along, off] = i === 0 ? [w, across] : [across, w];
      const level = ends[0][1 - i] ?? 0;
      return over(range, along, 1) && off[0] - MET_mm < level && level < off[1] + MET_mm;
    })
  );
}
