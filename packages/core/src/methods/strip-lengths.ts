/** What the length of a strip is made of where its ends are straight: piece, how many figures deep it is, and each figure. */
import type { ParameterId } from '../vocabulary/parameters.ts';

export interface LengthPart {
  readonly times: number;
  readonly what:
    ParameterId | 'opening-width' | 'opening-height' | 'unit-width' | 'unit-height' | 'fin' | 'hole';
}

const row = (piece: string, level: number, ...parts: readonly (readonly [number, LengthPart['what']])[]) => ({
  piece,
  level,
  parts: parts.map(([times, what]): LengthPart => ({ times, what })),
});

/** Common practice, no source. Where a wall makes a piece otherwise its outline says so: this is the rule, not the size. */
export const stripLengths = [
  row('board', 1, [1, 'opening-width']),
  row('pan', 2, [1, 'opening-width'], [2, 'panUpturn']),
  row('head-flashing', 2, [1, 'opening-width'], [2, 'headPast']),
  row('seal-sill', 2, [1, 'opening-width'], [2, 'sealLap']),
  row('slit-tape-left', 3, [1, 'flapSlit'], [2, 'headTapePast']),
  row('head-tape', 4, [1, 'unit-width'], [2, 'jambTapeWidth'], [2, 'headTapePast']),
  row('jamb-tape-left', 5, [1, 'unit-height'], [2, 'fin'], [1, 'jambTapeAboveFin'], [1, 'jambTapeBelowFin']),
  row('bead', 5, [1, 'unit-width'], [2, 'unit-height'], [4, 'hole']),
] as const;
