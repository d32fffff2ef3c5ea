/** What of a job others can read: drawings and pieces, sections for heat, tables. Nobody's name stands in them. */
import { drawingDxf, piecesDxf } from '../detail/dxf.ts';
import { testsCsv } from '../opening-tests/tests-csv.ts';
import { handOverWords as t } from '$words/hand-over.ts';
import {
  asBuilt,
  cutDrawing,
  cutIds,
  cutList,
  dossierOf,
  drawingSvg,
  faceDrawing,
  formatLength,
  frozenBuild,
  heatInput,
  junctionFor,
  labelSchedule,
  pieceText,
  piecesSvg,
  planOpening,
  sessionsOf,
  standing,
  standsInWall,
  stepText,
  wallThingText,
  writeSheet,
  type Build,
  type JobContext,
  type LengthUnit,
  type Opening,
  type OpeningDocument,
} from '@hulvek/core';
import type { DossierPart } from './draw-dossier.server.ts';
import { labelsCsv } from './labels-csv.ts';

/** A path in the package, and what stands there. */
export type TextFile = readonly [string, string];

const SIZE = { width: 1047, height: 718 };

/** Of one opening: what stands there now, or is planned where nothing was frozen; its pieces, its sections, its steps. */
export function packOpening({
  part: { document, issues, entries },
  opening,
  context,
  number,
  at,
}: {
  readonly part: DossierPart;
  readonly opening: Opening;
  readonly context: JobContext;
  /** Its place in the job, from 1: two marks may be alike. */
  readonly number: number;
  readonly at: string;
}): readonly TextFile[] {
  const issue = issues.at(-1);
  const frozen = issue && frozenBuild(issue, context.job)?.build;
  const build = frozen ?? planOpening(opening, context).build;
  if (!build) return [];
  const folder = `openings/${String(number).padStart(3, '0')}-${plain(document.mark)}`;
  const { units } = context.job;
  return [
    ...drawings(folder, document.mark, { build, entries, units, isBegun: frozen !== undefined }),
    ...sections(folder, build, context),
    [`${folder}/cut-list.csv`, cutCsv(build, units)],
    [`${folder}/steps.csv`, stepsCsv(build, { document, issues, entries }, context, at)],
  ];
}

const plain = (mark: string): string =>
  mark.replaceAll(/[^A-Za-z0-9]+/g, '-').replaceAll(/^-+|-+$/g, '') || 'x';

interface DrawnFrom {
  readonly build: Build;
  readonly entries: DossierPart['entries'];
  readonly units: LengthUnit;
  readonly isBegun: boolean;
}

function drawings(folder: string, mark: string, { build, entries, units, isBegun }: DrawnFrom): TextFile[] {
  const { build: built, count } = isBegun ? asBuilt(build, entries) : { build, count: build.steps.length };
  const figure = (mm: number) => formatLength(mm, units, 'figure');
  const options = { ...SIZE, step: count, figure, wallName: wallThingText };
  const views = [
    ['face', faceDrawing(built, options)] as const,
    ...cutIds.map((cut) => [cut, cutDrawing(built, { ...options, cut, name: pieceText })] as const),
  ];
  const length = (mm: number) => formatLength(mm, units);
  const title = ({ id, size }: { id: string; size: { length_mm: number; width_mm: number } }) =>
    `${mark} ${pieceText(id)}: ${length(size.length_mm)} × ${length(size.width_mm)}`;
  return [
    ...views.flatMap(([name, drawing]): TextFile[] => [
      [`${folder}/${name}.svg`, drawingSvg(drawing, `${mark} ${name}`)],
      [`${folder}/${name}.dxf`, drawingDxf(drawing)],
    ]),
    [`${folder}/pieces.svg`, piecesSvg(build.pieces, title)],
    [`${folder}/pieces.dxf`, piecesDxf(build.pieces, title)],
  ];
}

const sections = (folder: string, build: Build, context: JobContext): TextFile[] =>
  standsInWall(build)
    ? cutIds.map((cut) => [
        `${folder}/${cut}.hulvek-section.json`,
        `${JSON.stringify(junctionFor(heatInput(build, context), cut).flow.section, null, 1)}\n`,
      ])
    : [];

function cutCsv(build: Build, units: LengthUnit): string {
  const c = t.cutTable;
  return writeSheet([
    [c.piece, c.material, c.length, c.width, c.thickness, c.count],
    ...cutList(build.pieces).map((row) => [
      pieceText(row.piece),
      row.material,
      formatLength(row.length_mm, units),
      formatLength(row.width_mm, units),
      row.thickness_mm === null ? '' : formatLength(row.thickness_mm, units),
      String(row.count),
    ]),
  ]);
}

function stepsCsv(build: Build, part: DossierPart, { materials }: JobContext, now: string): string {
  const dossier = dossierOf({ build, issues: part.issues, entries: part.entries, materials, now });
  return writeSheet([
    Object.values(t.stepTable),
    ...(dossier?.steps ?? []).map(({ state: { id, tick, look } }) => [
      stepText(id, build.context.choices).title,
      tick?.at ?? '',
      look?.at ?? '',
    ]),
  ]);
}

/** Tables of the whole job. */
export function packTables({
  parts,
  context,
}: {
  readonly parts: readonly Pick<DossierPart, 'document' | 'entries'>[];
  readonly context: JobContext;
}): readonly TextFile[] {
  const documents = parts.map(({ document }) => document);
  const { job, units } = context;
  return [
    ['tables/openings.csv', openingsCsv(documents, context)],
    ['tables/labels.csv', labelsCsv(labelSchedule({ job, openings: documents, units }), job.units)],
    [
      'tables/tests.csv',
      testsCsv(
        parts.map(({ document, entries }) => ({
          mark: document.mark,
          sessions: sessionsOf(standing(entries)),
        })),
      ),
    ],
  ];
}

function openingsCsv(documents: readonly OpeningDocument[], { job, units, walls }: JobContext): string {
  return writeSheet([
    Object.values(t.openingTable),
    ...documents.map((document) => {
      const unit = units.find(({ id }) => id === document.unit);
      return [
        document.mark,
        document.name,
        document.facade,
        walls.find(({ id }) => id === document.wall)?.name ?? '',
        unit?.name ?? '',
        unit ? formatLength(unit.width.mm, job.units) : '',
        unit ? formatLength(unit.height.mm, job.units) : '',
      ];
    }),
  ]);
}
