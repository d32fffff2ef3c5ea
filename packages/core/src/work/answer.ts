/** The answer to a work file: who does what when, what is late, what found no place and why. */
import type { Work } from './document.ts';
import { modelOf, type Model } from './model.ts';
import { Grounds, type WhyNot } from './board.ts';
import { finishBound } from './bound.ts';
import { irreducibleOf, type Rule } from './irreducible.ts';
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
  /** No plan places more, is less late, done sooner or begins earlier. */
  readonly best: boolean;
  /** Whether what is unplaced cannot be placed at all, or was only not found; left out where all is placed. */
  readonly impossible?: 'proven' | 'not found in time';
  /** Rules that cannot all be kept, of which none is too many; left out where nothing is proven impossible. */
  readonly irreducible?: readonly Rule[];
}

const WHY: Readonly<Record<WhyNot, string>> = {
  'no-weather': 'no weather',
  'no-people': 'no people with these skills',
  'did-it': 'whoever did the work does not look at it',
  'no-tools': 'no tools',
  'no-time': 'no time left',
  'waits-for-unplaced': 'waits for what is unplaced',
  'too-late-after': 'cannot follow in time',
  'too-early-after': 'cannot follow so soon',
  busy: 'people are busy',
};

/** How often a search for what is impossible looks up, at most: a second or two. */
const MOST_LOOKS = 400;

export interface OrderOptions extends SearchOptions {
  /** Whether what stands against a plan is looked for where something finds no place. */
  readonly explain?: boolean;
}

export function orderWork(work: Work, { explain = true, ...options }: OrderOptions): WorkAnswer {
  const model = modelOf(work);
  const plan = planWork(model, options);
  const answer = answerOf(work, model, plan);
  if (answer.unplaced.length === 0 || !explain) return answer;
  let looks = 0;
  const rules = irreducibleOf(
    work,
    answer.unplaced.map(({ task }) => task),
    () => looks++ > MOST_LOOKS,
  );
  return rules
    ? { ...answer, impossible: 'proven', irreducible: rules }
    : { ...answer, impossible: plan.proven ? 'proven' : 'not found in time' };
}

export function answerOf(work: Work, model: Model, { placed, why, score, proven }: WorkPlan): WorkAnswer {
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
    // A best plan is done no sooner by any other that places as much and is as little late.
    bound: any
      ? at(proven ? score[2] : finishBound(new Grounds(model), (i) => placed[i] !== null).minute)
      : null,
    late: model.tasks.flatMap(({ id, due }, i) => {
      const by = due === null ? 0 : (placed[i]?.end ?? 0) - due;
      return by > 0 ? [{ task: id, minutes: by }] : [];
    }),
    unplaced: work.tasks.flatMap(({ id }, i) =>
      placed[i] ? [] : [{ task: id, why: WHY[why[i] ?? 'waits-for-unplaced'] }],
    ),
    best: proven,
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
