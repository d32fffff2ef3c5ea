/** Notices on paper: a part for each trade, and a page for the door of each opening. */
import { PdfPage, SOFT } from '$lib/drawing/pdf-page.server.ts';
import { noticesWords as t, toldWords } from '$words/notices.ts';
import {
  frozenBuild,
  noticeRuleTexts,
  noticeThingsText,
  noticeToText,
  planOpening,
  progress,
  tradeNotices,
  type Entry,
  type Issue,
  type JobContext,
  type NoticeTo,
  type Opening,
} from '@hulvek/core';

export interface NoticesGiven {
  readonly parts: readonly {
    readonly opening: Opening;
    readonly issues: readonly Issue[];
    readonly entries: readonly Entry[];
  }[];
  readonly context: JobContext;
  readonly person: string;
  readonly at: Date;
}

export async function drawNotices({ parts, context, person, at }: NoticesGiven): Promise<Uint8Array> {
  const page = new PdfPage({
    title: `${context.job.name}: ${toldWords.title}`,
    author: person,
    at,
    tagged: true,
  });
  const day = at.toISOString().slice(0, 10);
  const signs = parts.flatMap(({ opening, issues, entries }) => {
    const issue = issues.at(-1);
    const build =
      (issue ? frozenBuild(issue, context.job)?.build : null) ?? planOpening(opening, context).build;
    if (!build) return [];
    const states = issue ? progress(build.steps, issues, entries, at.toISOString()) : [];
    const lines = tradeNotices(build, states, context.materials).map(({ to, rule, pieces, until }) => ({
      to,
      text: `${noticeThingsText(pieces)}: ${noticeRuleTexts[rule]}${until ? ` ${until.slice(0, 10)}.` : ''}`,
    }));
    return [{ opening, lines }];
  });
  page.text(context.job.name, { font: 'bold', size: 18, as: 'H1' });
  page.text(`${toldWords.title} · ${day}`, { colour: SOFT });
  page.text(t.stop, { font: 'bold', size: 11 });
  for (const to of [...new Set(signs.flatMap(({ lines }) => lines.map((line) => line.to)))]) {
    page.title(noticeToText(to));
    const marks = new Map<string, string[]>();
    for (const { opening, lines } of signs)
      for (const { text } of lines.filter((line) => line.to === to))
        marks.set(text, [...(marks.get(text) ?? []), opening.mark]);
    page.rows(
      [...marks].map(([text, own]) => ({ cells: [text, own.join(', ')] })),
      [0.7, 0.3],
    );
  }
  page.text(toldWords.caution, { colour: SOFT });
  for (const { opening, lines } of signs) {
    if (lines.length === 0) continue;
    page.doc.addPage();
    page.text(`${opening.mark} ${opening.name}`.trim(), { font: 'bold', size: 30, as: 'H1' });
    page.text([context.job.name, opening.facade].filter(Boolean).join(', '), { size: 13 });
    page.text(t.stop, { font: 'bold', size: 15 });
    for (const to of [...new Set(lines.map((line) => line.to))] satisfies NoticeTo[]) {
      page.title(noticeToText(to));
      for (const { text } of lines.filter((line) => line.to === to)) page.text(text, { size: 12 });
    }
  }
  page.footers(`${context.job.name} · ${day}`, toldWords.title);
  return new Uint8Array(await page.end());
}
