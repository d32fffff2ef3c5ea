/** A shared job in words: the same dossier as on paper, for whoever has no account. */
import { handOverWords as t } from '$words/hand-over.ts';
import {
  asBuilt,
  cutDrawing,
  drawingSvg,
  faceDrawing,
  formatLength,
  frozenBuild,
  labelSchedule,
  labelStateOf,
  pieceText,
  stepText,
  wallThingText,
  type CutId,
  type JobContext,
} from '@hulvek/core';
import type { SharedJob, SharedOpening, SharedSection, ShareScope } from '../../contract/shared.ts';
import { dossierSections, type DossierSection } from '../hand-over/dossier-sections.ts';
import type { DossierPart } from '../hand-over/draw-dossier.server.ts';
import { labelCells } from '../hand-over/labels-csv.ts';
import { standingOf } from '../hand-over/standing.ts';

interface Given {
  readonly parts: readonly DossierPart[];
  readonly context: JobContext;
  readonly scope: ShareScope;
  /** The moment, ISO 8601. */
  readonly at: string;
}

/** The list of openings, and what their labels say. */
export function sharedJob({ parts, context, at }: Given): SharedJob {
  const shown = parts.map(({ document }) => document);
  const rows = parts.map(({ document, issues, entries }) => {
    const stands = standingOf({ issues, entries }, context, at);
    return {
      id: document.id,
      mark: document.mark,
      name: document.name,
      facade: document.facade,
      done: stands ? t.doneOf(stands.dossier.done, stands.build.steps.length) : t.notBegun,
      open: stands ? t.openTitle(stands.dossier.open.length) : '',
    };
  });
  const labels = labelSchedule({ job: context.job, openings: shown, units: context.units }).filter(
    (row) => labelStateOf(row) !== 'not-asked',
  );
  return {
    name: context.job.name,
    rows,
    labels:
      labels.length === 0
        ? []
        : [Object.values(t.labelTable), ...labels.map((row) => labelCells(row, context.job.units))],
  };
}

/** One opening. */
export function sharedOpening({ parts, context, scope, at }: Given): SharedOpening | null {
  const [part] = parts;
  if (!part) return null;
  const { document, issues, entries } = part;
  const title = `${document.mark} ${document.name}`.trim();
  const stands = standingOf({ issues, entries }, context, at);
  if (!stands)
    return { title, hasDrawings: false, sections: [{ title: t.planned, lines: [bare(t.notStarted)] }] };
  const { build, dossier } = stands;
  const sections = dossierSections(build, dossier, { reads: context.job.units, names: scope.names });
  const hidden: SharedSection = {
    title: t.hidden,
    lines: dossier.hidden.map(({ piece, coveredBy, pictures }) => ({
      text: t.hiddenBy(pieceText(piece), stepText(coveredBy).title),
      pictures: scope.pictures ? pictures.map(({ id }) => id) : [],
    })),
  };
  return {
    title,
    hasDrawings: true,
    sections: [
      ...sections.slice(0, 2).map(inLines),
      ...(hidden.lines.length > 0 ? [hidden] : []),
      ...sections.slice(2).map(inLines),
    ],
  };
}

const bare = (text: string) => ({ text, pictures: [] });
const inLines = ({ title, rows }: DossierSection): SharedSection => ({
  title,
  lines: rows.map((cells) => bare(cells.filter(Boolean).join(' · '))),
});

const SIZE = { width: 560, height: 420 };

/** The face, or a cut, as it stands. */
export function sharedDrawing({
  part,
  context,
  view,
}: {
  readonly part: DossierPart;
  readonly context: JobContext;
  readonly view: 'face' | CutId;
}): string | null {
  const issue = part.issues.at(-1);
  const build = issue && frozenBuild(issue, context.job)?.build;
  if (!build) return null;
  const { build: built, count } = asBuilt(build, part.entries);
  const figure = (mm: number) => formatLength(mm, context.job.units, 'figure');
  const options = { ...SIZE, step: count, figure, wallName: wallThingText };
  const drawing =
    view === 'face'
      ? faceDrawing(built, options)
      : cutDrawing(built, { ...options, cut: view, name: pieceText });
  return drawingSvg(drawing, `${part.document.mark} ${view}`);
}
