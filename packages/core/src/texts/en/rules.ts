/** Words for what the choices of a method demand of each other. */
import type { RuleId } from '../../methods/rules.ts';
import type { FindingText } from '../finding-text.ts';

const t = (title: string, text: string): FindingText => ({ title, text });

export const ruleTexts: Readonly<Record<RuleId, FindingText>> = {
  'barrier-over-pan': t(
    'Closed bottom over a pan',
    'The bead runs along the sill, so what the pan catches stays in it and rises to the room. Open the sill, or leave the pan out and go by the barrier’s own logic.',
  ),
  'barrier-relies-on-sealant': t(
    'Relies on sealant',
    'No pan and no way out: one gap in the bead or the tapes and water stays in the wall. Its upkeep is part of the method; say so at hand-over.',
  ),
  'nothing-under-a-drained-unit': t(
    'Open sill without a pan',
    'What the unit lets through runs onto bare framing. Put a pan under it.',
  ),
  'every-hole-over-open-sill': t(
    'Bottom fin pinched over an open sill',
    'Fastened in every hole the fin closes the way out of the pan. Put it on spacers, or break the bead along the sill.',
  ),
  'barrier-fin-gapes': t(
    'Bottom fin gapes in a barrier',
    'A fin fastened here and there does not bed in its bead. Fasten every hole.',
  ),
  'layers-without-bridge': t(
    'Nothing carries the air line into the opening',
    'The wall’s air layer ends at its face, the inner seal sits at the room side, and between them the jambs are bare: air goes round through the framing. Flash the jambs to full depth.',
  ),
  'no-inner-seal': t(
    'No seal inside',
    'Wool and fibre let air pass. Something airtight has to close the joint to the room: tape, sealant, membrane.',
  ),
  'foam-alone': t(
    'Foam is the only air seal',
    'It is tight on the first day. Buildings move and foam does not, so it opens at its edges. Add a tape or a sealant.',
  ),
  'flap-without-wrap': t(
    'No wrap to make a flap of',
    'This wall’s water layer cannot be slit and folded. Use a cap bonded to it, or two tapes.',
  ),
  'head-on-adhesive': t(
    'Head holds by adhesive only',
    'The upper edge of the tape lies on the wrap and nothing comes down over it. Water that reaches a lifted edge is behind everything below. Bring a flap over it.',
  ),
  'flap-taped-over-drained-wall': t(
    'Taped flap holds water back',
    'What gets behind the wrap higher up runs down to the taped edge and stays. Leave the edge open unless the wrap must be airtight there.',
  ),
  'jambs-not-turned-in': t(
    'Wrap is to cover the jambs but is cut short',
    'The jambs count on wrap that is not folded in. Turn it in, or flash the jambs.',
  ),
  'wrap-behind-the-buck': t(
    'Wrap ends behind the buck',
    'The jambs count on wrap folded into the opening, and the buck stands over it: inside the buck nothing carries the air line to the seal. Brush or flash the buck’s jambs.',
  ),
  'separate-fin-untaped': t(
    'Joint of the separate fin is open',
    'Water gets in between fin and frame, above the pan at the sides and behind the tape at the head. Turn the tape onto the frame.',
  ),
  'tape-on-integral-fin': t(
    'Tape onto the frame of an integral fin',
    'There is no joint to cover, and the tape shows. Stop it at the frame unless the maker asks for it.',
  ),
  'tape-onto-frame-under-bead': t(
    'Tape where the trim’s bead has to stick',
    'The bead between trim and frame lands on tape and lets go with it. Stop the tape at the frame.',
  ),
  'gasket-taped-over': t(
    'Tape over the gasket',
    'Taped past its marked zone the gasket cannot move and pulls off. Keep the tape on the fin.',
  ),
  'gasket-tape-without-gasket': t(
    'Tape kept off the frame for nothing',
    'There is no gasket here and the fin’s root is left bare. Start the tape at the frame.',
  ),
  'outer-joint-open': t(
    'Outer joint has no seal',
    'A frame without a fin needs a band, sealant or membrane outside. Rain goes straight into the joint.',
  ),
  'foam-face-without-board': t(
    'No board for the foam face',
    'The water layer is to be the face of an exterior board, and this wall has none. Choose another layer, or enter the board with the wall.',
  ),
  'courses-without-wrap': t(
    'Courses of wrap on a wall without wrap',
    'The unit is to come before the wrap, but this wall’s layer stands already. Its apron and courses are left out.',
  ),
  'buck-on-loose-wrap': t(
    'Buck stuck to loose wrap',
    'The beads hold on a sheet that is held by caps. Glue it to the sheathing, or to a layer that sticks.',
  ),
  'screws-without-shims': t(
    'Nothing holds the distance at the jambs',
    'Without shims, a buck or blocks the screws pull the frame to the framing and the sash binds. Leave shims.',
  ),
  'skirt-over-closed-sill': t(
    'Wind skirt over a closed sill',
    'There is no way out to shelter. It does no harm and no good.',
  ),
  'heavy-unit-turned-over': t(
    'Heavy unit to be turned for its bead',
    'Put the bead on the wall, so that nobody turns this weight over. Weigh up hands and lifting aids first.',
  ),
  'maker-wants-every-hole': t(
    'Maker wants every hole fastened',
    'Fewer fasteners put the unit outside its warranty. Fasten every hole and keep a way out through a broken bead.',
  ),
  'maker-wants-second-hole': t(
    'Maker wants every second hole fastened',
    'More fasteners pucker the fin. Go by the maker’s schedule.',
  ),
  'mount-needs-fin': t(
    'This unit has no fin',
    'The method nails and tapes a fin. Hold the frame by clips or screws and seal the joint outside.',
  ),
  'mount-differs-from-fin': t(
    'Fin of another kind',
    'The method counts on another fin than this unit has; its joint, its bead and its tapes differ. Choose the mount that the unit is made for.',
  ),
  'pocket-in-new-wall': t(
    'Pocket unit in a new wall',
    'A pocket unit stands in an old frame. Say that the wall’s layer is the old one, or choose another mount.',
  ),
  'old-wall-without-pocket': t(
    'Old wall, new joint',
    'The wall’s layer is not known, and the unit needs to be joined to it. Open it and say what it is.',
  ),
  'old-frame-unseen': t(
    'What is behind the old frame stays unseen',
    'The new unit is sealed to the old frame; whether that frame drains and is joined to the wall cannot be checked. Probe sill and lower jambs, look again after the first heavy rain.',
  ),
  'fin-fixes-the-depth': t(
    'A fin fixes the place in the depth',
    'It lies on the wall’s face, so the unit stands outboard whatever is chosen. Use a buck, or a frame without a fin.',
  ),
  'head-tucked-in': t(
    'Wrap tucked in at the head',
    'What runs behind the wrap comes out behind the fin. Bring a layer of its own down over the head, or slit the wrap and make a flap.',
  ),
  'jambs-without-flaps': t(
    'Folded wrap has no jamb flaps',
    'Wrap that is turned into the opening is not slit at its lower corners: only the head has a flap. Slit the head alone, or cut the wrap flush.',
  ),
  'fin-behind-board': t(
    'The board is in the fin’s way',
    'A fin lies on the wall’s water layer and is taped there; a board that is there already covers both. Board after the unit, hold the unit without fins, or carry it out on a buck.',
  ),
  'air-in-masonry-that-is-none': t(
    'No masonry to keep air out',
    'The wall has no leaf of block, brick or concrete that could be its air layer. Choose the layer that is there.',
  ),
  'bare-blocks-leak': t(
    'Bare blocks and bricks let air through',
    'Joints and the blocks themselves are open to air. Plaster or parge them down to the floor and into the opening, and make that the air layer; cast concrete alone is tight by itself.',
  ),
};
