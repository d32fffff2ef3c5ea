/** A job's calendar as somebody works with it: the plan that was taken, one that is offered, and what a move would do. */
import type { JobStore } from '$lib/job/job.svelte.ts';
import { calendarWords as t } from '$words/calendar.ts';
import { asksPlan, withReadings, withSequences } from './taken-plan.ts';
import { workName } from '$words/task-title.ts';
import {
  contentHash,
  visitsOf,
  type Because,
  type Calendar,
  type CalendarPlan,
  type Visit,
  type WeatherRow,
  type WhyNot,
} from '@hulvek/core';
import type { CalendarAnswer, CalendarAsk, ShownPlan } from './calendar-messages.ts';

/** Seconds that a better plan is looked for. */
const SEARCH_s = 20;

export class CalendarDesk {
  readonly store: JobStore;
  #worker: Worker | null = null;
  #asked = 0;
  readonly #waiting = new Map<number, (answer: CalendarAnswer) => void>();
  state = $state<'opening' | 'ready' | 'planning' | 'failed'>('opening');
  missing = $state.raw<readonly string[]>([]);
  weather = $state.raw<readonly WeatherRow[]>([]);
  dry = $state.raw<readonly boolean[]>([]);
  list = $state.raw<ShownPlan['nights'] | null>(null);
  taken = $state.raw<ShownPlan | null>(null);
  offered = $state.raw<ShownPlan | null>(null);
  /** What a drag under way would do. */
  tried = $state.raw<ShownPlan | null>(null);
  refused = $state.raw<{ task: string; why: WhyNot } | null>(null);
  broken = $state.raw<readonly { task: string; why: WhyNot }[]>([]);
  unknown = $state(0);
  share = $state(0);
  problem = $state('');
  chosen = $state<string | null>(null);
  /** The evening that is looked at. */
  evening = $state<string | null>(null);
  because = $state.raw<{ because: Because; other: string | null } | null>(null);
  /** The plan before the one that was taken last, to go back to; null stands for none. */
  #before = $state.raw<{ plan: CalendarPlan | null } | null>(null);

  constructor(store: JobStore) {
    this.store = store;
  }

  get calendar(): Calendar | null {
    return this.store.context.job.calendar ?? null;
  }

  get mayPlan(): boolean {
    return this.store.pack.rights.includes('settings');
  }

  get canUndo(): boolean {
    return this.#before !== null;
  }

  shown = $derived.by(() => this.tried ?? this.offered ?? this.taken);
  /** Whether bars are of what each person does, or of what is done at an opening. */
  byPerson = $state(false);
  visits = $derived.by((): readonly Visit[] => {
    const { calendar } = this;
    const tasks = this.shown?.result.tasks;
    if (!tasks || !calendar) return [];
    return this.byPerson
      ? calendar.people.flatMap(({ id }) => visitsOf(tasks, calendar.zone, id))
      : visitsOf(tasks, calendar.zone);
  });
  chosenVisit = $derived.by(
    () => this.visits.find(({ tasks }) => tasks.some(({ id }) => id === this.chosen)) ?? null,
  );
  marks = $derived.by(
    () => new Map([...this.store.views.values()].map(({ opening }) => [opening.id as string, opening.mark])),
  );
  names = $derived.by(() => new Map((this.calendar?.people ?? []).map(({ id, name }) => [id, name])));

  markOf = (opening: string): string => workName(this.calendar, opening, (id) => this.marks.get(id) ?? id);
  nameOf = (person: string): string => this.names.get(person) ?? person;

  #ask(ask: CalendarAsk, hear: (answer: CalendarAnswer) => void): void {
    this.#worker ??= this.#open();
    this.#asked += 1;
    this.#waiting.set(this.#asked, hear);
    this.#worker.postMessage({ ...ask, id: this.#asked });
  }

  #open(): Worker {
    const worker = new Worker(new URL('./calendar.worker.ts', import.meta.url), { type: 'module' });
    worker.onmessage = ({ data }: MessageEvent<CalendarAnswer>) => {
      if (data.kind === 'failed') this.#fail();
      else this.#waiting.get(data.id)?.(data);
      if (data.kind !== 'better') this.#waiting.delete(data.id);
    };
    worker.onerror = () => this.#fail();
    return worker;
  }

  #fail(): void {
    this.state = 'failed';
    this.problem = t.failed;
  }

  close(): void {
    this.#worker?.terminate();
    this.#worker = null;
  }

  /** All that a plan is made from, and the plan that was taken; verdicts that come in are no part of it. */
  content = $derived.by(() =>
    JSON.stringify([
      contentHash(this.store.context),
      ...[...this.store.views.values()].map(({ opening, version, readings, issues, entries }) => [
        opening.id,
        version,
        readings.length,
        issues.length,
        entries.length,
        this.store.drafts.has(opening.id),
      ]),
    ]),
  );
  #opened = '';

  /** Follows the job, but not while a plan is looked for or offered: that one is looked at first. */
  refresh(): void {
    if (this.content === this.#opened || this.state === 'planning' || this.offered) return;
    this.open();
  }

  /** Works out the job as it stands. */
  open(): void {
    if (!this.calendar) return;
    this.state = 'opening';
    this.#opened = this.content;
    this.offered = this.tried = this.refused = null;
    const { context } = this.store;
    const ask: CalendarAsk = {
      kind: 'open',
      context: $state.snapshot(context) as typeof context,
      parts: [...this.store.views.values()].map(({ opening, issues, entries }) => ({
        opening: $state.snapshot(opening) as typeof opening,
        issues: [...issues],
        entries: [...entries],
      })),
      plan: asksPlan(context.job.calendarPlan),
      looksApart: this.store.pack.lookRule === 'not-the-doer',
      now: new Date().toISOString(),
    };
    this.#ask(ask, (answer) => {
      if (answer.kind !== 'opened') return;
      this.missing = answer.missing;
      this.weather = answer.weather;
      this.dry = answer.dry;
      this.list = answer.list;
      this.taken = answer.taken;
      this.broken = answer.broken;
      this.unknown = answer.unknown;
      this.state = 'ready';
      if (this.chosen) this.choose(this.chosen);
    });
  }

  plan(): void {
    this.state = 'planning';
    this.share = 0;
    this.refused = null;
    this.#ask({ kind: 'plan', seconds: SEARCH_s }, (answer) => this.#offer(answer));
  }

  stop(): void {
    this.#ask({ kind: 'stop' }, () => undefined);
  }

  replan(): void {
    this.state = 'planning';
    this.#ask({ kind: 'replan' }, (answer) => this.#offer(answer));
  }

  #offer(answer: CalendarAnswer): void {
    if (answer.kind === 'better') {
      this.offered = answer.shown;
      this.share = answer.share;
    }
    if (answer.kind !== 'planned') return;
    this.offered = answer.shown;
    this.state = 'ready';
    if (this.chosen) this.choose(this.chosen);
  }

  /** Leaves everything as it was taken. */
  back(): void {
    this.offered = this.tried = this.refused = null;
    this.#ask({ kind: 'back' }, () => undefined);
    this.refresh();
    if (this.chosen) this.choose(this.chosen);
  }

  #trying = false;
  #next: (() => void) | null = null;

  /** What it would do to begin a bar at a moment, or with another person; only the last of many is worked out. */
  try(visit: Visit, at: string, who: { person: string; replaces: string } | null, keep: boolean): void {
    const run = () => {
      this.#trying = true;
      this.#ask(
        { kind: 'move', tasks: visit.tasks.map(({ id }) => id), at, keep, ...(who ?? {}) },
        (answer) => {
          this.#trying = false;
          if (answer.kind === 'planned') {
            this.refused = null;
            if (keep) {
              this.offered = answer.shown;
              this.tried = null;
            } else this.tried = answer.shown;
          } else if (answer.kind === 'refused') {
            this.refused = answer;
            this.tried = null;
          }
          const next = this.#next;
          this.#next = null;
          next?.();
        },
      );
    };
    if (this.#trying) this.#next = run;
    else run();
  }

  choose(task: string | null): void {
    this.chosen = task;
    this.because = null;
    if (task !== null)
      this.#ask({ kind: 'why', task }, (answer) => {
        if (answer.kind === 'because' && this.chosen === task) this.because = answer;
      });
  }

  /** Everybody goes by it from now on. */
  async take(): Promise<void> {
    const { offered } = this;
    if (!offered) return;
    const was = this.store.context.job.calendarPlan ?? null;
    const { id: account, name: person } = this.store.pack.me;
    const plan: CalendarPlan = withSequences(was, {
      at: new Date().toISOString(),
      person,
      account,
      tasks: withReadings(offered.result),
    });
    if (!(await this.#put(was, plan))) return;
    this.#before = { plan: was };
    this.offered = null;
    this.refresh();
  }

  async undo(): Promise<void> {
    const before = this.#before;
    if (!before) return;
    const was = this.store.context.job.calendarPlan ?? null;
    const back =
      before.plan &&
      withSequences(was, { ...before.plan, tasks: before.plan.tasks.filter(({ gone }) => !gone) });
    if (await this.#put(was, back)) this.#before = null;
  }

  async #put(was: CalendarPlan | null, plan: CalendarPlan | null): Promise<boolean> {
    this.problem = await this.store.put('site', {
      was: was ? { calendarPlan: was } : {},
      change: plan ? { calendarPlan: plan } : {},
    });
    return this.problem === '';
  }

  /** Changes the calendar itself: pins, days that are kept, sheets. */
  async change(edit: (calendar: Calendar) => Calendar): Promise<void> {
    const { calendar } = this;
    if (calendar)
      this.problem = await this.store.put('site', {
        was: { calendar },
        change: { calendar: edit(calendar) },
      });
  }

  /** A look is made when its step is done: the step is what can be pinned. */
  mayPin = (visit: Visit): boolean =>
    this.mayPlan && this.isOfOpening(visit) && !visit.tasks.some(({ isLook }) => isLook);
  isOfOpening = ({ opening }: Visit): boolean => this.marks.has(opening);

  isPinned = (visit: Visit): boolean =>
    visit.tasks.every(({ opening, step }) =>
      (this.calendar?.pins ?? []).some((pin) => pin.opening === opening && pin.step === step),
    );

  /** What is pinned does not begin before it does now, whatever is planned anew; pressed again the pin is out. */
  async pin(visit: Visit): Promise<void> {
    if (!this.mayPin(visit)) return;
    const isPinned = this.isPinned(visit);
    await this.change((calendar) => {
      const others = calendar.pins.filter(
        (pin) => !visit.tasks.some(({ opening, step }) => pin.opening === opening && pin.step === step),
      );
      const own = visit.tasks
        .filter(({ isLook }) => !isLook)
        .map(({ opening, step, from }) => ({
          opening: opening as Calendar['pins'][number]['opening'],
          step,
          at: from,
        }));
      return { ...calendar, pins: isPinned ? others : [...others, ...own] };
    });
  }

  isCovered = (opening: string, on: string): boolean =>
    (this.calendar?.covers ?? []).some((cover) => cover.opening === opening && cover.on === on);

  async cover(opening: string, on: string): Promise<void> {
    const isCovered = this.isCovered(opening, on);
    await this.change((calendar) => {
      const others = calendar.covers.filter((cover) => cover.opening !== opening || cover.on !== on);
      const own = { opening: opening as Calendar['covers'][number]['opening'], on };
      return { ...calendar, covers: isCovered ? others : [...others, own] };
    });
  }

  async keep(day: string): Promise<void> {
    await this.change((calendar) => ({
      ...calendar,
      kept: calendar.kept.includes(day)
        ? calendar.kept.filter((one) => one !== day)
        : [...calendar.kept, day],
    }));
  }

  /** Somebody is not there on a day. */
  async away(person: string, day: string): Promise<void> {
    await this.change((calendar) => ({
      ...calendar,
      people: calendar.people.map((one) =>
        one.id === person && !one.off.includes(day) ? { ...one, off: [...one.off, day].sort() } : one,
      ),
    }));
  }

  /** The unit of an opening comes on a day, and not before. */
  async comes(opening: string, on: string): Promise<void> {
    await this.change((calendar) => ({
      ...calendar,
      deliveries: [
        ...calendar.deliveries.filter(
          (delivery) => delivery.opening !== opening || delivery.step !== undefined,
        ),
        { opening: opening as Calendar['deliveries'][number]['opening'], on },
      ],
    }));
  }
}
