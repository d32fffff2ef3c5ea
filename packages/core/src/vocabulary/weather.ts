/** Words for wind and weather. */

/** Ground roughness that the wind comes over. */
export const terrains = ['built-up', 'open', 'coast'] as const;

export type Terrain = (typeof terrains)[number];

export const monthSources = ['hand', 'generator', 'epw'] as const;

export type MonthSource = (typeof monthSources)[number];

/** Generic climates, for a site of which no weather is known: no town, no nation. */
export const climateIds = ['cold-inland', 'mild-coast', 'hot-humid', 'mixed', 'dry-mountain'] as const;
export type ClimateId = (typeof climateIds)[number];
