/** The one pure function: from what was measured and chosen to everything that follows from it. */
import type { JobContext, Opening, Unit, Wall } from '../documents/schema.ts';
import { severities, verdictOf, type Finding, type Verdict } from '../findings/finding.ts';
import { checks } from '../findings/checks/index.ts';
import { placeUnit } from '../fit/placement.ts';
import { shimSchedule } from '../fit/shims.ts';
import { judgeFit } from '../fit/verdict.ts';
import { cutSize } from '../geometry/sheet.ts';
import { radians } from '../geometry/vector.ts';
import { presets } from '../methods/index.ts';
import type { MethodPreset, StepRow } from '../methods/method.ts';
import type { ParameterValues } from '../methods/parameters.ts';
import { sillHeight, type PieceContext } from '../methods/pieces/context.ts';
import { liesOnOpening, makePiece } from '../methods/pieces/index.ts';
import type { Piece } from '../methods/pieces/piece.ts';
import { applicableRows, sequence } from '../order/sequence.ts';
import { contentHash } from '../quantities/content-hash.ts';
import { openingFrame, readingsFromOutside, type OpeningFrame } from '../survey/frame.ts';
import { baseSolids, frameBack, openingGeometry, unitGeometry } from './base.ts';
import { cutList, type CutRow } from './cut-list.ts';
import type { Build, Draft, Fit, PlannedStep } from './draft.ts';
import { revealLayers } from './layers.ts';
import { numbersOf } from './numbers.ts';

export interface Plan extends Draft {
  readonly cuts: readonly CutRow[];
  readonly findings: readonly Finding[];
  readonly verdict: Verdict;
}

/**
 * Returns the plan of one opening. Deterministic; never throws on documents that passed their schema.
 *
 * What cannot be derived for want of a reading or a choice is absent, and a finding says so.
 */
export function planOpening(opening: Opening, job: JobContext): Plan {
  const wall = job.walls.find((w) => w.id === opening.wall) ?? null;
  const unit = job.units.find((u) => u.id === opening.unit) ?? null;
  const method = job.methods.find((m) => m.id === opening.method) ?? null;
  const numbers = numbersOf(method?.numbers ?? {}, opening.numbers);
  const readings = readingsFromOutside(opening.survey);
  const frame = openingFrame(readings);
  const built =
    wall && unit && method && frame && isBuildable(frame, wall, readings.depth, numbers)
      ? build({ frame, wall, unit, preset: presets[method.preset], numbers, depth_mm: readings.depth })
      : null;
  const draft: Draft = {
    opening,
    job,
    wall,
    unit,
    method,
    numbers,
    readings,
    frame,
    fit: built?.fit ?? null,
    build: built?.build ?? null,
  };
  const rank = (finding: Finding) => severities.indexOf(finding.severity);
  const findings = checks.flatMap((check) => check.run(draft)).sort((a, b) => rank(a) - rank(b));
  return { ...draft, cuts: built ? cutList(built.build.pieces) : [], findings, verdict: verdictOf(findings) };
}

/** Least clear height that must remain above the sloped sill for the flashing to be described at all. */
const LEAST_CLEAR_mm = 50;

function isBuildable(
  frame: OpeningFrame,
  wall: Wall,
  depth_mm: number | undefined,
  numbers: ParameterValues,
): boolean {
  const depth = depth_mm ?? wall.layers.reduce((sum, l) => sum + l.thickness.mm, 0);
  return depth > numbers.panInset && frame.cover.height - sillHeight(numbers, depth) > LEAST_CLEAR_mm;
}

interface BuildInput {
  readonly frame: OpeningFrame;
  readonly wall: Wall;
  readonly unit: Unit;
  readonly preset: MethodPreset;
  readonly numbers: ParameterValues;
  readonly depth_mm: number | undefined;
}

function build({ frame, wall, unit, preset, numbers, depth_mm }: BuildInput): { fit: Fit; build: Build } {
  const back = frameBack(unit);
  const opening = openingGeometry(frame.cover, wall, depth_mm, numbers, back);
  const bare: PieceContext = { opening, numbers, unit: null };
  const onOpening = new Map(
    preset.pieces.filter(liesOnOpening).map((row) => [row.id, makePiece(row, bare, [])]),
  );
  const fit = fitUnit({
    frame,
    unit,
    numbers,
    layers: revealLayers([...onOpening.values()], bare, back),
    back,
  });
  const context = { opening, numbers, unit: unitGeometry(unit, fit.placement) };
  const pieces = preset.pieces.map((row) => onOpening.get(row.id) ?? makePiece(row, context, fit.shims));
  const conditions = new Set<StepRow['when']>(['always']);
  if (fit.result.trim.length > 0) conditions.add('opening-must-be-trimmed');
  const steps = sequence(applicableRows(preset.steps, conditions)).map((row) =>
    plannedStep(row, pieces, fit),
  );
  const events = steps.flatMap((step) => step.events.map((event) => ({ ...event, step: step.id })));
  return { fit, build: { context, base: baseSolids(opening), pieces, steps, events } };
}

/** Shims under a door's threshold, 12 in at most: common practice, no source. */
const THRESHOLD_SPACING_mm = 304.8;

function fitUnit(input: {
  frame: OpeningFrame;
  unit: Unit;
  numbers: ParameterValues;
  layers: ReturnType<typeof revealLayers>;
  back: number;
}): Fit {
  const { frame, unit, numbers, layers, back } = input;
  const size = { width: unit.width.mm, height: unit.height.mm };
  const buildUp = layers('sill', 0.5);
  const placement = placeUnit({ frame, unit: size, layers, seat_mm: buildUp + numbers.leastShim });
  const limits = {
    // What the maker asks for goes before the method's habits.
    least_mm: Math.max(numbers.leastGap, unit.limits?.leastGap?.mm ?? 0),
    largest_mm: Math.min(numbers.largestGap, unit.limits?.largestGap?.mm ?? Infinity),
    finReach_mm: unit.fin.holeFromFrame.mm - numbers.holeEdgeDistance,
  };
  const onSheathing = Math.min(unit.frameDepth.mm, -back);
  const shims = shimSchedule({
    unit: { ...size, left: placement.left, bottom: placement.bottom },
    stations: frame,
    layers,
    sillBuildUp_mm: buildUp,
    bevel_mm: Math.max(0, onSheathing) * Math.tan(radians(numbers.slope)),
    fromCorner_mm: numbers.shimFromCorner,
    spacing_mm: numbers.shimSpacing,
    sillFromEnd_mm: numbers.sillShimFromEnd,
    underMullions_mm: (unit.mullions ?? []).map((m) => m.mm),
    thresholdSpacing_mm: unit.threshold ? THRESHOLD_SPACING_mm : null,
  });
  return { placement, limits, result: judgeFit(placement, limits), shims };
}

/** A tick stands on another plan when nothing of the step moved by a millimetre or more. */
const rounded = (mm: number): number => Math.round(mm);

function plannedStep(row: StepRow, pieces: readonly Piece[], fit: Fit): PlannedStep {
  const placed = row.events.filter((e) => e.op === 'place' || e.op === 'fill').map((e) => e.thing);
  const places = [...new Set(placed)];
  const sizes = pieces.filter((piece) => places.includes(piece.id)).map(pieceContent);
  const shims = places.some((id) => id.endsWith('shims'))
    ? fit.shims.map((s) => [s.side, rounded(s.at_mm), rounded(s.thickness_mm)])
    : [];
  return { ...row, places, hash: contentHash({ row, sizes, shims }) };
}

function pieceContent(piece: Piece): unknown {
  if (piece.form === 'sheet') {
    const { length_mm, width_mm } = cutSize(piece.sheet);
    return [piece.id, piece.sheet.material, rounded(length_mm), rounded(width_mm)];
  }
  if (piece.form === 'bead') return [piece.id, rounded(piece.diameter_mm)];
  return [piece.id, piece.sawn && Object.values(piece.sawn).map(rounded)];
}
