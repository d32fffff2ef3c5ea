/** What holds air back in a section and where one such thing is sealed to the next. */
import type { CutId } from '../../vocabulary/sides.ts';
import { isReveal } from '../../vocabulary/surfaces.ts';
import type { Range } from '../../geometry/solid.ts';
import type { Point2 } from '../../geometry/vector.ts';
import type { Build } from '../../build/build.ts';
import { pieceFor, plays } from '../../build/by-role.ts';
import { buckSide } from '../../methods/names.ts';
import { changesUnder, FRAME, FRAMING, isRoomLayer, roomEdge, underneath, wallLayer } from './layers.ts';
import {
  isUpright,
  runsAlong,
  TIGHT_FILL,
  type AirSection,
  type SheetLine,
  type SolidCut,
  type Standing,
} from './section.ts';

export interface Contact {
  readonly a: string;
  readonly b: string;
  /** The middle of where they meet, as (w, across); `null` where a trade that comes later closes one onto the other. */
  readonly at: Point2 | null;
}

/** Contacts of one section by how much they are worth. */
export interface Contacts {
  readonly tight: readonly Contact[];
  /** Lying on each other without a bond. */
  readonly loose: readonly Contact[];
  /** Foam: tight on the first day, and then the building moves. */
  readonly foam: readonly Contact[];
}

/** Things that only touch are not sealed: common practice, no source. */
const LEAST_mm = 5;
/** How far a solid may stand off what it fills up to: the layers of flashing between. */
const LAYERS_mm = 6;

/** A stretch of a surface on which something is laid. */
interface Laid {
  readonly thing: string;
  readonly surface: SheetLine['surface'];
  readonly range: Range;
  readonly ends: SheetLine['ends'];
  readonly order: number;
}

export function contactsIn(section: AirSection, standing: Standing): Contacts {
  const { build } = standing.moment;
  const { context } = build;
  const { side } = section.station;
  const tight: Contact[] = [];
  const loose: Contact[] = [];
  const foam: Contact[] = [];
  const bedded = standing.beads.some(({ bead }) => bead.roles.includes('frame-bead'));
  for (const line of section.lines) {
    if (line.bond === 'face' && !hangsOnBead(line)) under(line, { section, standing, of: line }, tight);
    else if (line.bond !== 'bead' || !bedded) under(line, { section, standing, of: line }, loose);
  }
  for (const solid of section.solids) {
    const worth = TIGHT_FILL.includes(solid.material) ? tight : solid.material === 'foam' ? foam : null;
    if (!worth || !fillsJoint(solid, section, standing)) continue;
    const { thing, w, across, order } = solid;
    worth.push({ a: thing, b: FRAME, at: [(w[0] + w[1]) / 2, frameEdge(section, standing)] });
    const reveal = side === 'left' || side === 'sill' ? across[0] : across[1];
    const ends = [
      [w[0], reveal],
      [w[1], reveal],
    ] as const;
    const laid: Laid = { thing, surface: `${side}-reveal`, range: w, ends, order };
    under(laid, { section, standing, of: solid }, worth);
  }
  tight.push(...beadContacts(section, standing), ...buckContacts(section, standing));
  const finned = pieceFor(build, 'fin')?.id;
  const fin = finned === undefined ? undefined : section.lines.find((line) => line.thing === finned);
  if (fin && context.choices.mount !== 'separate-fin')
    tight.push({ a: fin.thing, b: FRAME, at: nearest(fin.ends, frameEdge(section, standing)) });
  const layer = wallLayer(side, context);
  if (isRoomLayer(layer)) tight.push({ a: layer, b: roomEdge(context, side), at: null });
  return { tight, loose, foam };
}

/** What one thing lies on, from one part of it to the next. */
type Under = readonly { readonly thing: string; readonly at: Point2 }[];

/**
 * What was found under a thing when it was last asked for. A strip that runs straight along a side is one object in every
 * section of it, and so is what it lies on: from one section to the next little changes.
 */
const lastUnder = new WeakMap<object, { readonly below: readonly SheetLine[]; readonly parts: Under }>();

const sameLines = (a: readonly SheetLine[], b: readonly SheetLine[]): boolean => {
  if (a.length !== b.length) return false;
  for (let i = 0; i < a.length; i++) if (a[i] !== b[i]) return false;
  return true;
};

/** Adds the topmost thing under each part of what is laid, when it was laid; bare parts lie on what stands there. */
function under(
  laid: Laid,
  { section, standing, of }: { section: AirSection; standing: Standing; of: object },
  into: Contact[],
): void {
  const below = linesBelow(laid, section.lines);
  const last = lastUnder.get(of);
  const parts =
    last && sameLines(last.below, below) ? last.parts : partsUnder(laid, below, section, standing);
  if (parts !== last?.parts) lastUnder.set(of, { below, parts });
  for (const { thing, at } of parts)
    if (!into.some((c) => c.a === laid.thing && c.b === thing)) into.push({ a: laid.thing, b: thing, at });
}

function linesBelow(laid: Laid, lines: readonly SheetLine[]): SheetLine[] {
  const below: SheetLine[] = [];
  for (const line of lines) if (isBelow(line, laid)) below.push(line);
  return below;
}

function partsUnder(laid: Laid, below: readonly SheetLine[], section: AirSection, standing: Standing): Under {
  const { surface, range } = laid;
  const cuts = [...range];
  for (const line of below) cuts.push(...line.range.filter((x) => x > range[0] && x < range[1]));
  for (const x of changesUnder(surface, section.station, standing.moment.build.context))
    if (x > range[0] && x < range[1]) cuts.push(x);
  cuts.sort((a, b) => a - b);
  const parts: { thing: string; at: Point2 }[] = [];
  let [run, from]: [string | null, number] = [null, range[0]];
  const close = (to: number) => {
    if (run === null || to - from < LEAST_mm) return;
    parts.push({ thing: run, at: pointOf(laid, (from + to) / 2) });
  };
  for (let i = 1; i < cuts.length; i++) {
    const [start, end] = [cuts[i - 1] ?? 0, cuts[i] ?? 0];
    if (end - start < 1e-6) continue;
    const thing = topAt(laid, (start + end) / 2, below, section, standing);
    if (thing === run) continue;
    close(start);
    [run, from] = [thing, start];
  }
  close(range[1]);
  return parts;
}

const isBelow = (line: SheetLine, laid: Laid): boolean =>
  line.surface === laid.surface &&
  line.order < laid.order &&
  line.thing !== laid.thing &&
  line.range[0] < laid.range[1] &&
  line.range[1] > laid.range[0];

/** What lay uppermost at a point of a surface when something was laid there. */
function topAt(
  laid: Pick<Laid, 'surface'>,
  along: number,
  below: readonly SheetLine[],
  section: AirSection,
  standing: Standing,
): string | null {
  let top: SheetLine | null = null;
  for (const line of below)
    if (line.range[0] < along && line.range[1] > along) if (!top || line.order > top.order) top = line;
  if (top) return top.thing;
  const [w, across] = runsAlong(laid.surface) === 1 ? [0, along] : [along, 0];
  const { side } = section.station;
  const bare = underneath(standing.moment.build.context, { side, surface: laid.surface, across, w });
  // A buck that was left out carries nothing.
  return bare !== buckSide(side) || standing.solids.some(({ piece }) => piece.id === bare) ? bare : null;
}

/** A point of what is laid, as (w, across). */
function pointOf({ surface, ends: [a, b] }: Laid, along: number): Point2 {
  const i = runsAlong(surface);
  const t = b[i] === a[i] ? 0 : (along - a[i]) / (b[i] - a[i]);
  return [a[0] + t * (b[0] - a[0]), a[1] + t * (b[1] - a[1])];
}

/** Where the frame's side stands, as `across`. */
function frameEdge({ station: { side } }: AirSection, { moment }: Standing): number {
  const { unit } = moment.build.context;
  return {
    sill: unit.bottom,
    left: unit.left,
    head: unit.bottom + unit.height,
    right: unit.left + unit.width,
  }[side];
}

const nearest = (ends: readonly [Point2, Point2], across: number): Point2 =>
  Math.abs(ends[0][1] - across) < Math.abs(ends[1][1] - across) ? ends[0] : ends[1];

/** Whether a solid reaches from the reveal to the frame, so that it closes the joint at its depth. */
function fillsJoint(solid: SolidCut, section: AirSection, standing: Standing): boolean {
  const { opening, unit } = standing.moment.build.context;
  const edge = frameEdge(section, standing);
  const { side, at } = section.station;
  const [from, to] = isUpright(side)
    ? [unit.bottom, unit.bottom + unit.height]
    : [unit.left, unit.left + unit.width];
  if (at < from || at > to) return false;
  const isLow = side === 'sill' || side === 'left';
  const reveal = { sill: edge, left: 0, head: opening.height, right: opening.width }[side];
  // The sill's bar begins on the slope itself.
  const atReveal =
    side === 'sill' || Math.abs((isLow ? solid.across[0] : solid.across[1]) - reveal) < LAYERS_mm;
  return atReveal && Math.abs((isLow ? solid.across[1] : solid.across[0]) - edge) < LAYERS_mm;
}

/** A sheet of the room sticks to the reveal only where its line of sealant runs. */
const hangsOnBead = ({ material, surface }: SheetLine): boolean =>
  material === 'air-sheet' && isReveal(surface);

/** Beads between a fin and the wall, a sheet and the reveal, a frame and the old stops. */
function beadContacts(section: AirSection, standing: Standing): Contact[] {
  const { build } = standing.moment;
  return section.beads.flatMap(({ thing, at }): Contact[] => {
    if (plays(build, thing, 'buck-bed')) return [];
    if (plays(build, thing, 'stop-bead'))
      return [
        { a: thing, b: FRAME, at },
        { a: thing, b: FRAMING, at },
      ];
    const held = section.lines.filter((line) => covers(line, at) && holdsInBead(build, line, thing));
    const [first] = held;
    if (!first) return [];
    const own = new Set(held.map((line) => line.thing));
    const laid: Laid = { ...first, thing };
    const others = section.lines.filter((line) => !own.has(line.thing) && isBelow(line, laid));
    const below = topAt(laid, at[runsAlong(first.surface)], others, section, standing);
    return [...own, ...(below === null ? [] : [below])].map((b) => ({ a: thing, b, at }));
  });
}

const holdsInBead = (build: Build, line: SheetLine, bead: string): boolean =>
  plays(build, bead, 'frame-bead')
    ? plays(build, line.thing, 'fin') && line.bond === 'bead'
    : hangsOnBead(line) && line.bond !== null;

function covers({ surface, range, ends }: SheetLine, at: Point2): boolean {
  const i = runsAlong(surface);
  const other = 1 - i;
  return (
    range[0] <= at[i] && at[i] <= range[1] && Math.abs((ends[0][other] ?? 0) - (at[other] ?? 0)) < LAYERS_mm
  );
}

const isBedded = (thing: string, { moment: { state, lost } }: Standing): boolean =>
  !lost.has(thing) && state.contacts.some((c) => c.thing === thing && c.kind === 'bead');

/** Where two sides of a buck meet their ends are sealed. */
export function buckCorner(a: CutId, b: CutId, standing: Standing): Contact[] {
  const ends = [buckSide(a), buckSide(b)] as const;
  const stand = ends.every(
    (id) => standing.solids.some(({ piece }) => piece.id === id) && isBedded(id, standing),
  );
  return stand ? [{ a: ends[0], b: ends[1], at: null }] : [];
}

/** A buck lies in its beads on the plane behind it. */
function buckContacts(section: AirSection, standing: Standing): Contact[] {
  const { build } = standing.moment;
  const buck = buckSide(section.station.side);
  const there = standing.solids.find(({ piece }) => piece.id === buck);
  if (!there || !isBedded(buck, standing)) return [];
  return section.beads.flatMap(({ thing, at }): Contact[] => {
    if (!plays(build, thing, 'buck-bed')) return [];
    const around: Range = [at[1] - LEAST_mm, at[1] + LEAST_mm];
    const spot: Laid = { thing, surface: 'inner-plane', range: around, ends: [at, at], order: there.order };
    const lines = linesBelow(spot, section.lines);
    const below = topAt(spot, at[1], lines, section, standing);
    return [{ a: thing, b: buck, at }, ...(below === null ? [] : [{ a: thing, b: below, at }])];
  });
}
