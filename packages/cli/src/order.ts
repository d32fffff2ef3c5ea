/** Plans of work from the command line: a work file, or the openings of a job file one by one. */
import {
  contextOf,
  eveningsOf,
  exposedTo,
  openingsOf,
  orderWork,
  planOpening,
  readWork,
  SharedPlans,
  stepText,
  timelineOf,
  type Evening,
  type JobFile,
  type SharedMade,
  type WorkAnswer,
} from '@hulvek/core';
import type { CliResult } from './result.ts';

export function orderFile(
  path: string,
  text: string,
  { json, seconds }: { json: boolean; seconds: number },
): CliResult {
  const read = readWork(JSON.parse(text));
  if (!read.ok)
    return {
      exit: 2,
      out: '',
      err: `${path} is no sound work file.\n${read.problems.map((p) => `  ${p}\n`).join('')}`,
    };
  const until = performance.now() + seconds * 1000;
  const answer = orderWork(read.value, { enough: () => performance.now() >= until });
  const out = json ? `${JSON.stringify(answer, null, 2)}\n` : inWords(answer);
  return { exit: answer.late.length > 0 || answer.unplaced.length > 0 ? 1 : 0, out, err: '' };
}

function inWords({
  tasks,
  finish,
  bound,
  late,
  unplaced,
  best,
  impossible,
  irreducible,
}: WorkAnswer): string {
  const lines = tasks
    .toSorted((a, b) => Date.parse(a.start) - Date.parse(b.start))
    .map(({ id, start, end, people }) => `  ${start} – ${end}  ${id}  ${people.join(', ')}`);
  return [
    ...lines,
    finish === null
      ? 'Nothing is placed.'
      : `Done ${finish}; ${best ? 'no plan of this is better' : `no plan of this is done before ${bound}`}.`,
    ...late.map(({ task, minutes }) => `Late: ${task}, by ${minutes} min.`),
    ...unplaced.map(({ task, why }) => `Unplaced: ${task}, ${why}.`),
    ...(impossible === 'proven' ? ['That all of it is placed is proven impossible.'] : []),
    ...(impossible === 'not found in time'
      ? ['No place was found in time; that there is none is not proven.']
      : []),
    ...(irreducible
      ? [
          'These cannot all hold; without any one of them the others can:',
          ...irreducible.map(({ path, says }) => `  ${path}: ${says}`),
        ]
      : []),
    '',
  ].join('\n');
}

/** Every opening that can be built: its steps in time, and what rain would do on each evening. */
export function orderJob(file: JobFile, json: boolean): string {
  const job = contextOf(file);
  const shared: SharedMade = new SharedPlans();
  const openings = openingsOf(file).map((opening) => {
    const { build, unit } = planOpening(opening, job, shared);
    if (!build) return { mark: opening.mark, steps: null };
    const evenings = eveningsOf(build, exposedTo({ opening, job, unit }));
    const { steps, total_min, work_min } = timelineOf(build.steps);
    return {
      mark: opening.mark,
      total_min,
      work_min,
      before: evening(evenings[0]),
      steps: steps.map(({ id, start_min, end_min }, i) => ({
        id,
        title: stepText(id).title,
        start_min,
        end_min,
        ...evening(evenings[i + 1]),
      })),
    };
  });
  if (json) return `${JSON.stringify({ openings }, null, 2)}\n`;
  return openings
    .map(({ mark, steps }) =>
      steps === null
        ? `${mark}: no plan yet\n`
        : `${mark}\n${steps
            .map(
              (s, i) =>
                `  ${String(i + 1).padStart(2)}  ${s.start_min}–${s.end_min} min  ${s.title}: ${s.stop ? s.rain : `no stop (${s.rain})`}`,
            )
            .join('\n')}\n`,
    )
    .join('\n');
}

const evening = (one: Evening | undefined) => ({
  rain: one?.open
    ? 'open, wets the room'
    : {
        drains: 'drains',
        'wets-framing': 'wets the framing',
        'wets-room': 'wets the room',
        'not-checkable': 'not checkable',
      }[one?.state ?? 'not-checkable'],
  stop: one?.noStop === null,
});
