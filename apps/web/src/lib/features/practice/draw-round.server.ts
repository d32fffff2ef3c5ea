/** A round on paper for the site hut: the tasks with their drawings, and at the end what is right and why. */
import type { RoundTask } from '$lib/contract/practice.ts';
import { INK, MARGIN, PdfPage, SOFT } from '$lib/drawing/pdf-page.server.ts';
import {
  answerText,
  givenText,
  kindTexts,
  optionText,
  paperWords as t,
  practiceWords,
  questionText,
  viewTexts,
  whyText,
} from '$words/practice.ts';
import {
  composeTask,
  figuresIn,
  openingOf,
  planOpening,
  readTaskNumber,
  systemOf,
  taskNumberText,
  wallOfPlan,
  type Composed,
  type JobContext,
  type OpeningDocument,
  type PracticeWall,
  type Reading,
} from '@hulvek/core';

const PICTURE = { width: 640, height: 400 } as const;
const HIGH = 190;

export interface RoundPaper {
  readonly title: string;
  readonly tasks: readonly RoundTask[];
  /** The openings it is about, where it is one of a job. */
  readonly job: {
    readonly context: JobContext;
    readonly openings: readonly {
      readonly document: OpeningDocument;
      readonly readings: readonly Reading[];
    }[];
  } | null;
  readonly at: Date;
}

function wallsOf({ job }: RoundPaper): (opening: string) => PracticeWall | null {
  const known = new Map<string, PracticeWall | null>();
  return (id) => {
    const before = known.get(id);
    if (before !== undefined) return before;
    const part = job?.openings.find(({ document }) => document.id === id);
    const wall =
      job && part ? wallOfPlan(planOpening(openingOf(part.document, part.readings), job.context)) : null;
    known.set(id, wall);
    return wall;
  };
}

export async function drawRound(paper: RoundPaper): Promise<Uint8Array> {
  const page = new PdfPage({ title: paper.title, author: '', at: paper.at });
  const wallOf = wallsOf(paper);
  const all = paper.tasks.flatMap(({ task, opening }) => {
    const number = readTaskNumber(task);
    const wall = opening === null ? null : wallOf(opening);
    const made = number && (opening === null || wall) ? composeTask(number, wall) : null;
    const mark = paper.job?.openings.find(({ document }) => document.id === opening)?.document.mark ?? '';
    return made ? [{ made, mark }] : [];
  });
  page.text(paper.title, { font: 'bold', size: 16 });
  page.text(t.lead, { colour: SOFT });
  all.forEach(({ made, mark }, i) => drawTask(page, made, `${i + 1}  ${mark}`.trim()));
  page.doc.addPage();
  page.text(t.answers, { font: 'bold', size: 14 });
  all.forEach(({ made }, i) => {
    const { answer, why } = made.judge({ form: 'one', option: '' });
    const { task } = made;
    const f = figuresIn(systemOf(task.number));
    const right = answerText(task, answer, f).join(' · ');
    // Of an order that is right there is nothing to say: why it is so is said of a wrong one.
    const because = made.judge(answer).why.code === why.code ? whyText(why, f) : '';
    page.rows(
      [{ cells: [`${i + 1}  ${taskNumberText(task.number)}`, [right, because].filter(Boolean).join('. ')] }],
      [0.24, 0.76],
    );
  });
  page.footers(paper.title, '');
  return new Uint8Array(await page.end());
}

function drawTask(page: PdfPage, { task }: Composed, head: string): void {
  const { doc } = page;
  const { number, asked, question, views } = task;
  const f = figuresIn(systemOf(number));
  page.room((views.length > 0 ? HIGH : 0) + 120);
  page.title(`${head}  ${kindTexts[number.kind].name}, ${practiceWords.level(number.level).toLowerCase()}`);
  const shown = views.slice(0, 2);
  if (shown.length > 0) {
    const wide = (page.width - 12 * (shown.length - 1)) / shown.length;
    const y = doc.y;
    shown.forEach((view, i) => {
      const scale = Math.min(wide / PICTURE.width, HIGH / PICTURE.height);
      page.drawing(view.draw(PICTURE), { x: MARGIN + i * (wide + 12), y, scale, coloured: true });
    });
    doc.y = y + Math.min(HIGH, (wide / PICTURE.width) * PICTURE.height) + 4;
    page.text(shown.map(({ name }) => viewTexts[name]).join('  |  '), { colour: SOFT, size: 8 });
  }
  page.text(questionText(question, f), { font: 'bold', size: 10 });
  if (question.kind === 'cut')
    page.rows(
      question.lengths.map(({ what, mm }) => ({ cells: [givenText(what), f.length(mm)] })),
      [0.4, 0.6],
    );
  const options =
    asked.form === 'order'
      ? asked.items
      : asked.form === 'one' || asked.form === 'several'
        ? asked.options
        : [];
  page.text(
    asked.form === 'order'
      ? t.order
      : asked.form === 'length'
        ? t.write
        : asked.form === 'place'
          ? t.mark
          : t.choose,
    { colour: SOFT, size: 9 },
  );
  for (const id of options) {
    page.room(16);
    const y = doc.y;
    doc
      .rect(MARGIN + 2, y + 1, 9, 9)
      .lineWidth(0.7)
      .stroke(INK);
    doc.font('regular').fontSize(9.5);
    page.textIn(optionText(task, id, f), { x: MARGIN + 18, wide: page.width - 18 });
  }
  if (options.length === 0) {
    const y = doc.y + 14;
    doc
      .moveTo(MARGIN, y)
      .lineTo(MARGIN + 180, y)
      .lineWidth(0.6)
      .stroke(INK);
    doc.y = y + 6;
  }
  doc.moveDown(0.6);
}
