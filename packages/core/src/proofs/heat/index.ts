/** The door of this room. */
export { standsInWall } from './boxes.ts';
export { temperatureAt, type HeatField } from './field.ts';
export { type Junction, type NamedSection } from './junction.ts';
export * from './picture.ts';
export * from './proof.ts';
export { readSection, sectionSchema, type Section } from './section-file.ts';
export { solveSection, type Bounded, type SectionSolution } from './section-solution.ts';
export { unitValues, type UnitValues } from './unit-values.ts';
export * from './side-heat.ts';
