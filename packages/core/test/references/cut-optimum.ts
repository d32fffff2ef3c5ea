/**
 * The best plan of cuts by a general-purpose solver of mixed-integer programs: every place on a bar is a node, every piece
 * at every place an arc. It shares nothing with the planner but the file. Source of the formulation: Valério de Carvalho
 * 1999, from memory.
 */
import type { StockFile } from '../../src/index.ts';
import type { Highs } from 'highs';

/** Pieces left uncut, money in hundredths (0 without costs), bars, their length in tenths of mm, longest rest in tenths of mm. */
export type CutOptimum = readonly [uncut: number, cost: number, bars: number, length: number, rest: number];

/** @returns `null` where the solver does not come to an end within the seconds that each of its questions has */
export function cutOptimum(file: StockFile, highs: Highs, seconds = 60): CutOptimum | null {
  const tenths = (mm: number) => Math.round(mm * 10);
  const kerf = tenths(file.kerf_mm ?? 0);
  const gcd = (a: number, b: number): number => (b === 0 ? a : gcd(b, a % b));
  const step = [...file.stock, ...file.pieces].reduce((d, s) => gcd(d, tenths(s.length_mm) + kerf), 0);
  const size = (mm: number) => (tenths(mm) + kerf) / step;
  const most = Math.max(...file.stock.map((s) => size(s.length_mm)));

  const reached = new Set([0]);
  for (const from of Array.from({ length: most }, (_, i) => i))
    if (reached.has(from))
      for (const piece of file.pieces)
        if (from + size(piece.length_mm) <= most) reached.add(from + size(piece.length_mm));
  const arcs = [...reached].flatMap((from) =>
    file.pieces.flatMap((piece, i) =>
      from + size(piece.length_mm) <= most
        ? [{ name: `x${i}_${from}`, i, from, to: from + size(piece.length_mm) }]
        : [],
    ),
  );
  const ends = [...reached].flatMap((at) =>
    file.stock.flatMap((bar, t) =>
      at > 0 && at <= size(bar.length_mm) ? [{ name: `f${t}_${at}`, pick: `b${t}_${at}`, t, at }] : [],
    ),
  );
  const bars = ends.map(({ name }) => `+ 1 ${name}`);
  const costs = ends.map(({ name, t }) => `+ ${Math.round((file.stock[t]?.cost ?? 0) * 100)} ${name}`);
  const lengths = ends.map(({ name, t }) => `+ ${tenths(file.stock[t]?.length_mm ?? 0)} ${name}`);
  const uncut = file.pieces.map((_, i) => `+ 1 u${i}`);

  const rows = [
    ...[...reached]
      .filter((at) => at > 0)
      .map((at) => [
        ...arcs.filter(({ to }) => to === at).map(({ name }) => `+ 1 ${name}`),
        ...arcs.filter(({ from }) => from === at).map(({ name }) => `- 1 ${name}`),
        ...ends.filter((end) => end.at === at).map(({ name }) => `- 1 ${name}`),
        '= 0',
      ]),
    ...file.pieces.map(({ count = 1 }, i) => [
      ...arcs.filter((arc) => arc.i === i).map(({ name }) => `+ 1 ${name}`),
      `+ 1 u${i}`,
      `= ${count}`,
    ]),
    ...file.stock.flatMap(({ count }, t) =>
      count === undefined
        ? []
        : [[...ends.filter((end) => end.t === t).map(({ name }) => `+ 1 ${name}`), `<= ${count}`]],
    ),
  ];
  const picks = [
    ...ends.map(({ name, pick }) => [`+ 1 ${pick}`, `- 1 ${name}`, '<= 0']),
    [...ends.map(({ pick }) => `+ 1 ${pick}`), '<= 1'],
  ];
  const whole = [...arcs, ...ends].map(({ name }) => name).concat(file.pieces.map((_, i) => `u${i}`));
  const ask = (
    aim: readonly string[],
    more: readonly (readonly string[])[] = [],
    binary: readonly string[] = [],
  ) => {
    const told = highs.solve(
      [
        'Minimize',
        ` obj: ${aim.join('\n ')}`,
        'Subject To',
        ...[...rows, ...more].map((row, i) => ` r${i}: ${row.join('\n ')}`),
        'General',
        ...whole.map((name) => ` ${name}`),
        ...(binary.length > 0 ? ['Binary', ...binary.map((name) => ` ${name}`)] : []),
        'End',
        '',
      ].join('\n'),
      {
        output_flag: false,
        time_limit: seconds,
        mip_rel_gap: 0,
        mip_abs_gap: 0,
        // With it the solver calls a shorter rest than there is the longest one (seed 54).
        ...(binary.length > 0 && { presolve: 'off' }),
      },
    );
    return told.Status === 'Optimal' ? Math.round(told.ObjectiveValue) : null;
  };

  const held: string[][] = [];
  const best: number[] = [];
  for (const aim of [uncut, costs, bars, lengths]) {
    const value = ask(aim, held);
    if (value === null) return null;
    held.push([...aim, `<= ${value}`]);
    best.push(value);
  }
  const rests = ends.map(({ pick, t, at }) => `- ${size(file.stock[t]?.length_mm ?? 0) - at} ${pick}`);
  const rest =
    ends.length === 0
      ? 0
      : ask(
          rests,
          [...held, ...picks],
          ends.map(({ pick }) => pick),
        );
  if (rest === null) return null;
  const [left = 0, cost = 0, n = 0, length = 0] = best;
  return [left, cost, n, length, Math.max(0, -rest * step - kerf)];
}
