/** A schedule on its way to openings: which column is what, what its units go by, what is added and what is changed. */
import { freshId } from '$lib/device/ids.ts';
import type { JobStore } from '$lib/job/job.svelte.ts';
import type { OpeningsSet } from '$lib/job/openings-set.svelte.ts';
import { newOpening } from '$lib/job/openings-set.svelte.ts';
import { addWords } from '$words/openings.ts';
import {
  guessFields,
  headingKey,
  headingLine,
  readSchedule,
  sameMark,
  scheduleFields,
  typeKey,
  typesOf,
  unitSchema,
  type BareUnit,
  type OpeningDocument,
  type ScheduleField,
  type ScheduleLine,
  type ScheduleTable,
  type ScheduleType,
  type Unit,
} from '@hulvek/core';
import { USUAL_FRAME } from '$lib/features/units/usual-frame.ts';
import { modelWords } from '$words/model.ts';
import { ModelChoice } from './model/model-choice.svelte.ts';
import { isModel, ModelReading } from './model/model-reading.svelte.ts';
import { modelSheets } from './model/model-sheets.ts';
import { readSheetFile, type SheetOfFile } from './read-sheet.ts';

const REMEMBERED = 'hulvek:schedule-columns';

/** What somebody said of headings before, on this device. */
function remembered(): Record<string, ScheduleField | null> {
  try {
    const kept: unknown = JSON.parse(localStorage.getItem(REMEMBERED) ?? '{}');
    return Object.fromEntries(
      Object.entries(kept ?? {}).filter(
        ([, field]) => field === null || (scheduleFields as readonly unknown[]).includes(field),
      ),
    ) as Record<string, ScheduleField | null>;
  } catch {
    return {};
  }
}

/** What the units of one type go by: one that is here, a new one like it, a new one of usual figures, or none. */
export type TypeChoice = `is:${string}` | `like:${string}` | 'usual' | 'none';

/** One opening that the schedule asks for. */
export interface Wanted {
  readonly line: ScheduleLine;
  readonly mark: string;
  /** The opening that has this mark already. */
  readonly here: OpeningDocument | null;
  readonly unit: string;
}

export class ScheduleDesk {
  readonly store: JobStore;
  readonly set: OpeningsSet;
  /** Made once for whatever is taken: sent twice, it is one thing. */
  #ids = new Map<string, string>();
  problem = $state('');
  sheets = $state.raw<readonly SheetOfFile[]>([]);
  sheet = $state(0);
  headings = $state(0);
  fields = $state.raw<readonly (ScheduleField | null)[]>([]);
  /** A model that is being read, and what was chosen of one that was. */
  reading = $state.raw<ModelReading | null>(null);
  model = $state.raw<ModelChoice | null>(null);
  bare = $state<BareUnit | null>(null);
  hand = $state<'outside' | 'inside'>('outside');
  choices = $state.raw<Readonly<Record<string, TypeChoice>>>({});
  known = $state<'leave' | 'change'>('leave');
  done = $state(false);

  constructor(store: JobStore, set: OpeningsSet) {
    this.store = store;
    this.set = set;
  }

  table = $derived.by((): ScheduleTable => this.sheets[this.sheet]?.table ?? []);
  names = $derived.by((): readonly string[] => this.table[this.headings] ?? []);
  schedule = $derived.by(() =>
    readSchedule(this.table, this.headings, this.fields, { bare: this.bare, hand: this.hand }),
  );
  types = $derived.by(() => typesOf(this.schedule.lines));

  async file(file: File): Promise<void> {
    this.problem = '';
    this.model = null;
    if (isModel(file)) return this.#read(file);
    const read = await readSheetFile(file);
    if (!read.ok) this.problem = addWords[read.because];
    else this.#use(read.sheets);
  }

  /** A building model is read beside the page, and looked through as a schedule like any other. */
  async #read(file: File): Promise<void> {
    this.reading = new ModelReading(file);
    const read = await this.reading.done;
    this.reading = null;
    if (!read.ok) return void (this.problem = read.problem);
    const { sheets, ...model } = modelSheets(read.building, this.store.context.job.facades ?? []);
    if (sheets.length === 0) return void (this.problem = modelWords.nothing);
    this.model = new ModelChoice(this.store, model.lines, read.building);
    this.#use(sheets);
  }

  async text(text: string): Promise<void> {
    await this.file(new File([text], 'lines.txt'));
  }

  #use(sheets: readonly SheetOfFile[]): void {
    this.sheets = sheets;
    this.done = false;
    this.useSheet(
      Math.max(
        0,
        sheets.findIndex(({ table }) => guessFields(table[headingLine(table)] ?? []).includes('mark')),
      ),
    );
  }

  useSheet(sheet: number): void {
    this.sheet = sheet;
    this.bare = null;
    this.useHeadings(headingLine(this.table));
  }

  useHeadings(line: number): void {
    this.headings = line;
    this.fields = guessFields(this.names, remembered());
    this.choices = {};
    this.#ids = new Map();
  }

  setField(column: number, field: ScheduleField | null): void {
    this.fields = this.names.map((_, i) =>
      i === column ? field : this.fields[i] === field ? null : (this.fields[i] ?? null),
    );
    const said = { ...remembered(), [headingKey(this.names[column] ?? '')]: field };
    localStorage.setItem(REMEMBERED, JSON.stringify(said));
  }

  /** What a type goes by until somebody chooses: a unit of its name or of its size and swing, else a new one. */
  choiceOf(type: ScheduleType): TypeChoice {
    return this.choices[type.key] ?? this.#guess(type);
  }

  #guess({ name, size, operation, hinge }: ScheduleType): TypeChoice {
    const { units } = this.store.context;
    const plain = (text: string) => text.trim().toLowerCase();
    const fits = (unit: Unit) =>
      Math.abs(unit.width.mm - size.width.mm) < SAME_mm &&
      Math.abs(unit.height.mm - size.height.mm) < SAME_mm &&
      (operation === undefined || unit.operation === operation) &&
      (hinge === undefined || unit.hinge === undefined || unit.hinge === hinge);
    const same = units.find((unit) => plain(unit.name) === plain(name) && fits(unit)) ?? units.find(fits);
    if (same) return `is:${same.id}`;
    const like = units.find((unit) => unit.id === this.store.context.job.usual?.unit) ?? units[0];
    return like ? `like:${like.id}` : 'usual';
  }

  choose(type: ScheduleType, choice: TypeChoice): void {
    this.choices = { ...this.choices, [type.key]: choice };
  }

  #id(what: string, prefix: string): string {
    const id = this.#ids.get(what) ?? `${prefix}-${freshId().slice(0, 13)}`;
    this.#ids.set(what, id);
    return id;
  }

  /** The new units, by the type that asks for them. */
  newUnits = $derived.by(
    () =>
      new Map(
        this.types.flatMap((type): [string, Unit][] => {
          const choice = this.choiceOf(type);
          if (choice === 'none' || choice.startsWith('is:')) return [];
          const like = this.store.context.units.find((unit) => `like:${unit.id}` === choice);
          const frame = like ? frameOf(like) : USUAL_FRAME;
          const read = unitSchema.safeParse({
            ...frame,
            id: this.#id(`unit ${type.key}`, 'unit'),
            name: type.name,
            operation: type.operation ?? like?.operation ?? 'fixed',
            ...(type.hinge && { hinge: type.hinge }),
            ...type.size,
            ...this.model?.ratedOf(type.marks),
          });
          return read.success ? [[type.key, read.data]] : [];
        }),
      ),
  );

  unitOf(line: ScheduleLine): Unit | null {
    const key = typeKey(line);
    const type = this.types.find((one) => one.key === key);
    if (!type) return null;
    const choice = this.choiceOf(type);
    return (
      this.newUnits.get(type.key) ??
      this.store.context.units.find((unit) => `is:${unit.id}` === choice) ??
      null
    );
  }

  wanted = $derived.by((): readonly Wanted[] => {
    const here = new Map(
      this.store.pack.openings.map(({ document }) => [sameMark(document.mark), document] as const),
    );
    return this.schedule.lines.flatMap((line) =>
      line.marks.map((mark) => ({
        line,
        mark,
        here: here.get(sameMark(mark)) ?? null,
        unit: this.unitOf(line)?.name ?? '',
      })),
    );
  });
  added = $derived(this.wanted.filter(({ here }) => here === null));
  changed = $derived(this.known === 'change' ? this.wanted.filter(({ here }) => here !== null) : []);
  ready = $derived(
    this.table.length > 0 &&
      this.schedule.problems.length === 0 &&
      this.added.length + this.changed.length > 0,
  );

  /** Stores it all or nothing, and then the figures of the rough openings, which travel like any other figure. */
  async take(): Promise<boolean> {
    if (!this.ready) return false;
    const add = this.added.map(({ line, mark }) =>
      newOpening(this.store, this.#id(`opening ${sameMark(mark)}`, 'opening'), {
        mark,
        ...said(line),
        ...(this.unitOf(line) && { unit: this.unitOf(line)?.id ?? null }),
        ...this.model?.fieldsOf(mark),
      }),
    );
    const change = this.changed.flatMap(({ line, here }) =>
      here
        ? [
            {
              ...here,
              ...said(line),
              unit: this.unitOf(line)?.id ?? here.unit,
              ...this.model?.fieldsOf(here.mark),
            },
          ]
        : [],
    );
    const rough = new Map<string, ScheduleLine['rough']>([
      ...this.added.map(({ line }, i): [string, ScheduleLine['rough']] => [add[i]?.id ?? '', line.rough]),
      ...this.changed.map(({ line, here }): [string, ScheduleLine['rough']] => [here?.id ?? '', line.rough]),
    ]);
    const units = [...this.newUnits].flatMap(([key, unit]) =>
      [...this.added, ...this.changed].some(({ line }) => typeKey(line) === key) ? [unit] : [],
    );
    if (!(await this.set.add(add, { units, walls: this.model?.newWalls(add, change) ?? [], change })))
      return false;
    this.set.editor.change(
      [...rough].flatMap(([id, size]) => (size ? [id] : [])),
      (opening) => {
        const size = rough.get(opening.id);
        if (!size) return opening;
        const values = { ...opening.survey.values, roughWidth: size.width, roughHeight: size.height };
        return { ...opening, survey: { ...opening.survey, values } };
      },
      'drawing',
    );
    this.done = true;
    this.sheets = [];
    this.model = null;
    return true;
  }
}

const SAME_mm = 0.5;

/** What units of one make have in common, whatever their size: weight, glass and mullions are each unit's own. */
const frameOf = ({ frameDepth, frameFace, fin, frameMaterial, limits, asks }: Unit) => ({
  frameDepth,
  frameFace,
  fin,
  ...(frameMaterial && { frameMaterial }),
  ...(limits && { limits }),
  ...(asks && { asks }),
});

/** What a line says of the opening itself; what it leaves open stays as it was. */
const said = ({ facade, room, sill }: ScheduleLine): Partial<OpeningDocument> => ({
  ...(facade !== '' && { facade }),
  ...(room !== '' && { name: room }),
  ...(sill && { sill }),
});
