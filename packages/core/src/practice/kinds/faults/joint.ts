/** Between frame and wall: a seal that meets nothing, a screw that misses the stud. */
import { kindOf, piecesFor } from '../../../build/by-role.ts';
import { buckAims } from '../../../methods/buck-aim.ts';
import { liftsOf } from '../../play.ts';
import { type Plant, SCREW, changedBy } from './planted.ts';

export const openSeal: Plant = (wall, _level, dice) => {
  const { build } = wall;
  const seals = (['inner-seal'] as const)
    .flatMap((role) => piecesFor(build, role))
    .filter(({ form, side }) => form === 'sheet' && side !== null);
  for (const piece of dice.shuffled(seals)) {
    if (piece.form !== 'sheet' || piece.side === null) continue;
    const traced = changedBy(wall, { kind: 'left-out', piece: piece.id });
    if (!traced || liftsOf(traced.build) <= liftsOf(build) + 1) continue;
    return {
      fault: 'open-seal',
      drawn: traced.build,
      traced,
      view: piece.side,
      step: build.steps.length,
      parts: [kindOf(build, piece.id), piece.id],
      rings: piece.sheet.faces.map(({ space }) => space),
      piece: piece.id,
      other: null,
      mm: null,
    };
  }
  return null;
};

export const screwMisses: Plant = (wall, _level, dice) => {
  const { build } = wall;
  const { choices, numbers, opening, unit } = build.context;
  const input = { choices, numbers: { ...numbers, driveAngle: 0 }, opening, unit, shims: build.fit.shims };
  const misses = buckAims(input).filter(({ holds, side }) => !holds && (side === 'left' || side === 'right'));
  const sound = buckAims({ ...input, numbers }).every(({ holds }) => holds);
  if (misses.length === 0 || !sound) return null;
  const side = dice.pick(misses).side as 'left' | 'right';
  const { screw } = build.fastening;
  const straight = { ...build, fastening: { ...build.fastening, screw: { ...screw, angle_deg: 0 } } };
  const edge = side === 'left' ? unit.left - unit.holeFromFrame : unit.left + unit.width + unit.holeFromFrame;
  return {
    fault: 'screw-misses',
    drawn: straight,
    traced: { build: straight, lost: [], strange: [] },
    view: side,
    step: build.steps.length,
    parts: [SCREW],
    rings: [
      [
        [edge, opening.height / 2, 0],
        [edge, opening.height / 2, -screw.length_mm],
      ],
    ],
    piece: SCREW,
    other: null,
    mm: null,
  };
};
