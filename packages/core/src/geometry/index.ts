/** The door of this room. */
export { cutSize, tear_mm } from './sheet.ts';
export { type Point2, type Point3 } from './vector.ts';
