/** The plan that work goes by: planned again from the inputs that were frozen. */
import type { Issue } from '../documents/issue.ts';
import type { Job } from '../documents/job.ts';
import { planOpening, type Plan } from './plan-opening.ts';

export const frozenPlan = ({ opening, wall, unit, method }: Issue, job: Job): Plan =>
  planOpening(opening, { job, walls: [wall], units: [unit], methods: [method] });
