/** What the survey drawing shows of an opening, measured on the drawing. */
import { framingOf, surveyDrawing, type Plan } from '@hulvek/core';

/** Widths of unit, buck and opening as they are drawn, mm of the wall. */
export function drawnWidths(plan: Plan): Record<'unit' | 'buck' | 'opening', number> {
  const { frame, fit, unit } = plan;
  if (!frame || !fit || !unit) throw new Error('nothing is placed');
  const { items, scale } = surveyDrawing(frame, fit, {
    width: 600,
    height: 800,
    figure: String,
    point: null,
    unit: { width: unit.width.mm, height: unit.height.mm },
    least_mm: 6,
    leg_mm: framingOf(plan).leg_mm,
    fromInside: false,
  });
  const wide = (owner: string) => {
    const area = items.find((item) => item.kind === 'area' && item.owner === owner);
    if (area?.kind !== 'area') throw new Error(`${owner} is not drawn`);
    const us = area.points.map(([u]) => u);
    return (Math.max(...us) - Math.min(...us)) / scale;
  };
  return { unit: wide('unit'), buck: wide('buck'), opening: wide('opening') };
}
