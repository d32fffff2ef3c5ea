/** The one pure function: from what was measured and chosen to everything that follows from it. */
import type { Build } from '../build/build.ts';
import { buildOf } from '../build/build-opening.ts';
import { cutList, type CutRow } from '../build/cut-list.ts';
import { subjectOf, type Subject } from '../build/subject.ts';
import { assumedIn, withAssumed, type Assumable } from '../conditions/assumed.ts';
import { exposedTo, type Exposed } from '../conditions/exposed.ts';
import type { JobContext } from '../documents/job.ts';
import type { Opening } from '../documents/opening.ts';
import { checks } from '../findings/checks/index.ts';
import type { Draft } from '../findings/draft.ts';
import type { Finding } from '../findings/finding.ts';
import { readingOrder } from '../findings/order.ts';
import { proveAir, type AirProof } from '../proofs/air/proof.ts';
import { designJoint, type JointDesign } from '../proofs/joint/designer.ts';
import { proveLoads, type LoadsProof } from '../proofs/loads/proof.ts';
import { proveMoisture, type MoistureProof } from '../proofs/moisture/proof.ts';
import { proveWater, type WaterProof } from '../proofs/water/proof.ts';
import { once } from '../quantities/once.ts';
import { judge, type Judgement } from './judgement.ts';
import type { SharedPlans } from './shared-plans.ts';

export interface Plan extends Draft {
  readonly cuts: readonly CutRow[];
  readonly findings: readonly Finding[];
  /** Of all proofs but heat, which takes longer: `judge` with it gives the whole. */
  readonly judgement: Judgement;
}

/** Everything worked out of an opening, each part when it is first asked for, and once. */
interface Made {
  readonly subject: Omit<Subject, 'setbackGiven'>;
  readonly exposed: Exposed;
  readonly build: () => Build | null;
  readonly cuts: () => readonly CutRow[];
  readonly water: () => WaterProof | null;
  readonly air: () => AirProof | null;
  readonly joint: () => JointDesign | null;
  readonly moisture: () => MoistureProof | null;
  readonly loads: () => LoadsProof | null;
  readonly findings: () => readonly Finding[];
  readonly judgement: () => Judgement;
}

/** What plans of openings that are alike share. */
export type SharedMade = SharedPlans<Made>;

/**
 * Returns the plan of one opening. Deterministic; never throws on documents that passed their schema.
 *
 * The build is made when the plan is first asked for anything of it, each proof when it is first asked for, and each
 * once. What cannot be derived for want of a reading or a choice is absent, and a finding says so.
 *
 * @param shared where what is made for openings that are alike is kept; what is tried out is planned without
 */
export function planOpening(opening: Opening, own: JobContext, shared?: SharedMade): Plan {
  const job = settled(own);
  const made = shared?.of(opening, job, (alike) => make(alike, job)) ?? make(opening, job);
  return planOf(opening, job, made);
}

/** By job, so that plans of one job still share what they share. */
const settledOf = new WeakMap<JobContext, JobContext>();

const assumedFor = new WeakMap<JobContext, readonly Assumable[]>();

/** The job with the weather it lacks, where a generic climate was chosen for it. */
function settled(context: JobContext): JobContext {
  if (!context.job.assumedClimate) return context;
  const known = settledOf.get(context) ?? { ...context, job: withAssumed(context.job) };
  settledOf.set(context, known);
  assumedFor.set(known, assumedIn(context.job));
  return known;
}

function make(opening: Opening, job: JobContext): Made {
  const subject = subjectOf(opening, job);
  const exposed = exposedTo({ opening, job, unit: subject.unit });
  const build = once(() => buildOf(subject));
  /** A proof of the build, made when first asked for; `null` where nothing is built. */
  const proof = <Proof>(prove: (build: Build) => Proof): (() => Proof | null) =>
    once(() => {
      const built = build();
      return built && prove(built);
    });
  const made: Made = {
    subject,
    exposed,
    build,
    cuts: once(() => cutList(build()?.pieces ?? [])),
    water: proof((built) => proveWater(built, exposed)),
    air: proof((built) => proveAir(built)),
    joint: proof((built) => designJoint(built, job)),
    moisture: proof((built) => proveMoisture(built, job)),
    loads: proof((built) => proveLoads(built, { job: job.job, exposed })),
    findings: once(() => readingOrder(checks.flatMap((check) => check.run(plan)))),
    judgement: once(() => judge(plan)),
  };
  const plan = planOf(opening, job, made);
  return made;
}

const planOf = (opening: Opening, job: JobContext, made: Made): Plan => ({
  opening,
  job,
  ...made.subject,
  exposed: made.exposed,
  assumed: assumedFor.get(job) ?? [],
  get build() {
    return made.build();
  },
  get fit() {
    return made.build()?.fit ?? null;
  },
  get cuts() {
    return made.cuts();
  },
  get water() {
    return made.water();
  },
  get air() {
    return made.air();
  },
  get joint() {
    return made.joint();
  },
  get moisture() {
    return made.moisture();
  },
  get loads() {
    return made.loads();
  },
  get findings() {
    return made.findings();
  },
  get judgement() {
    return made.judgement();
  },
});
