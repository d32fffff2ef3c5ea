/** The one pure function: from what was measured and chosen to everything that follows from it. */
import { proveAir } from '../proofs/air/proof.ts';
import type { JobContext } from '../documents/job.ts';
import type { Opening } from '../documents/opening.ts';
import { verdictOf, type Finding } from '../findings/finding.ts';
import { severities, type Verdict } from '../vocabulary/verdict.ts';
import { checks } from '../findings/checks/index.ts';
import { presets } from '../methods/schools.ts';
import { openingFrame, readingsFromOutside } from '../survey/frame.ts';
import { exposedTo } from '../conditions/exposed.ts';
import { proveWater } from '../proofs/water/proof.ts';
import { choicesOf, withChoices } from '../methods/choices.ts';
import { cutList, type CutRow } from '../build/cut-list.ts';
import type { Draft } from '../findings/draft.ts';
import { isGiven, numbersOf } from '../methods/numbers.ts';
import { build } from '../build/build-opening.ts';

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
  const school = method ? presets[method.preset].numbers : {};
  const choices = method ? choicesOf(method, opening) : null;
  const given = [method?.numbers ?? {}, opening.numbers] as const;
  const chosen = numbersOf(school, ...given);
  const numbers = choices ? withChoices(chosen, choices) : chosen;
  const readings = readingsFromOutside(opening.survey);
  const frame = openingFrame(readings);
  const built =
    wall && unit && method && choices && frame
      ? build({
          frame,
          wall,
          unit,
          method,
          choices,
          numbers,
          depth_mm: readings.depth,
          setbackGiven: isGiven('setback', school, ...given),
        })
      : null;
  const exposed = exposedTo({ opening, job, unit });
  const draft: Draft = {
    opening,
    job,
    wall,
    unit,
    method,
    choices,
    numbers,
    readings,
    frame,
    fit: built?.fit ?? null,
    build: built?.build ?? null,
    exposed,
    water: built ? proveWater(built.build, exposed) : null,
    air: built ? proveAir(built.build) : null,
  };
  const rank = (finding: Finding) => severities.indexOf(finding.severity);
  const findings = checks.flatMap((check) => check.run(draft)).sort((a, b) => rank(a) - rank(b));
  return { ...draft, cuts: built ? cutList(built.build.pieces) : [], findings, verdict: verdictOf(findings) };
}
