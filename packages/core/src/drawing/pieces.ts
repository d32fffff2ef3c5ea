/** The pieces to cut, flat, at true size: one millimetre of tape is one unit of the drawing. */
import { cutSize, flatBounds, foldLines, type Sheet } from '../geometry/sheet.ts';
import { edgesOf, sameSegment, type Polygon, type Segment } from '../geometry/polygon.ts';
import type { Point2 } from '../geometry/vector.ts';
import { escapeXml } from './export.ts';
import type { Piece } from '../methods/pieces/piece.ts';

export interface FlatPiece {
  readonly id: string;
  readonly size: { readonly length_mm: number; readonly width_mm: number };
  /** Regions of the outline; together they are the piece. */
  readonly regions: readonly Polygon[];
  /** Where the knife goes: edges that belong to one region only. */
  readonly outline: readonly (readonly Point2[])[];
  readonly folds: readonly (readonly Point2[])[];
  readonly slits: readonly (readonly Point2[])[];
}

/** Every worked piece moved so that its outline starts at (0, 0), y down. */
export const flatPieces = (pieces: readonly Piece[]): FlatPiece[] =>
  pieces.flatMap((piece) =>
    piece.form === 'sheet' && piece.stock === 'worked' && piece.film_mm === undefined
      ? [flatPiece(piece.sheet)]
      : [],
  );

function flatPiece(sheet: Sheet): FlatPiece {
  const { x, y } = flatBounds(sheet);
  const move = (p: Point2): Point2 => [p[0] - x[0], y[1] - p[1]];
  return {
    id: sheet.id,
    size: cutSize(sheet),
    regions: [...sheet.faces.map((face) => face.flat), ...sheet.pleats].map((region) => region.map(move)),
    outline: outlineOf([...sheet.faces.map((face) => face.flat), ...sheet.pleats]).map((line) =>
      line.map(move),
    ),
    folds: foldLines(sheet).map((line) => line.map(move)),
    slits: sheet.slits.map((line) => line.map(move)),
  };
}

function outlineOf(regions: readonly Polygon[]): Segment[] {
  const edges = regions.flatMap(edgesOf);
  return edges.filter((edge) => edges.filter((other) => sameSegment(edge, other)).length === 1);
}

const SHEET_MARGIN_mm = 20;
const ROW_GAP_mm = 46;
const TEXT_mm = 14;

/** An SVG at 1:1 with all flat pieces below each other; each is a group named by `data-piece`. */
export function piecesSvg(pieces: readonly Piece[], title: (piece: FlatPiece) => string): string {
  let top = SHEET_MARGIN_mm;
  const flat = flatPieces(pieces);
  const rows = flat.map((piece) => {
    const at = top + TEXT_mm + 6;
    top = at + piece.size.width_mm + ROW_GAP_mm - TEXT_mm;
    const path = (points: readonly Point2[]) => points.map(([px, py]) => `${mm(px)},${mm(py)}`).join(' ');
    return [
      `<text x="${SHEET_MARGIN_mm}" y="${mm(at - 6)}">${escapeXml(title(piece))}</text>`,
      `<g data-piece="${piece.id}" transform="translate(${SHEET_MARGIN_mm} ${mm(at)})">`,
      ...piece.regions.map((region) => `<polygon class="region" points="${path(region)}"/>`),
      ...piece.outline.map((line) => `<polyline class="edge" points="${path(line)}"/>`),
      ...piece.folds.map((line) => `<polyline class="fold" points="${path(line)}"/>`),
      ...piece.slits.map((line) => `<polyline class="slit" points="${path(line)}"/>`),
      '</g>',
    ].join('\n');
  });
  const width = Math.max(0, ...flat.map((p) => p.size.length_mm)) + 2 * SHEET_MARGIN_mm;
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" width="${mm(width)}mm" height="${mm(top)}mm" viewBox="0 0 ${mm(width)} ${mm(top)}">`,
    `<style>text{font:${TEXT_mm}px sans-serif}.region{fill:#e8e4da}.edge{fill:none;stroke:#1f2a2e;stroke-width:.6}.fold{fill:none;stroke:#1f2a2e;stroke-width:.6;stroke-dasharray:6 4}.slit{fill:none;stroke:#8a2f12;stroke-width:1}</style>`,
    ...rows,
    '</svg>',
    '',
  ].join('\n');
}

const mm = (value: number): string => String(Math.round(value * 100) / 100);
