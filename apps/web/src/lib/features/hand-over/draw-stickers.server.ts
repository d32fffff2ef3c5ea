/** Stickers for units: two by seven on a sheet, each with what is asked of the unit that goes there. */
import { INK, PdfPage, plain, SOFT } from '$lib/drawing/pdf-page.server.ts';
import { handOverWords as t } from '$words/hand-over.ts';
import {
  formatSize,
  labelSchedule,
  type JobContext,
  type LengthUnit,
  type OpeningDocument,
} from '@hulvek/core';
import { labelFigures } from './labels-csv.ts';

const MM = 72 / 25.4;
const SHEET = { columns: 2, rows: 7, wide: 105 * MM, high: 42.4 * MM, inset: 5 * MM } as const;

export async function drawStickers({
  openings,
  context,
  reads,
  at,
}: {
  readonly openings: readonly OpeningDocument[];
  readonly context: JobContext;
  readonly reads: LengthUnit;
  readonly at: Date;
}): Promise<Uint8Array> {
  const { job, units } = context;
  const page = new PdfPage({ title: `${job.name}: ${t.stickers}`, author: '', at });
  const { doc } = page;
  doc.page.margins = { top: 0, bottom: 0, left: 0, right: 0 };
  const figures = labelFigures(reads);
  const each = SHEET.columns * SHEET.rows;
  labelSchedule({ job, openings, units }).forEach((row, i) => {
    if (i > 0 && i % each === 0) doc.addPage({ size: 'A4', margin: 0 });
    const place = i % each;
    const x = (place % SHEET.columns) * SHEET.wide + SHEET.inset;
    const y = Math.floor(place / SHEET.columns) * SHEET.high + SHEET.inset;
    const chosen = openings.find(({ id }) => id === row.opening)?.unit;
    const unit = units.find(({ id }) => id === chosen);
    const wide = SHEET.wide - 2 * SHEET.inset;
    const line = (text: string, down: number, font: string, size: number, colour = INK) =>
      doc
        .font(font)
        .fontSize(size)
        .fillColor(colour)
        .text(plain(text), x, y + down, {
          width: wide,
          height: size * 1.3,
          ellipsis: true,
          lineBreak: false,
        });
    line(row.mark, 0, 'bold', 24);
    line(
      [row.facade, row.azimuth_deg === null ? '' : `${row.azimuth_deg}°`].filter(Boolean).join(' '),
      29,
      'regular',
      11,
    );
    line(
      [row.unit, unit ? formatSize({ width: unit.width.mm, height: unit.height.mm }, reads) : '']
        .filter(Boolean)
        .join(', '),
      44,
      'regular',
      11,
    );
    const asked = figures.asked(row);
    line(asked === '' ? t.stickerNothing : t.stickerAsked(asked), 59, 'bold', 11);
    line(t.stickerCode, 75, 'regular', 7.5, SOFT);
    line(job.name, 86, 'regular', 7.5, SOFT);
  });
  return new Uint8Array(await page.end());
}
