/** Names of the ready-made methods; a job holds copies of them. */
export const presetIds = ['drained-head-flap'] as const;
export type PresetId = (typeof presetIds)[number];
