/** The door of this room. */
export { collisions, placed, type Collision, type Placed } from './neighbours.ts';
