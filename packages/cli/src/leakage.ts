/** A fan test from the command line. */
import { fanRefusalText, fanTest, fanWarningTexts, readFanTest } from '@hulvek/core';
import type { CliResult } from './result.ts';

export function leakageFile(path: string, text: string, json: boolean): CliResult {
  const bad = (problems: readonly string[]): CliResult => ({
    exit: 2,
    out: '',
    err: `${path} is no sound fan test.\n${problems.map((p) => `  ${p}\n`).join('')}`,
  });
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch {
    return bad(['it is no JSON']);
  }
  const read = readFanTest(value);
  if (!read.ok) return bad(read.problems);
  const answer = fanTest(read.value);
  if (!answer.ok) return bad([fanRefusalText(answer.problem)]);
  const { warnings, ...figures } = answer.value;
  const said = warnings.map((one) => fanWarningTexts[one]);
  if (json) return { exit: 0, out: `${JSON.stringify({ ...figures, warnings: said }, null, 2)}\n`, err: '' };
  const f = figures;
  return {
    exit: 0,
    out: [
      `Q50     ${f.q50_m3h.toFixed(0)} m³/h (${f.q50_low.toFixed(0)} to ${f.q50_high.toFixed(0)} in 95 of 100 such tests)`,
      `ACH50   ${f.ach50.toFixed(2)} /h`,
      ...(f.q50_m3hm2 === undefined ? [] : [`q50     ${f.q50_m3hm2.toFixed(2)} m³/(h m²)`]),
      `C       ${f.C.toFixed(1)} m³/(h Paⁿ) (${f.C_low.toFixed(1)} to ${f.C_high.toFixed(1)})`,
      `n       ${f.n.toFixed(3)} (${f.n_low.toFixed(3)} to ${f.n_high.toFixed(3)})`,
      `r²      ${f.r2.toFixed(4)}`,
      `ELA4    ${f.ela4_cm2.toFixed(0)} cm²`,
      ...said,
      '',
    ].join('\n'),
    err: '',
  };
}
