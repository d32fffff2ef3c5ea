/** A drawing as plain items in paper pixels: one list for the screen, the export and the tests. */
import type { SolidMaterial, SheetMaterialId } from '../vocabulary/materials.ts';
import type { Point2, Point3 } from '../geometry/vector.ts';
import type { Handle } from './handles.ts';

/** Fill by what a thing is made of; the screen and the SVG export turn it into a hatch. */
export type Fill = 'none' | 'room' | 'wrap-back' | SolidMaterial | SheetMaterialId;

export type Stroke =
  | 'outline'
  | 'thin'
  | 'hidden'
  | 'fold'
  | 'slit'
  | 'dimension'
  | 'leader'
  | 'new'
  | 'measure'
  | 'water'
  | 'none';
export type Tone = 'plain' | 'quiet' | 'good' | 'watch' | 'bad' | 'water';

export interface AreaItem {
  readonly kind: 'area';
  readonly points: readonly Point2[];
  readonly fill: Fill;
  readonly stroke: Stroke;
  readonly owner: string;
}
export interface LineItem {
  readonly kind: 'line';
  readonly points: readonly Point2[];
  readonly stroke: Stroke;
  /** Paper pixels; left out for the stroke's own. */
  readonly width?: number;
  readonly fill?: Fill;
  readonly owner: string;
}
export interface TextItem {
  readonly kind: 'text';
  /** Middle of the text's box. */
  readonly at: Point2;
  readonly text: string;
  readonly size: number;
  readonly turned: boolean;
  readonly tone: Tone;
  readonly owner: string;
}
export interface MarkItem {
  readonly kind: 'mark';
  readonly at: Point2;
  readonly tone: Tone;
  readonly owner: string;
}

export type DrawItem = AreaItem | LineItem | TextItem | MarkItem;

export interface Drawing {
  readonly width: number;
  readonly height: number;
  /** Paper pixels per millimetre. */
  readonly scale: number;
  readonly items: readonly DrawItem[];
  readonly handles?: readonly Handle[];
  /** Where a point in space stands on the paper, and the part of the paper that shows the wall. */
  readonly place?: (point: Point3) => Point2;
  readonly frame?: {
    readonly left: number;
    readonly right: number;
    readonly top: number;
    readonly bottom: number;
  };
}

export const DIMENSION_SIZE = 12;
export const LABEL_SIZE = 12.5;

/** Width of an average character over the text size, measured on the shipped monospaced and proportional faces. */
const CHARACTER = 0.6;

export interface TextBox {
  readonly x: readonly [number, number];
  readonly y: readonly [number, number];
}

export const textWidth = (text: string, size: number): number => text.length * size * CHARACTER;

export function textBox({
  at,
  text,
  size,
  turned,
}: Pick<TextItem, 'at' | 'text' | 'size' | 'turned'>): TextBox {
  const [w, h] = turned ? [size, textWidth(text, size)] : [textWidth(text, size), size];
  return { x: [at[0] - w / 2, at[0] + w / 2], y: [at[1] - h / 2, at[1] + h / 2] };
}
