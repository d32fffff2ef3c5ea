/** From the opening as measured, its wall, unit and method to the build-up in space and over time. */
import type { OpeningFrame, Station } from '../survey/frame.ts';
import { isHung, type Unit } from '../documents/unit.ts';
import type { JobContext } from '../documents/job.ts';
import type { Opening } from '../documents/opening.ts';
import { type Choices, holdsFor, FINNED } from '../vocabulary/axes.ts';
import type { ParameterValues } from '../vocabulary/parameters.ts';
import type { Fit, Build, PlannedStep } from './build.ts';
import { buckOf, openingGeometry, unitDepth, unitGeometry, withUnitSurfaces, baseSolids } from './base.ts';
import { sillHeight, type PieceContext } from '../methods/pieces/context.ts';
import { factsOf } from '../methods/choices.ts';
import { pieceRows } from '../methods/piece-rows.ts';
import { liesOnOpening, makePiece } from '../methods/pieces/index.ts';
import { revealLayers } from './reveal-layers.ts';
import { eventsOf } from './replay.ts';
import { sillFall_deg, subjectOf, type Subject } from './subject.ts';
import { inOwnOrder } from './own-order.ts';
import { orderedSteps } from './sequence.ts';
import { stepRows } from '../methods/step-rows.ts';
import { fastening } from '../methods/fasteners.ts';
import { snap, radians } from '../geometry/vector.ts';
import { placeUnit } from '../fit/placement.ts';
import { shimSchedule } from '../fit/shims.ts';
import { judgeFit } from '../fit/verdict.ts';
import type { StepRow } from '../methods/method.ts';
import type { Piece } from '../methods/pieces/piece.ts';
import { contentHash } from '../quantities/content-hash.ts';
import { once } from '../quantities/once.ts';
import { cutSize } from '../geometry/sheet.ts';

/** Least clear size that must remain above the sloped sill and inside a buck for anything to be described at all. */
const LEAST_CLEAR_mm = 50;

type BuildInput = { readonly [Part in keyof Subject]: NonNullable<Subject[Part]> };

/**
 * Returns the build-up of one opening; `null` while something is missing that it is made from, and where the numbers
 * leave no opening to build in. Equal inputs give equal builds: nothing in it says whose opening it is.
 */
export function buildOpening(opening: Opening, job: JobContext): Build | null {
  return buildOf(subjectOf(opening, job));
}

export function buildOf(subject: Subject): Build | null {
  const { wall, unit, method, choices, frame } = subject;
  if (!wall || !unit || !method || !choices || !frame) return null;
  return built({ ...subject, wall, unit, method, choices, frame });
}

function built(input: BuildInput): Build | null {
  const { wall, unit, method, choices, numbers } = input;
  const buck = buckOf(choices, numbers, method);
  const frame = insideBuck(input.frame, buck?.leg ?? 0);
  const opening = openingGeometry({
    ...input,
    cover: input.frame.cover,
    measuredDepth_mm: input.readings.depth,
    buck,
    ...fallOf(input),
  });
  const clear = Math.min(opening.width, opening.height - sillHeight(numbers, opening.depth));
  if (opening.depth <= numbers.panInset || clear <= LEAST_CLEAR_mm) return null;
  const finned = isFinned(choices);
  const setback = input.setbackGiven ? numbers.setback : usualSetback(choices, unit, opening.depth);
  const depth = unitDepth(unit, { finned, setback });
  const facts = factsOf(wall, unit, choices);
  const rows = pieceRows.filter((row) => holdsFor(row.when, choices, facts));
  const bare: PieceContext = { opening, numbers, choices, unit: null };
  const onOpening = new Map(rows.filter(liesOnOpening).map((row) => [row.id, makePiece(row, bare, [])]));
  const fit = fitUnit({
    frame,
    unit,
    numbers,
    finned,
    held: facts.has('held-by-brackets'),
    equalSpace: choices.seat === 'equal',
    layers: revealLayers([...onOpening.values()], bare, depth.back),
    ...depth,
  });
  const placed = unitGeometry(unit, { ...fit.placement, ...depth, finned });
  const context = {
    opening: withUnitSurfaces(opening, placed, numbers),
    numbers,
    choices,
    unit: placed,
  };
  const pieces = rows.map((row) => onOpening.get(row.id) ?? makePiece(row, context, fit.shims));
  if (fit.result.trim.length > 0) facts.add('opening-must-be-trimmed');
  const here = new Set([...pieces.map((piece) => piece.id), 'opening']);
  const steps = inOwnOrder(
    orderedSteps(stepRows, choices, facts).map((row) => plannedStep(row, { here, pieces, fit })),
    input.order,
    pieces,
  );
  return {
    wall,
    unit,
    fit,
    context,
    base: baseSolids(opening, choices, numbers),
    pieces,
    steps,
    events: eventsOf(steps),
    fastening: fastening({ ...context, shims: fit.shims }),
  };
}

/** What of the sill's slope is not the board's. */
function fallOf({ readings, wall }: BuildInput): { sillFall_deg?: number } {
  const fall = sillFall_deg(readings, wall);
  return fall === null ? {} : { sillFall_deg: fall };
}

const isFinned = ({ mount }: Choices): boolean => (FINNED.mount as readonly string[]).includes(mount);

/** Where a frame without fins stands in the depth unless somebody says otherwise. */
function usualSetback({ position }: Choices, unit: Unit, depth: number): number {
  const spare = depth - unit.frameDepth.mm;
  const usual = { outboard: OUTBOARD_mm, mid: spare / 2, inboard: spare - OUTBOARD_mm };
  return snap(Math.max(0, usual[position]));
}

const OUTBOARD_mm = 20;

/** The opening that a buck leaves, in its own frame: the buck follows the framing on all four sides. */
function insideBuck(frame: OpeningFrame, leg: number): OpeningFrame {
  if (leg === 0) return frame;
  const moved = (du: number, dv: number) => (s: Station) => ({ ...s, u: s.u + du, v: s.v + dv });
  return {
    ...frame,
    left: frame.left.map(moved(0, -leg)),
    right: frame.right.map(moved(-2 * leg, -leg)),
    bottom: frame.bottom.map(moved(-leg, 0)),
    top: frame.top.map(moved(-leg, -2 * leg)),
    cover: { width: frame.cover.width - 2 * leg, height: frame.cover.height - 2 * leg },
  };
}

/** Shims under a door's threshold, 12 in at most: common practice, no source. */
const THRESHOLD_SPACING_mm = 304.8;

function fitUnit(input: {
  frame: OpeningFrame;
  unit: Unit;
  numbers: ParameterValues;
  finned: boolean;
  /** By inside brackets: no fastener of the fin has to reach framing. */
  held: boolean;
  /** At head and sill. */
  equalSpace: boolean;
  layers: ReturnType<typeof revealLayers>;
  front: number;
  back: number;
}): Fit {
  const { frame, unit, numbers, finned, held, equalSpace, layers, front, back } = input;
  const size = { width: unit.width.mm, height: unit.height.mm };
  const buildUp = layers('sill', 0.5);
  const placement = placeUnit({
    frame,
    unit: size,
    layers,
    seat_mm: buildUp + numbers.leastShim,
    equalOver_mm: equalSpace ? buildUp : null,
  });
  const limits = {
    // What the maker asks for goes before the method's habits.
    least_mm: Math.max(numbers.leastGap, unit.limits?.leastGap?.mm ?? 0),
    largest_mm: Math.min(numbers.largestGap, unit.limits?.largestGap?.mm ?? Infinity),
    finReach_mm: finned && !held ? unit.fin.holeFromFrame.mm - numbers.holeEdgeDistance : Infinity,
  };
  const inOpening = Math.min(front, 0) - back;
  const shims = shimSchedule({
    unit: { ...size, left: placement.left, bottom: placement.bottom },
    stations: frame,
    layers,
    sillBuildUp_mm: buildUp,
    bevel_mm: Math.max(0, inOpening) * Math.tan(radians(numbers.slope)),
    fromCorner_mm: numbers.shimFromCorner,
    spacing_mm: numbers.shimSpacing,
    sillFromEnd_mm: numbers.sillShimFromEnd,
    underMullions_mm: (unit.mullions ?? []).map((m) => m.mm),
    thresholdSpacing_mm: unit.threshold || unit.operation === 'door' ? THRESHOLD_SPACING_mm : null,
    // Where the rails of two sashes meet: half way up, where the maker says nothing else.
    checkRails_mm: isHung(unit.operation) ? [unit.height.mm / 2] : [],
  });
  return { placement, limits, result: judgeFit(placement, limits), shims };
}

/** A tick stands on another plan when nothing of the step moved by a millimetre or more. */
const rounded = (mm: number): number => Math.round(mm);

/** The row with only what there is to do here: events about pieces of other methods fall out. */
function plannedStep(
  { when: _, ...row }: StepRow,
  { here, pieces, fit }: { here: ReadonlySet<string>; pieces: readonly Piece[]; fit: Fit },
): PlannedStep {
  const events = row.events.filter((event) => here.has(event.thing));
  const covers = row.covers.filter((id) => here.has(id));
  const placed = events.filter((e) => e.op === 'place' || e.op === 'fill').map((e) => e.thing);
  const places = [...new Set(placed)];
  const hash = once(() => {
    const own = pieces.filter((piece) => places.includes(piece.id));
    const shims = own.some((piece) => piece.roles.includes('shims'))
      ? fit.shims.map((s) => [s.side, rounded(s.at_mm), rounded(s.thickness_mm)])
      : [];
    const { id, holdPoint } = row;
    return contentHash({ id, events, holdPoint, sizes: own.map(pieceContent), shims });
  });
  return {
    ...row,
    events,
    covers,
    places,
    // Asked for only where work is frozen or compared.
    get hash() {
      return hash();
    },
  };
}

function pieceContent(piece: Piece): unknown {
  if (piece.form === 'sheet') {
    const { length_mm, width_mm } = cutSize(piece.sheet);
    return [piece.id, piece.sheet.material, rounded(length_mm), rounded(width_mm)];
  }
  if (piece.form === 'bead') return [piece.id, rounded(piece.diameter_mm)];
  return [piece.id, piece.sawn.map((size) => Object.values(size).map(rounded))];
}
