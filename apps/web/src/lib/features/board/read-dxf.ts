/** Outlines of a drawing file as lines, millimetres: straight lines, polylines with their bows, circles, and what blocks hold. */
import type { StationUnit } from '@hulvek/core';

type Point = [number, number];

export type DrawingRead =
  | { readonly ok: true; readonly lines: readonly (readonly Point[])[] }
  | { readonly ok: false; readonly because: 'notRead' | 'empty' | 'too-many' | 'no-unit' };

/** As drawings name their units in their header. Source: DXF reference, $INSUNITS, from memory. */
const UNITS: Readonly<Record<number, number>> = { 1: 25.4, 2: 304.8, 4: 1, 5: 10, 6: 1000, 14: 100 };
const MM_IN: Readonly<Record<StationUnit, number>> = { mm: 1, m: 1000, ft: 304.8, in: 25.4 };

const MOST_POINTS = 4000;
/** Straight pieces for a whole circle. */
const ROUND = 32;
/** Blocks within blocks. */
const DEEPEST = 8;

interface Vertex {
  readonly x: number;
  readonly y: number;
  readonly bulge?: number;
}
interface Entity {
  readonly type: string;
  readonly vertices?: readonly Vertex[];
  readonly shape?: boolean;
  readonly center?: Vertex;
  readonly radius?: number;
  readonly startAngle?: number;
  readonly endAngle?: number;
  readonly name?: string;
  readonly position?: Vertex;
  readonly xScale?: number;
  readonly yScale?: number;
  readonly rotation?: number;
}
type Blocks = Readonly<Record<string, { readonly entities?: readonly Entity[]; readonly position?: Vertex }>>;

/** An arc from one vertex to the next by its bulge: the tangent of a quarter of its angle. */
function bowed(from: Vertex, to: Vertex): Point[] {
  const bulge = from.bulge ?? 0;
  if (bulge === 0) return [[to.x, to.y]];
  const angle = 4 * Math.atan(bulge);
  const [dx, dy] = [to.x - from.x, to.y - from.y];
  const chord = Math.hypot(dx, dy);
  const radius = chord / 2 / Math.sin(angle / 2);
  const middle = radius * Math.cos(angle / 2);
  const [cx, cy] = [(from.x + to.x) / 2 - (dy / chord) * middle, (from.y + to.y) / 2 + (dx / chord) * middle];
  const start = Math.atan2(from.y - cy, from.x - cx);
  const pieces = Math.max(2, Math.ceil((Math.abs(angle) / (2 * Math.PI)) * ROUND));
  return Array.from({ length: pieces }, (_, i): Point => {
    const turn = start + (angle * (i + 1)) / pieces;
    return [cx + Math.abs(radius) * Math.cos(turn), cy + Math.abs(radius) * Math.sin(turn)];
  });
}

function arc({ center, radius = 0 }: Entity, from: number, to: number): Point[] {
  const angle = to > from ? to - from : to - from + 2 * Math.PI;
  const pieces = Math.max(2, Math.ceil((angle / (2 * Math.PI)) * ROUND));
  return Array.from({ length: pieces + 1 }, (_, i): Point => {
    const turn = from + (angle * i) / pieces;
    return [(center?.x ?? 0) + radius * Math.cos(turn), (center?.y ?? 0) + radius * Math.sin(turn)];
  });
}

function linesOf(entity: Entity, blocks: Blocks, deep: number): Point[][] {
  const { type, vertices = [], shape } = entity;
  if (type === 'LINE' || type === 'LWPOLYLINE' || type === 'POLYLINE') {
    const [first] = vertices;
    if (!first || vertices.length < 2) return [];
    const closed = shape === true ? [...vertices, first] : vertices;
    return [[[first.x, first.y], ...closed.slice(1).flatMap((to, i) => bowed(closed[i] ?? to, to))]];
  }
  if (type === 'CIRCLE') return [arc(entity, 0, 2 * Math.PI)];
  if (type === 'ARC') return [arc(entity, entity.startAngle ?? 0, entity.endAngle ?? 0)];
  if (type !== 'INSERT' || deep >= DEEPEST) return [];
  const block = blocks[entity.name ?? ''];
  const base = block?.position ?? { x: 0, y: 0 };
  const turn = ((entity.rotation ?? 0) * Math.PI) / 180;
  const [cos, sin] = [Math.cos(turn), Math.sin(turn)];
  return (block?.entities ?? [])
    .flatMap((inner) => linesOf(inner, blocks, deep + 1))
    .map((line) =>
      line.map(([x, y]): Point => {
        const [a, b] = [(x - base.x) * (entity.xScale ?? 1), (y - base.y) * (entity.yScale ?? 1)];
        return [(entity.position?.x ?? 0) + a * cos - b * sin, (entity.position?.y ?? 0) + a * sin + b * cos];
      }),
    );
}

/** Reads a drawing; its lower left corner becomes the origin. @param unit what its figures are in, where it does not say */
export async function readDxf(text: string, unit: StationUnit | null): Promise<DrawingRead> {
  const { default: DxfParser } = await import('dxf-parser');
  let drawing: ReturnType<InstanceType<typeof DxfParser>['parseSync']>;
  try {
    drawing = new DxfParser().parseSync(text);
  } catch {
    return { ok: false, because: 'notRead' };
  }
  if (!drawing) return { ok: false, because: 'notRead' };
  const header: Readonly<Record<string, unknown>> = drawing.header;
  const said = UNITS[Number(header.$INSUNITS)];
  const mm = said ?? (unit === null ? undefined : MM_IN[unit]);
  const entities: readonly Entity[] = drawing.entities;
  const blocks: Blocks = drawing.blocks ?? {};
  const all = entities
    .flatMap((entity) => linesOf(entity, blocks, 0))
    .filter((line) => line.every(([x, y]) => Number.isFinite(x) && Number.isFinite(y)));
  if (all.length === 0) return { ok: false, because: 'empty' };
  if (mm === undefined) return { ok: false, because: 'no-unit' };
  if (all.reduce((n, line) => n + line.length, 0) > MOST_POINTS) return { ok: false, because: 'too-many' };
  const [left, low] = [0, 1].map((axis) =>
    Math.min(...all.map((line) => Math.min(...line.map((point) => point[axis] ?? 0)))),
  );
  const grid = (value: number) => Math.round(value * mm * 10) / 10;
  return {
    ok: true,
    lines: all.map((line) => line.map(([x, y]) => [grid(x - (left ?? 0)), grid(y - (low ?? 0))])),
  };
}
