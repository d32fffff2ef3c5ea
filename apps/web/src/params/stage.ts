import type { ParamMatcher } from '@sveltejs/kit';

export const stages = ['measure', 'detail', 'prove', 'order', 'install', 'test', 'hand-over'] as const;
export type Stage = (typeof stages)[number];

export const match = ((param): param is Stage =>
  (stages as readonly string[]).includes(param)) satisfies ParamMatcher;
