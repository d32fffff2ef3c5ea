/** Linear programs as a general-purpose solver reads them, and what it answers. */

export interface Row {
  readonly terms: readonly (readonly [factor: number, name: string])[];
  readonly is: '>=' | '<=' | '=';
  readonly than: number;
}

export interface Program {
  readonly minimize: Row['terms'];
  readonly rows: readonly Row[];
  /** Those that must be whole. */
  readonly whole?: readonly string[];
  readonly most?: readonly (readonly [name: string, most: number])[];
}

export interface Solution {
  readonly value: number;
  readonly of: (name: string) => number;
  /** By row: what one more of it would cost. */
  readonly prices: readonly number[];
  /** Nothing is better; otherwise time ran out. */
  readonly proven: boolean;
}

/** What is asked of a solver: `highs` from the registry answers so. */
export interface Solver {
  solve(
    problem: string,
    options: {
      output_flag: boolean;
      time_limit?: number;
      mip_rel_gap?: number;
      mip_abs_gap?: number;
      threads?: number;
    },
  ): {
    readonly Status: string;
    readonly ObjectiveValue: number;
    readonly Columns: Readonly<Record<string, { readonly Index: number; readonly Primal?: number }>>;
    readonly Rows: readonly { readonly Index: number; readonly Dual?: number }[];
  };
}

const PER_LINE = 12;

/** @returns `null` where nothing holds all rows, or nothing was found within the time */
export function solveProgram(solver: Solver, program: Program, seconds?: number): Solution | null {
  const answer = solver.solve(written(program), {
    output_flag: false,
    ...(seconds === undefined ? {} : { time_limit: Math.max(0.05, seconds) }),
    // Every figure that is asked for is whole: what is nearer than one step is the same.
    ...(program.whole ? { mip_rel_gap: 0, mip_abs_gap: 0.9 } : {}),
  });
  const proven = answer.Status === 'Optimal';
  if (!proven && answer.Status !== 'Time limit reached') return null;
  const of = (name: string) => answer.Columns[name]?.Primal ?? 0;
  // What a solver found before its time was up is only used where it holds.
  if (!proven && !program.rows.every((row) => holds(row, of))) return null;
  const duals = new Map(answer.Rows.map((row) => [row.Index, row.Dual ?? 0]));
  return {
    value: answer.ObjectiveValue,
    of,
    prices: program.rows.map((_, i) => duals.get(i) ?? 0),
    proven,
  };
}

function holds({ terms, is, than }: Row, of: (name: string) => number): boolean {
  const sum = terms.reduce((total, [factor, name]) => total + factor * of(name), 0);
  if (!Number.isFinite(sum)) return false;
  const near = 1e-6 * Math.max(1, Math.abs(than));
  return is === '>=' ? sum >= than - near : is === '<=' ? sum <= than + near : Math.abs(sum - than) <= near;
}

function written({ minimize, rows, whole = [], most = [] }: Program): string {
  return [
    'Minimize',
    ` obj: ${sum(minimize)}`,
    'Subject To',
    ...rows.map(({ terms, is, than }, i) => ` r${i}: ${sum(terms)} ${is} ${than}`),
    'Bounds',
    ...most.map(([name, than]) => ` 0 <= ${name} <= ${than}`),
    ...(whole.length > 0 ? ['General', ...lines(whole)] : []),
    'End',
    '',
  ].join('\n');
}

const sum = (terms: Row['terms']): string =>
  lines(terms.map(([factor, name]) => `${factor < 0 ? '-' : '+'} ${Math.abs(factor)} ${name}`)).join('\n ');

const lines = (words: readonly string[]): string[] =>
  Array.from(
    { length: Math.ceil(words.length / PER_LINE) },
    (_, i) => ` ${words.slice(i * PER_LINE, (i + 1) * PER_LINE).join(' ')}`,
  );
