/** The one pure function: from what was measured and chosen to everything that follows from it. */
import type { Build } from '../build/build.ts';
import { buildOf } from '../build/build-opening.ts';
import { cutList, type CutRow } from '../build/cut-list.ts';
import { subjectOf } from '../build/subject.ts';
import { exposedTo } from '../conditions/exposed.ts';
import type { JobContext } from '../documents/job.ts';
import type { Opening } from '../documents/opening.ts';
import { checks } from '../findings/checks/index.ts';
import type { Draft } from '../findings/draft.ts';
import type { Finding } from '../findings/finding.ts';
import { readingOrder } from '../findings/order.ts';
import { proveAir } from '../proofs/air/proof.ts';
import { designJoint } from '../proofs/joint/designer.ts';
import { proveLoads } from '../proofs/loads/proof.ts';
import { proveMoisture } from '../proofs/moisture/proof.ts';
import { proveWater } from '../proofs/water/proof.ts';
import { once } from '../quantities/once.ts';
import { judge, type Judgement } from './judgement.ts';
import type { SharedPlans } from './shared-plans.ts';

export interface Plan extends Draft {
  readonly cuts: readonly CutRow[];
  readonly findings: readonly Finding[];
  /** Of all proofs but heat, which takes longer: `judge` with it gives the whole. */
  readonly judgement: Judgement;
}

/**
 * Returns the plan of one opening. Deterministic; never throws on documents that passed their schema.
 *
 * The build is made when the plan is first asked for anything of it, each proof when it is first asked for, and each
 * once. What cannot be derived for want of a reading or a choice is absent, and a finding says so.
 *
 * @param shared where plans of openings that are alike are kept; what is tried out is planned without
 */
export function planOpening(opening: Opening, job: JobContext, shared?: SharedPlans<Plan>): Plan {
  if (shared)
    return named(
      shared.of(opening, job, (alike) => planOpening(alike, job)),
      opening,
      job,
    );
  const subject = subjectOf(opening, job);
  const exposed = exposedTo({ opening, job, unit: subject.unit });
  const build = once(() => buildOf(subject));
  /** A proof of the build, made when first asked for; `null` where nothing is built. */
  const proof = <Proof>(prove: (build: Build) => Proof): (() => Proof | null) =>
    once(() => {
      const built = build();
      return built && prove(built);
    });
  const cuts = once(() => cutList(build()?.pieces ?? []));
  const water = proof((built) => proveWater(built, exposed));
  const air = proof((built) => proveAir(built));
  const joint = proof((built) => designJoint(built, job));
  const moisture = proof((built) => proveMoisture(built, job));
  const loads = proof((built) => proveLoads(built, { job: job.job, exposed }));
  const findings = once(() => readingOrder(checks.flatMap((check) => check.run(plan))));
  const judgement = once(() => judge(plan));
  const plan: Plan = {
    opening,
    job,
    ...subject,
    exposed,
    get build() {
      return build();
    },
    get fit() {
      return build()?.fit ?? null;
    },
    get cuts() {
      return cuts();
    },
    get water() {
      return water();
    },
    get air() {
      return air();
    },
    get joint() {
      return joint();
    },
    get moisture() {
      return moisture();
    },
    get loads() {
      return loads();
    },
    get findings() {
      return findings();
    },
    get judgement() {
      return judgement();
    },
  };
  return plan;
}

/** The plan of one opening made from that of another one like it: what is not made yet is made once for both. */
const named = (made: Plan, opening: Opening, job: JobContext): Plan => ({
  exposed: made.exposed,
  wall: made.wall,
  unit: made.unit,
  method: made.method,
  choices: made.choices,
  numbers: made.numbers,
  readings: made.readings,
  frame: made.frame,
  opening,
  job,
  get build() {
    return made.build;
  },
  get fit() {
    return made.fit;
  },
  get cuts() {
    return made.cuts;
  },
  get water() {
    return made.water;
  },
  get air() {
    return made.air;
  },
  get joint() {
    return made.joint;
  },
  get moisture() {
    return made.moisture;
  },
  get loads() {
    return made.loads;
  },
  get findings() {
    return made.findings;
  },
  get judgement() {
    return made.judgement;
  },
});
