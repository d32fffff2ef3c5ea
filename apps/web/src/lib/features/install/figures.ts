/** Figures measured at a step, as they are written and read in the reader's units. */
import {
  figureFrom,
  figureKindOf,
  formatLength,
  measuredPlaceTexts,
  parseLength,
  pieceText,
  readMeasure,
  shownIn,
  writeMeasure,
  type FigureSource,
  type LengthUnit,
  type MeasuredWhat,
} from '@hulvek/core';
import { measuredWords as t } from '$words/punch.ts';

/** A thousandth of an inch, in which films are read there. */
const MIL_mm = 0.0254;

export function figureText(what: MeasuredWhat, value: number, units: LengthUnit): string {
  switch (figureKindOf(what)) {
    case 'percent':
      return `${Math.round(value * 10) / 10} %`;
    case 'temperature':
      return writeMeasure('temperature', value, units);
    case 'film':
      return units === 'mm'
        ? `${Math.round(value * 100) / 100}\u202Fmm`
        : `${Math.round(value / MIL_mm)}\u202Fmil`;
    case 'length':
      return formatLength(value, units);
  }
}

export const limitsText = (
  { what, least, most }: { what: MeasuredWhat; least: number | null; most: number | null },
  units: LengthUnit,
): string =>
  [
    least === null ? '' : t.least(figureText(what, least, units)),
    most === null ? '' : t.most(figureText(what, most, units)),
  ]
    .filter(Boolean)
    .join(', ');

export const placeText = (place: string): string =>
  place === '' ? '' : (measuredPlaceTexts[place] ?? pieceText(place));

/** What was typed, or came from an instrument that types (which says its unit); `null` where it does not read as that figure. */
export function readFigure(
  what: MeasuredWhat,
  text: string,
  units: LengthUnit,
): { readonly value: number; readonly by: FigureSource } | null {
  const shown = shownIn(text);
  if (shown) {
    const figure = figureFrom(what, shown);
    return figure.ok ? { value: figure.value, by: 'hand' } : null;
  }
  const kind = figureKindOf(what);
  if (kind === 'percent') {
    const value = Number(text.replace(',', '.').trim());
    return text.trim() !== '' && value >= 0 && value <= 100 ? { value, by: 'hand' } : null;
  }
  if (kind === 'temperature') {
    const value = readMeasure('temperature', text, units);
    return value === null ? null : { value, by: 'hand' };
  }
  const length = parseLength(text, units);
  if (!length.ok) return null;
  return kind === 'film' && length.value.mm > 10 ? null : { value: Math.abs(length.value.mm), by: 'hand' };
}
