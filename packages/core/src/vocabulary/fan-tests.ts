/** When a house is put under a fan, and what must be seen to before. */
export const fanStages = ['rough-in', 'finished', 'other'] as const;
export type FanStage = (typeof fanStages)[number];

/** Before suction; each of them blocks. Common practice, no source. */
export const fanSafety = ['combustion', 'fireplaces', 'people', 'doors', 'ladders'] as const;
export type FanSafety = (typeof fanSafety)[number];
