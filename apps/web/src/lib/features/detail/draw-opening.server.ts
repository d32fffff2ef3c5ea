/** The drawings of one opening on paper, each at a scale that one can measure on, and what is cut for it. */
import { MARGIN, PdfPage, SOFT } from '$lib/drawing/pdf-page.server.ts';
import { cutLines } from '$lib/features/cut-sheet/cut-rows.ts';
import { cutSheetWords } from '$words/cut-sheet.ts';
import { detailWords } from '$words/detail.ts';
import {
  cutDrawing,
  cutIds,
  drawingScales,
  faceDrawing,
  formatLength,
  pieceText,
  planOpening,
  scaleOf,
  wallThingText,
  type Build,
  type Drawing,
  type DrawOptions,
  type JobContext,
  type LengthUnit,
  type Opening,
} from '@hulvek/core';

export interface DrawingsOf {
  readonly opening: Opening;
  readonly context: JobContext;
  readonly reads: LengthUnit;
  readonly person: string;
  readonly at: Date;
}

/** Points of paper for a pixel of a drawing: its pixels are 1/96 in. */
const PT_PER_PX = 0.75;
const HEAD_pt = 56;

/** @returns `null` where the opening cannot be planned */
export async function drawOpening({
  opening,
  context,
  reads,
  person,
  at,
}: DrawingsOf): Promise<Uint8Array | null> {
  const plan = planOpening(opening, context);
  const { build } = plan;
  if (!build) return null;
  const title = `${opening.mark} ${opening.name}`.trim();
  const page = new PdfPage({ title: `${title}: ${detailWords.drawings}`, author: person, at });
  const { units } = context.job;
  const figure = (mm: number) => formatLength(mm, units, 'figure');
  const names = { dimensionNames: detailWords.dimensionNames, wallName: wallThingText };
  const draws: readonly { name: string; draw: (options: DrawOptions) => Drawing }[] = [
    { name: detailWords.labels.face, draw: (o) => faceDrawing(build, { ...o, ...names, from: 'outside' }) },
    { name: detailWords.labels.inside, draw: (o) => faceDrawing(build, { ...o, ...names, from: 'inside' }) },
    ...cutIds.map((cut) => ({
      name: detailWords.labels[cut],
      draw: (o: DrawOptions) => cutDrawing(build, { ...o, cut, name: pieceText, wallName: wallThingText }),
    })),
  ];
  draws.forEach(({ name, draw }, i) => {
    if (i > 0) page.doc.addPage();
    const { drawing, scale } = atScale(page, build, draw, figure);
    page.text(`${title} · ${name}`, { font: 'bold', size: 13 });
    page.text(
      `${context.job.name} · ${scale === null ? detailWords.noScale : detailWords.scaleOf(scale)} · ${detailWords.figuresIn[units]}`,
      { colour: SOFT, size: 9 },
    );
    const fit = Math.min(PT_PER_PX, page.width / drawing.width);
    const x = MARGIN + (page.width - drawing.width * fit) / 2;
    page.drawing(drawing, { x, y: MARGIN + HEAD_pt, scale: scale === null ? fit : PT_PER_PX });
  });
  page.doc.addPage();
  page.text(`${title} · ${cutSheetWords.title}`, { font: 'bold', size: 13 });
  page.doc.moveDown(0.5);
  page.rows(
    cutLines([plan], reads).map(({ title: what, size, read, notes }) => ({
      cells: [what, [size, ...(read === null ? [] : [read])].join(', '), notes.join('; ')],
    })),
    [0.34, 0.26, 0.4],
  );
  page.footers(
    `${context.job.name} · ${person} · ${at.toISOString().slice(0, 16).replace('T', ' ')} UTC`,
    opening.mark,
  );
  return new Uint8Array(await page.end());
}

/** The drawing at the largest scale that the page holds; `scale` is `null` where it holds none. */
function atScale(
  page: PdfPage,
  build: Build,
  draw: (options: DrawOptions) => Drawing,
  figure: DrawOptions['figure'],
): { drawing: Drawing; scale: number | null } {
  const room = {
    width: page.width / PT_PER_PX,
    height: (page.doc.page.height - 2 * MARGIN - HEAD_pt - 30) / PT_PER_PX,
  };
  const options = { ...room, step: build.steps.length, figure };
  for (const scale of drawingScales.filter((one) => one > 1)) {
    const drawing = draw({ ...options, fixedScale: scaleOf(scale) });
    if (drawing.width <= room.width && drawing.height <= room.height) return { drawing, scale };
  }
  return { drawing: draw(options), scale: null };
}
