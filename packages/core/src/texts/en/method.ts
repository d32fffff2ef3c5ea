/** Words for pieces, materials, numbers and steps. */
import type { DrainedPieceId } from '../../methods/drained-head-flap/pieces.ts';
import type { DrainedStepId } from '../../methods/drained-head-flap/steps.ts';
import type { SheetMaterialId } from '../../methods/materials.ts';
import type { StepNeed } from '../../methods/method.ts';
import type { ParameterGroup, ParameterId } from '../../methods/parameters.ts';
import type { PresetId } from '../../methods/presets.ts';

export const presetTexts: Readonly<Record<PresetId, { name: string; summary: string }>> = {
  'drained-head-flap': {
    name: 'Drained, wrap first with head flap',
    summary:
      'Sloped sill under a stretched one-piece pan, jambs flashed to full depth, fin bedded at head and jambs, sill left open to drain.',
  },
};

export const pieceTexts: Readonly<Record<DrainedPieceId, string>> = {
  wrap: 'Wrap with flap',
  board: 'Bevelled sill board',
  pan: 'Sill pan',
  'jamb-flashing-left': 'Jamb flashing, left',
  'jamb-flashing-right': 'Jamb flashing, right',
  'head-flashing': 'Head flashing',
  'sill-shims': 'Sill shims',
  'jamb-shims': 'Jamb shims',
  unit: 'Unit',
  fin: 'Fin',
  bead: 'Bead behind the fin',
  'jamb-tape-left': 'Jamb tape, left',
  'jamb-tape-right': 'Jamb tape, right',
  'head-tape': 'Head tape',
  'slit-tape-left': 'Slit tape, left',
  'slit-tape-right': 'Slit tape, right',
  foam: 'Gap foam',
  'seal-sill': 'Inner seal, sill',
  'seal-left': 'Inner seal, left jamb',
  'seal-right': 'Inner seal, right jamb',
  'seal-head': 'Inner seal, head',
};

export const materialTexts: Readonly<Record<SheetMaterialId | 'wood' | 'sealant', string>> = {
  wrap: 'housewrap',
  'stretch-flashing': 'stretchable flashing',
  'flashing-tape': 'flashing tape',
  'corner-tape': 'corner tape, split liner',
  fin: 'part of the unit',
  wood: 'sawn wood',
  sealant: 'sealant',
};

export const needTexts: Readonly<Record<StepNeed, string>> = {
  dry: 'dry, clean surfaces',
  'above-minimum-temperature': 'above the tape’s lowest temperature',
  roller: 'roller',
  'two-people': 'two people',
  ladder: 'ladder or scaffold',
  ventilation: 'fresh air and gloves',
  level: 'checked level',
  cutter: 'knife or saw',
};

export const groupTexts: Readonly<Record<ParameterGroup, string>> = {
  fit: 'Gap',
  shims: 'Shims',
  sill: 'Sill',
  jambs: 'Jambs',
  head: 'Head',
  inside: 'Inside',
};

export const parameterTexts: Readonly<Record<ParameterId, string>> = {
  leastGap: 'Least gap that takes foam',
  largestGap: 'Widest gap that can be closed',
  holeEdgeDistance: 'Fin fastener to edge of framing',
  leastShim: 'Thinnest shim',
  shimFromCorner: 'Jamb shims from corner',
  shimSpacing: 'Shims apart, at most',
  sillShimFromEnd: 'Sill shims from end',
  slope: 'Slope of the sill',
  boardFront: 'Board, thin edge',
  panInset: 'Pan back from inner edge',
  panLap: 'Pan down the face',
  panUpturn: 'Pan up the jambs',
  jambFaceLeg: 'Flashing leg on the face',
  jambAboveHead: 'Jamb flashing above head',
  beadDiameter: 'Bead behind the fin',
  jambTapeWidth: 'Jamb tape, width',
  jambTapeAboveFin: 'Jamb tape above head fin',
  jambTapeBelowFin: 'Jamb tape below sill fin',
  headPast: 'Head flashing past corners',
  headTapeWidth: 'Head tape, width',
  headTapePast: 'Tape past what it covers',
  flapSlit: 'Slit of the flap, at 45°',
  flapTrim: 'Flap trimmed by',
  slitTapeWidth: 'Slit tape, width',
  sealWidth: 'Inner seal, width',
  sealOnFrame: 'Inner seal on the frame',
  sealLap: 'Inner seal round corners',
};

export interface StepText {
  /** Short enough for the strip under the drawing. */
  readonly short: string;
  readonly title: string;
  readonly how: string;
  readonly why: string;
  /** What somebody has to see before the work goes on. */
  readonly look?: string;
  readonly caution?: string;
}

const SOLVENTS =
  'Foam and sealant give off vapour: open the room, wear gloves and glasses, follow the product’s data sheet.';
const BLADE = 'Keep the other hand out of the blade’s way and do not cut on finished flashing.';
const HEAVY =
  'Glass is heavy and the opening is a fall edge. Weigh up hands, cups or a lift before lifting, guard the opening, and keep to the site’s safety rules and the maker’s instructions.';
const HEIGHT = 'Work at height: ladder or scaffold as the site’s safety rules ask.';

export const stepTexts: Readonly<Record<DrainedStepId, StepText>> = {
  'check-opening': {
    short: 'Check',
    title: 'Check the opening against the survey',
    how: 'Sweep the sill, knock down nails and splinters. Measure width and height once more and hold the level on sill and jambs.',
    why: 'A wrong opening found now costs minutes; found with the unit in hand it costs the seal or the unit.',
    caution: 'In an old building stop if coatings or boards may hold lead or asbestos and have them tested.',
  },
  'trim-opening': {
    short: 'Trim',
    title: 'Trim the opening where the plan says',
    how: 'Take the listed amounts off the opening, never off the unit. Measure again and enter it.',
    why: 'A gap under the least leaves no room for foam and seal; a trimmed unit loses its warranty.',
    caution: 'Do not cut into studs, header or trimmers without whoever is responsible for the structure.',
  },
  wrap: {
    short: 'Wrap',
    title: 'Wrap on, taut, fixed with caps',
    how: 'Run the wrap over the opening and fix it with caps. Cut it flush with sill and jambs.',
    why: 'Bare staples tear out in wind. The wrap is the wall’s water layer; everything else laps onto it.',
    caution: HEIGHT,
  },
  'cut-flap': {
    short: 'Flap up',
    title: 'Slit the head at 45° and fold the flap up',
    how: 'From both head corners slit up and away. Fold the flap up and hold it with a bit of tape.',
    why: 'The flap comes back over the head tape at the end, so water on the wrap stays outside of it.',
    caution: BLADE,
  },
  'slope-board': {
    short: 'Slope',
    title: 'Bevelled board on the sill, thin edge out',
    how: 'Cut it to the list, thin edge flush with the sheathing, fixed flat without a hump.',
    why: 'Water that gets in runs out by itself. A level sill keeps it.',
  },
  pan: {
    short: 'Pan',
    title: 'Sill pan in one piece, stretched round the corners',
    how: 'Middle first, then up both jambs. Press into the corners, stretch the outer part down the face, do not cut. Roll it all.',
    why: 'Every unit leaks sooner or later. The pan catches it and the open lower edge lets it out.',
    look: 'No pinhole in the corners, no bulge, rolled until the texture shows, upturns and lap as listed.',
  },
  'jamb-flashing': {
    short: 'Jambs',
    title: 'Jamb flashing over the full depth, both sides',
    how: 'From the sill to the head, over the pan’s upturn. Slit at the head, leg out on the face. Roll it.',
    why: 'It carries the outer layer to where the inner seal will sit. Without it the two never meet.',
  },
  'head-flashing': {
    short: 'Head',
    title: 'Head flashing, ends turned down over the jambs',
    how: 'Along the head reveal, slit at both ends, leg out on the sheathing above, over the jamb legs. Roll it.',
    why: 'The upper piece lies over the lower one, so that water running down is never led behind.',
    caution: HEIGHT,
  },
  'dry-fit': {
    short: 'Dry fit',
    title: 'Dry fit: set the unit, look, take it out',
    how: 'Shims on the sill as listed, unit in, look at the gap all round. Then take it out again.',
    why: 'Once the bead is on, every correction smears it.',
    caution: HEAVY,
  },
  bead: {
    short: 'Bead',
    title: 'Bead at head and jambs, sill left open',
    how: 'One unbroken bead in line with the fin holes. Fill behind the overlap at the fin corners. Nothing along the sill.',
    why: 'A closed bottom keeps the water in the pan.',
    caution: SOLVENTS,
  },
  set: {
    short: 'Set',
    title: 'Set the unit, sill first, tip it in, one corner fast',
    how: 'Sill on its shims, tip in, centre it, press the fin into the bead, one fastener in an upper corner.',
    why: 'With one fastener it can still be turned level and plumb.',
    caution: HEAVY,
  },
  align: {
    short: 'Align',
    title: 'Level, plumb, square, shims in, open and close it',
    how: 'Opposed pairs at the places in the schedule, never above the head. Both diagonals, even margins, open and close.',
    why: 'What is out now is out for good after fastening. A tight head shim binds the unit when the header creeps.',
    look: 'Level, plumb, both diagonals, margins even, opens and closes.',
  },
  fasten: {
    short: 'Fasten',
    title: 'Fasten the fin, from the set corner on',
    how: 'Corners first, then along, as the maker’s schedule says. Do not drive so hard that the fin dishes.',
    why: 'Pressed flat, the fin sits in its bead. Over-driven, it puckers and opens.',
    caution: 'Fastener kind, length and spacing are the maker’s and the local code’s to set.',
  },
  'jamb-tapes': {
    short: 'Jamb tape',
    title: 'Jamb tapes over the fin, both sides',
    how: 'From above the head fin down past the sill fin. Inner edge along the frame. Roll it.',
    why: 'They close fin and holes. They come before the head tape, so that it laps over them.',
  },
  'head-tape': {
    short: 'Head tape',
    title: 'Head tape over both jamb tapes',
    how: 'Past the outer edges of the jamb tapes on both sides, under the lifted flap. Roll it.',
    why: 'Water from above meets the head tape first and is led onto the jamb tapes.',
    look: 'All tapes rolled, no fish-mouths, head over jambs, bottom fin free of tape.',
    caution: HEIGHT,
  },
  'flap-down': {
    short: 'Flap down',
    title: 'Flap down over the head tape, lower edge trimmed',
    how: 'Bring the flap back, trim its lower edge, leave that edge open.',
    why: 'Wrap over tape: water on the wrap stays in front. The open edge lets out what got behind.',
    caution: BLADE,
  },
  'slit-tapes': {
    short: 'Slits',
    title: 'Tape both slits of the flap',
    how: 'Along each slit, past both ends. Roll it. Leave the bottom fin free.',
    why: 'An open slit is a way in right above the corner.',
    caution: HEIGHT,
  },
  'pull-shims': {
    short: 'Shims out',
    title: 'Pull the jamb shims',
    how: 'Take out the shims at the jambs; blocking at hinges and locks and the sill shims stay.',
    why: 'Wood left in the gap shrinks, conducts heat and breaks the seal.',
  },
  foam: {
    short: 'Foam',
    title: 'Foam the gap from inside, in lifts',
    how: 'Low-expansion foam in the inner half of the frame’s depth, two lifts or more. Leave the outer half open.',
    why: 'A full shot bows the frame. The open outer half lets the pan drain.',
    caution: `${SOLVENTS} Ask the unit’s maker whether foam is allowed.`,
  },
  operate: {
    short: 'Operate',
    title: 'Open and close it again',
    how: 'Try the sash and the locks, look at the margins.',
    why: 'If the foam has bowed a jamb, it can still be cut back.',
  },
  'inner-seal': {
    short: 'Seal',
    title: 'Corner tape inside, all four sides',
    how: 'Sill first, then jambs, then head, narrow strip on the frame. Turn the ends round the corners. No tension across the fold.',
    why: 'This is the air seal and the dam behind the pan. Foam alone opens when the building moves.',
    look: 'Closed at all four corners, back dam whole, the unit still opens.',
  },
  release: {
    short: 'Release',
    title: 'Tell the next trade what to leave alone',
    how: 'Mark the tape edge. Nobody cuts, fills or nails within it. Nothing closes the bottom fin outside.',
    why: 'The next trade cuts what it cannot see.',
  },
};
