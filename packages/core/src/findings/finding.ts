/** What a check has to say about a plan: facts only; the words live in the text catalogue. */
import type { Touch } from '../supply/together.ts';
import type { ContactFace } from '../vocabulary/contacts.ts';
import type { Interrupter, Lift } from '../proofs/air/proof.ts';
import type { AirCorner } from '../vocabulary/corners.ts';
import type { CutId, Side } from '../vocabulary/sides.ts';
import type { Deviation } from '../documents/opening.ts';
import type { JointReason, SealId } from '../proofs/joint/options.ts';
import type { JointBalance } from '../proofs/moisture/joint-balance.ts';
import type { RuleId } from '../methods/rules.ts';
import type { DamCheck } from '../proofs/water/standing.ts';
import type { RainClass } from '../conditions/exposure.ts';
import type { Lap } from '../proofs/water/laps.ts';
import type { SingleBond } from '../proofs/water/proof.ts';
import type { WaterSource } from '../proofs/water/sources.ts';
import type { WetPlace } from '../proofs/water/trace.ts';
import type { FitResult } from '../fit/verdict.ts';
import type { WallSide } from '../build/reach.ts';
import type { Residual } from '../survey/frame.ts';
import type { SurveyPointId } from '../vocabulary/survey-points.ts';
import type { Severity, Proof, Verdict } from '../vocabulary/verdict.ts';
import type { Fix } from '../vocabulary/fix.ts';
import type { Rating } from '../vocabulary/ratings.ts';

/** Facts by code. A new code needs a text in the catalogue, or the catalogue does not compile. */
export interface FindingFacts {
  'not-planned': { readonly missing: readonly ('wall' | 'unit' | 'method' | 'width' | 'height' | 'plan')[] };
  'fit-fails': Pick<FitResult, 'trim'>;
  'fit-tight': Pick<FitResult, 'trim'>;
  /** What the method wants with its layers, and how high it seats the unit. */
  'opening-small-for-method': {
    readonly width_mm: number;
    readonly height_mm: number;
    readonly seat_mm: number;
  };
  'fit-loose': Pick<FitResult, 'pack'>;
  'fit-unproven': { readonly missing: readonly SurveyPointId[] };
  'sill-off-level': { readonly difference_mm: number; readonly limit_mm: number };
  'sill-crown': { readonly crown_mm: number; readonly limit_mm: number };
  'jamb-off-plumb': { readonly side: 'left' | 'right'; readonly lean_mm: number; readonly limit_mm: number };
  'jamb-bowed': { readonly side: 'left' | 'right'; readonly bow_mm: number; readonly limit_mm: number };
  'opening-twisted': { readonly twist_mm: number; readonly limit_mm: number };
  'face-twisted': { readonly corner_mm: number; readonly limit_mm: number };
  'face-uneven': { readonly hollow_mm: number; readonly limit_mm: number };
  'sill-falls-inward': {
    readonly inward_mm: number;
    /** As it was to be; `null` where the sill that is there is the surface. */
    readonly slope_deg: number | null;
    readonly left_deg: number;
    readonly limit_deg: number;
  };
  'sill-level-without-dam': { readonly slope_deg: number; readonly limit_deg: number };
  'pan-ends-under-frame': { readonly bare_mm: number };
  'unit-not-checkable': { readonly because: 'shape' };
  'rule-broken': {
    readonly rule: RuleId;
    readonly accepted: Deviation | null;
    /** Where the unit's maker asks for what the rule is against. */
    readonly maker?: string;
  };
  /** The opening's own order does steps before what is better done first. */
  'order-sets-aside': {
    readonly pairs: readonly { readonly step: string; readonly before: string }[];
    readonly accepted: Deviation | null;
  };
  'fin-on-wrap': { readonly over_mm: number; readonly cutBack_mm: number };
  'does-not-pass': { readonly needs_mm: number; readonly clear_mm: number };
  'side-too-short': { readonly side: Side; readonly length_mm: number; readonly least_mm: number };
  'buck-overloaded': { readonly load_Nmm: number; readonly limit_Nmm: number };
  'wider-than-roll': { readonly piece: string; readonly width_mm: number; readonly widest_mm: number };
  'screw-ends-in-buck': {
    readonly sides: readonly Side[];
    /** Of the side that is missed most. */
    readonly missed_mm: number;
    readonly angle_deg: number;
    /** For all sides; `null` where no angle reaches. */
    readonly cure: { readonly angle_deg: number; readonly length_mm: number } | null;
  };
  'screw-to-order': { readonly length_mm: number; readonly limit_mm: number };
  'altitude-differs': { readonly difference_Pa: number; readonly madeAt_m: number; readonly site_m: number };
  'label-differs': {
    readonly what: 'uFactor' | 'shgc';
    readonly read: number;
    readonly asked: number;
    readonly side: 'most' | 'least';
    readonly from: 'facade' | 'unit';
  };
  /** Asked for on this façade, and nobody has said it of this unit. */
  'label-missing': { readonly what: readonly ('uFactor' | 'shgc')[] };
  'label-procedures-differ': {
    readonly what: readonly ('uFactor' | 'shgc')[];
    readonly read: Rating;
    readonly asked: Rating;
    readonly from: 'facade' | 'unit';
  };
  /** Pieces that others have covered before anybody of this job looked. */
  'set-by-others': { readonly unseen: readonly string[] };
  'casing-shows-tape': {
    readonly shows: 'tape' | 'joint';
    readonly by_mm: number;
    readonly reveal_mm: number;
  };
  'maker-forbids-foam': Record<never, never>;
  'delivered-size': {
    readonly what: 'width' | 'height' | 'square';
    readonly measured_mm: number;
    readonly expected_mm: number;
    readonly limit_mm: number;
  };
  'delivered-damaged': { readonly damage: string };
  'depth-misses': { readonly buck_mm: number; readonly plane_mm: number; readonly short_mm: number };
  'strip-has-no-room': {
    readonly piece: string;
    readonly side: WallSide;
    readonly needs_mm: number;
    readonly free_mm: number;
  };
  'out-of-square': { readonly difference_mm: number; readonly limit_mm: number };
  'reading-disagrees': Residual & { readonly limit_mm: number };
  'reading-disputed': { readonly points: readonly SurveyPointId[] };
  'sill-too-flat': { readonly slope_deg: number; readonly limit_deg: number };
  'film-too-thin': { readonly film_mm: number; readonly limit_mm: number };
  'pan-upturn-short': { readonly upturn_mm: number; readonly limit_mm: number };
  'pan-lap-short': { readonly lap_mm: number; readonly limit_mm: number };
  'corner-overstretched': { readonly stretch: number; readonly limit: number };
  'tape-off-fin': { readonly onWall_mm: number; readonly limit_mm: number };
  'head-tape-low': { readonly above_mm: number; readonly limit_mm: number };
  'head-tape-past-flap': {
    /** Above where a reserve under the hinge would end. */
    readonly over_mm: number;
    /** From the tape's upper edge up to the hinge; negative where the tape runs past it. */
    readonly below_mm: number;
  };
  'water-gets-in': WetPlace & {
    readonly source: WaterSource;
    readonly wets: 'structure' | 'room';
    readonly width_mm: number;
    readonly spans: readonly (readonly [number, number])[];
  };
  'water-trapped': { readonly source: WaterSource; readonly width_mm: number; readonly closed: boolean };
  'one-bond': SingleBond;
  /** Water from outside runs through the opening with every bond sound: it is drained, and nothing stood before it. */
  'no-first-line': {
    readonly sources: readonly WaterSource[];
    readonly width_mm: number;
  };
  /** One bond keeps it out of the opening, which drains. */
  'first-line-one-bond': { readonly things: readonly string[]; readonly sources: readonly WaterSource[] };
  'reverse-lap': Pick<Lap, 'width_mm' | 'above_mm' | 'lap_mm'> & {
    readonly upper: string;
    readonly lower: string;
    readonly fault: NonNullable<Lap['fault']>;
  };
  'lap-driven-over': {
    readonly upper: string;
    readonly lower: string;
    readonly lap_mm: number;
    readonly driven_mm: number;
  };
  'pan-overtopped': Pick<DamCheck, 'seal' | 'water_mm' | 'needed_mm' | 'has_mm'>;
  'water-test-low': { readonly passed_Pa: number; readonly asked_Pa: number };
  'head-unflashed': { readonly rain: RainClass };
  /** The pen has to be lifted along a side. */
  /** Sides on which the pen is lifted for the same reason are one; the width is of the widest. */
  'air-line-open': Pick<Lift, 'kind' | 'width_mm' | 'between'> & { readonly sides: readonly CutId[] };
  /** The line does not go on into the next one, at a corner or along a side. */
  'air-line-breaks': {
    readonly where: AirCorner | CutId;
    /** Along the side, from the opening's lower left corner; `null` at a corner. */
    readonly at_mm: number | null;
    readonly apart: readonly [string, string];
    readonly kind: 'foam' | 'gap';
  };
  'air-interrupted': Pick<Interrupter, 'thing' | 'member' | 'count' | 'width_mm'> & {
    readonly sides: readonly CutId[];
  };
  'air-waits': { readonly layer: string };
  'seal-unfit': { readonly seal: SealId; readonly reason: JointReason; readonly instead: SealId | null };
  'joint-dries-inward': Pick<JointBalance, 'inner_m' | 'outer_m' | 'drains' | 'twoClosed' | 'from'>;
  'wall-gathers-water': {
    readonly layers: readonly [string | null, string | null];
    readonly most_kg_m2: number;
    readonly left_kg_m2: number;
    readonly outcome: 'dries' | 'gathers';
    readonly limit_kg_m2: number;
    /** The side that damp comes from over the year. */
    readonly from: 'room' | 'weather';
    /** Months in which it comes from the weather. */
    readonly inward: number;
  };
  'fastener-overloaded': {
    readonly side: Side;
    readonly each_N: number;
    readonly limit_N: number;
    readonly pressure_Pa: number;
  };
  'needs-lift': { readonly weight_kg: number; readonly people: number };
  'surface-cold': {
    readonly side: CutId;
    readonly thing: string;
    readonly temperature_C: number;
    readonly fRsi: number;
    readonly fRsiLeast: number;
    readonly humidity_percent: number;
    /** The dew point, the dampness that mould needs, only the limit of the job, or hardly above it. */
    readonly below: 'dew' | 'damp' | 'limit' | 'near';
  };
  'joint-loses-heat': { readonly side: CutId; readonly psi_WmK: number; readonly most_WmK: number };
  /** A stock that was chosen, and what it lies on; `null` stands for what nobody said. */
  'does-not-stick': {
    readonly material: string;
    readonly faces: readonly (ContactFace | null)[];
    readonly touch: Exclude<Touch, 'goes'>;
    readonly things: readonly string[];
  };
  'shim-too-thin': {
    readonly side: 'left' | 'right';
    readonly thickness_mm: number;
    readonly limit_mm: number;
  };
  'seal-narrow': {
    readonly side: 'left' | 'right' | 'head' | 'sill';
    readonly onReveal_mm: number;
    readonly limit_mm: number;
  };
}

export type FindingCode = keyof FindingFacts;

export interface FindingOf<Code extends FindingCode> {
  readonly code: Code;
  readonly proof: Proof;
  readonly severity: Severity;
  readonly facts: FindingFacts[Code];
  readonly fixes: readonly Fix[];
  readonly source: string;
  /** Of a look: the step at which it is taken. */
  readonly step?: string;
}

export type Finding = { [Code in FindingCode]: FindingOf<Code> }[FindingCode];

export function verdictOf(findings: readonly Finding[]): Verdict {
  const has = (severity: Severity) => findings.some((finding) => finding.severity === severity);
  if (has('fails')) return 'fails';
  if (has('not-checkable')) return 'not-checkable';
  return has('watch') ? 'watch' : 'holds';
}
