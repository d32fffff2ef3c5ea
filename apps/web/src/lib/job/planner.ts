/** What plans and judges openings on this device: fetched by pages that need a plan, not by every page. */
import { collisions, frozenBuild, judge, planOpening, SharedPlans } from '@hulvek/core';

export const planner = { planOpening, judge, collisions, frozenBuild, SharedPlans } as const;
export type Planner = typeof planner;
