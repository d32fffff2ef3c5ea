/** The door of this room. */
export * from './fixes.ts';
export * from './framing.ts';
export * from './issue.ts';
export * from './heat-findings.ts';
export * from './heat-studies.ts';
export * from './heat-subject.ts';
export * from './plan-opening.ts';
export * from './shared-plans.ts';
export * from './judgement.ts';
export * from './looks.ts';
export * from './notices.ts';
