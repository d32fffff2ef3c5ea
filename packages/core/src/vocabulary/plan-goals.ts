/** What a plan of the work is to be good at; the order in which they count unless somebody says otherwise. */
export const planGoals = ['nights', 'late', 'finish', 'moves', 'idle'] as const;
export type PlanGoal = (typeof planGoals)[number];
