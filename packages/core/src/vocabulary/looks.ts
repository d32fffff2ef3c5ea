/** What is sound if it is done well, and has to be seen. */

export const lookCodes = [
  'one-bond',
  'first-line-one-bond',
  'air-interrupted',
  'needs-lift',
  'does-not-stick',
] as const;

export type LookCode = (typeof lookCodes)[number];
