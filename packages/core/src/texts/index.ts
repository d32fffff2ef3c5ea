/** The catalogue of all words the core knows, part by part: a page carries the parts it speaks with. */
export * from './figures.ts';
export * from './finding-text.ts';
export * from './finding-words.ts';
export * from './step-words.ts';
export * from './language.ts';
