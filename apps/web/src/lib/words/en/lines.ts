/** Words of lines that openings have in common. */
import type { LineDocument } from '@hulvek/core';

export const linesWords = {
  lead: 'Openings whose sills, heads or centre lines must line up. Each bar is where the line may run for one opening.',
  kinds: { sills: 'sills', heads: 'heads', centres: 'centre lines' } satisfies Record<
    LineDocument['kind'],
    string
  >,
  none: 'No common line yet. Name one below and choose its openings.',
  at: (place: string) => `Common line at ${place}`,
  range: (from: string, to: string) => `It may run from ${from} to ${to}.`,
  no: 'No line suits all of them.',
  cure: (place: string) => `The line that asks least runs at ${place}:`,
  move: (mark: string, by: string, up: boolean, kind: LineDocument['kind']) =>
    kind === 'centres'
      ? `${mark}: move the opening ${by} to the ${up ? 'right' : 'left'}, or take another unit`
      : `${mark}: ${up ? 'raise' : 'lower'} its rough opening by ${by}, or take another unit`,
  clash: (low: string, high: string) => `${low} and ${high} cannot share a line.`,
  shift: (by: string) => `${by} more shim than by itself`,
  aside: (by: string) => `${by} off its own middle`,
  still: 'as by itself',
  missing: { position: 'has no place on its façade', fit: 'is not measured or has no unit' },
  name: 'Name of the line',
  kind: 'What lines up',
  openings: 'Openings',
  add: 'Add the line',
  remove: 'Remove the line',
  changed: 'Somebody else changed the lines meanwhile. They are shown now; do it again.',
  needed: 'A line needs a name and at least two openings.',
  drawing: (name: string) => `Where the line may run for each opening of ${name}`,
};
