/** Openings as a building model: what was planned, installed and measured as properties, without anybody's name. */
import {
  writeBuilding,
  type JobContext,
  type ModelOpening,
  type ModelProperty,
  type Opening,
} from '@hulvek/core';
import type { DossierPart } from './draw-dossier.server.ts';
import { standingOf, type Standing } from './standing.ts';

interface ModelPart {
  readonly part: DossierPart;
  readonly opening: Opening;
}

export function writeModel({
  parts,
  context,
  at,
}: {
  readonly parts: readonly ModelPart[];
  readonly context: JobContext;
  /** The moment, ISO 8601. */
  readonly at: string;
}): { readonly file: string; readonly leftOut: number } {
  return writeBuilding({
    job: context.job,
    at,
    openings: parts.map((part) => modelOpening(part, context, at)),
  });
}

function modelOpening({ part, opening }: ModelPart, context: JobContext, now: string): ModelOpening {
  const { document, issues, entries } = part;
  const { units, walls, methods } = context;
  const { values } = opening.survey;
  const { roughWidth, roughHeight } = values;
  const issue = issues.at(-1);
  const stands = standingOf({ issues, entries }, context, now);
  const unit = units.find(({ id }) => id === document.unit) ?? null;
  const method = methods.find(({ id }) => id === document.method);
  const planned: Record<string, ModelProperty> = {
    ...(method && { Method: { text: method.name } }),
    ...(unit && { Unit: { text: unit.name } }),
    ...(issue && { PlanVersion: { count: issue.version }, FrozenAt: { text: issue.at } }),
    PositionIsKnown: { is: document.position !== undefined },
  };
  const installed: Record<string, ModelProperty> = stands ? installedOf(stands) : {};
  const measured = Object.fromEntries(
    Object.entries(values).flatMap(([point, value]): [string, ModelProperty][] =>
      value ? [[point.charAt(0).toUpperCase() + point.slice(1), { mm: value.mm }]] : [],
    ),
  );
  return {
    opening: document,
    unit,
    wall: walls.find(({ id }) => id === document.wall) ?? null,
    rough: roughWidth && roughHeight ? { width_mm: roughWidth.mm, height_mm: roughHeight.mm } : null,
    sets: { Hulvek_Planned: planned, Hulvek_Installed: installed, Hulvek_Measured: measured },
  };
}

const installedOf = ({ build, dossier }: Standing): Record<string, ModelProperty> => ({
  Steps: { count: build.steps.length },
  StepsDone: { count: dossier.done },
  StepsLookedAt: { count: dossier.steps.filter(({ state }) => state.look).length },
  BuiltOtherwise: { count: dossier.otherwise.length },
  Faults: { count: dossier.faults.length },
  Tests: { count: dossier.tests.length },
  StillOpen: { count: dossier.open.length },
  HandedOn: { is: dossier.released },
});
