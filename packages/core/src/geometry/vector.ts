/** Points and directions: u to the right, v up, w towards the weather; right-handed, millimetres. */

export type Point3 = readonly [u: number, v: number, w: number];
export type Point2 = readonly [x: number, y: number];

/** Coordinates lie on a grid of 0.01 mm, so that equal inputs give equal numbers and ties can be told. */
export const GRID_mm = 0.01;
export const snap = (mm: number): number => Math.round(mm / GRID_mm) / (1 / GRID_mm);
export const snap2 = ([x, y]: Point2): Point2 => [snap(x), snap(y)];

export const add3 = (a: Point3, b: Point3): Point3 => [a[0] + b[0], a[1] + b[1], a[2] + b[2]];
export const sub3 = (a: Point3, b: Point3): Point3 => [a[0] - b[0], a[1] - b[1], a[2] - b[2]];
export const scale3 = (a: Point3, k: number): Point3 => [a[0] * k, a[1] * k, a[2] * k];
export const dot3 = (a: Point3, b: Point3): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
export const cross3 = (a: Point3, b: Point3): Point3 => [
  a[1] * b[2] - a[2] * b[1],
  a[2] * b[0] - a[0] * b[2],
  a[0] * b[1] - a[1] * b[0],
];
export const distance3 = (a: Point3, b: Point3): number => Math.hypot(...sub3(a, b));
export const distance2 = (a: Point2, b: Point2): number => Math.hypot(a[0] - b[0], a[1] - b[1]);
export const degrees = (radians: number): number => (radians * 180) / Math.PI;
export const radians = (degrees: number): number => (degrees * Math.PI) / 180;
