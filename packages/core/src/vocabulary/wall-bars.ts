/** A layer of the wall stands round an opening as four bars, each named by its layer and where it is. */
export const wallBars = ['below', 'left', 'right', 'above'] as const;

export const barOf = (role: string, bar: (typeof wallBars)[number]): string => `${role}-${bar}`;

export const isBarOf = (id: string, role: string): boolean => wallBars.some((bar) => barOf(role, bar) === id);
