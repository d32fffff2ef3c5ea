/** What a consultant would say, held against what the program says. */
import { describe, expect, it } from 'vitest';
import { planOpening, proveAir, proveWater, withChanges, type Opening, type Plan } from '../src/index.ts';
import { checks } from '../src/findings/checks/index.ts';
import { fullSite } from './support/full-site.ts';
import { outcomeOf } from '../src/proofs/water/outcome.ts';
import { situations, type Situation } from './verdicts.expected.ts';

const length = (mm: number) => ({ typed: String(mm), mm });

function planned({ school, choices = {}, numbers = {}, readings = {}, without, weight_kg }: Situation): Plan {
  const { job, opening } = fullSite(school, without);
  const [unit] = job.units;
  if (weight_kg !== undefined && unit) unit.weight_kg = weight_kg;
  const values = { ...opening.survey.values };
  for (const [point, mm] of Object.entries(readings)) Object.assign(values, { [point]: length(mm) });
  return planOpening(
    {
      ...opening,
      survey: { ...opening.survey, values },
      choices: { ...opening.choices, ...choices } as Opening['choices'],
      numbers: Object.fromEntries(Object.entries(numbers).map(([id, mm]) => [id, length(mm)])),
    },
    job,
  );
}

function meets(situation: Situation): void {
  const plan = planned(situation);
  const { build, exposed } = plan;
  if (!build) throw new Error('nothing is planned');
  const { expect: want, changes = [] } = situation;
  const changed = withChanges(build, changes);
  if (!changed.ok) throw new Error(changed.error);
  const { build: now, lost } = changed.value;
  const water = proveWater(now, exposed, { lost });
  const outcome = outcomeOf(water);
  const air = proveAir(now, { lost });
  const asBuilt = Object.create(plan, {
    build: { value: now },
    water: { value: water },
    air: { value: air },
  }) as Plan;
  const findings = changes.length > 0 ? checks.flatMap((check) => check.run(asBuilt)) : plan.findings;
  const seen = {
    ...(want.whole && { whole: plan.judgement.grade }),
    ...(want.water && { water: changes.length > 0 ? water.verdict : plan.judgement.proofs.water.grade }),
    ...(want.air && { air: changes.length > 0 ? air.verdict : plan.judgement.proofs.air.grade }),
    ...(want.moisture && { moisture: plan.judgement.proofs.moisture.grade }),
    ...(want.path && { path: outcome.path }),
    ...(want.bonds !== undefined && { bonds: outcome.k }),
    ...(want.bondsToOpening !== undefined && { bondsToOpening: outcome.kOpening }),
    ...(want.people && { people: plan.loads?.handling?.people }),
  };
  const { finding, severity, noFinding, missing, ...plain } = want;
  expect(seen).toEqual(plain);
  const codes = findings.map(({ code }) => code);
  if (finding) {
    expect(codes).toContain(finding);
    if (severity)
      expect(findings.filter(({ code }) => code === finding).map((f) => f.severity)).toContain(severity);
  }
  if (noFinding) expect(codes).not.toContain(noFinding);
  if (missing) expect(plan.judgement.missing).toContain(missing);
}

describe('what becomes of water, air and verdict', () => {
  for (const situation of situations) it(situation.says, () => meets(situation));
});
