/** What threads compute: pure, from plain data to plain data. */
import {
  buildOpening,
  conditionsOf,
  cutIds,
  heatInput,
  junctionFor,
  proveJunction,
  sideContent,
  sideTaskSchema,
  standsInWall,
  type CutId,
  type JobContext,
  type Opening,
  type SideHeat,
} from '@hulvek/core';
import { createHash } from 'node:crypto';
import type { HeatProblem } from '../../contract/heat.ts';
import { mustBe } from '../../contract/read.ts';

/** What a side comes down to, or why it comes down to nothing. */
export type PlannedSide =
  | {
      readonly cut: CutId;
      readonly content: string;
      readonly json: string;
      readonly leftOut: readonly string[];
    }
  | { readonly cut: CutId; readonly problem: HeatProblem };

export function planSides(o: { opening: Opening; context: JobContext }): PlannedSide[] {
  const build = buildOpening(o.opening, o.context);
  if (!build) return cutIds.map((cut) => ({ cut, problem: 'not-planned' }));
  const input = heatInput(build, o.context);
  if (!standsInWall(build)) return cutIds.map((cut) => ({ cut, problem: 'before-the-wall' }));
  const conditions = conditionsOf(o.context.job);
  return cutIds.map((cut) => {
    const junction = junctionFor(input, cut);
    const json = JSON.stringify(sideContent(junction, conditions));
    const content = createHash('sha256').update(json).digest('hex');
    return { cut, content, json, leftOut: junction.leftOut };
  });
}

export type SolvedTask = { readonly side: SideHeat } | { readonly problem: HeatProblem };

export function solveSide(json: string): SolvedTask {
  const [, junction, conditions] = mustBe(sideTaskSchema, JSON.parse(json), 'a side to be solved');
  const solved = proveJunction(junction, conditions);
  return solved.ok ? { side: solved.value.side } : { problem: solved.error.code };
}
