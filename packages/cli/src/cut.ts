/** A plan of cuts from the command line. */
import { cutStock, readStock, type CutAnswer, type Solver, type StockFile } from '@hulvek/core';
import type { CliResult } from './result.ts';

export function cutFile(
  path: string,
  text: string,
  { json, seconds, solver }: { json: boolean; seconds: number; solver: Solver },
): CliResult {
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch {
    return { exit: 2, out: '', err: `${path} is no JSON.\n` };
  }
  const read = readStock(value);
  if (!read.ok)
    return {
      exit: 2,
      out: '',
      err: `${path} is no sound stock file.\n${read.problems.map((p) => `  ${p}\n`).join('')}`,
    };
  const answer = cutStock(read.value, solver, { now: () => performance.now(), seconds });
  const out = json ? `${JSON.stringify(answer, null, 2)}\n` : inWords(read.value, answer);
  return { exit: answer.unplaced.length > 0 ? 1 : 0, out, err: '' };
}

function inWords({ stock }: StockFile, { bars, used, cost, bound, optimal, unplaced }: CutAnswer): string {
  const length = new Map(stock.map(({ id, length_mm }) => [id, length_mm]));
  const money = cost === undefined ? '' : `, cost ${cost}`;
  return [
    ...bars.map(
      ({ stock: id, pieces, left_mm }) =>
        `  ${id} (${length.get(id) ?? 0} mm): ${pieces.join(', ')}; ${left_mm} mm left`,
    ),
    `${bars.length} to cut${money}: ${Object.entries(used)
      .map(([id, n]) => `${n} × ${id}`)
      .join(', ')}.`,
    optimal
      ? 'No plan needs less.'
      : `No plan needs less than ${bound}; whether one needs less than this is not known.`,
    ...(unplaced.length > 0 ? [`Not cut: ${unplaced.join(', ')}.`] : []),
    '',
  ].join('\n');
}
