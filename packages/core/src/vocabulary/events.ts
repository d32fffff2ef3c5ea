/** What can be done to a wall. */

export const operations = [
  'place',
  'lift',
  'return',
  'cut',
  'bond',
  'bed',
  'fasten',
  'fill',
  'remove',
  'look',
] as const;

export type Operation = (typeof operations)[number];

export interface WallEvent {
  readonly step: string;
  readonly op: Operation;
  readonly thing: string;
  /** Faces of a sheet the event is about; all of them when left out. */
  readonly faces?: readonly string[];
}
