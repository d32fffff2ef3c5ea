/** Words for the steps of the work: what to do, why, what somebody has to see, what to beware of. */
import { FLAPPED, NOT_POCKET, type AxisId, type Condition } from '../../vocabulary/axes.ts';
import type { SashKind } from '../../documents/unit.ts';
import type { Fastening } from '../../methods/fasteners.ts';
import type { StepId } from '../../methods/step-rows.ts';
import { soldLength } from '../../vocabulary/sold-lengths.ts';

export interface StepText {
  /** Short enough for the strip under the drawing. */
  readonly short: string;
  readonly title: string;
  readonly how: string;
  readonly why: string;
  /** What somebody has to see before the work goes on. */
  readonly look?: string;
  readonly caution?: string;
  /** What a choice adds to the how. */
  readonly with?: { readonly [Axis in AxisId]?: { readonly [choice: string]: string } };
  /** What several choices together add to it. */
  readonly where?: readonly { readonly when: Condition; readonly says: string }[];
  /** What the way the unit opens adds to it. */
  readonly sash?: { readonly [Kind in SashKind]?: string };
}

const SOLVENTS =
  'It gives off vapour: open the room, wear gloves and glasses, follow the product’s data sheet.';
const BLADE = 'Keep the other hand out of the blade’s way and do not cut on finished flashing.';
const HEAVY =
  'Glass is heavy and the opening is a fall edge. Weigh up hands, cups or a lift before lifting, guard the opening, and keep to the site’s safety rules and the maker’s instructions.';
const HEIGHT = 'Work at height: ladder or scaffold as the site’s safety rules ask.';

/** Behind a drained fin. */
const FOAM_INSIDE =
  'Inner half of the frame’s depth only: the outer half stays open, so that the sill drains.';

/** Every way a sash slides up between its jambs. */
const hung = (text: string) => ({ hung: text, 'single-hung': text, 'double-hung': text });
const MEETING = 'Meeting-rail screws and jamb adjusters last.';
const HINGE_SIDE = 'Hinge side first, the sash latched while it is fastened.';

/** What is looked after while a unit is made fast, by the way it opens. */
const FASTENED = {
  casement: HINGE_SIDE,
  awning: 'At the hinges first, the sash latched while it is fastened.',
  'tilt-turn': `${HINGE_SIDE} Fixings at hinges and locks.`,
  door: `${HINGE_SIDE} The latch side last, by the margin of the leaf.`,
  sliding: 'Head last and not tight: the track stays straight.',
  ...hung(`Margins read with the sash a little open between first and last fastener. ${MEETING}`),
};

/** Told to whoever comes next. */
const WAY_OUT = 'Nothing closes the way out at the sill.';

/** While it is carried and laid down. */
const FIN_CARE = 'Never stand or lay it on its fin; a cold fin is brittle.';

/** Said again where it is about to be covered. */
const DAM_LOOK = 'First look along the dam: whole, both ends sealed.';

/** Where the first one holds the unit. */
const FIRST = {
  firstFastener: {
    'upper-corner': 'First fastener in one upper corner.',
    'lower-corner': 'First fastener in one lower corner.',
    'hinge-side': 'First fastener at the top of the hinge side.',
    middle: 'First fastener in the middle of a side, the sash closed.',
    'each-corner': 'One fastener in each corner, none of them driven home.',
  },
} as const;

/** With what, and in which holes. */
const DRIVEN = {
  fastenerKind: {
    screws: 'When a side must move, its screws come out and fresh holes are used.',
    nails: 'Large-head galvanised nails, driven by hand.',
    nailer:
      'A screw in each corner first; the nailer only when they prove the unit true, for it can shift the unit and crimp the fin.',
  },
  jambHoles: {
    'every-hole': 'Jambs and head in every hole.',
    'every-second-hole': 'Jambs and head in every second hole.',
  },
} as const;

/** Which sides of the gap. */
const FILLED = {
  fillSides: {
    all: 'All four sides.',
    'head-and-jambs': 'Head and jambs only: the gap at the sill stays empty.',
  },
} as const;

/** Where the bead goes. */
const BEAD_ON = {
  beadOn: {
    fin: 'On the back of the fin.',
    wall: 'On the wall, so that the unit need not be turned.',
  },
} as const;

export const stepTexts: Readonly<Record<StepId, StepText>> = {
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
    why: 'A gap under the least leaves no room for insulation and seal; a trimmed unit loses its warranty.',
    caution: 'Do not cut into studs, header or trimmers without whoever is responsible for the structure.',
  },
  wrap: {
    short: 'Wrap',
    title: 'Wrap on, taut, fixed with caps',
    how: 'Run the wrap over the opening and fix it with caps. Cut it flush with sill and jambs.',
    why: 'Bare staples tear out in wind. The wrap is the wall’s water layer; everything else laps onto it.',
    caution: HEIGHT,
  },
  'membrane-on-wall': {
    short: 'Membrane',
    title: 'Self-adhered membrane on, rolled',
    how: 'From below upwards, each course over the one beneath. Pull the liner a bit at a time, roll all of it. Cut it flush with sill and jambs.',
    why: 'It is the wall’s water layer and sticks to the sheathing: water that gets behind its edge cannot run on.',
    caution: HEIGHT,
  },
  'cut-flap': {
    short: 'Flap up',
    title: 'Slit the head at 45° and fold the flap up',
    how: 'From both head corners slit up and away. Fold the flap up and hold it with a bit of tape.',
    why: 'The flap comes back over the head at the end, so water on the wrap stays outside of it.',
    caution: BLADE,
  },
  'cut-flap-corners': {
    short: 'Flaps',
    title: 'Slit the wrap at all four corners, fold three flaps back',
    how: 'From every corner slit outward at 45°. Fold the head flap up and the jamb flaps aside and hold them with a bit of tape. Below the opening the wrap stays flat.',
    why: 'Flashing and fin go onto the sheathing; the flaps come back over them, so water on the wrap stays outside.',
    caution: BLADE,
  },
  'jamb-flaps-back': {
    short: 'Jamb flaps',
    title: 'Jamb flaps back, trimmed beside the fin',
    how: 'Lay them over the flashing and trim them so that the tape to come bites flashing and wrap alike. Nothing is laid over the bottom fin.',
    why: 'A flap under the whole width of a tape leaves that tape on wrap alone; trimmed, it holds on both.',
    caution: BLADE,
  },
  'lower-slit-tapes': {
    short: 'Low slits',
    title: 'Tape the lower slits first',
    how: 'From where the jamb flap is trimmed out past the end of each slit. Roll it. The way out below the bottom fin stays open.',
    why: 'Low before high: jamb tapes lap over these strips.',
  },
  'tape-bead': {
    short: 'Bead over',
    title: 'Bead from the frame onto the tapes',
    how: 'All round, onto frame and tape alike, tooled so that it is wider than deep.',
    why: 'In a barrier the tape’s edge at the frame is a way in; the bead closes it and has to be kept up.',
    caution: SOLVENTS,
  },
  'board-bead': {
    short: 'Seam bead',
    title: 'Sealant between buck and board',
    how: 'All round, pressed into the seam and struck flush, so that the strips to come lie flat.',
    why: 'A strip over an open seam hangs free and is the only thing that closes it.',
    caution: SOLVENTS,
  },
  'board-round-opening': {
    short: 'Board',
    title: 'Exterior board up to the opening, before the unit',
    how: 'Cut it flush with the flashed opening. Nothing of the flashing is pinched or cut; the way out at the sill stays open.',
    why: 'Once it is on nobody sees the wall’s water layer and the flashing on it again.',
    look: 'First look: flashing stuck down and whole on the wall beside the opening, way out at the sill open.',
    caution: HEIGHT,
  },
  'found-set': {
    short: 'Found set',
    title: 'Look at the unit that others have set',
    how: 'Plumb, level, margins and diagonals; what holds it and at which spacing. Look into the open joint from inside with a lamp: what lies under the frame, what is bonded to what. Ask who set it for pictures and keep them here.',
    why: 'What is taken over unseen is answered for unseen.',
    look: 'Unit true and made fast; what lies under it seen, or asked for by name.',
    caution: HEAVY,
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
    how: 'From the sill to the head, over what turns up there. Slit at the head, leg out on the face. Roll it.',
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
    why: 'What does not fit shows while nothing is smeared or torn by it.',
    caution: HEAVY,
  },
  unpack: {
    short: 'Unpack',
    title: 'Unpack the unit, look at it, make it ready',
    how: 'Fragile inner panels, stops and sashes apart where they come out. Weld tabs off the corners of vinyl before a trim channel goes on. A tube of the sealed glazing waits for its maker’s time to equalise, is crimped, then cut, sealed and tucked away; some stay open: ask. Guards stay on until the unit stands. Leaflet and touch-up are kept.',
    why: 'What is broken or wrong is sent back from the ground and not from the wall.',
    with: {
      mount: {
        'integral-fin': FIN_CARE,
        'separate-fin': FIN_CARE,
        'gasketed-fin': FIN_CARE,
        pocket: 'The sill of the new unit is looked at for bow before its extender goes on.',
      },
    },
    caution: HEAVY,
  },
  'bedding-tape': {
    short: 'Bed tape',
    title: 'Butyl tape behind the fin at head and jambs, sill left open',
    how: 'In line with the fin holes, butted at the corners, its liner on until the unit stands before it. Pressed with the roller once the fin is on it.',
    why: 'It has no skin time, but it does not move again once it is touched.',
  },
  bead: {
    short: 'Bead',
    title: 'Bead at head and jambs, sill left open',
    how: 'One unbroken bead in line with the fin holes. Fill behind the overlap at the fin corners. Nothing along the sill.',
    why: 'A closed bottom keeps in what should drain.',
    caution: SOLVENTS,
    with: BEAD_ON,
  },
  set: {
    short: 'Set',
    title: 'Set the unit, sill first, tip it in, one fastener',
    how: 'Sill on its shims, tip in, centre it, press the fin home. Somebody holds it until it is fast: no break, no end of a shift before that.',
    why: 'With one fastener it can still be turned level and plumb.',
    with: FIRST,
    caution: HEAVY,
  },
  align: {
    short: 'Align',
    title: 'Level, plumb, square, shims in, open and close it',
    with: {
      sillDrain: {
        'framed-slope':
          'Sill shims are wedges, or cut to the reversed bevel: fall times depth of the bearing.',
      },
    },
    how: 'Opposed pairs at the places in the schedule, never above the head. Both diagonals, even margins, open and close.',
    sash: {
      ...hung(
        'Jambs straight in their middle, shims at the check rail too: a sash that slides sticks or drops where they bow.',
      ),
      casement: 'Shims at hinges and locks.',
      awning: 'Support under the corners that carry, shims at hinges and locks.',
      'tilt-turn': 'A block under the load-bearing corner, shims at hinges and locks.',
      sliding: 'Sill and head straight, without a crown.',
      door: 'The threshold supported along its length, without a hollow; jamb shims behind each hinge and the latch.',
    },
    why: 'What is out now is out for good after fastening. A tight head shim binds the unit when the header creeps.',
    look: 'Level, plumb, both diagonals, margins even, opens and closes.',
  },
  fasten: {
    short: 'Fasten',
    title: 'Fasten the fin, from the first fastener on',
    how: 'Corners first, then along, as the maker’s schedule says. Level, plumb, diagonals inside and outside and the margins are read again between first and last. Do not drive so hard that the fin dishes.',
    why: 'Pressed flat, the fin seals. Over-driven, it puckers and opens.',
    with: {
      ...DRIVEN,
      bottomFin: {
        'every-hole': 'Bottom fin in every hole.',
        'every-second-hole': 'Bottom fin in every second hole.',
        spacers: 'Bottom fin over its spacers, not pinched.',
      },
      shims: {
        removed: 'Beside a shim that comes out again: just above or below the shim, never through it.',
      },
    },
    sash: FASTENED,
    caution: 'Fastener kind, length and spacing are the maker’s and the local code’s to set.',
  },
  'jamb-tapes': {
    short: 'Jamb tape',
    title: 'Jamb tapes over the fin, both sides',
    how: 'From above the head fin down past the sill fin. Small lengths by hand first, then the roller, each strip before the next goes over it.',
    why: 'They close fin and holes. They come before the head tape, so that it laps over them.',
    with: {
      tapeEdge: {
        'frame-edge': 'Inner edge along the frame.',
        'onto-frame': 'Inner edge onto the frame, all along by the same width.',
        gasket:
          'Guards off and the fin unfolded first. Within the marked zone of the fin; sides first, then the head.',
      },
    },
  },
  'head-tape': {
    short: 'Head tape',
    title: 'Head tape over both jamb tapes',
    how: 'Past the outer edges of the jamb tapes on both sides. The liner goes back a bit at a time, pulled straight, none of it left behind; by hand first, then the roller.',
    why: 'Water from above meets the head tape first and is led onto the jamb tapes.',
    look: 'All tapes rolled, no fish-mouths, head over jambs.',
    where: [{ when: FLAPPED, says: 'Under the lifted flap.' }],
    with: {
      bedding: {
        drained: 'The bottom fin stays free of tape.',
        interrupted: 'The bottom fin stays free of tape.',
      },
    },
    caution: HEIGHT,
  },
  'flap-down': {
    short: 'Flap down',
    title: 'Flap down over the head, lower edge trimmed',
    how: 'Bring the flap back, trim its lower edge, leave that edge open.',
    why: 'Wrap over tape: water on the wrap stays in front. The open edge lets out what got behind.',
    caution: BLADE,
  },
  'slit-tapes': {
    short: 'Slits',
    title: 'Tape both slits of the flap',
    how: 'Along each slit, past both ends. Roll it.',
    why: 'An open slit is a way in right above the corner.',
    caution: HEIGHT,
  },
  'pull-shims': {
    short: 'Shims out',
    title: 'Pull the jamb shims',
    how: 'Take out the shims at the jambs that carry nothing. Blocks at hinges and locks, under mullions and under the sill carry load and stay; the holes of those that come out are filled.',
    why: 'Wood left in the gap shrinks, conducts heat and breaks the seal.',
  },
  foam: {
    short: 'Foam',
    title: 'Foam the gap from inside, in lifts',
    how: 'Low-expansion foam in two lifts or more, each left to cure, then cut. On a frame that gives, read its depth against the wall at four corners before and after.',
    why: 'A full shot bows the frame.',
    with: {
      ...FILLED,
      pan: {
        stretched: FOAM_INSIDE,
        'tape-and-patches': FOAM_INSIDE,
        rigid: FOAM_INSIDE,
        fluid: FOAM_INSIDE,
        buck: FOAM_INSIDE,
      },
    },
    caution: `${SOLVENTS} Ask the unit’s maker whether foam is allowed.`,
  },
  operate: {
    short: 'Operate',
    title: 'Open and close it again',
    how: 'Try the sash and the locks, look at the margins.',
    sash: {
      hung: 'Read the margins with the sash a little open, then the latches by hand.',
      'single-hung': 'Read the margins with the sash a little open, then the latch by hand.',
      'double-hung':
        'Read the margins with the sash a little open; top sash, then bottom, then the latches by hand.',
      casement: 'Swing it wide, then latch it: the margin at the lock tells of a jamb that moved.',
      awning: 'Swing it out to its stay and let it go: it must not fall, and it latches without a push.',
      'tilt-turn': 'Turn it, close it, tilt it: the handle moves without force in all three places.',
      sliding: 'It must run from end to end by one finger: sill and head are straight or it binds.',
      door: 'Open it half way and let go: a leaf that moves by itself hangs out of plumb. Lock it by key from both sides.',
    },
    why: 'A jamb that was bowed by what fills the gap can still be freed.',
  },
  'inner-seal': {
    short: 'Seal',
    title: 'Corner tape inside, all four sides',
    how: 'Sill first, then jambs, then head, narrow strip on the frame. Turn the ends round the corners. No tension across the fold.',
    why: 'This is the air seal. What fills the gap alone opens when the building moves, or lets air through.',
    look: 'Closed at all four corners, the unit still opens.',
    where: [{ when: { ...NOT_POCKET, sillDrain: ['back-dam', 'slope-and-dam'] }, says: DAM_LOOK }],
  },
  release: {
    short: 'Release',
    title: 'Tell the next trade what to leave alone',
    how: 'Mark the edge of the seal. Nobody cuts, fills or nails within it.',
    with: { bedding: { drained: WAY_OUT, interrupted: WAY_OUT, tape: WAY_OUT } },
    why: 'The next trade cuts what it cannot see.',
  },
  'check-old-frame': {
    short: 'Check',
    title: 'Check the old frame, clean it out',
    how: 'Take out sashes, stops on the room side and loose paint. Probe sill and lower jambs for rot. Measure inside to inside once more, use the tightest figures.',
    why: 'The new unit is only as dry and square as the frame it stands in.',
    caution:
      'Old coatings and boards may hold lead or asbestos: stop and have them tested before scraping or sawing.',
  },
  'wrap-turned-in': {
    short: 'Wrap in',
    title: 'Wrap on, folded into the opening at sill and jambs',
    how: 'Over the sloped sill first. Cut the head and both lower corners, fold sill, then jambs into the opening, fix inside.',
    why: 'The wrap is the air layer too, so it has to reach the inner seal.',
    caution: HEIGHT,
  },
  'membrane-turned-in': {
    short: 'Membrane in',
    title: 'Self-adhered membrane on, folded into the opening at sill and jambs',
    how: 'Over the sloped sill first. Cut the head and both lower corners, fold sill, then jambs into the opening. Roll all of it.',
    why: 'It is the air layer too, so it has to reach the inner seal.',
    caution: HEIGHT,
  },
  'face-seams': {
    short: 'Seams',
    title: 'Tape and roll the seams of the sheathing',
    how: 'Every seam and every missed fastener round the opening. Roll until the texture shows.',
    why: 'An open seam above the head leads water behind everything that follows.',
    look: 'No fish-mouth, no dry seam, coating whole at the edge of the opening.',
    caution: HEIGHT,
  },
  'face-seams-lifted': {
    short: 'Seams',
    title: 'Tape the seams, lift the one above the head',
    how: 'Every seam round the opening, rolled. The strip over the seam above the head is lifted off from below, up to above the opening, and held up.',
    why: 'It comes down over the head later, so that water on it stays outside.',
    look: 'No fish-mouth, no dry seam, coating whole at the edge of the opening.',
    caution: HEIGHT,
  },
  'seam-down': {
    short: 'Seam down',
    title: 'Seam strip above the head brought down over the head tape',
    how: 'Low before high: over the upper edge of the head tape, onto the board above, past its ends. Roll it.',
    why: 'What runs down the board goes over the head tape and not behind it.',
    caution: HEIGHT,
  },
  'head-layer': {
    short: 'Head layer',
    title: 'A layer of wrap down over the head',
    how: 'Down over the head tape, its lower edge left open; its upper edge goes under what comes from above.',
    why: 'The wrap that is tucked in at the head leads behind the fin; this layer keeps water from it.',
    caution: HEIGHT,
  },
  'cap-tape': {
    short: 'Cap tape',
    title: 'Tape over the leg of the cap',
    how: 'Half on the leg, half on the wall above, past both ends. Roll it.',
    why: 'The upper edge of a leg that nothing laps stands open to what runs down.',
    caution: HEIGHT,
  },
  'course-seams': {
    short: 'Seams',
    title: 'Tape the seam where the second course laps the first',
    how: 'Along the lower edge of the second course beside the apron; under the sill nothing is taped. Roll it.',
    why: 'Here is the first seam of this wall. A lower tape that lies over a higher one is a known slip: look at the corners.',
  },
  'foam-seams': {
    short: 'Seams',
    title: 'Tape the seams of the foam board',
    how: 'Board tight to the opening, seams taped and rolled, low ones first.',
    why: 'The taped face is the water layer.',
    caution: HEIGHT,
  },
  'fluid-face': {
    short: 'Fluid wall',
    title: 'Brush the wall round the opening',
    how: 'Nail loose sheathing tight. Fill seams and corners first, then the face. Measure the wet film at three places with the comb gauge.',
    why: 'A thin film looks the same and is not the same.',
    look: 'Film thickness as listed at three places, no pinhole, corners full. Write the readings down.',
    caution: SOLVENTS,
  },
  'masonry-face': {
    short: 'Leaf',
    title: 'Look at the leaf: tray, weep holes, clean cavity',
    how: 'Tray over the head up the inner leaf and out through the outer one, stop ends at both sides, weep holes open. Reveal sound, dust brushed off.',
    why: 'Water behind the outer leaf runs down onto the head of the window. The tray leads it out.',
    look: 'Tray with stop ends, weep holes open, no mortar in the cavity.',
    caution: HEIGHT,
  },
  'masonry-bare': {
    short: 'Masonry',
    title: 'Look at the masonry: sound and clean round the opening',
    how: 'Reveal sound, loose parts off, holes closed, dust brushed off. Joints and corners full where something will stick.',
    why: 'What is stuck on dust holds for a week.',
    look: 'Reveal sound and clean on all four sides.',
    caution: HEIGHT,
  },
  apron: {
    short: 'Apron',
    title: 'Hang the apron below the sill',
    how: 'Upper edge flush with the rough sill, a bay past each side, fixed at its upper edge only.',
    why: 'The first course of wrap comes under it later; what drains the sill laps onto it now.',
  },
  'buck-size': {
    short: 'Buck size',
    title: 'Check the framing before the buck is cut',
    how: 'Width, height, both diagonals, twist. The opening must be the unit, its gaps and both legs of the buck.',
    why: 'A buck cut for a wrong opening is scrap, and its stock is not on the shelf.',
  },
  'buck-on': {
    short: 'Buck',
    title: 'Buck on: sill, jambs, head, in three beads each',
    how: 'Cut the pieces short as listed. Three beads on every piece, press on, nail at 250 to 300 mm. Seal the ends, clamp the corners, smear what squeezes out.',
    why: 'The corners leak first. Room for sealant at the ends keeps them closed.',
    look: 'Squeeze-out along all edges, corners full, level and square. Leave it for 24 hours before any load.',
    caution: SOLVENTS,
  },
  'panel-frame-on': {
    short: 'Panel frame',
    title: 'Glue the panel frame on: head, sill, sides',
    how: 'Adhesive over the whole length, head first, then sill and sides between them. Hold until it grips.',
    why: 'The unit will hang on this glue line and on nothing else.',
    look: 'Adhesive squeezed out everywhere, corners full, level and square. Leave it for 24 hours before any load.',
    caution: SOLVENTS,
  },
  'buck-flashing': {
    short: 'Buck flash',
    title: 'Flash from the wall over the sides of the buck',
    how: 'Sill first, then jambs, then head. Leg on the wall’s layer, over the buck’s side to its face. Roll it.',
    why: 'Water that runs down behind the board is led round the buck and not into it.',
    caution: HEIGHT,
  },
  'corner-patches': {
    short: 'Patches',
    title: 'Corner patches at both ends of the sill',
    how: 'Half on the sill, half up the jamb, slit once and brought down over the corner of the wall. Work it into the corner with a square edge. Roll it.',
    why: 'Straight tape has to be cut at the corners. The patch closes what the cut opens.',
    look: 'No pinhole at the point of the corner, no bulge that would catch the unit.',
  },
  'pan-tape': {
    short: 'Pan',
    title: 'Sill pan from straight tape, over the patches',
    how: 'Along the sill and up both jambs, slit at the outer corners, outer part down the face. Roll it.',
    why: 'Every unit leaks sooner or later. The pan catches it and the open lower edge lets it out.',
    look: 'Corners closed, rolled until the texture shows, upturns and lap as listed.',
  },
  'pan-rigid': {
    short: 'Pan',
    title: 'Rigid pan bedded and shimmed level',
    how: 'Sealant under the whole pan, shimmed level side to side, ends tight up the jambs, lip over the wall’s layer.',
    why: 'A pan that rocks breaks its own bed and lets water under it.',
    look: 'Level, no rocking, corners watertight, rear leg whole.',
    caution: `Bent metal cuts. ${SOLVENTS}`,
  },
  'pan-metal': {
    short: 'Metal pan',
    title: 'Metal pan on the membrane, level and sealed at the back',
    how: 'Film peeled off first. Levelled from side to side on shims of its own, straight where it carries the unit. Sealed at its rear and ends, the front interrupted, so that both drain.',
    why: 'What passes the metal’s ends runs out over the membrane.',
    look: 'Level, no rocking, rear leg whole, the front’s gaps open.',
    caution: `Bent metal cuts. ${SOLVENTS}`,
  },
  'pan-of-unit': {
    short: 'Pan',
    title: 'Bed the pan that came with the unit',
    how: 'Dry first, its ends against the jambs. Bedded as the maker’s sheet says, its front lip over the wall’s layer. Nothing of it is cut.',
    why: 'It is made for this frame; a cut end is a leak.',
    look: 'Ends tight, lip over the wall’s layer, way out open.',
    caution: SOLVENTS,
  },
  'masonry-sill': {
    short: 'Sill',
    title: 'Damp course and sill of mortar or stone',
    how: 'Damp course over the cavity from the inner leaf to the face, both ends turned up. Sill on it, falling to the weather, the load on the inner leaf, on stone or on metal fixed to it: a cavity closer is not generally a bearing.',
    why: 'Sawn timber through a cavity carries damp to the room and rots.',
    look: 'Ends of the damp course turned up, no mortar in the cavity, fall to the weather.',
    caution: 'What carries the unit is the engineer’s and the maker’s to say.',
  },
  'pan-fluid': {
    short: 'Pan',
    title: 'Brush the sill pan',
    how: 'Mask the inner line. Corners and seams first, then sill, upturns and face. Measure the wet film at three places with the comb gauge.',
    why: 'Corners go thin where the brush turns. Thin film is an open corner.',
    look: 'Film as listed at three places and both corners, no pinhole. Write the readings down.',
    caution: SOLVENTS,
  },
  'reveal-fluid': {
    short: 'Reveal',
    title: 'Brush jambs and head to full depth',
    how: 'From the sill up, corners first, onto the face all round. Measure the wet film. Let it dry before it is covered.',
    why: 'One skin from the wall’s face to where the inner seal will sit.',
    look: 'Film as listed, no pinhole, edges fused all round.',
    caution: SOLVENTS,
  },
  brackets: {
    short: 'Brackets',
    title: 'Brackets on, all in one plane',
    how: 'Set out the plane once, transfer it to every bracket. Fix as the maker’s schedule says.',
    why: 'They give the unit its plane and carry its weight. What is out here is out for good.',
    look: 'All in one plane and level, fixings as scheduled.',
    caution:
      'Kind, number and fixing of brackets are the maker’s and whoever is responsible for the structure’s to set.',
  },
  spacers: {
    short: 'Spacers',
    title: 'Spacers behind the bottom fin',
    how: 'One at each sill shim, no thicker than listed.',
    why: 'A fin pinched tight closes the way out.',
  },
  'bead-interrupted': {
    short: 'Bead',
    title: 'Bead at head and jambs, broken along the sill',
    how: 'One unbroken bead at jambs and head in line with the fin holes. Along the sill lengths with open breaks between them.',
    why: 'The lengths hold the fin flat, the breaks let it drain.',
    caution: SOLVENTS,
    with: BEAD_ON,
  },
  'bead-closed': {
    short: 'Bead',
    title: 'Closed bead on all four sides',
    how: 'One unbroken ring in line with the fin holes, corners filled, no gap.',
    why: 'This school has no way out: every break in the ring is a leak that stays in.',
    look: 'Ring unbroken, fin corners filled.',
    caution: SOLVENTS,
    with: BEAD_ON,
  },
  'stop-bead': {
    short: 'Bead',
    title: 'Bead on the old stops',
    how: 'Along jambs and head where the new frame will press. Leave a way out at the sill.',
    why: 'It is the weather seal of the whole replacement.',
    caution: SOLVENTS,
  },
  'membrane-on-frame': {
    short: 'Membrane',
    title: 'Membrane onto the frame, a pleat at each corner',
    how: 'On the bench, sides in turn, folded double at each corner, ends lapped and closed. Roll it.',
    why: 'At the frame it is out of reach once the unit stands. Without pleats it tears at the corners.',
    look: 'Bond all round the frame, four pleats, closing lap sealed.',
  },
  'clips-on-frame': {
    short: 'Clips',
    title: 'Clips onto the frame',
    how: 'At the places in the schedule, all slots at one mark.',
    why: 'One mark for the whole wall gives one plane.',
  },
  'band-on-frame': {
    short: 'Band',
    title: 'Precompressed band onto the frame',
    how: 'Cut it 5 mm longer per corner, butt it at the corners and never round them, leave it out at the blocks. Set the unit before it swells.',
    why: 'A band pulled round a corner opens there.',
  },
  'set-finned-inside': {
    short: 'Set',
    title: 'Tilt the unit out through the opening, pull the fin home',
    how: 'Out at a slant, sill onto its shims, draw it in until the fin sits all round. Somebody holds it until it is fast: no break, no end of a shift before that.',
    with: FIRST,
    why: 'No scaffold, but the fin is pushed where nobody sees it: someone looks from outside.',
    caution: `${HEAVY} Hold it by straps until it is fastened: it hangs outside the wall.`,
  },
  'set-finless': {
    short: 'Set',
    title: 'Set the frame on its blocks, plumb in its plane',
    how: 'Sill on blocks as listed, tip in, hold it with wedges at the corners, fix it at one point.',
    why: 'Nothing but blocks and fixings holds this frame.',
    caution: HEAVY,
  },
  'set-on-brackets': {
    short: 'Set',
    title: 'Set the frame on its brackets',
    how: 'Onto the packed brackets, tip in, fix it at one point and look from both sides.',
    why: 'The brackets carry the weight before the wall; packing makes it level.',
    caution: HEAVY,
  },
  'brackets-on-frame': {
    short: 'Brackets',
    title: 'Mark the depth, brackets onto the frame',
    how: 'Two brackets first, one at each face of the wall: they give the mark. Copy it to all the others, then screw them to the frame.',
    why: 'One mark for the whole wall gives one plane.',
  },
  'set-on-inside-brackets': {
    short: 'Set',
    title: 'Carry the unit in, its head tabs hold it, brackets to the reveal',
    how: 'Onto its foot, 6 mm up; the head tabs hold it while it is made plumb. Top brackets first, the screw at the bracket. Shims go in beside the guide and not against the fin.',
    why: 'The brackets carry it and press its gasket to the wall; nothing goes through the fin.',
    caution: `${HEAVY} One person alone only where that person can lift it and it stands on its foot.`,
  },
  'fasten-brackets': {
    short: 'Fasten',
    title: 'Fasten all brackets to the reveal',
    how: 'Down from the top, level, plumb and margins read after each pair. The shims at the guide come out again.',
    why: 'A frame pulled by its brackets binds the sash.',
    sash: FASTENED,
    caution: 'Kind, number and fixing of brackets are the maker’s and the local code’s to set.',
  },
  'set-pocket': {
    short: 'Set',
    title: 'Set the unit into the pocket, against the stops',
    how: 'Sill first, tip in, press into the bead all round. Sash a little open to read the margins.',
    why: 'The margins show what the level does not.',
    caution: HEAVY,
  },
  'fasten-clips': {
    short: 'Fasten',
    title: 'Fasten the clips to the reveal',
    how: 'Top and bottom first, look, then the rest. Screws without bending the frame.',
    why: 'A frame pulled by its clips binds the sash.',
    sash: FASTENED,
    caution: 'Clip kind, spacing and fixing are the maker’s and the local code’s to set.',
  },
  'fasten-screws': {
    short: 'Fasten',
    title: 'Screw through the frame',
    how: 'Top and bottom first at the shims, look, then the rest. Length and angle as listed. Do not roll the frame.',
    why: 'A screw too short does not reach what carries; a screw driven too hard turns the frame.',
    sash: FASTENED,
    caution: 'Fastener kind, length and spacing are the maker’s and the local code’s to set.',
  },
  'fasten-pocket': {
    short: 'Fasten',
    title: 'Screw the frame to the old jambs',
    how: 'Through the shims, without rolling the frame. Work the latches by hand.',
    why: 'Over-turned screws roll the frame and pull its sashes apart.',
    sash: FASTENED,
    caution: 'Fastener kind, length and spacing are the maker’s and the local code’s to set.',
  },
  'outer-band': {
    short: 'Band swells',
    title: 'Let the band swell, look at it from outside',
    how: 'Cold slows it. Look at corners and blocks.',
    why: 'Until it fills the joint it sheds nothing.',
    look: 'Touches the reveal everywhere it should, corners butted, no gap at the blocks.',
  },
  'outer-sealant': {
    short: 'Outer seal',
    title: 'Rod and sealant in the outer joint',
    how: 'Rod to depth, primer where the reveal needs it, one run, tooled. The sill as the method says.',
    why: 'It must stick on two sides only. On three it tears.',
    look: 'No gap, no bubble, rod not showing, the way out open where the method has one.',
    caution: `${SOLVENTS} ${HEIGHT}`,
  },
  'exterior-board': {
    short: 'Board',
    title: 'Exterior board up to the buck, face taped',
    how: 'Tight to the buck, flush with its face. Tape the seams, low ones first.',
    why: 'From here on the board’s face is the water layer and the tapes land on it.',
    caution: HEIGHT,
  },
  'face-tape-sill': {
    short: 'Sill seam',
    title: 'Strip over the seam below the sill',
    how: 'Half on the buck, half on the board, past both sides. Clear of the way out above it. Roll it.',
    why: 'What drains runs down over this seam. Open, it leads behind the board.',
    look: 'Strip rolled, no wrinkle at its upper edge, the way out above it open.',
  },
  'face-tapes': {
    short: 'Seams',
    title: 'Strips over the seams at jambs and head',
    how: 'Jambs over the ends of the sill strip, then the head over both and over the leg of the cap. Roll them.',
    why: 'Low before high. The seam between buck and board is the wall’s water layer here.',
    look: 'All strips rolled, the head’s upper edge without fish-mouths.',
    caution: HEIGHT,
  },
  'sill-tape': {
    short: 'Sill tape',
    title: 'Sill tape first, past both sides',
    how: 'Along the bottom fin, past both jambs as listed. Roll it.',
    why: 'Low before high: the jamb tapes lap over its ends.',
  },
  skirt: {
    short: 'Skirt',
    title: 'Wind skirt on the bottom fin',
    how: 'Strip of wrap from the frame down, only its sides under the jamb tapes, its lower edge loose.',
    why: 'Wind is slowed at the open sill and water still leaves.',
  },
  'drip-cap': {
    short: 'Cap',
    title: 'Drip cap over the head',
    how: 'Ends notched and bent down, its leg bedded in sealant on the wall and fastened, clear of the frame. The leg goes under what comes next.',
    why: 'It throws the water clear of the joint below it.',
    caution: `Bent metal cuts. ${HEIGHT}`,
  },
  'head-tape-2': {
    short: 'Head 2',
    title: 'Second head tape, wider and higher',
    how: 'Over the first one’s upper edge, onto the wall, past its ends. Roll it.',
    why: 'The upper edge of the tape is all that stops water here; the second keeps the first from peeling.',
    caution: HEIGHT,
  },
  'seam-tape': {
    short: 'Seam',
    title: 'Tape the seam above the head',
    how: 'From over the head tape up along the seam. Roll it.',
    why: 'A seam that ends above a window is a gutter into it.',
    caution: HEIGHT,
  },
  'flap-down-taped': {
    short: 'Flap down',
    title: 'Flap down over the head, lower edge taped',
    how: 'Bring the flap back, trim its lower edge, tape it along. Roll it.',
    why: 'Airtight above the head; what gets behind the wrap higher up stays there.',
    caution: BLADE,
  },
  'apron-up': {
    short: 'Apron up',
    title: 'Fold the apron up',
    how: 'Lift it and hold it with a bit of tape.',
    why: 'The first course has to come under it.',
  },
  'course-lower': {
    short: 'Course 1',
    title: 'First course of wrap, up to the sill',
    how: 'Upper edge to the rough sill, under the lifted apron.',
    why: 'Under the apron, so that what drains lands outside of it.',
  },
  'apron-down': {
    short: 'Apron down',
    title: 'Apron down over the first course',
    how: 'Let it fall, do not fix its lower edge.',
    why: 'Upper over lower: what drains runs down in front.',
  },
  'course-upper': {
    short: 'Course 2',
    title: 'Second course over everything, cut out round the frame',
    how: 'Lap the first by the listed amount beside the unit. Cut along the frame, not on finished tape.',
    why: 'A cut on finished tape is a cut in the seal.',
    caution: `${BLADE} ${HEIGHT}`,
  },
  'wrap-tapes': {
    short: 'Wrap tapes',
    title: 'Tape the wrap to the frame: jambs, then head',
    how: 'Over the cut edge of the wrap, along the frame. Jambs first, head over them. Bottom free. Roll it.',
    why: 'The cut edge is open until it is taped.',
    look: 'Jambs under head, rolled, the bottom free of tape.',
    caution: HEIGHT,
  },
  'board-round-frame': {
    short: 'Board',
    title: 'Exterior board up to the frame',
    how: 'Leave the gap the maker asks for, nothing pressed against the frame, nothing closing the way out at the sill.',
    why: 'A board pushed under the sill shuts the way out.',
    caution: HEIGHT,
  },
  wool: {
    short: 'Wool',
    title: 'Lay mineral wool into the gap',
    how: 'Strips as wide as the gap, laid and not crammed.',
    with: FILLED,
    why: 'Crammed wool bows the frame and insulates no better.',
    caution: 'Fibres itch and irritate: gloves, glasses, mask as the product’s sheet says.',
  },
  fibre: {
    short: 'Fibre',
    title: 'Lay loose fibre into the gap',
    how: 'Loosely, no lumps.',
    with: FILLED,
    why: 'Crammed it is only a filter: air passes.',
    caution: 'Fibres itch and irritate: gloves, glasses, mask as the product’s sheet says.',
  },
  dam: {
    short: 'Dam',
    title: 'Back dam behind the frame, bedded',
    how: 'Upright strip in sealant across the whole sill, ends sealed to the jambs.',
    why: 'What wind pushes up the sill stops here.',
    caution: SOLVENTS,
  },
  'inner-sealant': {
    short: 'Seal',
    title: 'Rod and sealant inside, all four sides',
    how: 'Rod to depth, sealant in one run, tooled, corners full.',
    why: 'This is the air seal. Stuck on three sides it tears.',
    look: 'Closed at all four corners, no bubble, the unit still opens.',
    caution: SOLVENTS,
  },
  'membrane-down': {
    short: 'Membrane',
    title: 'Membrane onto the reveal, corners closed',
    how: 'Brush off dust, primer on masonry. Sill first, then jambs, then head, with slack. Roll it.',
    with: { setFrom: { 'inside-brackets': 'Seal round every one of what holds the frame.' } },
    why: 'This is the air seal. On dust it holds for a week.',
    look: 'Bonded all round, pleats whole, what goes through it sealed, closing lap shut.',
    caution: SOLVENTS,
  },
  'inner-band': {
    short: 'Band in',
    title: 'Precompressed band in the inner joint',
    how: 'Butted at the corners, 5 mm longer per corner, cut narrower at blocks.',
    why: 'This is the air seal. It opens at every corner where it was pulled round.',
    look: 'Touches on both sides everywhere, corners butted, the unit still opens.',
  },
  'inner-sheet': {
    short: 'Sheet',
    title: 'Sheet strip on acoustic sealant, all four sides',
    how: 'Bead on the reveal, strip pressed in with slack, its edge on the frame, corners lapped.',
    why: 'This is the air seal; it ties into the membrane of the wall later.',
    look: 'Bead unbroken under the strip, corners lapped, the unit still opens.',
    caution: SOLVENTS,
  },
  'foam-look': {
    short: 'Foam look',
    title: 'Look at the foam from inside: it is the only air seal here',
    how: 'Along all four sides and into the corners with a lamp, fill what is open.',
    why: 'Foam alone opens when the building moves. A tape or a sealant over it costs minutes now.',
    look: 'Full to the corners, no hole where something goes through it, the unit still opens.',
  },
  guard: {
    short: 'Guard',
    title: 'Guard strip over the edge of the seal',
    how: 'Thin strip on all four sides, its edge where the board will end.',
    why: 'The cutter runs along the strip and not through the tape.',
  },
  'trim-frame': {
    short: 'Trim',
    title: 'Trim frame on, gap above the head flashing left open',
    how: 'Joined on the bench, clear of the frame all round, fastened where the frame’s own fasteners leave room. Above a head flashing on spacers. Joint to the frame sealed, the gap at the head flashing not. Its own cap last, ends notched and bent down.',
    why: 'A caulked gap at the head holds water; trim tight to the frame cannot move.',
    caution: HEIGHT,
  },
};

/** How many fasteners, how aslant and how long, as the card says it. */
export const fasteningText = (
  { count, screw }: Pick<Fastening, 'count' | 'screw'>,
  length: (mm: number) => string,
): string =>
  `${count} fasteners${screw.angle_deg > 0 ? `, driven at ${screw.angle_deg}° towards the stud` : ''}, ${length(soldLength(screw.length_mm))} long.`;
