/** The door of this language: another one is another folder with the same parts. */
export * from './air.ts';
export * from './findings.ts';
export * from './grammar.ts';
export * from './heat-things.ts';
export * from './wall-things.ts';
export * from './joints.ts';
export * from './judgement.ts';
export * from './looks.ts';
export * from './moisture.ts';
export * from './pieces.ts';
export * from './places.ts';
export * from './rules.ts';
export * from './schools.ts';
export * from './steps.ts';
export * from './supply.ts';
export * from './survey.ts';
export * from './testing.ts';
