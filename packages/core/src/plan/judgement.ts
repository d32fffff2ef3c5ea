/**
 * What an opening comes down to: one verdict of all its proofs, and what is missing to make it. Every list, board, page,
 * sheet and command shows this and nothing else.
 */
import { headVerdict } from '../conditions/exposure.ts';
import type { Draft } from '../findings/draft.ts';
import { verdictOf, type Finding } from '../findings/finding.ts';
import type { HeatProof } from '../proofs/heat/proof.ts';
import { gravest, type Proof, type Verdict } from '../vocabulary/verdict.ts';

export const judgedProofs = [
  'fit',
  'delivery',
  'method',
  'water',
  'air',
  'heat',
  'joint',
  'moisture',
  'loads',
] as const;
export type JudgedProof = (typeof judgedProofs)[number];

/** Data without which a proof says nothing, in the order in which they are asked for. */
export const missingData = [
  'figures',
  'plan',
  'unit-shape',
  'old-wall',
  'wind',
  'height',
  'months',
  'lining',
  'weight',
  'fastener',
  'shelter',
  'heat',
] as const;
export type MissingData = (typeof missingData)[number];

/** A grade that is not "not checkable". */
export type Checked = Exclude<Verdict, 'not-checkable'>;

export interface Grade {
  readonly grade: Verdict;
  /** Of what could be checked: the grade itself, unless something is missing. */
  readonly checked: Checked;
  readonly missing: readonly MissingData[];
  /** What has to be seen while it is built for the grade to be true; looks that several places share are one. */
  readonly looks: number;
}

/**
 * What is told beside "not checkable", or `null`. That nothing was found is not told: where a proof was not made, a
 * "holds" beside it would read as good.
 */
export const toldBeside = ({ grade, checked }: Pick<Grade, 'grade' | 'checked'>): Checked | null =>
  grade === 'not-checkable' && checked !== 'holds' ? checked : null;

export interface Judgement extends Grade {
  readonly proofs: Readonly<Record<JudgedProof, Grade>>;
  /** Heat is being solved: the grade is the one without it. */
  readonly working: boolean;
  /** Some of the weather it rests on is a generic climate's. */
  readonly assumed: boolean;
}

/**
 * What is known of the heat: its proof with what it found, that it is at work, that it could not be solved, or that it
 * was left out on purpose.
 */
export type KnownHeat =
  { readonly proof: HeatProof; readonly findings: readonly Finding[] } | 'working' | 'unsolved' | 'left-out';

export interface JudgeOptions {
  readonly heat?: KnownHeat;
  /** Its strips meet those of another opening, or it lies over one: seen only where openings are looked at together. */
  readonly collides?: boolean;
}

/** Which of the proofs that are judged a finding speaks for. */
const PROOF_OF: Readonly<Record<Proof, JudgedProof>> = {
  fit: 'fit',
  record: 'delivery',
  order: 'method',
  water: 'water',
  air: 'air',
  heat: 'heat',
  moisture: 'moisture',
  structure: 'loads',
};

type Subject = Draft & { readonly findings: readonly Finding[] };

/** Gravest of the grades; what is missing beside what could be checked. */
function graded(verdicts: readonly Verdict[], missing: readonly MissingData[], looks: number): Grade {
  const checked = gravest(verdicts.filter((verdict) => verdict !== 'not-checkable')) as Checked;
  const open = missing.length > 0 || verdicts.includes('not-checkable');
  return { grade: checked === 'fails' || !open ? checked : 'not-checkable', checked, missing, looks };
}

const looksIn = (findings: readonly Finding[]): number =>
  findings.filter(({ severity }) => severity === 'look').length;

/** Returns the verdict of one opening. Source of the grades: fails > not checkable > watch > holds. */
export function judge(plan: Subject, { heat = 'left-out', collides = false }: JudgeOptions = {}): Judgement {
  const solved = typeof heat === 'object' ? heat : null;
  const findings = [...plan.findings, ...(solved?.findings ?? [])];
  const of = (proof: JudgedProof, own: readonly Verdict[], missing: readonly MissingData[] = []): Grade => {
    const told = findings.filter((f) => PROOF_OF[f.proof] === proof);
    const unplanned: readonly MissingData[] = plan.build ? missing : ['plan'];
    return graded([verdictOf(told), ...own], proof === 'delivery' ? missing : unplanned, looksIn(told));
  };
  const missing = missingOf(plan);
  const proofs: Record<JudgedProof, Grade> = {
    fit: of('fit', collides ? ['fails'] : [], missing.fit),
    delivery: of('delivery', []),
    method: of('method', []),
    water: of('water', plan.water ? [plan.water.verdict] : [], missing.water),
    air: of('air', plan.air ? [plan.air.verdict] : [], missing.air),
    heat: of('heat', solved ? [solved.proof.verdict] : [], heat === 'unsolved' ? ['heat'] : []),
    joint: of('joint', plan.joint ? [plan.joint.verdict] : [], missing.joint),
    moisture: of('moisture', plan.moisture ? [plan.moisture.verdict] : [], missing.moisture),
    loads: of('loads', plan.loads ? [plan.loads.verdict] : [], missing.loads),
  };
  // Heat that is at work, or that nobody asked for, says nothing yet.
  const counted = judgedProofs.filter((id) => id !== 'heat' || solved !== null || heat === 'unsolved');
  const whole = graded(
    counted.flatMap((id) => [proofs[id].grade, proofs[id].checked]),
    missingData.filter((what) => counted.some((id) => proofs[id].missing.includes(what))),
    looksIn(findings),
  );
  return { ...whole, proofs, working: heat === 'working', assumed: plan.assumed.length > 0 };
}

function missingOf({
  build,
  job,
  opening,
  wall,
  frame,
  unit,
  loads,
  exposed,
  findings,
}: Subject): Readonly<Record<Exclude<JudgedProof, 'delivery' | 'method' | 'heat'>, readonly MissingData[]>> {
  const has = (code: Finding['code']) => findings.some((finding) => finding.code === code);
  const pick = (what: MissingData, isMissing: boolean): readonly MissingData[] => (isMissing ? [what] : []);
  const figures = pick('figures', frame === null || frame.missing.length > 0);
  const wind = [
    ...pick('wind', job.job.wind === undefined),
    ...pick('height', opening.exposure?.height_m === undefined),
  ];
  // A head with a flashing of its own needs no roof.
  const shelter = pick(
    'shelter',
    exposed.rain === null && build !== null && headVerdict(null, build.context.choices) === 'watch',
  );
  const old = pick('old-wall', build?.context.choices.waterLayer === 'existing');
  return {
    fit: [...figures, ...pick('unit-shape', has('unit-not-checkable'))],
    water: [...old, ...wind, ...shelter],
    air: old,
    joint: figures,
    moisture: [
      ...pick('months', job.job.months === undefined),
      ...pick('lining', !(wall?.layers ?? []).some((layer) => layer.role === 'interior-finish')),
    ],
    loads: [
      ...wind,
      ...pick('weight', unit !== null && loads?.handling === null),
      ...pick('fastener', loads?.fasteners?.limit_N === null),
    ],
  };
}
