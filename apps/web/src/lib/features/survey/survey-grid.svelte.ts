/** The survey of all openings as a table: the cell in use, typing, pasting, and taking in a sheet as a whole. */
import { tableWords } from '$words/survey.ts';
import {
  instrumentFor,
  pastedCells,
  pointTexts,
  provingPoints,
  readCell,
  readSurveySheet,
  surveyPointIds,
  writeSheet,
  type Instrument,
  type Opening,
  type SheetRow,
  type SurveyPointId,
  type SurveySheet,
  type TypedLength,
} from '@hulvek/core';
import type { JobStore } from '$lib/job/job.svelte.ts';
import { OpeningsEditor } from '$lib/job/openings.svelte.ts';

export const gridPoints: readonly SurveyPointId[] = ['roughWidth', 'roughHeight', ...provingPoints];

const LABELS = Object.fromEntries(surveyPointIds.map((id) => [id, pointTexts[id].label])) as Record<
  SurveyPointId,
  string
>;
/** The page is shown again after so many lines of a sheet. */
const LINES_AT_ONCE = 25;

export class SurveyGrid {
  readonly store: JobStore;
  readonly editor: OpeningsEditor;
  row = $state(0);
  column = $state(0);
  /** Text being typed in the cell in use; `null` while it shows what is stored. */
  draft = $state<string | null>(null);
  message = $state('');
  bad = $state(false);
  /** Problems of the last sheet, in words. */
  problems = $state.raw<readonly string[]>([]);
  progress = $state.raw<{ done: number; all: number } | null>(null);

  constructor(store: JobStore) {
    this.store = store;
    this.editor = new OpeningsEditor(store);
  }

  openings = $derived.by((): readonly Opening[] => this.store.plans.map((plan) => plan.opening));
  units = $derived.by(() => this.store.reads);

  value(opening: Opening, point: SurveyPointId): TypedLength | null {
    return opening.survey.values[point] ?? null;
  }

  go(rows: number, columns: number): void {
    if (!this.commit()) return;
    this.row = Math.min(this.openings.length - 1, Math.max(0, this.row + rows));
    this.column = Math.min(gridPoints.length - 1, Math.max(0, this.column + columns));
  }

  use(row: number, column: number): void {
    if (!this.commit()) return;
    this.row = row;
    this.column = column;
  }

  /** Stores what was typed; what does not read stays in its cell. */
  commit(): boolean {
    const [opening, point] = [this.openings[this.row], gridPoints[this.column]];
    if (this.draft === null || !opening || !point) return true;
    const typed = this.draft.trim();
    const value = typed === '' ? null : readCell(typed, this.units, point);
    if (value && 'code' in value) {
      this.#say(`${opening.mark}, ${LABELS[point]}: ${tableWords.wrong}`, true);
      return false;
    }
    this.draft = null;
    this.#say('');
    this.editor.change([opening.id], (o) => withValues(o, { [point]: value }), this.#with(point));
    return true;
  }

  cancel(): void {
    this.draft = null;
    this.#say('');
  }

  /** Puts a block of cells where the cell in use is: all of it, or nothing when one cell does not read. */
  paste(block: string): void {
    const cells = pastedCells(block);
    const wide = Math.max(...cells.map((line) => line.length));
    if (this.row + cells.length > this.openings.length || this.column + wide > gridPoints.length) {
      this.#say(tableWords.pasteOutside, true);
      return;
    }
    let unread = 0;
    let figures = 0;
    const changes = cells.map((line) => {
      const values: Values = {};
      line.forEach((typed, i) => {
        const point = gridPoints[this.column + i];
        if (!point || typed === '') return;
        const value = readCell(typed, this.units, point);
        if ('code' in value) unread++;
        else {
          values[point] = value;
          figures++;
        }
      });
      return values;
    });
    if (unread > 0) return this.#say(tableWords.pasteRefused(unread), true);
    this.draft = null;
    const from = this.row;
    const rows = this.openings.slice(from, from + cells.length);
    const byId = new Map(rows.map((o, i) => [o.id as string, changes[i] ?? {}]));
    this.editor.change([...byId.keys()], (o) => withValues(o, byId.get(o.id) ?? {}));
    this.#say(tableWords.pasted(figures));
  }

  /** Takes a whole sheet or nothing of it. */
  async load(csv: string): Promise<void> {
    const sheet = readSurveySheet(csv, this.units, LABELS);
    const byMark = new Map(this.openings.map((o) => [o.mark as string, o.id as string]));
    const unknown = sheet.rows
      .filter((row) => row.mark !== '' && !byMark.has(row.mark))
      .map((row) => row.mark);
    this.problems = [
      ...sheet.problems.map(problemText),
      ...(unknown.length > 0 ? [tableWords.unknownMarks(unknown.slice(0, 12).join(', '))] : []),
    ];
    if (this.problems.length > 0) return this.#say(tableWords.refused(this.problems.length), true);
    await this.#takeRows(sheet, byMark);
    const figures = sheet.rows.reduce((sum, row) => sum + Object.keys(row.values).length, 0);
    const aside = sheet.ignored.length > 0 ? ` ${tableWords.ignored(sheet.ignored.join(', '))}` : '';
    this.#say(tableWords.loaded(figures, sheet.rows.length) + aside);
  }

  async #takeRows({ rows }: SurveySheet, byMark: ReadonlyMap<string, string>): Promise<void> {
    const values = new Map(rows.map((row: SheetRow) => [byMark.get(row.mark) ?? '', row.values]));
    const ids = [...values.keys()];
    for (let done = 0; done < ids.length; done += LINES_AT_ONCE) {
      this.progress = { done, all: ids.length };
      this.editor.change(ids.slice(done, done + LINES_AT_ONCE), (o) => withValues(o, values.get(o.id) ?? {}));
      await new Promise((resolve) => setTimeout(resolve));
    }
    this.progress = null;
  }

  /** The table as a sheet that can be loaded again. */
  csv(): string {
    return writeSheet([
      ['Mark', ...gridPoints.map((p) => LABELS[p])],
      ...this.openings.map((o) => [o.mark, ...gridPoints.map((p) => o.survey.values[p]?.typed ?? '')]),
    ]);
  }

  #with = (point: SurveyPointId): Instrument => (instrumentFor(point) === 'drawing' ? 'drawing' : 'tape');

  #say(message: string, bad = false): void {
    this.message = message;
    this.bad = bad;
  }
}

type Values = Partial<Record<SurveyPointId, TypedLength | null>>;

function withValues(opening: Opening, changes: Values): Opening {
  const values = { ...opening.survey.values };
  for (const [point, value] of Object.entries(changes) as [SurveyPointId, TypedLength | null][]) {
    if (value) values[point] = value;
    else delete values[point];
  }
  return { ...opening, survey: { from: opening.survey.from, values } };
}

function problemText(problem: SurveySheet['problems'][number]): string {
  const where = 'line' in problem ? `${tableWords.line(problem.line)}, ` : '';
  const column = 'column' in problem ? `${problem.column}: ` : '';
  const what = 'typed' in problem ? ` “${problem.typed}”` : 'mark' in problem ? ` “${problem.mark}”` : '';
  return `${where}${column}${tableWords.problems[problem.code]}${what}`;
}
