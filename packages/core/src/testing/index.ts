/** The door of this room. */
export * from './fan-test.ts';
export * from './student.ts';
