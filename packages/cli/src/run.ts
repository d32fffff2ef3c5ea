/** One call of the command line tool, as a function of its arguments. */
import { parseArgs } from 'node:util';
import {
  axisIds,
  axisTexts,
  choiceText,
  collisions,
  exampleJob,
  figuresIn,
  findingText,
  gradeText,
  heatFindings,
  heatInput,
  judge,
  missingText,
  proveHeat,
  readingOrder,
  formatCut,
  formatLength,
  formatSize,
  jobFileJsonSchema,
  materialTexts,
  openingsOf,
  pieceText,
  planOpening,
  SharedPlans,
  presetIds,
  presets,
  presetTexts,
  readJobFile,
  skarvPoint,
  stepText,
  writeJobFile,
  type Build,
  type Collision,
  type Finding,
  type Judgement,
  type KnownHeat,
  type JobFile,
  type Plan,
  type SharedMade,
  type Solver,
} from '@hulvek/core';
import { cutFile } from './cut.ts';
import { leakageFile } from './leakage.ts';
import { orderFile, orderJob } from './order.ts';
import { solveFile } from './solve.ts';
import { takeoffJob } from './takeoff.ts';
import { textOf, type CliResult } from './result.ts';
import { verifyCall } from './verify.ts';

export type { CliResult } from './result.ts';

const USAGE = `hulvek: plans window openings from a job file

  hulvek plan FILE [--opening MARK] [--json]   verdict, fit, shims, cut list and steps
  hulvek check FILE [--json]                   verdict and findings
      --no-heat                                leave heat out, which takes most of the time
  hulvek solve FILE [--json]                   a section for heat: flows, coldest surfaces, points
  hulvek order FILE [--json]                   a plan of the work: who does what when (hulvek-work), or for
                                               each opening of a job file its line in time and its evenings
      --seconds N                              look for a better plan for so long (2)
  hulvek takeoff FILE [--json|--csv]           what to buy for the openings of a job file, piece by piece
  hulvek cut FILE [--json]                     from which bar each piece is cut (hulvek-stock)
      --seconds N                              look for a better plan for so long (10)
  hulvek leakage FILE [--json]                 a house under a fan: flow, leakage and their bands (hulvek-fan-test)
  hulvek verify FILE [--head FILE]… [--json]   whether an exported log, or a package (zip), is what was sealed
  hulvek schools [--json]                      the ready-made methods, and what each chooses
  hulvek example [SCHOOL]                      a job file to start from, the demo or one opening by a school
  hulvek schema                                JSON Schema of the job file

Exit: 0 holds or watch, 1 something fails, 2 bad input, 3 nothing fails but something is not checkable.
Of order: 0 all placed and in time, 1 something late or unplaced, 2 bad input.
Of verify: 0 nothing was changed, 1 something was, 2 bad input.
Of cut: 0 all pieces are cut, 1 some are not, 2 bad input.
`;

/** @param solver of mixed-integer programs, which plans of cuts ask for */
export function run(
  args: readonly string[],
  read: (path: string) => string,
  solver: Solver | null = null,
): CliResult {
  let parsed;
  try {
    parsed = parseArgs({
      args: [...args],
      allowPositionals: true,
      options: {
        json: { type: 'boolean' },
        csv: { type: 'boolean' },
        opening: { type: 'string' },
        'no-heat': { type: 'boolean' },
        seconds: { type: 'string' },
        head: { type: 'string', multiple: true },
        help: { type: 'boolean', short: 'h' },
      },
    });
  } catch (error) {
    return bad(`${error instanceof Error ? error.message : 'Unknown option'}\n${USAGE}`);
  }
  const { values, positionals } = parsed;
  const [verb, path, ...more] = positionals;
  if (values.help) return good(USAGE);
  if (verb === undefined) return bad(USAGE);
  if (verb === 'example' && path === undefined) return good(writeJobFile(skarvPoint()));
  if (verb === 'example' && path !== undefined && more.length === 0) {
    const school = presetIds.find((id) => id === path);
    return school
      ? good(writeJobFile(exampleJob(school)))
      : bad(`There is no school "${path}". "hulvek schools" lists them.\n`);
  }
  if (verb === 'schools' && path === undefined) return good(schools(values.json ?? false));
  if (verb === 'schema' && path === undefined)
    return good(`${JSON.stringify(jobFileJsonSchema(), null, 2)}\n`);
  if (verb === 'solve') {
    if (path === undefined || more.length > 0) return bad('Name one section file: hulvek solve FILE\n');
    const text = textOf(path, read);
    if (!text.ok) return bad(text.problem);
    const solved = solveFile(path, text.value, values.json ?? false);
    return solved.ok ? good(solved.out) : bad(solved.problem);
  }
  if (verb === 'order') {
    if (path === undefined || more.length > 0) return bad('Name one file: hulvek order FILE\n');
    const text = textOf(path, read);
    if (!text.ok) return bad(text.problem);
    const seconds = secondsIn(values.seconds ?? '2');
    if (seconds === null) return bad(NO_SECONDS);
    const json = values.json ?? false;
    if (isWork(text.value)) return orderFile(path, text.value, { json, seconds });
    const job = load(path, read);
    return typeof job === 'string' ? bad(job) : good(orderJob(job, json));
  }
  if (verb === 'verify') return verifyCall(args.slice(1), read);
  if (verb === 'takeoff') {
    if (path === undefined || more.length > 0) return bad('Name one job file: hulvek takeoff FILE\n');
    if (values.json && values.csv) return bad('Choose one of --json and --csv.\n');
    const job = load(path, read);
    if (typeof job === 'string') return bad(job);
    return good(takeoffJob(job, values.json ? 'json' : values.csv ? 'csv' : 'text'));
  }
  if (verb === 'leakage') {
    if (path === undefined || more.length > 0) return bad('Name one fan test: hulvek leakage FILE\n');
    const text = textOf(path, read);
    return text.ok ? leakageFile(path, text.value, values.json ?? false) : bad(text.problem);
  }
  if (verb === 'cut') {
    if (path === undefined || more.length > 0) return bad('Name one stock file: hulvek cut FILE\n');
    const text = textOf(path, read);
    if (!text.ok) return bad(text.problem);
    const seconds = secondsIn(values.seconds ?? '10');
    if (seconds === null) return bad(NO_SECONDS);
    if (!solver) return bad('The solver of plans of cuts could not be loaded.\n');
    return cutFile(path, text.value, { json: values.json ?? false, seconds, solver });
  }
  if (verb !== 'plan' && verb !== 'check') return bad(`There is no "${verb}" here.\n${USAGE}`);
  if (path === undefined || more.length > 0) return bad(`Name one job file: hulvek ${verb} FILE\n`);
  const loaded = load(path, read);
  if (typeof loaded === 'string') return bad(loaded);
  return report(loaded, {
    verb,
    mark: values.opening,
    json: values.json ?? false,
    heat: values['no-heat'] !== true,
  });
}

const NO_SECONDS = '--seconds takes a figure from 0 to 3600.\n';
function secondsIn(typed: string): number | null {
  const seconds = Number(typed);
  return typed.trim() !== '' && seconds >= 0 && seconds <= 3600 ? seconds : null;
}

/** Whether a text says that it is a work file; what is no JSON is said by whoever reads it. */
function isWork(text: string): boolean {
  try {
    const value: unknown = JSON.parse(text);
    return typeof value === 'object' && value !== null && 'format' in value && value.format === 'hulvek-work';
  } catch {
    return false;
  }
}

const good = (out: string): CliResult => ({ exit: 0, out, err: '' });
const bad = (err: string): CliResult => ({ exit: 2, out: '', err });

/** Every school with its choices, as a list or as JSON. */
function schools(json: boolean): string {
  if (json) {
    const list = presetIds.map((id) => ({ id, ...presetTexts[id], choices: presets[id].choices }));
    return `${JSON.stringify(list, null, 2)}\n`;
  }
  return presetIds
    .map((id) => {
      const { name, summary } = presetTexts[id];
      const choices = axisIds.map((axis) => {
        const { name: choice } = choiceText(axis, presets[id].choices[axis]);
        return `    ${axisTexts[axis].padEnd(26)} ${choice}`;
      });
      return [`${id}  ${name}`, `  ${summary}`, ...choices, ''].join('\n');
    })
    .join('\n');
}

function load(path: string, read: (path: string) => string): JobFile | string {
  const text = textOf(path, read);
  if (!text.ok) return text.problem;
  const result = readJobFile(text.value);
  if (result.ok) return result.value;
  const shown = result.problems
    .slice(0, 20)
    .map((p) => `${path}: ${p.path === '' ? '' : `${p.path}: `}${p.message}\n`);
  const rest = result.problems.length - shown.length;
  return shown.join('') + (rest > 0 ? `${path}: and ${rest} more\n` : '');
}

function report(
  file: JobFile,
  options: { verb: 'plan' | 'check'; mark: string | undefined; json: boolean; heat: boolean },
): CliResult {
  const openings = openingsOf(file).filter((o) => options.mark === undefined || o.mark === options.mark);
  if (options.mark !== undefined && openings.length === 0)
    return bad(`There is no opening "${options.mark}" in this file.\n`);
  const shared: SharedMade = new SharedPlans();
  const all = openings.map((opening) => planOpening(opening, file, shared));
  const near = collisions(all);
  const plans = all.map((plan) => judged(plan, near, options.heat));
  const out = options.json
    ? `${JSON.stringify(
        plans.map((one) => ({ ...asJson(one, options.verb), tooNear: nearTo(one.plan, near) })),
        null,
        2,
      )}\n`
    : [...plans.map((one) => asText(one, file, options)), ...near.map((c) => nearText(c, file))].join('\n');
  const grades = plans.map(({ judgement }) => judgement.grade);
  const exit = grades.includes('fails') ? 1 : grades.includes('not-checkable') ? 3 : 0;
  return { exit, out, err: '' };
}

/** A plan with its verdict and everything found, heat included where it was asked for. */
interface Judged {
  readonly plan: Plan;
  readonly judgement: Judgement;
  readonly findings: readonly Finding[];
}

function judged(plan: Plan, near: readonly Collision[], withHeat: boolean): Judged {
  const heat = withHeat && plan.build ? solvedHeat(plan, plan.build) : 'left-out';
  const found = typeof heat === 'object' ? heat.findings : [];
  return {
    plan,
    judgement: judge(plan, { heat, collides: nearTo(plan, near).length > 0 }),
    findings: readingOrder([...plan.findings, ...found]),
  };
}

function solvedHeat(plan: Plan, build: Build): KnownHeat {
  const solved = proveHeat(heatInput(build, plan.job));
  return solved.ok ? { proof: solved.value, findings: heatFindings(plan, solved.value, false) } : 'unsolved';
}

/** The openings whose strips this one's would meet. */
const nearTo = ({ opening }: Plan, near: readonly Collision[]): string[] =>
  near.flatMap(({ openings }) =>
    openings.includes(opening.id) ? openings.filter((id) => id !== opening.id) : [],
  );

function nearText({ openings, kind, free_mm, needs_mm }: Collision, file: JobFile): string {
  const marks = openings.map((id) => file.openings.find((o) => o.id === id)?.mark ?? id).join(' and ');
  const length = (mm: number) => formatLength(mm, file.job.units);
  return kind === 'openings-overlap'
    ? `${marks}  Fails\n  They lie over each other. Correct a place.\n`
    : `${marks}  Fails\n  ${length(free_mm)} of wall between them, their strips need ${length(needs_mm)}.\n`;
}

function asJson({ plan, judgement, findings }: Judged, verb: 'plan' | 'check'): object {
  const { opening, fit, cuts, build } = plan;
  const { grade: verdict, checked, missing, proofs } = judgement;
  const head = { opening: opening.id, mark: opening.mark, verdict, checked, missing, proofs, findings };
  if (verb === 'check') return head;
  return {
    ...head,
    fit: fit && { verdict: fit.result.verdict, placement: fit.placement, shims: fit.shims },
    cuts,
    steps:
      build?.steps.map(({ id, after, holdPoint, work_min, rest_min, hash }) => ({
        id,
        after,
        holdPoint,
        work_min,
        rest_min,
        hash,
      })) ?? [],
  };
}

function asText(
  { plan, judgement, findings }: Judged,
  file: JobFile,
  { verb, heat }: { verb: 'plan' | 'check'; heat: boolean },
): string {
  const { opening, unit, fit, cuts, build } = plan;
  const units = file.job.units;
  const length = (mm: number) => formatLength(mm, units);
  const lines = [`${opening.mark}  ${opening.name}  ${gradeText(judgement)}`];
  if (judgement.missing.length > 0) lines.push(`  ${missingText(judgement)}`);
  if (!heat) lines.push('  Heat was left out.');
  for (const finding of findings) {
    const { title, text } = findingText(finding, figuresIn(units));
    lines.push(`  ${finding.severity.padEnd(13)} ${title}. ${text}`);
  }
  if (verb === 'check' || !fit || !build || !unit) return `${lines.join('\n')}\n`;
  lines.push(
    `  unit ${formatSize({ width: unit.width.mm, height: unit.height.mm }, units)}, ${length(fit.placement.bottom)} above the rough sill`,
  );
  lines.push('  gaps, flashed:');
  for (const side of ['left', 'right', 'head'] as const) {
    const own = fit.placement.gaps.filter((gap) => gap.side === side).map((gap) => length(gap.flashed_mm));
    lines.push(`    ${side.padEnd(6)} ${own.join(', ')}`);
  }
  lines.push('  shims:');
  for (const shim of fit.shims)
    lines.push(`    ${shim.side.padEnd(6)} at ${length(shim.at_mm)}: ${length(shim.thickness_mm)}`);
  lines.push('  cut list:');
  for (const cut of cuts) {
    const size = formatCut(cut, units);
    lines.push(`    ${pieceText(cut.piece).padEnd(26)} ${size.padEnd(26)} ${materialTexts[cut.material]}`);
  }
  const { count, screw } = build.fastening;
  lines.push(`  fasteners: ${count}, ${length(Math.ceil(screw.length_mm))} long at least`);
  lines.push('  steps:');
  build.steps.forEach((step, i) => {
    lines.push(
      `    ${String(i + 1).padStart(2)} ${stepText(step.id, plan.choices).title}${step.holdPoint ? '  [stop: somebody must look]' : ''}`,
    );
  });
  return `${lines.join('\n')}\n`;
}
