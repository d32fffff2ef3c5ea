/** The door of this room. */
export * from './building.ts';
export { isRef, type IfcLine, type IfcLines, type IfcRef, type IfcValue } from './lines.ts';
export * from './schedule.ts';
export { guidOf } from './guid.ts';
export {
  writeBuilding,
  type BuildingToWrite,
  type ModelOpening,
  type ModelProperty,
} from './write-building.ts';
