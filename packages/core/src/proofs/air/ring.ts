/** The pen line all the way round the opening: one line in every section, each going on into the next. */
import type { Build } from '../../build/build.ts';
import { plays } from '../../build/by-role.ts';
import type { CutId } from '../../vocabulary/sides.ts';
import type { Range } from '../../geometry/solid.ts';
import { buckCorner, contactsIn, type Contact, type Contacts } from './contacts.ts';
import { FRAME, wallLayer } from './layers.ts';
import { Filled } from './filled.ts';
import { firstApart, linesThrough, neighboursOf, type Line, type Neighbours } from './lines.ts';
import { breaksAlong, isUpright, sectionAt, type AirSection, type Standing } from './section.ts';
import { airCorners, type AirCorner } from '../../vocabulary/corners.ts';

/** Sections that are alike, along one side. */
export interface Stretch {
  readonly side: CutId;
  /** Along the side, as u or v. */
  readonly range: Range;
  readonly section: AirSection;
  readonly contacts: Contacts;
  readonly graph: Neighbours;
  /** Lines there are, shortest first. */
  readonly lines: readonly Line[];
}

/** Where the line of one stretch does not go on into that of the next. */
export interface RingBreak {
  /** The corner between two sides, or the side along which the line would have to change. */
  readonly where: AirCorner | CutId;
  /** Along the side; `null` at a corner. */
  readonly at: number | null;
  readonly apart: readonly [string, string];
  /** Foam stands in the joint there, or nothing does. */
  readonly kind: 'foam' | 'gap';
}

export interface RingPart {
  readonly stretch: Stretch;
  /** `null` where the pen has to be lifted. */
  readonly line: Line | null;
}

export interface Ring {
  readonly parts: readonly RingPart[];
  readonly breaks: readonly RingBreak[];
}

/** Round the opening, and which way each side is walked. */
const WALK = [
  { side: 'sill', forward: true, after: 'sill-right' },
  { side: 'right', forward: true, after: 'head-right' },
  { side: 'head', forward: false, after: 'head-left' },
  { side: 'left', forward: false, after: 'sill-left' },
] as const satisfies readonly { side: CutId; forward: boolean; after: AirCorner }[];

/** How far round a corner strips are turned, mm: within it what is sealed on one side counts for the other. */
const CORNER_mm = 160;
/** Figures closer than this are one place along a side. */
const SAME_mm = 0.5;

interface Walked {
  readonly build: Build;
  readonly stretches: readonly Stretch[];
  /** What is sealed to what near the ends of every side. */
  readonly atCorner: ReadonlyMap<AirCorner, readonly Contact[]>;
}

/** Every section round the opening, in the order of the walk. */
export function walkRound(standing: Standing): Walked {
  const { context } = standing.moment.build;
  const { unit } = context;
  const atCorner = new Map<AirCorner, Contact[]>(airCorners.map((corner) => [corner, []]));
  WALK.forEach(({ side, after }, i) => {
    atCorner.get(after)?.push(...buckCorner(side, WALK[(i + 1) % 4]?.side ?? side, standing));
  });
  const stretches = WALK.flatMap(({ side, forward, after }, i): Stretch[] => {
    const own: Range = isUpright(side)
      ? [unit.bottom, unit.bottom + unit.height]
      : [unit.left, unit.left + unit.width];
    const earlier = WALK[(i + 3) % 4]?.after ?? after;
    const [lowCorner, highCorner] = forward ? [earlier, after] : [after, earlier];
    const [from, to] = [own[0] - CORNER_mm, own[1] + CORNER_mm];
    const places = distinct([from, to, ...own, ...breaksAlong(standing, side)], from, to);
    const found: Stretch[] = [];
    let lastKey = '';
    const [lowest, highest] = [new Set<Contacts>(), new Set<Contacts>()];
    places.slice(1).forEach((end, k) => {
      const range: Range = [places[k] ?? end, end];
      const middle = (range[0] + range[1]) / 2;
      const section = sectionAt(standing, { side, at: middle });
      const isBeside = middle < own[0] || middle > own[1];
      const contacts = contactsIn(section, standing);
      if (middle < own[0] + CORNER_mm) lowest.add(contacts);
      if (middle > own[1] - CORNER_mm) highest.add(contacts);
      if (isBeside) return;
      const last = found.at(-1);
      const key = last?.contacts === contacts ? lastKey : keyOf(contacts);
      if (last && key === lastKey) {
        found[found.length - 1] = { ...last, ...longer(last, { range, section, contacts }) };
        return;
      }
      lastKey = key;
      const graph = neighboursOf(contacts.tight);
      const lines = linesThrough(graph, wallLayer(side, context), FRAME);
      found.push({ side, range, section, contacts, graph, lines });
    });
    for (const { tight } of lowest) atCorner.get(lowCorner)?.push(...tight);
    for (const { tight } of highest) atCorner.get(highCorner)?.push(...tight);
    return forward ? found : found.reverse();
  });
  return { build: standing.moment.build, stretches, atCorner };
}

/** One stretch of two that are alike, cut where the longer of them is. */
function longer(
  last: Stretch,
  next: Pick<Stretch, 'range' | 'section' | 'contacts'>,
): Pick<Stretch, 'range' | 'section' | 'contacts'> {
  const whole: Range = [last.range[0], next.range[1]];
  const nextIsLonger = next.range[1] - next.range[0] > last.range[1] - last.range[0];
  return nextIsLonger ? { ...next, range: whole } : { ...last, range: whole };
}

/** Equal for sections in which the same things meet in the same way. */
const keyOf = ({ tight, loose, foam }: Contacts): string =>
  [tight, loose, foam]
    .map((list) =>
      list
        .map(({ a, b }) => (a < b ? `${a} ${b}` : `${b} ${a}`))
        .sort()
        .join('|'),
    )
    .join('/');

function distinct(figures: readonly number[], from: number, to: number): number[] {
  const sorted = figures.filter((x) => x >= from && x <= to).sort((a, b) => a - b);
  const kept: number[] = [];
  for (const x of sorted) if (x - (kept.at(-1) ?? -Infinity) > SAME_mm) kept.push(x);
  return kept;
}

/** A place where the line does not go on weighs more than any length of it. */
const BREAK = 1000;
/** To change from one line to another along a side costs a little, so that it keeps to one where it can. */
const CHANGE = 0.05;

/**
 * Returns the ring with the fewest breaks, and of these the one with the shortest lines.
 *
 * Whether two lines go on into each other is asked only of those that a ring would use: it begins as if all did, and is
 * searched again while one of its changes turns out to be a break.
 */
export function ringOf(walked: Walked): Ring {
  const { stretches, build } = walked;
  const weight = weightIn(build);
  const choices = stretches.map((stretch): readonly (Line | null)[] =>
    stretch.lines.length > 0 ? stretch.lines : [null],
  );
  const keys = choices.map((list) => list.map((line) => line?.join() ?? ''));
  const n = stretches.length;
  const openSides = new Set(stretches.flatMap(({ side, lines }) => (lines.length === 0 ? [side] : [])));
  const filled = new Map<number, Filled>();
  const filledAt = (i: number): Filled => {
    const known = filled.get(i) ?? filledBetween(walked, i);
    filled.set(i, known);
    return known;
  };
  const sound = (i: number, k: number, l: number): boolean => {
    const [a, b] = [choices[i]?.[k], choices[(i + 1) % n]?.[l]];
    return !a || !b || keys[i]?.[k] === keys[(i + 1) % n]?.[l] || filledAt(i).joins(a, b);
  };
  const cost = stretches.map((stretch, i) => {
    const next = (i + 1) % n;
    const turn: number = stretches[next]?.side === stretch.side ? CHANGE : 0;
    return (choices[i] ?? []).map((a, k) =>
      (choices[next] ?? []).map((b, l) =>
        a === null || b === null || keys[i]?.[k] === keys[next]?.[l] ? 0 : turn,
      ),
    );
  });
  const own = choices.map((list, i) => {
    const [from, to] = stretches[i]?.range ?? [0, 0];
    return list.map((line) => (line ? (weight(line) * (to - from)) / 1000 : 0));
  });
  const asked = new Set<string>();
  for (;;) {
    const chosen = cheapestRound(own, cost);
    let isSound = true;
    stretches.forEach((stretch, i) => {
      const next = (i + 1) % n;
      const [k, l] = [chosen[i] ?? 0, chosen[next] ?? 0];
      const change = `${i} ${k} ${l}`;
      if (asked.has(change)) return;
      asked.add(change);
      if (sound(i, k, l)) return;
      isSound = false;
      const row = cost[i]?.[k];
      const after = stretches[next] ?? stretch;
      if (row) row[l] = isOpenAnyway(stretch, after, openSides) ? CHANGE : BREAK;
    });
    if (!isSound) continue;
    const parts = stretches.map((stretch, i): RingPart => ({
      stretch,
      line: choices[i]?.[chosen[i] ?? 0] ?? null,
    }));
    return { parts, breaks: breaksOf(parts, filledAt, openSides, build) };
  }
}

/** Where a side has no line the corner beside it is open, whatever the line of the next side does there. */
function isOpenAnyway(a: Stretch, b: Stretch, openSides: ReadonlySet<CutId>): boolean {
  if (openSides.has(a.side) || openSides.has(b.side)) return true;
  const at = a.range[0] === b.range[1] ? a.range[0] : a.range[1];
  return WALK.some(({ side }, i) => {
    if (side !== a.side || a.side !== b.side) return false;
    return [WALK[(i + 1) % 4], WALK[(i + 3) % 4]].some(
      (beside) =>
        beside && openSides.has(beside.side) && Math.abs(at - endNextTo(a, beside.side)) < CORNER_mm,
    );
  });
}

/** Where a side ends next to another one, along it. */
function endNextTo({ section, side }: Stretch, beside: CutId): number {
  const { u, v } = section.frame;
  const range = isUpright(side) ? v : u;
  return beside === 'sill' || beside === 'left' ? range[0] : range[1];
}

/**
 * Of two lines as good the one to be named: the seal inside before the weather's, and what can be looked at and pressed
 * again before a bead that is covered.
 */
const weightIn =
  (build: Build) =>
  (line: Line): number =>
    line.length +
    (line.some((thing) => plays(build, thing, 'outer-line')) ? 0.3 : 0) +
    (line.some((thing) => plays(build, thing, 'frame-bead')) ? 0.1 : 0);

/** What is sealed to what where one stretch meets the next. */
function filledBetween({ stretches, atCorner, build }: Walked, i: number): Filled {
  const here = stretches[i];
  const next = stretches[(i + 1) % stretches.length];
  const corner = here && next && here.side !== next.side ? cornerAfter(here.side) : null;
  const contacts = [here, next].flatMap((stretch) => stretch?.contacts.tight ?? []);
  const beads = build.pieces.filter((piece) => piece.form === 'bead').map(({ id }) => id);
  return new Filled([...contacts, ...((corner && atCorner.get(corner)) ?? [])], beads);
}

const cornerAfter = (side: CutId): AirCorner => WALK.find((w) => w.side === side)?.after ?? 'sill-left';

/** Choice of one state per place of a closed round with the least sum. */
function cheapestRound(
  own: readonly (readonly number[])[],
  between: readonly (readonly (readonly number[])[])[],
): number[] {
  const n = own.length;
  let best: { cost: number; states: number[] } = { cost: Infinity, states: [] };
  (own[0] ?? []).forEach((first, s) => {
    let reach = (own[0] ?? []).map((_, k) => (k === s ? first : Infinity));
    const back: number[][] = [];
    for (let i = 1; i < n; i++) {
      const from: number[] = [];
      reach = (own[i] ?? []).map((cost, k) => {
        let [least, at] = [Infinity, 0];
        reach.forEach((sum, j) => {
          const total = sum + (between[i - 1]?.[j]?.[k] ?? Infinity);
          if (total < least) [least, at] = [total, j];
        });
        from.push(at);
        return least + cost;
      });
      back.push(from);
    }
    reach.forEach((sum, k) => {
      const total = n > 1 ? sum + (between[n - 1]?.[k]?.[s] ?? Infinity) : sum;
      if (total >= best.cost) return;
      const states = [k];
      for (let i = n - 2; i >= 0; i--) states.unshift(back[i]?.[states[0] ?? 0] ?? 0);
      best = { cost: total, states };
    });
  });
  return best.states;
}

function breaksOf(
  parts: readonly RingPart[],
  filledAt: (i: number) => Filled,
  openSides: ReadonlySet<CutId>,
  build: Build,
): RingBreak[] {
  return parts.flatMap(({ stretch, line }, i): RingBreak[] => {
    const next = parts[(i + 1) % parts.length];
    if (!next?.line || !line || isOpenAnyway(stretch, next.stretch, openSides)) return [];
    if (line.join() === next.line.join()) return [];
    const filled = filledAt(i);
    if (filled.joins(line, next.line)) return [];
    const apart = firstApart(line, next.line, (one, other) => filled.touch(one, other));
    const turns = next.stretch.side !== stretch.side;
    // Sill and right jamb are walked upwards, head and left jamb back.
    const end = stretch.range[stretch.side === 'sill' || stretch.side === 'right' ? 1 : 0];
    return [
      {
        where: turns ? cornerAfter(stretch.side) : stretch.side,
        at: turns ? null : end,
        apart,
        kind: isFoamed(stretch, next.stretch, apart, build) ? 'foam' : 'gap',
      },
    ];
  });
}

/** Whether the two lie on both sides of a joint that is foamed there. */
function isFoamed(a: Stretch, b: Stretch, apart: readonly [string, string], build: Build): boolean {
  if (a.contacts.foam.length === 0 && b.contacts.foam.length === 0) return false;
  return apart.some((thing) => thing === FRAME || IN_JOINT.some((role) => plays(build, thing, role)));
}

const IN_JOINT = ['inner-seal', 'fin', 'face-strip', 'outer-seal', 'frame-bead'] as const;
