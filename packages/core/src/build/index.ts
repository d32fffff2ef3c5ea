/** The door of this room. */
export { buckOf } from './base.ts';
export * from './covered.ts';
export * from './build-opening.ts';
export * from './build.ts';
export * from './changes.ts';
export * from './corners.ts';
export * from './cut-list.ts';
export * from './depth-stack.ts';
export * from './reach.ts';
export * from './replay.ts';
export * from './scene.ts';
export { sectionOf } from './section.ts';
export * from './slope.ts';
export * from './stack.ts';
export { kindOf, piecesFor, pieceFor, pieceNamed, plays } from './by-role.ts';
export { buildOf, buildOpening } from './build-opening.ts';
export * from './flaws.ts';
export * from './frozen.ts';
