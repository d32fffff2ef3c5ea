/** Words for schools, axes and choices: what each is, why people do it, when it is wise. */
import type { AxisId, ChoiceOf } from '../../vocabulary/axes.ts';
import type { PresetId } from '../../vocabulary/presets.ts';

export const presetTexts: Readonly<Record<PresetId, { name: string; summary: string }>> = {
  'drained-head-flap': {
    name: 'Drained, wrap first with head flap',
    summary:
      'Sloped sill under a stretched one-piece pan, jambs flashed to full depth, fin bedded at head and jambs, sill left open to drain.',
  },
  'closed-barrier': {
    name: 'Closed barrier',
    summary:
      'Wrap folded into the opening, fin bedded and taped on all four sides, sealant and rod inside. It leaves to trust that sealant and tapes stay whole: what gets in has no way out.',
  },
  'open-studs': {
    name: 'Open studs, apron and courses',
    summary:
      'Unit set on bare framing, an apron hung below the sill, the wrap run in courses afterwards and taped to the frame.',
  },
  'foam-buck-outboard': {
    name: 'Foam buck outboard, taped foam face',
    summary:
      'High-density foam buck carries the unit out in the plane of the exterior board; the board’s taped face is the water layer, buck and sill are brushed.',
  },
  'fluid-recessed': {
    name: 'Fluid-applied, unit set back',
    summary:
      'Wall and reveal brushed in one skin to the inner edge, a frame without fins in mid-depth on clips, sealant on rod outside and inside.',
  },
  'masonry-cavity': {
    name: 'Masonry cavity, joint in three levels',
    summary:
      'Unit on brackets in the insulation, precompressed band to the weather, foam in the middle, a pleated membrane to the room.',
  },
  'drained-full-jambs': {
    name: 'Drained, full jambs and wind skirt',
    summary:
      'As the drained school, the bottom fin on spacers behind a strip of wrap that slows the wind, a guard over the inner tape.',
  },
  'cut-back-wrap': {
    name: 'Cut-back wrap, fin on the sheathing',
    summary:
      'Wrap held back all round, straight-tape pan over corner patches, a broken bead along the sill, every hole fastened. It leaves to trust that foam alone keeps air, and wind-driven water, out of the room.',
  },
  'integral-sheathing': {
    name: 'Coated sheathing, stretched pan, spacers',
    summary:
      'Taped sheathing is the water layer; stretched pan, bottom fin on spacers, two tapes over the head.',
  },
  'rigid-pan-heavy': {
    name: 'Rigid metal pan under a heavy unit',
    summary:
      'Bent pan with a rear leg, bead put on the wall because the unit is too heavy to turn over, cap over the head under the flap.',
  },
  'foam-buck-inside': {
    name: 'Foam buck, set from inside, wool',
    summary:
      'Frame screwed through a foam buck from inside, precompressed band outside, wool laid in the gap.',
  },
  'interior-clips': {
    name: 'Gasketed fin held by clips inside',
    summary:
      'The fin’s gasket lands on the wall, clips hold the frame from the room, tapes keep off the frame, a sheet strip seals inside.',
  },
  'panel-frame': {
    name: 'Glued panel frame, precompressed band',
    summary:
      'A frame of structural panel glued to the wall’s face carries a frame without fins on blocks in the insulation.',
  },
  pocket: {
    name: 'Pocket replacement',
    summary:
      'A new unit set from inside against the old stops; the old frame and its water layer stay. It leaves to trust what nobody sees behind the old frame.',
  },
  'separate-fin-double-head': {
    name: 'Separate fin, two head tapes',
    summary:
      'The fin’s own joint leaks, so the tapes turn onto the frame and a second, wider tape goes over the first at the head. It leaves to trust that its upper edge sticks to loose wrap.',
  },
  'deep-wall-blocks': {
    name: 'Deep wall on insulation blocks',
    summary:
      'Frame in the middle of a deep wall on blocks that insulate, band outside, wool, pleated membrane inside.',
  },
};

export interface ChoiceText {
  readonly name: string;
  /** Why people do it. */
  readonly reason: string;
  /** When it is the wise choice. */
  readonly wise: string;
}

const c = (name: string, reason: string, wise: string): ChoiceText => ({ name, reason, wise });

export const axisTexts: Readonly<Record<AxisId, string>> = {
  waterLayer: 'Wall’s water layer',
  airLayer: 'Wall’s air layer',
  boardTime: 'Board outside comes',
  wrapEdge: 'Edge of the wrap',
  flapEdge: 'Lower edge of the flap',
  slits: 'Slits in the wrap',
  sequence: 'When the wrap comes',
  begins: 'Work begins with',
  mount: 'How the unit is held',
  setFrom: 'Set from',
  position: 'Place in the depth',
  seat: 'Height in the opening',
  buck: 'Buck',
  sillDrain: 'How the sill drains',
  pan: 'Sill pan',
  jambs: 'Jambs in the opening',
  bedding: 'Bedding',
  beadOn: 'Bead goes on',
  bottomFin: 'Bottom fin',
  jambHoles: 'Fin at jambs and head',
  firstFastener: 'First fastener',
  fastenerKind: 'Kind of fastener',
  tapeEdge: 'Tape at the frame',
  outerJoint: 'Outer joint',
  bandFirst: 'When the outer band goes on',
  head: 'Head',
  headSeam: 'Seam of the boards above the head',
  windSkirt: 'Wind skirt',
  tapeBead: 'Bead over the tapes',
  innerSeal: 'Inner seal',
  gapFill: 'Gap insulation',
  fillSides: 'Gap insulated at',
  shims: 'Shims',
  guard: 'Guard for the board cutter',
  insideTrim: 'Trim inside',
  trim: 'Trim outside',
};

export const choiceTexts: { readonly [Axis in AxisId]: Readonly<Record<ChoiceOf<Axis>, ChoiceText>> } = {
  waterLayer: {
    'mechanical-wrap': c(
      'Wrap, fixed with caps',
      'Cheap, dries both ways, easy to slit and fold.',
      'Sheathed walls, ordinary wind, cladding soon after.',
    ),
    'self-adhered': c(
      'Self-adhered membrane',
      'No water can run behind it, screws seal themselves.',
      'Exposed walls, long waits before cladding.',
    ),
    'integral-sheathing': c(
      'Coated sheathing, taped',
      'Board and layer go up together.',
      'Where seams can be rolled dry and warm.',
    ),
    fluid: c(
      'Fluid-applied',
      'No laps, takes damp and cold, follows any shape.',
      'Masonry, odd corners, recessed units.',
    ),
    'foam-face': c(
      'Taped foam face',
      'Insulation and water layer in one plane.',
      'Exterior board with a buck as deep as the board.',
    ),
    masonry: c(
      'Masonry or render, drained',
      'The leaf gets wet and drains in front of a cavity.',
      'Cavity walls and rendered insulation.',
    ),
    existing: c(
      'What is there already',
      'The old wall is not opened.',
      'Replacing a unit inside a sound old frame.',
    ),
  },
  airLayer: {
    'water-layer': c(
      'The water layer, taped',
      'One sheet for both, one bridge to the unit.',
      'Where the layer is closed at every seam.',
    ),
    sheathing: c(
      'Sheathing',
      'Stiff, easy to tape, protected by what lies before it.',
      'Foam outside, open cavity walls.',
    ),
    masonry: c(
      'The masonry itself',
      'Nothing to add to a leaf that is tight.',
      'Cast concrete; blocks and bricks only when parged or plastered.',
    ),
    'interior-membrane': c(
      'Membrane inside',
      'Also slows vapour; can be tested before the lining.',
      'Cold climates, deep walls.',
    ),
    drywall: c('Drywall', 'No further material.', 'Only where somebody seals every edge of it.'),
    plaster: c('Plaster', 'Closed over its whole face.', 'Masonry plastered down to the floor.'),
  },
  boardTime: {
    'after-unit': c('After the unit', 'Wall and unit are joined in the open.', 'Usually; fins need it.'),
    'before-unit': c(
      'Before the unit',
      'The insulation crew does not wait for the windows.',
      'Frames without fins, set back in the board’s depth.',
    ),
  },
  wrapEdge: {
    flush: c('Cut flush', 'Nothing in the way of the flashing.', 'Where flashing covers the reveal.'),
    'cut-back': c(
      'Cut back',
      'The fin lies on the sheathing itself.',
      'Where the maker asks for a hard bed.',
    ),
    'turned-in': c(
      'Turned in',
      'The wall’s layer reaches the inner seal.',
      'Where the wrap is the air layer too.',
    ),
  },
  flapEdge: {
    open: c('Left open', 'Lets out what got behind the wrap.', 'Drained walls.'),
    taped: c(
      'Taped',
      'Airtight; holds what got behind the wrap.',
      'Where the wrap must be airtight above the head.',
    ),
  },
  slits: {
    head: c('At the head', 'Two slits, one flap.', 'Usually.'),
    'four-corners': c(
      'At all four corners',
      'Flashing and fin lie on the sheathing, the wrap comes over both and every tape bites both.',
      'Where the maker wants fin and flashing on a hard face.',
    ),
  },
  sequence: {
    'wrap-first': c('Before the unit', 'Flashing laps onto the wrap, the flap comes down last.', 'Usually.'),
    'unit-first': c(
      'After the unit',
      'Units go into open studs and the shell closes later.',
      'When the wrap comes late; the apron must not be forgotten.',
    ),
  },
  begins: {
    'bare-opening': c('The bare opening', 'Every layer is made and seen.', 'Usually.'),
    'unit-set': c(
      'The unit that others have set',
      'Only what comes after it is this crew’s.',
      'With pictures, or a corner opened: nobody here has seen pan and bedding.',
    ),
  },
  mount: {
    'integral-fin': c(
      'Integral fin',
      'Fin and frame are one piece, nothing leaks between.',
      'Ordinary new work.',
    ),
    'separate-fin': c(
      'Separate fin',
      'Pressed into a groove; fits several wall depths.',
      'With tape turned onto the frame: its joint leaks.',
    ),
    'gasketed-fin': c(
      'Gasketed fin',
      'A seal on the fin meets the wall; no bead.',
      'Set against a true, flat face.',
    ),
    clips: c(
      'Clips or brackets, no fin',
      'The frame can stand anywhere in the depth.',
      'Thick walls, recessed units.',
    ),
    'frame-screws': c(
      'Screws through the frame, no fin',
      'Quick, and hidden in the frame.',
      'Bucks and blocks that hold a screw.',
    ),
    pocket: c('Pocket, against old stops', 'Nothing outside is opened.', 'Sound, square old frames.'),
  },
  setFrom: {
    outside: c('Outside', 'The fin is at hand.', 'Ground floor, scaffold up.'),
    inside: c(
      'Inside, tilted out',
      'No scaffold, no carrying up ladders.',
      'When the fin passes the opening turned.',
    ),
    'inside-brackets': c(
      'Inside, against brackets',
      'Set once, held at once, plane given by the brackets.',
      'Insulation planes, clip systems.',
    ),
  },
  position: {
    outboard: c(
      'Outboard',
      'Simple flashing, little reveal in the rain.',
      'Without exterior board, or on a buck.',
    ),
    mid: c('Middle', 'The coldest corner is warmest here.', 'Thick walls, insulation planes.'),
    inboard: c('Inboard', 'Sheltered by a deep reveal.', 'When the deep outer sill is fully waterproof.'),
  },
  seat: {
    thinnest: c('On the thinnest sound seat', 'The head keeps what is left: headers creep down.', 'Usually.'),
    equal: c(
      'Equal space at head and sill',
      'Both joints can be filled and sealed.',
      'Openings with height to spare, lines of heads that must match.',
    ),
  },
  buck: {
    none: c('None', 'Fewest parts.', 'Without exterior insulation.'),
    lumber: c('Lumber or plywood box', 'Strong, cheap, any depth.', 'Heavy units; it is a cold path.'),
    'foam-l': c(
      'L-shaped high-density foam',
      'Carries and insulates; its leg in the opening holds the weight.',
      'Exterior board up to the buck’s depth.',
    ),
    'panel-frame': c(
      'Glued panel frame',
      'The unit stands in the middle of the insulation.',
      'Very thick exterior insulation.',
    ),
  },
  sillDrain: {
    slope: c('Sloped', 'Water runs out by itself.', 'Whenever there is height for it.'),
    'back-dam': c('Level with a back dam', 'No height lost, level bearing.', 'Doors, low sills.'),
    'slope-and-dam': c(
      'Sloped, with a dam',
      'The dam holds what wind pushes up the slope.',
      'Exposed walls.',
    ),
    'framed-slope': c(
      'Sloped in the framing',
      'No board, and no height lost to one; the cripples are cut at the angle.',
      'New framing, and shims that are cut as wedges.',
    ),
  },
  pan: {
    stretched: c('Stretchable flashing, one piece', 'No cut in the corners.', 'Usually.'),
    'tape-and-patches': c(
      'Straight tape over corner patches',
      'Ordinary roll, corners protected first.',
      'Where stretchable stock is missing.',
    ),
    rigid: c('Preformed rigid pan', 'Bears weight, its rear leg is a dam.', 'Heavy units, doors.'),
    'membrane-under-metal': c(
      'Metal pan on a membrane pan',
      'The membrane drains what passes the metal’s ends.',
      'Heavy units over a finished ceiling.',
    ),
    'of-unit': c(
      'Pan that comes with the unit',
      'Made for this frame; nothing is cut.',
      'Where the maker sends one: its own instructions go first.',
    ),
    fluid: c('Fluid-applied', 'No laps, no corners to stretch.', 'Damp or rough sills; mind the film.'),
    buck: c(
      'Part of the buck',
      'Comes with its own slope and ends.',
      'When the maker of the buck says it is watertight.',
    ),
    none: c('None', 'The closed outside is trusted.', 'Barrier school, pocket units.'),
  },
  jambs: {
    bare: c('Bare', 'Older practice, least work.', 'Only where another layer reaches the inner seal.'),
    'wrap-turned-in': c(
      'Wrap turned in',
      'The wall’s layer itself reaches in.',
      'With a wrap that folds well.',
    ),
    flashing: c('Flashing to full depth', 'Outer layer and inner seal meet.', 'Usually.'),
    fluid: c('Fluid-applied', 'Whole reveal in one skin.', 'With a fluid pan.'),
  },
  bedding: {
    drained: c(
      'Drained: sill open',
      'Every unit leaks sooner or later; the pan needs a way out.',
      'Over a pan.',
    ),
    interrupted: c(
      'Drained: sill bead broken',
      'Holds the fin flat and still drains.',
      'Where the bottom fin must not gape.',
    ),
    barrier: c(
      'Barrier: closed all round',
      'Keeps water out altogether.',
      'Where the maker demands it; it relies on sealant.',
    ),
    tape: c(
      'Butyl tape at head and jambs',
      'No skin time, no cold bead; sticks as soon as it is pressed.',
      'Where the fin’s maker takes tape for a bead, on a flat, dry face.',
    ),
  },
  beadOn: {
    fin: c('Back of the fin', 'Quick, in line with the holes.', 'Units two people can turn.'),
    wall: c('The wall', 'Cleaner hands, the unit needs no turning.', 'Heavy units.'),
  },
  bottomFin: {
    'every-hole': c('Fasten every hole', 'Embeds the fin so that it does not gape.', 'Barrier, broken bead.'),
    'every-second-hole': c(
      'Fasten every second hole',
      'Leaves the fin some way off the wall.',
      'Drained, light units.',
    ),
    spacers: c('On thin spacers', 'Keeps a measured way out open.', 'Drained.'),
  },
  jambHoles: {
    pitch: c('At a chosen pitch', 'The schedule says how many.', 'Where the maker gives a distance.'),
    'every-hole': c('Every hole', 'Flattest fin, most screws.', 'High wind, or because the maker says so.'),
    'every-second-hole': c('Every second hole', 'Half the work.', 'Light units where the maker allows it.'),
  },
  firstFastener: {
    'upper-corner': c(
      'One upper corner',
      'It hangs from there and can still be turned.',
      'Usually; somebody holds it.',
    ),
    'lower-corner': c(
      'One lower corner',
      'It stands and is fixed where it stands.',
      'Heavy units on their blocks.',
    ),
    'hinge-side': c('Hinge side, top', 'The side that carries the sash is true first.', 'Casements, doors.'),
    middle: c(
      'Middle of a side',
      'The fin is pulled flat from the middle out.',
      'Bucked units with the sash closed.',
    ),
    'each-corner': c('Each corner', 'Held all round before anything is looked at.', 'Tall units in wind.'),
  },
  fastenerKind: {
    screws: c('Screws', 'Can be taken out when a side must move.', 'Where re-adjusting is likely.'),
    nails: c(
      'Large-head galvanised nails, by hand',
      'Quick, pulls a fin flat.',
      'Small units that are true at once.',
    ),
    nailer: c(
      'Nailer, after four corner screws',
      'Fast along the sides.',
      'Only once the corner screws prove the unit true: a nailer can shift it and crimp the fin.',
    ),
  },
  tapeEdge: {
    'frame-edge': c('Stops at the frame', 'A bead can follow along the frame.', 'Integral fins.'),
    'onto-frame': c('Turns onto the frame', 'Covers the joint of a separate fin.', 'Separate fins.'),
    gasket: c(
      'On the fin only, off the gasket',
      'The gasket must stay free to move.',
      'Gasketed fins, marked zone.',
    ),
  },
  outerJoint: {
    'fin-tapes': c('Fin under tapes', 'The fin closes the joint.', 'Finned units.'),
    precompressed: c(
      'Precompressed band',
      'Moves with the joint, sheds rain, lets vapour out.',
      'Even joints within its range.',
    ),
    'sealant-rod': c('Sealant on rod', 'Fits any joint, seals at once.', 'Narrow joints, dry weather.'),
    membrane: c('Membrane', 'Bridges wide and rough joints.', 'Masonry.'),
  },
  bandFirst: {
    'on-frame': c(
      'On the frame, before the unit',
      'Every corner is butted where it can be seen.',
      'Room in the joint for it to pass, and the unit set before it swells.',
    ),
    'in-joint': c(
      'In the joint, after the unit',
      'The joint as it is decides its size.',
      'Uneven joints that can be reached from outside.',
    ),
  },
  head: {
    flap: c('Flap over the head tape', 'Water on the wrap stays outside.', 'Wrap first.'),
    'flap-and-cap': c(
      'Flap and drip cap',
      'Throws water clear of the joint.',
      'Exposed walls; if unsure, add it.',
    ),
    'two-tapes': c(
      'Two head tapes',
      'The second, wider one covers the first one’s edge.',
      'Hard faces without a flap.',
    ),
    'two-tapes-and-cap': c(
      'Two head tapes and a cap',
      'The cap throws water clear, its leg is taped over.',
      'Hard faces in driving rain.',
    ),
    'two-tapes-and-seam': c(
      'Two head tapes and a seam strip',
      'A seam that ends above the head is carried over it.',
      'Boards with an upright joint above the opening.',
    ),
    tucked: c(
      'Wrap tucked in at the head too',
      'No slits.',
      'Seldom: what runs behind the wrap comes out behind the fin.',
    ),
    'tucked-under-layer': c(
      'Tucked in, a head layer over it',
      'No slits, and a layer of its own laps over the head.',
      'Where another course of wrap comes down from above.',
    ),
    'seam-tape': c(
      'Seam tape over all',
      'An upright seam ends over the head.',
      'Courses of wrap, boards with a joint above.',
    ),
    cap: c('Cap or tray', 'Bonded to the wall, it leads water out.', 'Fluid, foam and masonry faces.'),
  },
  headSeam: {
    none: c('None above the head', 'Nothing to lift.', 'The board runs past the head in one piece.'),
    'left-up': c(
      'Left open until the head is taped',
      'Its strip comes down over the head tape.',
      'Where seams are taped after the units.',
    ),
    lifted: c(
      'Taped, lifted and brought down',
      'The same strip is used again.',
      'Where the seams were taped before.',
    ),
  },
  windSkirt: {
    none: c('None', 'Nothing over the way out.', 'Sheltered walls.'),
    strip: c(
      'Strip of wrap',
      'Slows the wind at the open sill, lets water leave.',
      'Windy walls, drained sills.',
    ),
  },
  tapeBead: {
    none: c('None', 'The tapes are the seal.', 'Usually.'),
    'frame-to-tape': c(
      'From frame onto tape',
      'Closes the tape’s edge at the frame.',
      'Barriers whose maker asks for it; it is upkeep.',
    ),
  },
  innerSeal: {
    'corner-tape': c('Corner tape', 'Indifferent to the joint’s width, tight at once.', 'Uneven joints.'),
    'sealant-rod': c('Sealant on rod', 'Moves, can be tooled clean.', 'Narrow, even joints.'),
    'foam-alone': c('Foam alone', 'Nothing further to do.', 'Seldom: buildings move, foam does not.'),
    membrane: c(
      'Membrane set on the frame',
      'Prepared on the bench, pleated at the corners.',
      'Masonry, deep walls.',
    ),
    precompressed: c('Precompressed band', 'Clean, quick, moves.', 'Even joints within its range.'),
    'sheet-acoustic': c(
      'Sheet strip on acoustic sealant',
      'Never hardens, ties into an inner membrane.',
      'Membrane inside.',
    ),
  },
  gapFill: {
    foam: c('Foam in lifts', 'Fills any shape.', 'Where the unit’s maker allows it.'),
    wool: c(
      'Mineral-wool strips',
      'No pressure on the frame, can be taken out.',
      'Where foam is forbidden, set from inside.',
    ),
    'loose-fibre': c(
      'Loosely laid fibre',
      'At hand on every site.',
      'Only behind a good inner seal: air passes.',
    ),
    blocks: c('Insulation setting blocks', 'The bearing insulates too.', 'Deep walls.'),
  },
  fillSides: {
    all: c(
      'All four sides',
      'No cold place under the frame.',
      'Usually; at the sill only the inner edge of a drained unit.',
    ),
    'head-and-jambs': c(
      'Head and jambs',
      'Nothing can close the way out of the pan.',
      'Where pan and bearing leave no room under the frame.',
    ),
  },
  shims: {
    removed: c('Pulled after fastening', 'No cold path, no air path.', 'Fins that carry the side load.'),
    'plastic-at-sill': c('Plastic, all stay', 'They do not shrink.', 'Frames without fins.'),
    'at-hinges': c(
      'Stay at hinges and locks',
      'The sash’s load goes straight into the wall.',
      'Heavy sashes.',
    ),
    none: c(
      'None at the jambs',
      'Screws through a buck set the distance.',
      'Screwed from outside through a buck.',
    ),
  },
  guard: {
    none: c('None', 'One part less.', 'When the crew that seals also boards.'),
    strip: c(
      'Thin strip over the tape’s edge',
      'The cutter runs along it and not through the tape.',
      'When somebody else boards.',
    ),
  },
  insideTrim: {
    none: c('None', 'The lining returns to the frame.', 'Plastered or boarded reveals.'),
    casing: c(
      'Casing round the frame',
      'Covers joint, tape and the lining’s edge.',
      'Timber casings: reveal, width and the tape’s set-back belong together.',
    ),
  },
  trim: {
    none: c('None yet', 'The cladding crew trims.', 'Cladding that ends at the frame.'),
    'frame-with-cap': c(
      'Picture frame with cap',
      'Joined on the bench, the gap above the head flashing stays open.',
      'Timber trim.',
    ),
  },
};

/** Text of a choice where the axis is only known at run time. */
export const choiceText = (axis: AxisId, choice: string): ChoiceText =>
  (choiceTexts[axis] as Readonly<Record<string, ChoiceText>>)[choice] ?? c(choice, '', '');
