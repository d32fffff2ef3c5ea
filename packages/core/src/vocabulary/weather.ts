/** Words for wind and weather. */

/** Ground roughness that the wind comes over. */
export const terrains = ['built-up', 'open', 'coast'] as const;

export type Terrain = (typeof terrains)[number];

export const monthSources = ['hand', 'generator', 'epw'] as const;

export type MonthSource = (typeof monthSources)[number];
