/** The cut sheet of some openings on paper. */
import { PdfPage, MARGIN, SOFT, type ShapeLine } from '$lib/drawing/pdf-page.server.ts';
import { cutSheetWords } from '$words/cut-sheet.ts';
import { materialTexts, planOpening, type JobContext, type LengthUnit, type Opening } from '@hulvek/core';
import { cutLines, type CutLine } from './cut-rows.ts';

export interface CutSheetOf {
  readonly openings: readonly Opening[];
  readonly context: JobContext;
  readonly reads: LengthUnit;
  readonly person: string;
  readonly at: Date;
}

/** As high as a shape becomes beside its words, points. */
const SHAPE_pt = 52;

export async function drawCutSheet({
  openings,
  context,
  reads,
  person,
  at,
}: CutSheetOf): Promise<Uint8Array> {
  const plans = openings.map((opening) => planOpening(opening, context));
  const title = `${context.job.name}: ${cutSheetWords.title}`;
  const page = new PdfPage({ title, author: person, at });
  page.text(title, { font: 'bold', size: 15 });
  page.text(cutSheetWords.day(openings.map(({ mark }) => mark).join(', ')), { colour: SOFT });
  const lines = cutLines(plans, reads);
  for (const material of new Set(lines.map((line) => line.material))) {
    page.title(materialTexts[material]);
    for (const line of lines) if (line.material === material) writeLine(page, line);
  }
  page.footers(
    `${context.job.name} · ${person} · ${at.toISOString().slice(0, 16).replace('T', ' ')} UTC`,
    cutSheetWords.title,
  );
  return new Uint8Array(await page.end());
}

function writeLine(page: PdfPage, { title, size, read, marks, notes, flat, section }: CutLine): void {
  const { doc } = page;
  page.room(SHAPE_pt + 10);
  const top = doc.y;
  const wide = page.width * 0.46;
  const put = (words: string, font: 'bold' | 'regular' | 'mono', colour?: string) => {
    doc.font(font).fontSize(9);
    page.textIn(words, { x: MARGIN, wide, ...(colour && { colour }) });
  };
  put(`${title}   ${size}`, 'bold');
  if (read !== null) put(read, 'mono', SOFT);
  put(marks, 'regular');
  for (const note of notes) put(note, 'regular', SOFT);
  const box = { x: MARGIN + page.width * 0.5, y: top + 2, wide: page.width * 0.5, high: SHAPE_pt };
  const shape = flat
    ? { size: [flat.size.length_mm, flat.size.width_mm] as const, lines: linesOf(flat) }
    : section && {
        size: [section.size.wide_mm, section.size.high_mm] as const,
        lines: section.regions.map((region): ShapeLine => ({
          points: [...region, ...region.slice(0, 1)],
          as: 'edge',
        })),
      };
  const high = shape ? page.shape(shape, box) : 0;
  doc.y = Math.max(doc.y, top + high + 4) + 5;
  page.rule();
}

const linesOf = ({ outline, folds, slits }: NonNullable<CutLine['flat']>): ShapeLine[] => [
  ...outline.map((points): ShapeLine => ({ points, as: 'edge' })),
  ...folds.map((points): ShapeLine => ({ points, as: 'fold' })),
  ...slits.map((points): ShapeLine => ({ points, as: 'slit' })),
];
