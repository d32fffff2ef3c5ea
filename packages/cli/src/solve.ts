/** `hulvek solve`: a section file for heat, solved and printed. */
import { readSection, solveSection, type SectionSolution } from '@hulvek/core';

export type Solved =
  { readonly ok: true; readonly out: string } | { readonly ok: false; readonly problem: string };

const TROUBLE = {
  'not-converged':
    'The solver did not come to an end. Look for conductivities far apart or for a box of no width.',
  'no-surface':
    'No surface lies on the outline of the boxes, so no heat flows. Check from and to of the surfaces.',
} as const;

export function solveFile(path: string, text: string, json: boolean): Solved {
  const read = readSection(text);
  if (!read.ok) return { ok: false, problem: read.problems.map((p) => `${path}: ${p}\n`).join('') };
  const result = solveSection(read.value);
  if (!result.ok) return { ok: false, problem: `${path}: ${TROUBLE[result.error.code]}\n` };
  return {
    ok: true,
    out: json ? `${JSON.stringify(result.value, null, 2)}\n` : inWords(read.value.title, result.value),
  };
}

function inWords(title: string, s: SectionSolution): string {
  const lines = [
    ...(title === '' ? [] : [title]),
    ...Object.entries(s.heatFlow).map(([name, flow]) => `heat from ${name}  ${flow.toFixed(4)} W/m`),
    ...(s.L2D
      ? [
          `L2D  ${s.L2D.value.toFixed(5)} W/(m K), between ${s.L2D.below.toFixed(5)} and ${s.L2D.above.toFixed(5)}`,
        ]
      : []),
    ...Object.entries(s.minSurfaceTemperature).map(
      ([name, { value, at }]) =>
        `coldest surface to ${name}  ${value.toFixed(2)} °C at ${at.map((mm) => mm.toFixed(1)).join(', ')} mm`,
    ),
    ...(s.fRsi === null ? [] : [`fRsi  ${s.fRsi.toFixed(3)}`]),
    ...Object.entries(s.probes).map(([id, value]) => `${id}  ${value.toFixed(2)} °C`),
    `${s.cells} cells, last refinement changed the flow by ${(100 * s.refinementChange).toFixed(2)} %, balance ${s.balance.toExponential(1)}`,
  ];
  return `${lines.join('\n')}\n`;
}
