/** Drawings and pieces as DXF, millimetres of paper: what a drafting program or a cutting table reads. */
import { flatPieces, PX_PER_MM, type Build, type Drawing, type DrawItem, type FlatPiece } from '@hulvek/core';
import {
  DxfWriter,
  LWPolylineFlags,
  point2d,
  point3d,
  TextHorizontalAlignment,
  Units,
} from '@tarikjabiri/dxf';

type Point = readonly [number, number];

const LAYERS = {
  cut: 'CUT',
  fold: 'FOLD',
  slit: 'SLIT',
  outline: 'OUTLINE',
  dimension: 'DIMENSION',
  text: 'TEXT',
};

function writer(): DxfWriter {
  const dxf = new DxfWriter();
  dxf.setUnits(Units.Millimeters);
  Object.values(LAYERS).forEach((name, i) => dxf.addLayer(name, i + 1, 'CONTINUOUS'));
  return dxf;
}

function polyline(dxf: DxfWriter, points: readonly Point[], layer: string, closed: boolean): void {
  dxf.addLWPolyline(
    points.map(([x, y]) => ({ point: point2d(x, y) })),
    { layerName: layer, flags: closed ? LWPolylineFlags.Closed : LWPolylineFlags.None },
  );
}

/** One drawing; y runs upwards as drafting programs have it. */
export function drawingDxf(drawing: Drawing): string {
  const dxf = writer();
  const to = ([x, y]: Point): Point => [x / PX_PER_MM, (drawing.height - y) / PX_PER_MM];
  for (const item of drawing.items) addItem(dxf, item, to);
  return dxf.stringify();
}

function addItem(dxf: DxfWriter, item: DrawItem, to: (p: Point) => Point): void {
  switch (item.kind) {
    case 'area':
      if (item.points.length > 2) polyline(dxf, item.points.map(to), LAYERS.outline, true);
      return;
    case 'line': {
      const soft = item.stroke === 'dimension' || item.stroke === 'leader';
      if (item.points.length > 1)
        polyline(dxf, item.points.map(to), soft ? LAYERS.dimension : LAYERS.outline, false);
      return;
    }
    case 'mark':
      return;
    case 'text': {
      const [x, y] = to(item.at);
      dxf.addText(point3d(x, y), item.size / PX_PER_MM, plain(item.text), {
        layerName: LAYERS.text,
        rotation: item.turned ? 90 : 0,
        horizontalAlignment: TextHorizontalAlignment.Center,
        secondAlignmentPoint: point3d(x, y),
      });
    }
  }
}

/** Old readers know no thin spaces, fraction slashes or other signs beyond their code page. */
const plain = (text: string): string =>
  text
    .replaceAll('\u202f', ' ')
    .replaceAll('⁄', '/')
    .replaceAll('″', '"')
    .replaceAll('×', 'x')
    .replaceAll('−', '-');

const MARGIN_mm = 20;
const BETWEEN_mm = 40;
const TITLE_mm = 12;

/** All pieces below each other at 1:1. Each piece has a layer of its own for its outline. */
export function piecesDxf(pieces: Build['pieces'], title: (piece: FlatPiece) => string): string {
  const dxf = writer();
  let top = 0;
  for (const piece of flatPieces(pieces)) {
    const low = top - TITLE_mm - piece.size.width_mm;
    const to = ([x, y]: Point): Point => [MARGIN_mm + x, low + piece.size.width_mm - y];
    const own = `CUT-${piece.id}`;
    dxf.addLayer(own, 7, 'CONTINUOUS');
    for (const line of piece.outline) polyline(dxf, line.map(to), own, false);
    for (const line of piece.folds) polyline(dxf, line.map(to), LAYERS.fold, false);
    for (const line of piece.slits) polyline(dxf, line.map(to), LAYERS.slit, false);
    dxf.addText(point3d(MARGIN_mm, top - TITLE_mm + 3), 8, plain(title(piece)), { layerName: LAYERS.text });
    top = low - BETWEEN_mm;
  }
  return dxf.stringify();
}
