/** A job's material as somebody works with it: what its plans ask for, what is there, what is on its way. */
import { pickParts, type SitePart } from '$lib/contract/site-parts.ts';
import { idle } from '$lib/device/idle.ts';
import type { JobStore, OpeningView } from '$lib/job/job.svelte.ts';
import {
  contacts,
  dayAndTime,
  difference,
  early,
  kindOf,
  needsIn,
  needsOf,
  noSupply,
  onDay,
  plannedDays,
  progress,
  standing,
  takeoff,
  weatherOf,
  wrapNeeds,
  type Build,
  type Calendar,
  type Material,
  type Need,
  type SharedMade,
  type Supply,
  type SupplyOrder,
  type TakeoffLine,
  type WeatherRow,
} from '@hulvek/core';

/** An opening with what it is built of. */
interface Taken {
  readonly opening: string;
  readonly mark: string;
  readonly facade: string;
  readonly build: Build;
  readonly needs: readonly Need[];
  readonly done: ReadonlySet<string>;
}

export interface MethodChange {
  readonly lines: ReturnType<typeof difference>;
  readonly hours: number;
  /** Openings that cannot be planned with it. */
  readonly unplanned: number;
}

export class SupplyDesk {
  readonly store: JobStore;
  state = $state<'working' | 'ready'>('working');
  taken = $state.raw<readonly Taken[]>([]);
  /** Marks of openings that nothing is planned for. */
  missing = $state.raw<readonly string[]>([]);
  facade = $state('');
  day = $state('');
  opening = $state('');
  problem = $state('');
  /** What was there before the last change made here. */
  #before = $state.raw<SitePart | null>(null);
  #round = 0;

  constructor(store: JobStore) {
    this.store = store;
  }

  get supply(): Supply {
    return this.store.context.job.supply ?? noSupply;
  }

  get mayEdit(): boolean {
    return this.store.pack.rights.includes('settings');
  }

  get canUndo(): boolean {
    return this.#before !== null;
  }

  readonly markOf = (opening: string): string =>
    this.store.views.get(opening)?.opening.mark ??
    this.supply.wraps?.find(({ id }) => id === opening)?.facade ??
    opening;
  readonly unitName = (unit: string | null): string | undefined =>
    this.store.context.units.find(({ id }) => id === unit)?.name;

  /** What the list is made from: it is made again when this is another. */
  content = $derived.by(() => [
    this.store.context.walls,
    this.store.context.units,
    this.store.context.methods,
    this.store.context.materials,
    this.store.context.job.joints,
    this.store.context.job.handling,
    this.store.context.job.supply?.adhesion,
    this.store.views,
  ]);

  /** Goes through all openings, between what else the page has to do. */
  async work(): Promise<void> {
    const round = ++this.#round;
    this.state = 'working';
    await this.store.planning();
    const inJob = needsIn(this.store.context);
    const taken: Taken[] = [];
    const missing: string[] = [];
    const now = new Date().toISOString();
    for (const view of this.store.views.values()) {
      if (taken.length % 8 === 0) await idle();
      if (round !== this.#round) return;
      const build = this.#buildOf(view);
      const { id, mark, facade } = view.opening;
      if (!build) {
        missing.push(mark);
        continue;
      }
      const states = view.issues.length > 0 ? progress(build.steps, view.issues, view.entries, now) : [];
      taken.push({
        opening: id,
        mark,
        facade,
        build,
        needs: needsOf(id, build, inJob),
        done: new Set(states.flatMap(({ id: step, tick }) => (tick ? [step] : []))),
      });
    }
    this.taken = taken;
    this.missing = missing;
    this.state = 'ready';
  }

  /** The wall that work goes by: the frozen one, where there is one. */
  #buildOf({ opening, issues }: OpeningView): Build | null {
    const issue = issues.at(-1);
    return (issue ? this.store.frozenOf(issue)?.build : null) ?? this.store.planOf(opening).build;
  }

  #done = $derived.by(() => new Map(this.taken.map(({ opening, done }) => [opening, done])));
  isDone = (opening: string, step: string): boolean => this.#done.get(opening)?.has(step) ?? false;

  days = $derived.by(() => {
    const { calendarPlan, calendar } = this.store.context.job;
    return plannedDays(calendarPlan, calendar?.zone ?? 'UTC');
  });
  dayOf = ({ opening, step }: Pick<Need, 'opening' | 'step'>): string | null =>
    step === null ? null : (this.days.get(`${opening}/${step}`) ?? null);

  needs = $derived.by(() => [
    ...this.taken.flatMap(({ needs }) => needs),
    ...wrapNeeds(this.supply, this.store.context.materials ?? []),
  ]);
  facades = $derived.by(() => [...new Set(this.taken.map(({ facade }) => facade))].filter(Boolean).sort());
  dates = $derived.by(() => [...new Set(this.needs.flatMap((need) => this.dayOf(need) ?? []))].sort());

  /** Everything of the job, whatever is looked at. */
  all = $derived.by((): readonly TakeoffLine[] => this.#linesOf(this.needs));
  lines = $derived.by((): readonly TakeoffLine[] => {
    const { facade, day, opening } = this;
    if (!facade && !day && !opening) return this.all;
    const facades = new Map(this.taken.map((one) => [one.opening, one.facade]));
    return this.#linesOf(
      this.needs.filter(
        (need) =>
          (!opening || need.opening === opening) &&
          (!facade || facades.get(need.opening) === facade) &&
          (!day || this.dayOf(need) === day),
      ),
    );
  });

  #linesOf(needs: readonly Need[]): TakeoffLine[] {
    return takeoff({
      needs,
      supply: this.supply,
      materials: this.store.context.materials,
      isDone: this.isDone,
      dayOf: (opening, step) => this.dayOf({ opening, step }),
    });
  }

  /** What a list of some openings, and their hours, would be with another method; nothing is kept of it. */
  async withMethod(method: string, openings: readonly string[]): Promise<MethodChange> {
    const { context } = this.store;
    const { planOpening, SharedPlans } = await import('@hulvek/core');
    const shared: SharedMade = new SharedPlans();
    const inJob = needsIn(context);
    const own = this.taken.filter(({ opening }) => openings.includes(opening));
    const minutes = (build: Build) =>
      build.steps.reduce(
        (sum, { work_min, needs }) => sum + work_min * (needs.includes('two-people') ? 2 : 1),
        0,
      );
    let [hours, unplanned] = [0, 0];
    const before: Need[] = [];
    const after: Need[] = [];
    for (const { opening, build, needs } of own) {
      await idle();
      const view = this.store.view(opening);
      const other =
        view &&
        planOpening({ ...view.opening, method: method as never, choices: {}, numbers: {} }, context, shared)
          .build;
      if (!other) {
        unplanned += 1;
        continue;
      }
      before.push(...needs);
      after.push(...needsOf(opening, other, inJob));
      hours += (minutes(other) - minutes(build)) / 60;
    }
    return { lines: difference(this.#linesOf(before), this.#linesOf(after)), hours, unplanned };
  }

  today = $derived.by(() => {
    const zone = this.store.context.job.calendar?.zone ?? 'UTC';
    return dayAndTime(zone, new Date().toISOString()).day;
  });
  early = $derived.by(() =>
    early(this.all, {
      days: this.days,
      orders: this.supply.orders,
      today: this.today,
      isDone: this.isDone,
    }),
  );

  /** Contacts of all openings, equal ones told once with all their places. */
  together = $derived.by(() => {
    const { materials } = this.store.context;
    const { adhesion } = this.supply;
    const same = new Map<
      string,
      {
        contact: ReturnType<typeof contacts>[number];
        marks: string[];
        places: string[];
        /** Days on which it is stuck, by the plan that was taken. */
        days: Set<string>;
      }
    >();
    const seen = new Map<Build, ReturnType<typeof contacts>>();
    for (const { build, mark, opening } of this.taken) {
      const all = seen.get(build) ?? contacts(build, { materials, adhesion });
      seen.set(build, all);
      for (const contact of all) {
        const of = [contact.material?.id ?? kindOf(build, contact.piece), contact.face ?? contact.onto];
        const key = of.join('|');
        const one = same.get(key) ?? { contact, marks: [], places: [], days: new Set<string>() };
        const day = this.isDone(opening, contact.step) ? null : this.dayOf({ opening, step: contact.step });
        if (day) one.days.add(day);
        if (!one.marks.includes(mark)) one.marks.push(mark);
        if (!one.places.includes(contact.piece)) one.places.push(contact.piece);
        same.set(key, one);
      }
    }
    return [...same.values()];
  });

  /** What the weather of the planned days says to a stock, by day; nothing where no calendar or no weather of it is known. */
  weatherAgainst = $derived.by(() => {
    const { calendar } = this.store.context.job;
    if (!calendar) return () => [];
    const byDay = new Map<string, WeatherRow[]>();
    for (const row of weatherOf(calendar, new Date().toISOString()).rows) {
      const { day, time } = dayAndTime(calendar.zone, row.at);
      if (time < calendar.hours.from || time >= calendar.hours.to) continue;
      const own = byDay.get(day);
      if (own) own.push(row);
      else byDay.set(day, [row]);
    }
    return (material: Material, days: Iterable<string>) =>
      [...days].sort().flatMap((day) => {
        const rows = byDay.get(day);
        const against = rows ? onDay(material, rows) : [];
        return against.length > 0 ? [{ day, against }] : [];
      });
  });

  /** Strips that were cut, and what is left of those that were spoiled, from the records of all openings. */
  cut = $derived.by(() => {
    const done = new Map<string, { entry: string; opening: string }>();
    const spoiled: { strip: string; length_mm: number }[] = [];
    for (const { entries, opening } of this.store.views.values())
      for (const { id, facts } of standing(entries)) {
        if (facts?.kind !== 'cut') continue;
        if (facts.spoiled_mm === undefined) done.set(facts.strip, { entry: id, opening: opening.id });
        else spoiled.push({ strip: facts.strip, length_mm: facts.spoiled_mm });
      }
    return { done, spoiled };
  });

  /** Keeps a change of the supply, and of the calendar where that goes with it; with a way back. */
  async put(supply: Supply, calendar?: Calendar): Promise<boolean> {
    const names = calendar ? (['supply', 'calendar'] as const) : (['supply'] as const);
    const was = pickParts(this.store.context.job, names);
    this.problem = await this.store.put('site', { was, change: { supply, ...(calendar && { calendar }) } });
    if (this.problem === '') this.#before = { supply: noSupply, ...was };
    return this.problem === '';
  }

  async undo(): Promise<void> {
    const before = this.#before;
    if (!before) return;
    const was = pickParts(this.store.context.job, before.calendar ? ['supply', 'calendar'] : ['supply']);
    this.problem = await this.store.put('site', { was, change: before });
    if (this.problem === '') this.#before = null;
  }

  /**
   * Notes how far an order is. What is promised for later than it is planned for holds up the openings that need it: the
   * calendar waits for it from then on, and no more once it came.
   */
  async note(order: SupplyOrder, event: SupplyOrder['events'][number], line: TakeoffLine): Promise<boolean> {
    const known = this.supply.orders.some(({ id }) => id === order.id);
    const next = { ...order, events: [...order.events, event] };
    const orders = known
      ? this.supply.orders.map((one) => (one.id === order.id ? next : one))
      : [...this.supply.orders, next];
    const { calendar } = this.store.context.job;
    const supply = { ...this.supply, orders };
    if (!calendar || (event.state !== 'promised' && event.state !== 'came')) return this.put(supply);
    const open = line.needs.filter(({ opening, step }) => step !== null && !this.isDone(opening, step));
    const isUnit = line.article.goods === 'unit';
    const waits = open.map(({ opening, step }) => (isUnit ? opening : `${opening}/${step ?? ''}`));
    const kept = calendar.deliveries.filter(
      ({ opening, step }) => !waits.includes(step === undefined ? opening : `${opening}/${step}`),
    );
    const on = event.state === 'promised' ? event.promised : undefined;
    const held = on
      ? [
          ...new Map(
            open.map((need) => [isUnit ? need.opening : `${need.opening}/${need.step ?? ''}`, need]),
          ).values(),
        ]
          .filter(
            (need) =>
              (this.dayOf(need) ?? '9999') < on ||
              calendar.deliveries.some((d) => d.opening === need.opening),
          )
          .map(({ opening, step }) => ({
            opening: opening as Calendar['deliveries'][number]['opening'],
            on,
            ...(isUnit || step === null ? {} : { step }),
          }))
      : [];
    return this.put(supply, { ...calendar, deliveries: [...kept, ...held] });
  }
}
