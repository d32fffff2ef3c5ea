/** What a plan says, as plain data that can be kept: every number to a thousandth, findings as a set. */
import {
  cutDrawing,
  cutIds,
  faceDrawing,
  formatLength,
  heatInput,
  jointCosts,
  pieceText,
  planOpening,
  proveHeat,
  type JobContext,
  type Opening,
  type Plan,
} from '@hulvek/core';

/** Sections of a record; each is compared, and digested, on its own. */
export const sections = [
  'verdict',
  'fit',
  'cuts',
  'steps',
  'findings',
  'water',
  'air',
  'joint',
  'moisture',
  'loads',
  'drawings',
] as const;
export type Section = (typeof sections)[number];
export type PlanRecord = Readonly<Record<Section, unknown>>;

const THOUSANDTH = 1000;

/** The same value with its numbers rounded, its keys in order, and nothing that JSON would leave out. */
export function plain(value: unknown): unknown {
  if (typeof value === 'number') {
    if (!Number.isFinite(value)) return String(value);
    const rounded = Math.round(value * THOUSANDTH) / THOUSANDTH;
    return rounded === 0 ? 0 : rounded;
  }
  if (value instanceof Set) return [...value].map(plain);
  if (value instanceof Map) return [...value].map(plain);
  if (Array.isArray(value)) return value.map(plain);
  if (typeof value !== 'object' || value === null) return value;
  return Object.fromEntries(
    Object.entries(value)
      .filter(([, v]) => v !== undefined && typeof v !== 'function')
      .sort(([a], [b]) => (a < b ? -1 : 1))
      .map(([key, v]) => [key, plain(v)]),
  );
}

const drawn = { width: 1000, height: 760, figure: (mm: number) => formatLength(mm, 'mm', 'figure') };

/** Face and cuts of the finished wall, and the face half way through the work. */
function drawings({ build }: Plan): unknown {
  if (!build) return null;
  const all = build.steps.length;
  const half = Math.floor(all / 2);
  return {
    face: faceDrawing(build, { ...drawn, step: all }).items,
    halfway: faceDrawing(build, { ...drawn, step: half }).items,
    ...Object.fromEntries(
      cutIds.map((cut) => [cut, cutDrawing(build, { ...drawn, cut, step: all, name: pieceText }).items]),
    ),
  };
}

const lines = (list: readonly unknown[]): string[] => list.map((one) => JSON.stringify(plain(one)));

export function planRecord(opening: Opening, job: JobContext): PlanRecord {
  const plan = planOpening(opening, job);
  const { fit, build, cuts, findings } = plan;
  return {
    verdict: plain(plan.judgement),
    fit: plain(fit),
    cuts: lines(cuts),
    steps: lines(
      (build?.steps ?? []).map(({ id, hash, after, events, covers, places, holdPoint, needs, ...rest }) => ({
        id,
        hash,
        after,
        events,
        covers,
        places,
        holdPoint,
        needs,
        work_min: rest.work_min,
        rest_min: rest.rest_min,
      })),
    ),
    findings: lines(
      findings.map(({ code, proof, severity, facts, fixes, source }) => ({
        code,
        proof,
        severity,
        facts,
        fixes,
        source,
      })),
    ).sort(),
    water: plain(plan.water),
    air: plain(plan.air),
    joint: plain(build ? { design: plan.joint, costs: jointCosts(build, job) } : null),
    moisture: plain(plan.moisture),
    loads: plain(plan.loads),
    drawings: plain(drawings(plan)),
  };
}

/** Heat of all four sides, solved: too slow for every record. */
export function heatRecord(opening: Opening, job: JobContext): unknown {
  const { build } = planOpening(opening, job);
  return plain(build && proveHeat(heatInput(build, job)));
}
