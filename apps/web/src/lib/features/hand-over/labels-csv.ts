/** What labels were asked to say and say, in the reader's units: on the page, and as a table. */
import { handOverWords as t } from '$words/hand-over.ts';
import { labelStateOf, writeMeasure, writeSheet, type LabelRow, type LengthUnit } from '@hulvek/core';

/** A range of solar gain, or one end of it. */
function solarGain(least: string, most: string): string {
  if (least !== '' && most !== '') return `g ${least} … ${most}`;
  if (least !== '') return `g ≥ ${least}`;
  return most === '' ? '' : `g ≤ ${most}`;
}

export function labelFigures(reads: LengthUnit) {
  const u = (value: number | null) => (value === null ? '' : writeMeasure('transmittance', value, reads));
  const g = (value: number | null) => (value === null ? '' : value.toFixed(2));
  const both = (one: string, other: string) => [one, other].filter(Boolean).join(', ');
  return {
    asked: ({ asked: { uMost, gLeast, gMost } }: LabelRow): string =>
      both(uMost === null ? '' : `U ≤ ${u(uMost)}`, solarGain(g(gLeast), g(gMost))),
    said: ({ u: U, g: G }: LabelRow['read']): string =>
      both(U === null ? '' : `U ${u(U)}`, G === null ? '' : `g ${g(G)}`),
  };
}

/** What stands of one in a table, under `labelTable`. */
export function labelCells(row: LabelRow, reads: LengthUnit): string[] {
  const figures = labelFigures(reads);
  return [
    row.facade,
    row.mark,
    row.unit,
    figures.asked(row),
    figures.said(row.ordered),
    figures.said(row.read),
    t.states[labelStateOf(row)],
  ];
}

export const labelsCsv = (labels: readonly LabelRow[], reads: LengthUnit): string =>
  writeSheet([Object.values(t.labelTable), ...labels.map((row) => labelCells(row, reads))]);
