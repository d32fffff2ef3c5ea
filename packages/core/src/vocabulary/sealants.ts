/** Classes of sealants. */

/** Share of its width that a sealant may open and close. Source: ASTM C920 classes, from memory. */
export const movementClasses = [0.125, 0.25, 0.35, 0.5] as const;

export type MovementClass = (typeof movementClasses)[number];
