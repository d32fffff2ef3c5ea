/** The pieces to cut, flat, at true size: one millimetre of tape is one unit of the drawing. */
import { cutSize, flatBounds, foldLines, type Sheet } from '../geometry/sheet.ts';
import { edgesOf, sameSegment, type Polygon, type Segment } from '../geometry/polygon.ts';
import { cutThrough, type CutPlane, type Range } from '../geometry/solid.ts';
import type { Point2 } from '../geometry/vector.ts';
import type { SolidMaterial } from '../vocabulary/materials.ts';
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

/** A corner of the uncut piece that the knife takes away: square, or along a slant. */
export interface Notch {
  readonly along_mm: number;
  readonly across_mm: number;
  /** How many corners of that size. */
  readonly count: number;
}

/** Below this an outline has its corner, mm. */
const LEAST_NOTCH_mm = 0.5;

/** Corners of the piece's rectangle that are not in it, equal ones counted together. */
export function notchesOf({ size, outline }: FlatPiece): Notch[] {
  const points = outline.flat();
  const least = (values: readonly number[]) => (values.length > 0 ? Math.min(...values) : 0);
  const near = (a: number, b: number) => Math.abs(a - b) < LEAST_NOTCH_mm;
  const notches = [0, size.length_mm].flatMap((x) =>
    [0, size.width_mm].flatMap((y) => {
      const along = least(points.filter(([, py]) => near(py, y)).map(([px]) => Math.abs(px - x)));
      const across = least(points.filter(([px]) => near(px, x)).map(([, py]) => Math.abs(py - y)));
      const isCut = along > LEAST_NOTCH_mm && across > LEAST_NOTCH_mm;
      return isCut ? [{ along_mm: along, across_mm: across }] : [];
    }),
  );
  return notches.flatMap((notch, i) => {
    const same = notches.filter(
      (other) => near(other.along_mm, notch.along_mm) && near(other.across_mm, notch.across_mm),
    );
    return same[0] === notch || notches.indexOf(same[0] ?? notch) === i
      ? [{ ...notch, count: same.length }]
      : [];
  });
}

/** A slit: where it begins from the piece's left end, and how long it is. */
export interface Slit {
  readonly from_mm: number;
  readonly length_mm: number;
}

export const slitsOf = ({ slits }: FlatPiece): Slit[] =>
  slits.flatMap((line) => {
    const [a, b] = [line[0], line.at(-1)];
    if (!a || !b) return [];
    return [{ from_mm: Math.min(a[0], b[0]), length_mm: Math.hypot(b[0] - a[0], b[1] - a[1]) }];
  });

/** What goes under a saw and keeps its shape: rods and bands are pressed into whatever is there. */
const SAWN: ReadonlySet<SolidMaterial> = new Set(['wood', 'wood-board', 'hd-foam', 'panel', 'foam-board']);

/** What a saw shows across a piece of boards: each board's own shape, as they stand together. */
export interface PieceSection {
  readonly regions: readonly Polygon[];
  readonly size: { readonly wide_mm: number; readonly high_mm: number };
}

/**
 * Across a piece that is joined of several boards or cut to a slope; `null` for one that is a plain rectangle. Through the wall
 * it lies level; a sill stands as it is seen from the side, a jamb as from above.
 */
export function sawnSection(piece: Piece): PieceSection | null {
  if (piece.form !== 'solid' || piece.sawn.length === 0) return null;
  if (!piece.solids.every(({ material }) => SAWN.has(material))) return null;
  const profiles = piece.solids.flatMap(({ profile }) => profile);
  const spread = (values: readonly number[]) => Math.max(...values) - Math.min(...values);
  const [long_u, long_v] = [spread(piece.solids.flatMap(({ u }) => u)), spread(profiles.map(([, v]) => v))];
  const middle = (values: readonly number[]) => (Math.max(...values) + Math.min(...values)) / 2;
  const plane: CutPlane =
    long_v > long_u
      ? { axis: 'v', at: middle(profiles.map(([, v]) => v)) }
      : { axis: 'u', at: middle(piece.solids.flatMap(({ u }) => u)) };
  const all: Range = [-1e6, 1e6];
  const regions = cutThrough(piece.solids, plane, { w: all, across: all }).map(({ outline }) => outline);
  const points = regions.flat();
  const places = (axis: 0 | 1) => new Set(points.map((point) => point[axis])).size;
  const isPlain = regions.length < 2 && points.length === 4 && places(0) === 2 && places(1) === 2;
  if (points.length === 0 || isPlain) return null;
  const [left, top] = [Math.min(...points.map(([x]) => x)), Math.max(...points.map(([, y]) => y))];
  return {
    regions: regions.map((region) => region.map(([x, y]): Point2 => [x - left, top - y])),
    size: { wide_mm: spread(points.map(([x]) => x)), high_mm: spread(points.map(([, y]) => y)) },
  };
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
