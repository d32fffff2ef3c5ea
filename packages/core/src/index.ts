/** The computing heart of Hulvek: pure functions over plain documents. */
export * from './documents/schema.ts';
export * from './documents/merge.ts';
export * from './documents/shelf.ts';
export * from './demo/shelf.ts';
export * from './findings/finding.ts';
export * from './plan/plan-opening.ts';
export * from './plan/cut-list.ts';
export * from './plan/frozen-plan.ts';
export * from './quantities/length.ts';
export * from './quantities/parse-length.ts';
export * from './quantities/keypad.ts';
export * from './quantities/format-length.ts';
export * from './survey/points.ts';
export * from './survey/plausibility.ts';
export * from './survey/survey-table.ts';
export * from './instruments/instrument.ts';
export * from './instruments/simulator.ts';
export * from './survey/readings.ts';
export { openingFrame, readingsFromOutside, type OpeningFrame, type Readings } from './survey/frame.ts';
export * from './demo/skarv-point.ts';
export * from './demo/tannery-row.ts';
export * from './demo/example.ts';
export * from './job-file/job-file.ts';
export * from './order/events.ts';
export * from './order/progress.ts';
export * from './order/corners.ts';
export * from './order/stack.ts';
export * from './plan/draft.ts';
export * from './texts/index.ts';
export * from './methods/parameters.ts';
export * from './methods/presets.ts';
export { presets } from './methods/index.ts';
export {
  axes,
  axisIds,
  holdsFor,
  type AxisId,
  type Choice,
  type Choices,
  type Condition,
  type Fact,
} from './methods/axes.ts';
export { choicesOf, factsOf, methodChoices } from './plan/choices.ts';
export * from './fit/placement.ts';
export * from './fit/shims.ts';
export * from './fit/verdict.ts';
export * from './drawing/items.ts';
export * from './drawing/face.ts';
export * from './drawing/cut.ts';
export { cutIds, type CutId } from './drawing/section.ts';
export * from './drawing/survey.ts';
export * from './drawing/export.ts';
export * from './drawing/handles.ts';
export * from './drawing/palette.ts';
export * from './drawing/pieces.ts';
export * from './drawing/scene.ts';
export { cutSize, tear_mm } from './geometry/sheet.ts';
export type { Point2, Point3 } from './geometry/vector.ts';
export { numbersOf } from './plan/numbers.ts';
export * from './quantities/content-hash.ts';
export * from './datum/common-line.ts';
export * from './datum/spans.ts';
export * from './order-size/size.ts';
export * from './order-size/rough-opening.ts';
export * from './order-size/unit-for-opening.ts';
export * from './order-size/pass-through.ts';
export * from './order-size/altitude.ts';
export * from './order-size/weight.ts';
export * from './depth/depth-stack.ts';
export * from './depth/slope.ts';
export * from './facade/reach.ts';
export * from './water/exposure.ts';
export * from './water/standing.ts';
export * from './water/trace.ts';
export { waterSources, type WaterSource } from './water/sources.ts';
export * from './fasteners/schedule.ts';
export { ruleIds, rules, rulesNaming, type RuleId } from './methods/rules.ts';
export { buckOf } from './plan/base.ts';
export { collisions, placed, type Collision, type Placed } from './facade/neighbours.ts';
export * from './geometry/piece-edges.ts';
export * from './drawing/lap.ts';
export * from './water/as-built.ts';
export * from './water/changes.ts';
export * from './water/course.ts';
export * from './water/exposed.ts';
export * from './water/laps.ts';
export * from './water/proof.ts';
export { readSection, sectionSchema, type Section } from './heat/section-file.ts';
export { solveSection, type Bounded, type SectionSolution } from './heat/section-solution.ts';
export * from './heat/conditions.ts';
export * from './heat/findings.ts';
export * from './heat/picture.ts';
export * from './heat/proof.ts';
export * from './heat/psychrometrics.ts';
export * from './heat/studies.ts';
export { unitValues, type UnitValues } from './heat/unit-values.ts';
export { temperatureAt, type HeatField } from './heat/field.ts';
export { standsInWall } from './heat/boxes.ts';
export type { Junction, NamedSection } from './heat/junction.ts';
export {
  openPlaces,
  proveAir,
  type AirProof,
  type Interrupter,
  type Lift,
  type LiftKind,
  type SideAir,
} from './air/proof.ts';
export { airCorners, type AirCorner } from './air/ring.ts';
export * from './air/course.ts';
export * from './air/later-trades.ts';
export * from './air/leakage.ts';
export * from './air/second-line.ts';
export * from './air/when.ts';
export * from './climate/epw.ts';
export * from './climate/months.ts';
export * from './joints/band.ts';
export * from './joints/bill.ts';
export * from './joints/designer.ts';
export * from './joints/foam.ts';
export * from './joints/movement.ts';
export * from './joints/options.ts';
export * from './joints/prices.ts';
export * from './joints/sealant.ts';
export * from './joints/sides.ts';
export * from './joints/strips.ts';
export * from './loads/fasteners.ts';
export * from './loads/handling.ts';
export * from './loads/lifting.ts';
export * from './loads/proof.ts';
export * from './moisture/joint-balance.ts';
export * from './moisture/layers.ts';
export * from './moisture/monthly.ts';
export * from './moisture/proof.ts';
