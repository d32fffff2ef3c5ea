/** The joint designer: from the joint as measured to what closes it, what that costs, and from which width on tape is cheaper. */
import { gravest, type Verdict } from '../../vocabulary/verdict.ts';
import type { Build } from '../../build/build.ts';
import { piecesFor } from '../../build/by-role.ts';
import type { PieceRole } from '../../vocabulary/roles.ts';
import type { JobContext } from '../../documents/job.ts';
import { fillBill, sealBill, type Bill, type BillInput } from './bill.ts';
import { seasonOf, type JointSeason } from './movement.ts';
import {
  fillIds,
  reasonsForFill,
  reasonsForSeal,
  sealIds,
  TAPE_LEAST_C,
  type FillId,
  type JointReason,
  type OptionInput,
  type SealId,
} from './options.ts';
import { pricesOf } from './prices.ts';
import { jointSides, type JointSide } from './sides.ts';

export interface JointOption<Id extends SealId | FillId> {
  readonly id: Id;
  readonly verdict: Exclude<Verdict, 'not-checkable'>;
  readonly reasons: readonly JointReason[];
  readonly bill: Bill;
}

/** Cost of each seal if the joint were this wide all round; `null` where it would not work. */
export interface CostCurve {
  readonly widths_mm: readonly number[];
  readonly costs: Readonly<Record<SealId, readonly (number | null)[]>>;
}

export interface JointDesign {
  readonly sides: readonly JointSide[];
  readonly season: JointSeason;
  readonly seals: readonly JointOption<SealId>[];
  readonly fills: readonly JointOption<FillId>[];
  readonly chosen: SealId;
  /** The cheapest of those that work; `null` where none does. */
  readonly recommended: SealId | null;
  /** Whether it is the only one that works without anything to see to, or the cheapest of several. */
  readonly because: 'only' | 'cheapest' | 'none';
  readonly verdict: Verdict;
}

export interface JointCosts {
  readonly curve: CostCurve;
  /** Joint all round from which corner tape costs less than sealant on a rod, mm; `null` where it never turns. */
  readonly tipOver_mm: number | null;
}

/** Joints that the chart runs over, mm. */
const CURVE: readonly [number, number] = [3, 30];

/** What options and bills are worked out from. */
function inputOf(build: Build, job: JobContext): { input: OptionInput; bill: BillInput } {
  const { fit, unit, context } = build;
  const { choices, numbers } = context;
  const season = seasonOf(job.job.joints);
  const stays = choices.shims !== 'removed' && choices.shims !== 'none';
  const tape = (job.materials ?? []).filter((m) => m.kind === 'corner-tape').flatMap((m) => m.least_C ?? []);
  const input: OptionInput = {
    sides: jointSides({ placement: fit.placement, unit, season }),
    unit,
    choices,
    numbers,
    season,
    porous: choices.waterLayer === 'masonry' || choices.airLayer === 'plaster',
    blocks: stays ? fit.shims.filter((s) => s.side === 'sill').length : 0,
    brackets: placesOf(build, ['clip', 'bracket']),
    tapeLeast_C: tape.length > 0 ? Math.min(...tape) : TAPE_LEAST_C,
  };
  return { input, bill: billInput(build, job, input) };
}

/** Returns the design of the joint between frame and reveal. */
export function designJoint(build: Build, job: JobContext): JointDesign {
  const { input, bill } = inputOf(build, job);
  const seals = sealIds.map((id) => option(id, reasonsForSeal(id, input), sealBill(id, bill)));
  const fills = fillIds.map((id) => option(id, reasonsForFill(id, input), fillBill(id, bill)));
  const chosen = input.choices.innerSeal;
  return {
    sides: input.sides,
    season: input.season,
    seals,
    fills,
    chosen,
    ...recommend(seals),
    verdict: gravest([
      // What foam alone is worth a rule of its own says, also where somebody answers for it.
      chosen === 'foam-alone' ? 'watch' : (seals.find((o) => o.id === chosen)?.verdict ?? 'not-checkable'),
      ...(input.sides.every((s) => s.measured) ? [] : ['not-checkable' as const]),
    ]),
  };
}

/** Returns what each seal would cost over the width of the joint, all round this opening. */
export function jointCosts(build: Build, job: JobContext): JointCosts {
  const { input, bill } = inputOf(build, job);
  return { curve: curveOf(input, bill), tipOver_mm: tipOver(bill) };
}

const placesOf = (build: Build, roles: readonly PieceRole[]): number =>
  roles
    .flatMap((role) => piecesFor(build, role))
    .reduce((sum, piece) => sum + (piece.form === 'solid' ? piece.solids.length : 0), 0);

function billInput(
  { unit, context: { numbers } }: Build,
  job: JobContext,
  { sides, blocks, porous }: OptionInput,
): BillInput {
  return {
    width_mm: unit.width.mm,
    height_mm: unit.height.mm,
    sides: sides.map((s) => ({ length_mm: s.length_mm, mm: Math.max(0, s.mean_mm) })),
    frameDepth_mm: unit.frameDepth.mm,
    lap_mm: numbers.sealLap,
    bead_mm: numbers.innerSealDepth,
    blocks,
    porous,
    prices: pricesOf(job.job),
  };
}

/** Care that no look can settle; at the sill a bead lies before the joint, and the others say what to do. */
const restsOn = (reason: JointReason): boolean =>
  reason.code === 'alone' ||
  reason.code === 'not-measured' ||
  (reason.code === 'thin-contact' && reason.side !== 'sill');

const option = <Id extends SealId | FillId>(
  id: Id,
  reasons: readonly JointReason[],
  bill: Bill,
): JointOption<Id> => ({
  id,
  verdict: reasons.some((r) => r.weight === 'no') ? 'fails' : reasons.some(restsOn) ? 'watch' : 'holds',
  reasons,
  bill,
});

/** Of those that hold the cheapest; of those to be watched only where nothing holds. Foam alone is never recommended. */
function recommend(seals: readonly JointOption<SealId>[]): Pick<JointDesign, 'recommended' | 'because'> {
  for (const verdict of ['holds', 'watch'] as const) {
    const able = seals.filter((o) => o.verdict === verdict && o.id !== 'foam-alone');
    const [best] = able.toSorted((a, b) => a.bill.cost - b.bill.cost);
    if (best) return { recommended: best.id, because: able.length === 1 ? 'only' : 'cheapest' };
  }
  return { recommended: null, because: 'none' };
}

const allRound = (bill: BillInput, mm: number): BillInput => ({
  ...bill,
  sides: bill.sides.map((s) => ({ ...s, mm })),
});

function curveOf(input: OptionInput, bill: BillInput): CostCurve {
  const widths_mm = Array.from({ length: CURVE[1] - CURVE[0] + 1 }, (_, i) => CURVE[0] + i);
  const works = (id: SealId, mm: number): boolean => {
    const sides = input.sides.map((s) => ({
      ...s,
      least: { ...s.least, mm },
      most: { ...s.most, mm },
      measured: true,
    }));
    return !reasonsForSeal(id, { ...input, sides }).some((r) => r.weight === 'no');
  };
  const costs = Object.fromEntries(
    sealIds.map((id) => [
      id,
      widths_mm.map((mm) => (works(id, mm) ? sealBill(id, allRound(bill, mm)).cost : null)),
    ]),
  ) as unknown as CostCurve['costs'];
  return { widths_mm, costs };
}

const TIP_STEP_mm = 0.1;

/** Returns the joint all round from which corner tape is cheaper than sealant, to a tenth; `null` where it never is. */
export function tipOver(bill: BillInput): number | null {
  const dearer = (mm: number): boolean =>
    sealBill('sealant-rod', allRound(bill, mm)).cost > sealBill('corner-tape', allRound(bill, mm)).cost;
  const steps = Math.round((CURVE[1] - CURVE[0]) / TIP_STEP_mm);
  for (let i = 0; i <= steps; i++) {
    const mm = CURVE[0] + i * TIP_STEP_mm;
    if (dearer(mm)) return Math.round(mm * 10) / 10;
  }
  return null;
}
