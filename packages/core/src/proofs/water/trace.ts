/** Where the water of each source goes, and how many bonds must fail before it wets what it must not. */
import type { Verdict } from '../../vocabulary/verdict.ts';
import type { Range } from '../../geometry/solid.ts';
import type { Build } from '../../build/build.ts';
import { plays } from '../../build/by-role.ts';
import { waysTo, type Search } from './graph.ts';
import { isBarrier } from './hosts.ts';
import { networkOf, type Network } from './network.ts';
import type { OverSill } from './on-sill.ts';
import type { PlaneId } from '../../vocabulary/planes.ts';
import { momentOf, type LostBond } from '../../build/moment.ts';
import type { Start, WaterSource } from './sources.ts';
import { placeNode, places, type Place, type WaterNode } from './ways.ts';

/**
 * `shed`: it stays outside · `drained`: it came in and is let out · `trapped`: it has no way out · `structure`,
 * `room`: it wets them with every bond sound · `not-checkable`: nobody knows what lies there.
 */
export type WaterOutcome = 'shed' | 'drained' | 'trapped' | 'structure' | 'room' | 'not-checkable';

export interface WaterStop {
  /** A cell of a plane as stretches of its two axes, or a place that is none. */
  readonly at:
    { readonly plane: PlaneId; readonly x: Range; readonly y: Range; readonly level: number } | Place;
  /** The bond that failed to come here; `null` for none. */
  readonly failed: string | null;
  /** The piece it runs on; `null` for what stood there before. */
  readonly on: string | null;
  /** The piece it is behind; `null` outside of all. */
  readonly behind: string | null;
}

/** A stretch of a source over which water behaves alike. */
export interface WaterPart {
  /** Stretches of u, or of the joint's length, mm. */
  readonly spans: readonly Range[];
  readonly width_mm: number;
  readonly outcome: WaterOutcome;
  /** Fewest bonds that must fail before framing or room gets wet; `null`: no set of them lets it in. */
  readonly k: number | null;
  /** The bonds of such a set. */
  readonly bonds: readonly string[];
  /** What gets wet when they fail. */
  readonly wets: 'structure' | 'room' | null;
  /** Fewest bonds that must fail before it is in the opening, drained or not; `null`: no set of them lets it in. */
  readonly kOpening: number | null;
  /** The bonds of such a set. */
  readonly firstLine: readonly string[];
  /** With every bond sound: where water runs. */
  readonly run: readonly WaterStop[];
  /** Its way in when the bonds fail; empty where there is none. */
  readonly wayIn: readonly WaterStop[];
}

export interface SourceTrace {
  readonly source: WaterSource;
  /** Gravest first. */
  readonly parts: readonly WaterPart[];
}

export interface TraceOptions {
  /** Steps done; all of them when left out. */
  readonly count?: number;
  readonly lost?: readonly LostBond[];
  /** Where the water in the pan stands higher than the pan; see `overSill`. */
  readonly overSill?: OverSill | null;
}

/** Returns what becomes of the water of every source, for the wall at one moment. */
export function traceWater(build: Build, options: TraceOptions = {}): SourceTrace[] {
  const { count = build.steps.length, lost = [], overSill = null } = options;
  return tracesOf(networkOf(momentOf(build, count, lost), overSill));
}

/** The same on places and ways already found. */
export function tracesOf(network: Network): SourceTrace[] {
  const found = searches(network);
  return [...network.starts].flatMap(([source, starts]): SourceTrace[] => {
    if (starts === 'unknown') return [{ source, parts: [UNKNOWN] }];
    if (starts.length === 0) return [];
    const parts = partsOf(source, starts, network, found);
    return [{ source, parts: source === 'behind-layer' ? ranAlong(parts) : parts }];
  });
}

/** Behind the wall's layer it runs along the strip that it stands on, to where that lets it out. */
function ranAlong(parts: readonly WaterPart[]): readonly WaterPart[] {
  const way = parts.find(({ outcome }) => outcome === 'shed');
  if (!way) return parts;
  const alike = new Map<string, WaterPart>();
  for (const one of parts) {
    const part = one.outcome === 'trapped' ? { ...one, outcome: way.outcome, run: way.run } : one;
    const { outcome, k, bonds, kOpening, firstLine, wets } = part;
    const key = JSON.stringify([outcome, k, bonds, kOpening, firstLine, wets]);
    const known = alike.get(key);
    alike.set(
      key,
      known
        ? {
            ...known,
            spans: joined([...known.spans, ...part.spans]),
            width_mm: known.width_mm + part.width_mm,
          }
        : part,
    );
  }
  return [...alike.values()];
}

const UNKNOWN: WaterPart = {
  spans: [],
  width_mm: 0,
  outcome: 'not-checkable',
  k: null,
  bonds: [],
  wets: null,
  kOpening: null,
  firstLine: [],
  run: [],
  wayIn: [],
};

interface Searches {
  readonly wet: Search;
  readonly out: Search;
  readonly stuck: Search;
  readonly inside: Search;
}

function searches({ count, edges, into, reached, describe }: Network): Searches {
  const free = (edge: number) => edges.fails[edge] === -1;
  const wet = waysTo([placeNode('structure'), placeNode('room')], count, edges, into);
  const out = waysTo([placeNode('out')], count, edges, into, free);
  const ends: number[] = [];
  for (let node = places.length; node < count; node++)
    if (reached[node] === 1 && out.cost[node] === Infinity && wet.cost[node] !== 0) ends.push(node);
  const stuck = waysTo(ends, count, edges, into, (edge) => free(edge) && !edges.spills[edge]);
  const within = IN_OPENING.map(placeNode);
  for (let node = places.length; node < count; node++) {
    if (reached[node] !== 1) continue;
    const at = describe(node);
    if (typeof at !== 'string' && IN_OPENING_PLANES.includes(at.plane)) within.push(node);
  }
  return { wet, out, stuck, inside: waysTo(within, count, edges, into) };
}

const IN_OPENING = ['structure', 'room', 'cavity-head', 'cavity-left', 'cavity-right'] as const;
const IN_OPENING_PLANES: readonly PlaneId[] = ['sill-reveal', 'left-reveal', 'right-reveal'];

/** Leaks of the unit itself: they are in the opening from the start. */
export const isOfUnit = (source: WaterSource): boolean => source === 'unit-sill' || source === 'mullion';

function partsOf(
  source: WaterSource,
  starts: readonly Start[],
  network: Network,
  found: Searches,
): WaterPart[] {
  const parts = new Map<string, { like: Fate; node: number; spans: Range[] }>();
  for (const { node, span } of starts) {
    const like = fateOf(source, node, network, found);
    const key = JSON.stringify(like);
    const known = parts.get(key);
    if (known) known.spans.push(span);
    else parts.set(key, { like, node, spans: [span] });
  }
  return [...parts.values()]
    .map(({ like, node, spans }): WaterPart => {
      const { wet, out, stuck } = found;
      const wayIn = like.k === null ? [] : stopsOf(node, wet, network);
      const course = stuck.cost[node] === 0 ? stuck : out;
      return {
        ...like,
        spans: joined(spans),
        width_mm: spans.reduce((sum, [from, to]) => sum + to - from, 0),
        run: like.k === 0 ? wayIn : stopsOf(node, course, network),
        wayIn,
      };
    })
    .sort((a, b) => gravity(a) - gravity(b));
}

/** Gravest lowest: wet at once, trapped, then by the bonds it takes. */
function gravity({ outcome, k }: Fate): number {
  if (outcome === 'room' || outcome === 'structure') return 0;
  return outcome === 'trapped' ? 0.5 : (k ?? Infinity);
}

type Fate = Pick<WaterPart, 'outcome' | 'k' | 'bonds' | 'wets' | 'kOpening' | 'firstLine'>;

function fateOf(source: WaterSource, node: number, network: Network, found: Searches): Fate {
  const { wet, out, stuck, inside } = found;
  const { edges } = network;
  const cost = wet.cost[node] ?? Infinity;
  const first = inside.cost[node] ?? Infinity;
  let end = node;
  for (const edge of edgesFrom(node, wet, network)) end = edges.to[edge] ?? end;
  const wets = end === placeNode('structure') ? 'structure' : end === placeNode('room') ? 'room' : null;
  const trapped = stuck.cost[node] === 0 || out.cost[node] === Infinity;
  const outcome =
    cost === 0 && wets ? wets : trapped ? 'trapped' : isOfUnit(source) || first === 0 ? 'drained' : 'shed';
  return {
    outcome,
    k: cost === Infinity ? null : cost,
    bonds: bondsOn(node, wet, network),
    wets,
    kOpening: first === Infinity ? null : first,
    firstLine: bondsOn(node, inside, network),
  };
}

/** The bonds that fail on the way from a node. */
function bondsOn(node: number, search: Search, network: Network): string[] {
  const failed = new Set<string>();
  for (const edge of edgesFrom(node, search, network)) {
    const bond = network.bonds[network.edges.fails[edge] ?? -1];
    if (bond !== undefined) failed.add(bond);
  }
  return [...failed];
}

function* edgesFrom(node: number, { next }: Search, { edges }: Network): Iterable<number> {
  for (let edge = next[node] ?? -1; edge >= 0; edge = next[edges.to[edge] ?? -1] ?? -1) yield edge;
}

function stopsOf(node: number, search: Search, network: Network): WaterStop[] {
  const { edges, bonds, describe, planes } = network;
  const stop = (to: number, failed: string | null): WaterStop => {
    const at = describe(to);
    if (typeof at === 'string') return { at, failed, on: null, behind: null };
    const { stack } = at.cell;
    const thing = (i: number) => planes.get(at.plane)?.faces[stack[i] ?? -1]?.thing ?? null;
    const { plane, column, cell } = at;
    return {
      at: { plane, x: column.x, y: cell.y, level: at.gap },
      failed,
      on: thing(at.gap - 1),
      behind: thing(at.gap),
    };
  };
  const stops = [stop(node, null)];
  let last = describe(node);
  for (const edge of edgesFrom(node, search, network)) {
    const to = edges.to[edge] ?? 0;
    const next = describe(to);
    // On the back of a layer, and on what lies under it: one place.
    if (!isOnePlace(last, next)) stops.push(stop(to, bonds[edges.fails[edge] ?? -1] ?? null));
    last = next;
  }
  return stops;
}

const isOnePlace = (a: WaterNode | Place, b: WaterNode | Place): boolean =>
  typeof a !== 'string' && typeof b !== 'string' && a.cell === b.cell && a.gap === b.gap;

/** Stretches that touch become one. */
function joined(spans: readonly Range[]): Range[] {
  const sorted = spans.toSorted((a, b) => a[0] - b[0]);
  return sorted.reduce<Range[]>((all, span) => {
    const last = all.at(-1);
    if (!last || span[0] > last[1] + JOINED_mm) return [...all, span];
    all[all.length - 1] = [last[0], Math.max(last[1], span[1])];
    return all;
  }, []);
}

const JOINED_mm = 0.05;

/**
 * What a part is worth. Water that gets in fails; what has no way out fails in a method that lets water out, and is watched
 * in one that shuts it out and behind the wall's layer; water from outside that runs through the opening has no first line.
 * A single bond is watched where nothing but it is meant to keep water out, and elsewhere it is looked at.
 */
export function waterVerdict(
  part: Pick<WaterPart, 'outcome' | 'k' | 'bonds' | 'width_mm'>,
  source: WaterSource,
  build: Build,
): Verdict {
  const { outcome, k } = part;
  if (outcome === 'not-checkable') return 'not-checkable';
  if (outcome === 'structure' || outcome === 'room') return 'fails';
  if (outcome === 'trapped') return isBarrier(build) || source === 'behind-layer' ? 'watch' : 'fails';
  if (outcome === 'drained' && !isOfUnit(source) && part.width_mm >= SEEN_mm) return 'watch';
  return k === 1 && isOnlyLine(part.bonds, build) ? 'watch' : 'holds';
}

/** Narrower than this is where strips meet, and the pan takes it: common practice, no source. */
export const SEEN_mm = 20;

/** Whether nothing but this bond is meant to keep water out: no look can settle that. */
export function isOnlyLine(bonds: readonly string[], build: Build): boolean {
  if (isBarrier(build) || build.context.choices.waterLayer === 'existing') return true;
  return bonds.some((bond) => plays(build, bond, 'fill'));
}

/** Where water comes to rest, in the words of the wall. */
export interface WetPlace {
  readonly place: PlaneId | 'joint' | 'room';
  /** The piece whose edge it last ran off; `null` where it was on none. */
  readonly off: string | null;
  /** The piece it is behind there; `null` where nothing covers it. */
  readonly behind: string | null;
}

export function wetPlace(way: readonly WaterStop[]): WetPlace {
  const last = way.at(-2);
  if (way.at(-1)?.at === 'room') return { place: 'room', off: null, behind: null };
  const off = way.findLast(({ on }) => on !== null)?.on ?? null;
  if (!last || typeof last.at === 'string') return { place: 'joint', off, behind: null };
  return { place: last.at.plane, off, behind: last.behind };
}
