/** What a crew can do, what it works with, and what other trades hold up. */

/** What not everybody may do: look before something is covered, drive the lift. */
export const crewSkills = ['look', 'set', 'seal', 'lift'] as const;
export type CrewSkill = (typeof crewSkills)[number];

/** Tools of which there may be few. */
export const stepTools = ['roller', 'ladder', 'level', 'cutter', 'comb-gauge'] as const;
export type StepTool = (typeof stepTools)[number];

/** Which part of the work waits for another trade. */
export const tradeHolds = ['outside', 'set', 'inside'] as const;
export type TradeHold = (typeof tradeHolds)[number];
