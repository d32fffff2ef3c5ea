/** What one opening is about: its wall, unit and method, what is chosen, what was measured. */
import type { JobContext } from '../documents/job.ts';
import type { MethodDocument } from '../documents/method.ts';
import type { Opening } from '../documents/opening.ts';
import type { Unit } from '../documents/unit.ts';
import type { Wall } from '../documents/wall.ts';
import { choicesOf, withSill, type SillAsFound } from '../methods/choices.ts';
import { layeredDepth } from '../methods/wall-depths.ts';
import { degrees } from '../geometry/vector.ts';
import { isGiven, numbersOf } from '../methods/numbers.ts';
import { presets } from '../methods/schools.ts';
import { openingFrame, readingsFromOutside, type OpeningFrame, type Readings } from '../survey/frame.ts';
import { FINNED, type Choices } from '../vocabulary/axes.ts';
import type { ParameterValues } from '../vocabulary/parameters.ts';

export interface Subject {
  readonly wall: Wall | null;
  readonly unit: Unit | null;
  readonly method: MethodDocument | null;
  readonly choices: Choices | null;
  readonly numbers: ParameterValues;
  readonly readings: Readings;
  readonly frame: OpeningFrame | null;
  /** Whether somebody, or the school, said how deep the unit stands. */
  readonly setbackGiven: boolean;
  /** Steps in the opening's own order; empty where it has none. */
  readonly order: readonly string[];
}

export function subjectOf(opening: Opening, job: JobContext): Subject {
  const wall = job.walls.find((w) => w.id === opening.wall) ?? null;
  const unit = job.units.find((u) => u.id === opening.unit) ?? null;
  const method = job.methods.find((m) => m.id === opening.method) ?? null;
  const school = method ? presets[method.preset].numbers : {};
  const choices = method ? choicesOf(method, opening) : null;
  const given = [method?.numbers ?? {}, opening.numbers] as const;
  const chosen = numbersOf(school, ...given);
  const readings = readingsFromOutside(opening.survey);
  return {
    wall,
    unit,
    method,
    choices,
    numbers: choices
      ? withSill(chosen, choices, sillAsFound({ wall, unit, readings, choices, numbers: chosen }))
      : chosen,
    readings,
    frame: openingFrame(readings),
    setbackGiven: isGiven('setback', school, ...given),
    order: opening.order ?? [],
  };
}

/** The rough sill's own fall over the depth of the wall, degrees outward; `null` where nobody measured it. */
export function sillFall_deg(
  { sillFallLeft, sillFallRight, depth }: Readings,
  wall: Wall | null,
): number | null {
  const falls = [sillFallLeft, sillFallRight].filter((fall) => fall !== undefined);
  const over_mm = depth ?? (wall ? layeredDepth(wall) : 0);
  if (falls.length === 0 || over_mm <= 0) return null;
  return degrees(Math.atan2(Math.min(...falls), over_mm));
}

function sillAsFound(o: {
  wall: Wall | null;
  unit: Unit | null;
  readings: Readings;
  choices: Choices;
  numbers: ParameterValues;
}): SillAsFound {
  const { wall, unit, readings, choices, numbers } = o;
  const finned = (FINNED.mount as readonly string[]).includes(choices.mount);
  const front = finned ? (unit?.fin.fromFront.mm ?? 0) : -numbers.setback;
  return {
    fall_deg: sillFall_deg(readings, wall),
    inward_mm: unit ? Math.max(0, unit.frameDepth.mm - front) : null,
  };
}
