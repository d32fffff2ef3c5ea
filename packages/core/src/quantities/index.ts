/** The door of this room. */
export * from './atmosphere.ts';
export * from './content-hash.ts';
export * from './format-length.ts';
export * from './keypad.ts';
export * from './length.ts';
export * from './measure.ts';
export * from './parse-length.ts';
export * from './psychrometrics.ts';
export * from './random.ts';
export * from './size.ts';
export * from './u-value.ts';
