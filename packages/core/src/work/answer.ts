/** The answer to a work file: who does what when, what is late, what found no place and why. */
import type { Work } from './document.ts';
import { modelOf, type Model } from './model.ts';
import type { WhyNot } from './board.ts';
import { finishBound } from './bound.ts';
import { planWork, type SearchOptions, type WorkPlan } from './planner.ts';

export interface WorkAnswer {
  readonly tasks: readonly {
    readonly id: string;
    readonly start: string;
    readonly end: string;
    readonly people: readonly string[];
    readonly tools: Readonly<Record<string, number>>;
  }[];
  /** When the last one is done; `null` where nothing is placed. */
  readonly finish: string | null;
  /** No plan of what is placed is done before. */
  readonly bound: string | null;
  readonly late: readonly { readonly task: string; readonly minutes: number }[];
  readonly unplaced: readonly { readonly task: string; readonly why: string }[];
}

const WHY: Readonly<Record<WhyNot, string>> = {
  'no-weather': 'no weather',
  'no-people': 'no people with these skills',
  'no-tools': 'no tools',
  'no-time': 'no time left',
  'waits-for-unplaced': 'waits for what is unplaced',
  'too-late-after': 'cannot follow in time',
};

export function orderWork(work: Work, options: SearchOptions): WorkAnswer {
  const model = modelOf(work);
  return answerOf(work, model, planWork(model, options));
}

export function answerOf(work: Work, model: Model, { placed, why, score }: WorkPlan): WorkAnswer {
  const at = (minute: number) => writtenIn(new Date(model.start_ms + minute * 60_000), model.zone);
  const tasks = model.tasks.flatMap((task, i) => {
    const one = placed[i];
    if (!one) return [];
    return [
      {
        id: task.id,
        start: at(one.start),
        end: at(one.end),
        people: one.crew.map((person) => model.people[person] ?? ''),
        tools: Object.fromEntries(task.tools.map(([tool, count]) => [model.tools[tool]?.id ?? '', count])),
      },
    ];
  });
  const any = tasks.length > 0;
  return {
    tasks,
    finish: any ? at(score[2]) : null,
    bound: any ? at(finishBound(model, (i) => placed[i] !== null)) : null,
    late: model.tasks.flatMap(({ id, due }, i) => {
      const by = due === null ? 0 : (placed[i]?.end ?? 0) - due;
      return by > 0 ? [{ task: id, minutes: by }] : [];
    }),
    unplaced: work.tasks.flatMap(({ id }, i) =>
      placed[i] ? [] : [{ task: id, why: WHY[why[i] ?? 'waits-for-unplaced'] }],
    ),
  };
}

/** RFC 3339 with the offset of the zone at that moment. */
function writtenIn(at: Date, zone: string): string {
  const parts = new Intl.DateTimeFormat('en-GB', {
    timeZone: zone,
    hourCycle: 'h23',
    year: 'numeric',
    month: '2-digit',
    day: '2-digit',
    hour: '2-digit',
    minute: '2-digit',
    second: '2-digit',
    timeZoneName: 'longOffset',
  }).formatToParts(at);
  const of = (type: string) => parts.find((part) => part.type === type)?.value ?? '';
  const offset = of('timeZoneName').replace('GMT', '');
  return `${of('year')}-${of('month')}-${of('day')}T${of('hour')}:${of('minute')}:${of('second')}${offset === '' ? 'Z' : offset}`;
}
