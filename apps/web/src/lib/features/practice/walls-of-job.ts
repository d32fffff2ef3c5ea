/** The walls of a job's openings as this device keeps them. */
import { keptPack } from '$lib/device/database.ts';
import { openingOf, planOpening, wallOfPlan, type PracticeWall } from '@hulvek/core';

/** `null` where the job is not kept here. */
export async function wallsOfJob(job: string): Promise<((opening: string) => PracticeWall | null) | null> {
  const pack = await keptPack(job).catch(() => null);
  if (!pack) return null;
  const known = new Map<string, PracticeWall | null>();
  return (id) => {
    const before = known.get(id);
    if (before !== undefined) return before;
    const part = pack.openings.find(({ document }) => document.id === id);
    const wall = part ? wallOfPlan(planOpening(openingOf(part.document, part.readings), pack.context)) : null;
    known.set(id, wall);
    return wall;
  };
}
