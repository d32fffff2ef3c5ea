/** A building model as sheets of a schedule: all of it where that is not too much at once, and every storey. */
import { modelWords } from '$words/model.ts';
import { MOST_AT_ONCE, modelLines, modelTable, type Building, type Job, type ModelLine } from '@hulvek/core';
import type { SheetOfFile } from '../read-sheet.ts';

export function modelSheets(
  building: Building,
  facades: NonNullable<Job['facades']>,
): { readonly sheets: readonly SheetOfFile[]; readonly lines: readonly ModelLine[] } {
  const outside = building.units.filter(({ external }) => external !== false);
  const lines = modelLines(outside);
  const table = (of: readonly ModelLine[]) => modelTable(of, facades, modelWords.headings);
  const sized = lines.filter(({ unit }) => unit.width_mm !== null);
  const storeys = [...new Set(sized.map(({ unit }) => unit.storey))];
  const byStorey = storeys.map((name) => ({
    name: name || modelWords.noStorey,
    table: table(sized.filter(({ unit }) => unit.storey === name)),
  }));
  if (sized.length === 0) return { sheets: [], lines };
  if (sized.length > MOST_AT_ONCE || storeys.length < 2) return { sheets: byStorey, lines };
  return { sheets: [{ name: modelWords.all, table: table(sized) }, ...byStorey], lines };
}
