/** What is cut for the openings of a day, equal pieces together, in words and shapes: for the page and for paper. */
import { cutSheetWords } from '$words/cut-sheet.ts';
import { detailWords } from '$words/detail.ts';
import {
  flatPieces,
  formatCut,
  formatLength,
  kindOf,
  notchesOf,
  pieceText,
  sawnSection,
  slitsOf,
  toMark,
  writeMeasure,
  type CutRow,
  type FlatPiece,
  type LengthUnit,
  type PieceSection,
  type Plan,
} from '@hulvek/core';

export interface CutLine {
  readonly material: CutRow['material'];
  readonly title: string;
  readonly size: string;
  /** The same for whoever reads in other units; `null` where the job's are read. */
  readonly read: string | null;
  readonly marks: string;
  /** Volume, thickness, folds, slits, corners off, section. */
  readonly notes: readonly string[];
  readonly flat: FlatPiece | null;
  /** Of boards that are joined or sloped. */
  readonly section: PieceSection | null;
}

interface Group {
  readonly cut: CutRow;
  readonly marks: string[];
  readonly flat: FlatPiece | null;
  readonly section: PieceSection | null;
  count: number;
}

/** @param reads what whoever looks reads in; sizes are to the mark that the job is cut to */
export function cutLines(plans: readonly Plan[], reads: LengthUnit): CutLine[] {
  const units = plans[0]?.job.job.units ?? 'mm';
  return grouped(plans, units).map(({ cut, marks, flat, section, count }) => ({
    material: cut.material,
    title: `${count} × ${pieceText(cut.piece)}`,
    size: formatCut(cut, units),
    read: reads === units ? null : formatCut(cut, units, reads),
    marks: marks.join(', '),
    notes: notesOf({ cut, flat, section }, units, reads),
    flat,
    section,
  }));
}

function grouped(plans: readonly Plan[], units: LengthUnit): Group[] {
  const groups = new Map<string, Group>();
  for (const { cuts, build, opening } of plans) {
    const flat = flatPieces(build?.pieces ?? []);
    for (const cut of cuts) {
      const kind = build ? kindOf(build, cut.piece) : cut.piece;
      const key = [kind, cut.material, formatCut(cut, units), cut.piece].join('/');
      const group = groups.get(key);
      if (group) {
        group.marks.push(opening.mark);
        group.count += cut.count;
        continue;
      }
      const piece = build?.pieces.find(({ id }) => id === cut.piece);
      groups.set(key, {
        cut,
        marks: [opening.mark],
        flat: flat.find(({ id }) => id === cut.piece) ?? null,
        section: piece ? sawnSection(piece) : null,
        count: cut.count,
      });
    }
  }
  return [...groups.values()].sort(
    (a, b) => a.cut.material.localeCompare(b.cut.material) || b.cut.length_mm - a.cut.length_mm,
  );
}

function notesOf(
  { cut, flat, section }: Pick<Group, 'cut' | 'flat' | 'section'>,
  units: LengthUnit,
  reads: LengthUnit,
): string[] {
  const mark = (mm: number) => formatLength(toMark(mm, units), units);
  const folds = flat ? foldsAt(flat).map(mark).join(', ') : '';
  return [
    ...(cut.volume_ml === null ? [] : [detailWords.volume(writeMeasure('volume', cut.volume_ml, reads))]),
    ...(cut.thickness_mm === null ? [] : [detailWords.thick(mark(cut.thickness_mm))]),
    ...(folds === '' ? [] : [cutSheetWords.folds(folds)]),
    ...(flat
      ? slitsOf(flat).map((slit) => cutSheetWords.slit(mark(slit.from_mm), mark(slit.length_mm)))
      : []),
    ...(flat
      ? notchesOf(flat).map((notch) =>
          cutSheetWords.notches(notch.count, mark(notch.along_mm), mark(notch.across_mm)),
        )
      : []),
    ...(cut.pleats > 0 ? [detailWords.pleats(cut.pleats)] : []),
    ...(section ? [cutSheetWords.section(mark(section.size.wide_mm), mark(section.size.high_mm))] : []),
  ];
}

/** Folds that run along the piece, from its edge, mm. */
function foldsAt({ folds }: FlatPiece): number[] {
  const along = folds.flatMap((line) => {
    const [a, b] = [line[0], line.at(-1)];
    return a && b && Math.abs(a[1] - b[1]) < 0.1 ? [Math.round(a[1] * 10) / 10] : [];
  });
  return [...new Set(along)].sort((a, b) => a - b);
}
