/**
 * A spray test on a wall whose failures are known, for trying out and for tests: a rack with a clock, and somebody in the room
 * who sees drips late and beside the place. The wall is the one that was built, traced anew with all its bonds; nothing of
 * what the search takes for a fault is used.
 */
import { withChanges, type WallChange } from '../build/changes.ts';
import { stretchAt } from '../build/flaws.ts';
import { bondsAfter } from '../build/stack.ts';
import type { Build } from '../build/build.ts';
import type { Point3 } from '../geometry/vector.ts';
import { generator } from '../quantities/random.ts';
import type { Side } from '../vocabulary/sides.ts';
import { sprayStages, wettings, type WetZone } from '../vocabulary/wet-zones.ts';
import { sprayNetwork, type SprayNetwork, type UnitJoint } from './spray-network.ts';
import { sprayingOf, type Leak, type Probe, type SprayTest } from './search.ts';
import { allWet, wetBy } from './wetting.ts';
import { showsAt, zoneAtPoint, zonesOf } from './zones.ts';

/** What is wrong with a wall, and nobody knows. */
export type Planted =
  /** `at`: the piece and the zone where it is, as a mask would name it. */
  | { readonly kind: 'wall'; readonly change: WallChange; readonly at: string }
  | { readonly kind: 'unit'; readonly joint: UnitJoint }
  | { readonly kind: 'wall-above' };

/** A stage runs so long, min, and a drip needs up to so long to be seen. Common practice, no source. */
export const STAGE_min = 15;
const LATE_min = 6;
/** A leak seen this soon may be of the stage before. */
export const EARLY_min = LATE_min;

export interface HiddenWall {
  readonly build: Build;
  readonly planted: readonly Planted[];
  readonly pressure_Pa: number | null;
  readonly network: SprayNetwork;
  readonly open: ReadonlySet<number>;
}

/** The wall with its faults in it; `null` where one of them cannot be in this wall. */
export function hiddenWall(
  build: Build,
  planted: readonly Planted[],
  pressure_Pa: number | null,
): HiddenWall | null {
  const changes = planted.flatMap((one) => (one.kind === 'wall' ? [one.change] : []));
  const changed = withChanges(build, changes);
  if (!changed.ok) return null;
  const network = sprayNetwork(changed.value.build, { pressure_Pa, lost: changed.value.lost });
  const open = new Set(
    planted.flatMap((one) => {
      const key = one.kind === 'unit' ? one.joint : one.kind === 'wall-above' ? 'wall-above' : '';
      return network.failureAt.get(key) ?? [];
    }),
  );
  return { build, planted, pressure_Pa, network, open };
}

/** What is seen, from the sill upward, until water comes in; the stage in which it does is run to its end, and no further. */
export function simulatedSpray(
  { network, open }: HiddenWall,
  o: { pressed: boolean; seed: number },
): SprayTest {
  const random = generator(o.seed);
  const { byStage } = wetBy(network, open, {
    wets: new Set(wettings),
    pressed: o.pressed,
    masked: new Set(),
  });
  const leaks: Leak[] = [];
  const stages: SprayTest['stages'][number][] = [];
  let stopAfter = sprayStages.length - 1;
  sprayStages.forEach((stage, i) => {
    if (i > stopAfter) return;
    stages.push({ stage, whole: true });
    for (const zone of zonesOf(byStage[i] ?? 0)) {
      const begun_min = 1 + random() * (STAGE_min - 1);
      const seen_min = begun_min + random() * LATE_min;
      const at = seenBeside(zone, random);
      const isLate = seen_min >= STAGE_min && i + 1 < sprayStages.length;
      const seenIn = isLate ? i + 1 : i;
      leaks.push({
        zone: at,
        stage: sprayStages[seenIn] ?? stage,
        early: isLate || seen_min < EARLY_min,
      });
      stopAfter = Math.min(stopAfter, seenIn);
    }
  });
  const order = (stage: Leak['stage']) => sprayStages.indexOf(stage);
  // Whoever saw the first one stopped there; of the rest nobody knows.
  return { stages, leaks: leaks.filter(({ stage }) => order(stage) <= stopAfter), pressed: o.pressed };
}

function seenBeside(zone: WetZone, random: () => number): WetZone {
  const shown = showsAt(zone);
  // Mostly where it is.
  if (random() < 0.6) return zone;
  return shown[Math.floor(random() * shown.length)] ?? zone;
}

/**
 * What one more look shows at the same wall. What lies under a mask is as good as whole: a strip of tape over a place closes
 * what is open there.
 */
export function simulatedProbe(wall: HiddenWall, probe: Omit<Probe, 'seen' | 'whole'>, seed: number): Probe {
  const random = generator(seed);
  const left = wall.planted.flatMap((one) => uncovered(wall.build, one, probe.masked));
  const isCovered = left.length !== wall.planted.length || left.some((one, i) => one !== wall.planted[i]);
  const masked = isCovered ? (hiddenWall(wall.build, left, wall.pressure_Pa) ?? wall) : wall;
  const { network, open } = masked;
  const wet = zonesOf(allWet(wetBy(network, open, sprayingOf(network, probe))));
  return { ...probe, seen: [...new Set(wet.map((zone) => seenBeside(zone, random)))], whole: true };
}

const SIDE_OF = { head: 'head', sill: 'sill', 'jamb-left': 'left', 'jamb-right': 'right' } as const;
const sideIn = (zone: string): Side | undefined =>
  Object.entries(SIDE_OF).find(([name]) => zone.startsWith(name))?.[1];

/** What is left of a fault beside the masks: of a strip that sticks nowhere, its other sides. */
function uncovered(build: Build, planted: Planted, masks: readonly string[]): readonly Planted[] {
  if (planted.kind !== 'wall') return [planted];
  if (masks.includes(planted.at)) return [];
  const { change } = planted;
  // A short strip lies in one zone or over the line between two: a mask on it covers what is open there.
  const [piece = ''] = planted.at.split('@');
  if (masks.some((mask) => mask.startsWith(`${piece}@`)) && piece !== '') {
    const zones = new Set(pointsOf(build, piece).map(([u, v]) => zoneAtPoint(build, [u, v])));
    if (zones.size <= 2) return [];
  }
  if (change.kind !== 'bond-lost') return [planted];
  const own = masks.flatMap((mask) => {
    const [masked, zone = ''] = mask.split('@');
    return masked === change.piece ? [sideIn(zone)] : [];
  });
  if (own.length === 0) return [planted];
  const sides = new Set(pointsOf(build, change.piece).map(([u, v]) => sideIn(zoneAtPoint(build, [u, v]))));
  return [...sides].flatMap((side): Planted[] =>
    side === undefined || own.includes(side)
      ? []
      : [
          {
            kind: 'wall',
            change: { kind: 'bond-open', piece: change.piece, from_mm: 0, to_mm: LONGEST_mm, side },
            at: '',
          },
        ],
  );
}

/** Longer than any strip. */
const LONGEST_mm = 20_000;

function pointsOf(build: Build, id: string): readonly Point3[] {
  const piece = build.pieces.find((one) => one.id === id);
  if (piece?.form === 'sheet') return piece.sheet.faces.flatMap(({ space }) => space);
  return piece?.form === 'bead' ? piece.paths.flat() : [];
}

/** A fault as hands make them: a strip open over a hand's breadth somewhere, one that was not rolled, or a joint of the unit. */
export function plantedFault(build: Build, random: () => number): Planted | null {
  const roll = random();
  if (roll < 0.12) return { kind: 'unit', joint: roll < 0.06 ? 'unit-corner' : 'unit-glazing' };
  if (roll < 0.18) return { kind: 'wall-above' };
  const bonded = [...new Set(bondsAfter(build, build.steps.length).map(({ thing }) => thing))];
  const piece = build.pieces.find(({ id }) => id === bonded[Math.floor(random() * bonded.length)]);
  if (!piece) return null;
  if (roll > 0.8) return { kind: 'wall', change: { kind: 'bond-lost', piece: piece.id }, at: '' };
  const points = pointsOf(build, piece.id);
  const point = points[Math.floor(random() * points.length)];
  const stretch = point && stretchAt(build, piece.id, [point[0], point[1]], 80 + random() * 120);
  if (!point || !stretch) return null;
  return {
    kind: 'wall',
    change: { kind: 'bond-open', piece: piece.id, ...stretch },
    at: `${piece.id}@${zoneAtPoint(build, [point[0], point[1]])}`,
  };
}

/** What somebody in the room could see of it. */
export const showsAnything = ({ network, open }: HiddenWall): boolean =>
  allWet(wetBy(network, open, { wets: new Set(wettings), pressed: true, masked: new Set() })) !== 0;

/**
 * Faults that show in the room, the same for the same seed: one that hands made, or two where no single one of this wall shows,
 * or a leak of the unit itself; empty where nothing would show.
 */
export function simulatedFaults(build: Build, seed: number, pressure_Pa: number | null): readonly Planted[] {
  const random = generator(seed);
  let other: readonly Planted[] = [];
  for (const many of [1, 2])
    for (let tries = 0; tries < TRIES; tries++) {
      const planted = Array.from({ length: many }, () => plantedFault(build, random)).filter(
        (one) => one !== null,
      );
      const wall = planted.length === many ? hiddenWall(build, planted, pressure_Pa) : null;
      if (!wall || !showsAnything(wall)) continue;
      // What hands did tells more than a leak of the unit itself.
      if (planted.every(({ kind }) => kind === 'wall')) return planted;
      if (other.length === 0) other = planted;
    }
  return other;
}

const TRIES = 60;

/**
 * Three readings of a chamber whose seals leak a little and whose gauge wavers, m³/h.
 *
 * @param joint_m what is round the unit, m; it leaks some tenths of a m³/h a metre, a bad one in five ten times as much
 */
export function simulatedChamber(
  seed: number,
  o: { readonly pressure_Pa: number; readonly area_m2: number; readonly joint_m: number },
): { readonly tare_m3h: number; readonly joint_m3h: number; readonly open_m3h: number } {
  const random = generator(seed);
  const push = (o.pressure_Pa / 100) ** (2 / 3);
  const wavers = () => 1 + (random() * 2 - 1) * GAUGE;
  const seals = (0.5 + random()) * push;
  const joint = o.joint_m * (random() < 0.2 ? 4 : 0.4) * (0.6 + 0.8 * random()) * push;
  const unit = o.area_m2 * (1.5 + 5 * random()) * push;
  const round = (m3h: number) => Math.round(m3h * 10) / 10;
  return {
    tare_m3h: round(seals * wavers()),
    joint_m3h: round((seals + joint) * wavers()),
    open_m3h: round((seals + joint + unit) * wavers()),
  };
}

/** By which share a gauge wavers: common practice, no source. */
const GAUGE = 0.02;
