/** Words for findings: what is wrong, the number and the limit, what follows, what to do. */
import { asSentence } from './grammar.ts';
import type { AirCorner } from '../../vocabulary/corners.ts';
import type { FindingCode, FindingFacts } from '../../findings/finding.ts';
import type { Gap } from '../../fit/placement.ts';
import { sides, type Side } from '../../vocabulary/sides.ts';
import type { Correction } from '../../fit/verdict.ts';
import type { WaterSource } from '../../proofs/water/sources.ts';
import type { SurveyPointId } from '../../vocabulary/survey-points.ts';
import { pieceTexts } from './pieces.ts';
import { list, pieceName, together, withoutSide } from './piece-names.ts';
import { heatThingText } from './heat-things.ts';
import { contactFaceTexts } from './supply.ts';
import { jointReasonText, sealText } from './joints.ts';
import { vapourLayerText } from './moisture.ts';
import { ruleTexts } from './rules.ts';
import { pointGroups, pointTexts } from './survey.ts';
import { sideTexts, cornerTexts } from './places.ts';
import type { FindingText, Figures } from '../finding-text.ts';

const LABEL_TEXTS = { uFactor: 'the U-factor', shgc: 'the solar gain' } as const;
const RATING_TEXTS = { 'north-american': 'North American procedure', iso: 'ISO procedure' } as const;

type Writer<Code extends FindingCode> = (facts: FindingFacts[Code], figures: Figures) => FindingText;

const PLACE_NAMES = { upright: ['bottom', 'middle', 'top'], level: ['left', 'centre', 'right'] };

const placeName = ({ side, place }: Pick<Gap, 'side' | 'place'>): string =>
  PLACE_NAMES[side === 'left' || side === 'right' ? 'upright' : 'level'][place * 2] ?? '';

/** Where a gap was measured, as somebody at the opening would say it. */
export const placeText = (gap: Pick<Gap, 'side' | 'place'>): string =>
  `${sideTexts[gap.side]}, ${placeName(gap)}`;

const MISSING_TEXTS: Record<FindingFacts['not-planned']['missing'][number], string> = {
  wall: 'the wall',
  unit: 'the unit',
  method: 'the method',
  width: 'a width of the opening',
  height: 'a height of the opening',
  plan: 'an opening taller and deeper than its own sill build-up',
};

/** Missing readings, a whole group by its own name. */
function missingText(points: readonly SurveyPointId[]): string {
  const missing = new Set(points);
  return list(
    pointGroups.flatMap(({ all, points: group }) => {
      const lost = group.filter((p) => missing.has(p));
      return lost.length === group.length ? [all] : lost.map((p) => pointTexts[p].phrase);
    }),
  );
}

/** `left jamb 5 mm bottom, 7 mm top; head …` */
function bySide(corrections: readonly Correction[], figure: (mm: number) => string): string {
  const groups = sides.flatMap((side) => {
    const own = corrections.filter((c) => c.gap.side === side);
    const parts = own.map(({ gap, by_mm }) => `${figure(Math.abs(by_mm))} ${placeName(gap)}`);
    return own.length === 0 ? [] : [`${sideTexts[side]} ${parts.join(', ')}`];
  });
  return groups.join('; ');
}

/** Where water comes from, as the crew would say it. */
export const waterSourceTexts: Readonly<Record<WaterSource, string>> = {
  'wall-above': 'from the wall above',
  'head-corners': 'at the corners of the head',
  'blown-across': 'blown across the face against the frame',
  'behind-layer': 'behind the wall’s layer from above',
  'frame-joint': 'at the joint of the frame',
  'unit-sill': 'from the unit’s own sill corners',
  mullion: 'from the foot of the mullion',
};

const WET_TEXTS: Readonly<Record<FindingFacts['water-gets-in']['place'], string>> = {
  wall: 'the sheathing',
  'across-left': 'the sheathing beside the frame',
  'across-right': 'the sheathing beside the frame',
  'across-sill': 'the sheathing below the frame',
  'inner-plane': 'the sheathing behind the buck',
  'sill-reveal': 'the bare sill',
  'left-reveal': 'the bare left jamb',
  'right-reveal': 'the bare right jamb',
  joint: 'the joint round the frame',
  room: 'the room',
};

export const findingTexts: { readonly [Code in FindingCode]: Writer<Code> } = {
  'not-planned': ({ missing }) => ({
    title: 'Not enough to plan yet',
    text: `Missing: ${list(missing.map((m) => MISSING_TEXTS[m]))}. Add it and sizes, shims and steps follow.`,
  }),
  'fit-fails': ({ trim }, f) => ({
    title: 'The unit does not fit this opening',
    text: `It would touch the wall. Take off at least: ${bySide(trim, f.lengthUp)}. Trim the opening, never the unit; ask before cutting structure.`,
  }),
  'fit-tight': ({ trim }, f) => ({
    title: 'Tight: no room for foam',
    text: `Once flashed, the gap is under the least at ${trim.length === 1 ? 'one place' : `${trim.length} places`}; it could not be filled and sealed there. Trim the opening: ${bySide(trim, f.lengthUp)}.`,
  }),
  'opening-small-for-method': ({ width_mm, height_mm, seat_mm }, f) => ({
    title: 'This method wants a larger opening',
    text: `With its layers ${f.lengthUp(width_mm)} × ${f.lengthUp(height_mm)}: board, pan and shims raise the unit by ${f.length(seat_mm)}, flashing narrows the jambs. Before anything is ordered frame it so, or choose a lower build-up: a slope in the framing, thinner shims.`,
  }),
  'fit-loose': ({ pack }, f) => ({
    title: 'Too loose',
    text: `${pack.some((p) => p.because === 'fin') ? 'The fin’s fasteners would miss framing' : 'The joint is wider than it can be closed'}. Pack the opening out: ${bySide(pack, f.lengthUp)}.`,
  }),
  'fit-unproven': ({ missing }) => ({
    title: 'Not everything is measured',
    text: `Still to measure: ${missingText(missing)}. Sizes and cut list hold for what is entered; the rest is not checkable.`,
  }),
  'sill-off-level': ({ difference_mm, limit_mm }, f) => ({
    title: 'Sill out of level',
    text: `${f.length(difference_mm)} over the width, limit ${f.length(limit_mm)}. The shim schedule brings the unit level; better plane or pack the sill, so that the pan falls evenly.`,
  }),
  'sill-crown': ({ crown_mm }, f) => ({
    title: 'Hump in the sill',
    text: `The middle stands ${f.length(crown_mm)} above the ends. A unit on a hump binds: plane it off, or shim both ends as listed.`,
  }),
  'jamb-off-plumb': ({ side, lean_mm, limit_mm }, f) => ({
    title: `${asSentence(sideTexts[side])} out of plumb`,
    text: `It leans ${f.length(Math.abs(lean_mm))} to the ${lean_mm > 0 ? 'right' : 'left'} over its height, limit ${f.length(limit_mm)}. The gap becomes a wedge: shim to the schedule, watch the narrow end.`,
  }),
  'jamb-bowed': ({ side, bow_mm, limit_mm }, f) => ({
    title: `${asSentence(sideTexts[side])} bowed`,
    text: `Its middle stands ${f.length(Math.abs(bow_mm))} to the ${bow_mm > 0 ? 'right' : 'left'} of a straight line, limit ${f.length(limit_mm)}. A sliding or hung sash binds when the frame follows it: shim the middle to the schedule, or plane the jamb.`,
  }),
  'opening-twisted': ({ twist_mm, limit_mm }, f) => ({
    title: 'Opening twisted',
    text: `One jamb leans ${f.length(twist_mm)} more to the weather than the other, limit ${f.length(limit_mm)}. A unit that follows both is racked and its sash does not close evenly: set it plumb on one side and pack the other.`,
  }),
  'face-twisted': ({ corner_mm, limit_mm }, f) => ({
    title: 'Wall face out of plane',
    text: `One corner of the opening lies ${f.length(corner_mm)} out of the plane of the other three, limit ${f.length(limit_mm)}. The fin will not lie flat: pack behind it, or plane the sheathing.`,
  }),
  'face-uneven': ({ hollow_mm, limit_mm }, f) => ({
    title: hollow_mm > 0 ? 'Wall face hollow' : 'Wall face humped',
    text: `${f.length(Math.abs(hollow_mm))} under a straightedge, limit ${f.length(limit_mm)}. The fin bridges it and its bead may not touch: pack or plane before the wrap goes on.`,
  }),
  'sill-falls-inward': ({ inward_mm, slope_deg, left_deg, limit_deg }, f) => ({
    title: 'Rough sill falls to the room',
    text: `By ${f.length(inward_mm)} over its depth: ${slope_deg === null ? `the pan would lie at ${tenth(left_deg)}°` : `of ${tenth(slope_deg)}° only ${tenth(left_deg)}° is left`}, least ${limit_deg}°. Water would stand in the pan or run in. ${slope_deg === null ? 'Pack or plane the sill to its fall first.' : 'Steepen the board, or pack it level first.'}`,
  }),
  'sill-level-without-dam': ({ slope_deg, limit_deg }) => ({
    title: 'Level pan without a dam',
    text: `${Math.round(slope_deg * 100) / 100}° is level within ${limit_deg}°: water stands in the pan and nothing at its back holds it. Put a dam behind the frame, or slope the sill.`,
  }),
  'pan-ends-under-frame': ({ bare_mm }, f) => ({
    title: 'Pan ends under the frame',
    text: `Its inner edge lies ${f.length(bare_mm)} outboard of the frame’s inner face: what is behind it is bare. Let it run inboard of the frame and meet the seal or the dam there.`,
  }),
  'set-by-others': ({ unseen }) => ({
    title: 'Set by others, unseen',
    text: `Nobody of this job has seen ${unseen.map((id) => (pieceTexts[id] ?? id).toLowerCase()).join(', ')}. Keep pictures of whoever set the unit, or open one corner; when it is known how it was done, let the work begin with the bare opening and record what was built.`,
  }),
  'casing-shows-tape': ({ shows, by_mm, reveal_mm }, f) => ({
    title:
      shows === 'tape' ? 'The casing leaves tape to be seen' : 'The casing does not reach over the joint',
    text:
      shows === 'tape'
        ? `It leaves ${f.length(reveal_mm)} of the frame bare and the strip reaches ${f.length(by_mm)} into that. Set the strip less far onto the frame, or the casing nearer to its inner edge.`
        : `From ${f.length(reveal_mm)} off the frame’s inner edge it ends ${f.length(by_mm)} short of the reveal. Take a wider one.`,
  }),
  'unit-not-checkable': () => ({
    title: 'Not a rectangle',
    text: 'Shaped units are kept, not computed: fit, pieces and shims are those of the rectangle round it and prove nothing. Plan it by the maker’s drawing.',
  }),
  'rule-broken': ({ rule, accepted, maker }) => ({
    title: ruleTexts[rule].title,
    text: maker
      ? `${ruleTexts[rule].text} The maker of this unit asks for it: “${maker}”. Its instructions go first; what water and air do stays as it is found.`
      : accepted
        ? `${ruleTexts[rule].text} Accepted by ${accepted.person}: “${accepted.reason}”${/[.!?]$/.test(accepted.reason) ? '' : '.'}`
        : ruleTexts[rule].text,
  }),
  'order-sets-aside': ({ pairs, accepted }) => ({
    title: 'Own order of the steps',
    text: `${pairs.length === 1 ? 'One step comes' : `${pairs.length} steps come`} before what is better done first; Order names ${pairs.length === 1 ? 'it' : 'them'}. ${
      accepted
        ? `${accepted.person}: “${accepted.reason}”`
        : 'Say there why, or go back to the method’s order.'
    }`,
  }),
  'fin-on-wrap': ({ over_mm, cutBack_mm }, f) => ({
    title: 'Fin lies on the wrap',
    text: `The wrap is cut back ${f.length(cutBack_mm)}, the fin reaches ${f.length(over_mm)} over it. Its bead would seal to the wrap and not to the sheathing. Cut the wrap back further.`,
  }),
  'does-not-pass': ({ needs_mm, clear_mm }, f) => ({
    title: 'Unit does not pass its own opening',
    text: `Turned as it may, it needs ${f.length(needs_mm)} and the opening leaves ${f.length(clear_mm)}. It cannot be set from inside: bring it from outside.`,
  }),
  'side-too-short': ({ side, length_mm, least_mm }, f) => ({
    title: `Too short for two fasteners: ${sideTexts[side]}`,
    text: `${f.length(length_mm)} is no more than twice the distance from the corners, ${f.length(least_mm)}. Ask the maker how this side is held.`,
  }),
  'buck-overloaded': ({ load_Nmm, limit_Nmm }, f) => ({
    title: 'Foam buck carries more than usual',
    text: `${f.measure('lineLoad', load_Nmm)} of sill, usual limit ${f.measure('lineLoad', limit_Nmm)}. Support it from the framing and ask the buck’s maker.`,
  }),
  'wider-than-roll': ({ piece, width_mm, widest_mm }, f) => ({
    title: `${pieceTexts[piece] ?? piece}: wider than its roll`,
    text: `${f.length(width_mm)} across, the widest roll of this job is ${f.length(widest_mm)}. Take a wider roll, or draw a joint: two strips lap in the direction of flow.`,
  }),
  'screw-ends-in-buck': ({ sides, missed_mm, angle_deg, cure }, f) => ({
    title: 'Screws end in the buck',
    text: `${asSentence(list(sides.map((side) => sideTexts[side])))}: the stud begins ${f.length(missed_mm)} beyond the hole, so a screw driven ${angle_deg > 0 ? `at ${angle_deg}°` : 'straight'} holds in foam alone. ${cure ? `At ${cure.angle_deg}° a screw of ${f.length(cure.length_mm)} meets the stud 12 mm from its edge.` : 'No angle reaches it from this hole: take brackets, a narrower leg, or a lumber buck.'} Where the buck’s maker says that it carries screws, name the sheet under Sizes, buck of the method.`,
  }),
  'screw-to-order': ({ length_mm, limit_mm }, f) => ({
    title: 'Long screws: order early',
    text: `${f.length(length_mm)} through all layers; from ${f.length(limit_mm)} on few shops stock them.`,
  }),
  'altitude-differs': ({ difference_Pa, madeAt_m, site_m }, f) => ({
    title: 'Glazing from another altitude',
    text: `Closed at ${f.measure('altitude', madeAt_m)}, set at ${f.measure('altitude', site_m)}: ${f.measure('pressure', Math.abs(difference_Pa))} ${difference_Pa < 0 ? 'less outside, the panes bulge' : 'more outside, the panes are pressed in'}. Ask the maker before it leaves: a tube or bladder must be opened, equalised and closed as they say.`,
  }),
  'label-differs': ({ what, read, asked, side, from }, f) => {
    const figure = what === 'uFactor' ? f.u : String;
    return {
      title: what === 'shgc' ? 'Solar gain is not what was asked' : 'U-factor is not what was asked',
      text: `The ${from === 'facade' ? `unit has ${figure(read)}, this façade asks for at ${side} ${figure(asked)}` : `label says ${figure(read)}, the unit was ordered with ${figure(asked)}`}. Glass on the wrong side of the house stays there for decades: stop, and compare mark and label.`,
    };
  },
  'label-missing': ({ what }) => ({
    title: 'Nobody has said what is on the label',
    text: `This façade asks for ${list(what.map((one) => LABEL_TEXTS[one]))}, and neither unit nor label says it. Enter it with the unit, or read the label when it comes.`,
  }),
  'label-procedures-differ': ({ what, read, asked, from }) => ({
    title: 'Two rating procedures',
    text: `${asSentence(list(what.map((one) => LABEL_TEXTS[one])))}: ${from === 'facade' ? 'the unit' : 'the label'} is rated by the ${RATING_TEXTS[read]}, ${from === 'facade' ? 'the façade asks' : 'the unit was ordered'} by the ${RATING_TEXTS[asked]}. They take other sizes and temperatures and are not compared. Ask the maker for the figure by the same procedure.`,
  }),
  'maker-forbids-foam': () => ({
    title: 'The maker forbids foam',
    text: 'This method foams the gap. The frame may bow and the warranty goes. Choose wool strips or another seal, or ask the maker in writing.',
  }),
  'delivered-size': ({ what, measured_mm, expected_mm, limit_mm }, f) => ({
    title: what === 'square' ? 'Unit out of square' : `Unit not as ordered in ${what}`,
    text:
      what === 'square'
        ? `Its diagonals read ${f.length(measured_mm)} and ${f.length(expected_mm)}, more than ${f.length(limit_mm)} apart. Set it square by its diagonals before it is fastened, or send it back.`
        : `It measures ${f.length(measured_mm)}, ordered ${f.length(expected_mm)}. Fit and shims are worked out for the ordered size: enter a unit of this size and choose it.`,
  }),
  'delivered-damaged': ({ damage }) => ({
    title: 'Unit damaged',
    text: `“${damage}”. Do not cover it: settle with the maker first, and clear the note when it is settled.`,
  }),
  'depth-misses': ({ buck_mm, plane_mm, short_mm }, f) => ({
    title: short_mm > 0 ? 'Buck too short for the wall' : 'Buck stands proud of the wall',
    text: `The buck projects ${f.length(buck_mm)}, board and cavity make ${f.length(plane_mm)}: the trim plane is missed by ${f.length(Math.abs(short_mm))}. ${short_mm > 0 ? 'Take a deeper buck or fur it out' : 'Take a shallower buck or a deeper batten'} before it is ordered.`,
  }),
  'strip-has-no-room': ({ piece, side, needs_mm, free_mm }, f) => ({
    title: `${pieceTexts[piece] ?? piece}: no room`,
    text: `It runs ${f.length(needs_mm)} ${side === 'above' || side === 'below' ? side : `to the ${side} of`} the opening, there are ${f.length(free_mm)} of free wall. Turn it round the corner or under the flashing there; never leave it short without a joint that is drawn.`,
  }),
  'out-of-square': ({ difference_mm, limit_mm }, f) => ({
    title: 'Opening out of square',
    text: `The diagonals differ by ${f.length(difference_mm)}, limit ${f.length(limit_mm)}. The unit stays square: look where the gap closes up.`,
  }),
  'reading-disagrees': ({ point, measured_mm, expected_mm, limit_mm }, f) => ({
    title: `${pointTexts[point].label}: readings disagree`,
    text: `Entered ${f.length(measured_mm)}, the other readings give ${f.length(expected_mm)}; more than ${f.length(limit_mm)} apart. Measure this one and its neighbours again.`,
  }),
  'reading-disputed': ({ points }) => ({
    title: points.length === 1 ? 'Two readings of one point' : 'Two readings each of several points',
    text: `Two people entered different figures for ${list(points.map((p) => pointTexts[p].phrase))} without seeing each other’s. The newest counts for now. Measure again, or keep one under Measure.`,
  }),
  'sill-too-flat': ({ slope_deg, limit_deg }) => ({
    title: 'Sill nearly level',
    text: `${slope_deg}° is under ${limit_deg}°. Water in the pan may stand or run inward. Raise the slope.`,
  }),
  'film-too-thin': ({ film_mm, limit_mm }) => ({
    title: 'Film too thin',
    text: `${film_mm} mm wet is under ${limit_mm} mm. A thin film looks the same and opens at the corners first. The material’s own sheet goes before this limit.`,
  }),
  'pan-upturn-short': ({ upturn_mm, limit_mm }, f) => ({
    title: 'Pan upturn short',
    text: `${f.length(upturn_mm)} up the jambs, usual least ${f.length(limit_mm)}. Water that stands at the corner can pass over its end.`,
  }),
  'pan-lap-short': ({ lap_mm, limit_mm }, f) => ({
    title: 'Pan lap on the face short',
    text: `${f.length(lap_mm)} down the face, usual least ${f.length(limit_mm)}. Wind can push water up behind it.`,
  }),
  'corner-overstretched': ({ stretch, limit }) => ({
    title: 'Pan corner stretched too far',
    text: `The tape would be stretched ${stretch.toFixed(1)} times, its limit is ${limit.toFixed(1)}. It thins and creeps back. Use a narrower lap on the face or corner patches.`,
  }),
  'tape-off-fin': ({ onWall_mm, limit_mm }, f) => ({
    title: 'Jamb tape too narrow for this fin',
    text: `${f.length(Math.max(0, onWall_mm))} lie on the wall beside the fin, usual least ${f.length(limit_mm)}. Take a wider tape.`,
  }),
  'head-tape-low': ({ above_mm, limit_mm }, f) => ({
    title: 'Jamb tapes stand out above the head tape',
    text: `The head tape ends ${f.length(Math.abs(above_mm))} ${above_mm < 0 ? 'below' : 'above'} the jamb tapes’ ends; it must pass them by ${f.length(limit_mm)}. Water would get behind the jamb tape at its upper end. Take a wider head tape.`,
  }),
  'head-tape-past-flap': ({ over_mm, below_mm }, f) =>
    below_mm < 0
      ? {
          title: 'Head tape reaches past the flap',
          text: `The tape runs ${f.length(-below_mm)} past the hinge of the flap, which covers only what lies below it: a reverse lap. Slit the flap longer.`,
        }
      : {
          title: 'Little reserve under the flap',
          text: `The tape ends ${f.length(below_mm)} below the hinge of the flap and is covered. A slit that is longer by about ${f.length(over_mm * Math.SQRT2)} leaves room for a hand that is not exact.`,
        },
  'shim-too-thin': ({ side, thickness_mm, limit_mm }, f) => ({
    title: `No room for shims at the ${sideTexts[side]}`,
    text: `${thickness_mm < 0 ? 'No gap is left' : `Only ${f.length(thickness_mm)} is left`} at the narrowest shim, thinnest pair ${f.length(limit_mm)}. Trim the jamb there.`,
  }),
  'water-gets-in': ({ source, wets, width_mm, place, off, behind }, f) => ({
    title: wets === 'room' ? 'Water comes into the room' : 'Water gets into the wall',
    text: `${asSentence(waterSourceTexts[source])}: over ${f.length(width_mm)} water ${
      off ? `runs off the ${pieceName(off)} and ` : ''
    }wets ${WET_TEXTS[place]}${behind ? `, behind the ${pieceName(behind)}` : ''}, with every bond sound. ${
      off ? 'What is above must come down over what is below.' : 'Nothing covers it there.'
    }`,
  }),
  'no-first-line': ({ sources, width_mm }, f) => ({
    title: 'Nothing before the drain',
    text: `Over up to ${f.length(width_mm)} water ${list(
      sources.map((s) => waterSourceTexts[s]),
    )} runs into the opening with every bond sound, and out over the sill. It is drained, but the second line has become the first: close the joint outside.`,
  }),
  'first-line-one-bond': ({ things, sources }) => ({
    title: `${asSentence(together(things))}: to be seen all round`,
    text: `It alone keeps water ${list(
      sources.map((s) => waterSourceTexts[s]),
    )} out of the joint; what passes it is drained. Look along it before it is covered.`,
  }),
  'water-trapped': ({ source, closed }) => ({
    title:
      source === 'behind-layer'
        ? 'What is behind the wrap stays there'
        : closed
          ? 'What gets in stays in'
          : 'Water has no way out',
    text: `${asSentence(waterSourceTexts[source])}: ${
      source === 'behind-layer'
        ? 'the lower edge over the head is closed, so it cannot leave there. Leave that edge open, or let another layer keep the air out.'
        : closed
          ? 'this method closes the sill and lets nothing out. It rests on nothing ever coming in, the unit’s own corners included. Inspect it again in time, or drain the sill.'
          : 'it comes in and stands there. Open the way out at the sill.'
    }`,
  }),
  'one-bond': ({ things, sources, wets, width_mm, only }, f) => ({
    title: `${asSentence(together(things))}: ${only ? 'nothing behind its bond' : 'to be seen before it is covered'}`,
    text: `Where it does not stick, over up to ${f.length(width_mm)}, water ${list(
      sources.map((s) => waterSourceTexts[s]),
    )} wets ${wets === 'room' ? 'the room' : 'the framing'}. ${
      only
        ? 'Nothing else is meant to keep it out, and no look can tell how long it sticks.'
        : 'What is laid over it sheds, and what passes is drained: stuck all along and seen by somebody, it holds.'
    }`,
  }),
  'reverse-lap': ({ upper, lower, fault, width_mm, above_mm, lap_mm }, f) => ({
    title: fault === 'open' ? 'No lap' : 'Reverse lap',
    text: `${
      {
        swapped: `The ${pieceName(lower)} lies over the ${pieceName(upper)}, over ${f.length(width_mm)}.`,
        'sticks-out': `The ${pieceName(lower)} stands ${f.length(above_mm)} out above the ${pieceName(upper)} that should cover it, over ${f.length(width_mm)}.`,
        open: `The ${pieceName(upper)} ends ${f.length(Math.abs(lap_mm))} short of the ${pieceName(lower)}, over ${f.length(width_mm)}.`,
      }[fault]
    } Water that runs down meets its upper edge, and only adhesive keeps it out, whatever covers it today.`,
  }),
  'lap-driven-over': ({ upper, lower, lap_mm, driven_mm }, f) => ({
    title: 'Lap too short for the wind',
    text: `The ${pieceName(upper)} hangs ${f.length(lap_mm)} over the ${pieceName(lower)} and nothing holds it down; wind pushes water ${f.length(driven_mm)} up behind it. Make the lap longer, or tape its edge.`,
  }),
  'pan-overtopped': ({ seal, water_mm, needed_mm, has_mm }, f) => ({
    title: 'Water stands higher than the pan',
    text: `With the inner seal ${seal} wind holds ${f.length(water_mm)} of water in the pan. It must rise ${f.length(needed_mm)}, it rises ${f.length(has_mm)}: the rest runs inside. Seal the joint to the room, or give the pan a dam.`,
  }),
  'water-test-low': ({ passed_Pa, asked_Pa }, f) => ({
    title: 'Unit tested too low for this wind',
    text: `It passed ${f.measure('pressure', passed_Pa)} in the water test, ${f.measure('pressure', asked_Pa)} are asked here. Take a unit of a higher grade, or shelter it.`,
  }),
  'head-unflashed': ({ rain }) => ({
    title: 'No head flashing',
    text: `Rain reaches this head (${rain}) and the method gives it no cap. Water that runs down the cladding comes to the joint. If unsure, add one.`,
  }),
  'surface-cold': ({ side, thing, temperature_C, fRsi, fRsiLeast, humidity_percent, below }, f) => ({
    title: {
      dew: `Water condenses at the ${sideTexts[side]}`,
      damp: `Cold enough for mould at the ${sideTexts[side]}`,
      limit: `Colder than the job allows at the ${sideTexts[side]}`,
      near: `Hardly warm enough at the ${sideTexts[side]}`,
    }[below],
    text: `The coldest place that can be judged is the ${heatThingText(thing)}: ${f.measure('temperature', temperature_C)}, f = ${fRsi.toFixed(2)}, asked ${fRsiLeast.toFixed(2)}. The room’s air reaches ${Math.min(100, Math.round(humidity_percent))} % there${below === 'dew' ? ' and lets go of its water' : ''}. Bring the unit nearer to the insulation, part the metal, or keep the room drier. The local code’s limit goes before this one.`,
  }),
  'joint-loses-heat': ({ side, psi_WmK, most_WmK }, f) => ({
    title: `The joint at the ${sideTexts[side]} loses much`,
    text: `Ψ is ${f.measure('lineTransmittance', psi_WmK)}, with the framing round the opening counted in; ${f.measure('lineTransmittance', most_WmK)} at most is asked. Studies show what position, buck or pan would change.`,
  }),
  'seal-narrow': ({ side, onReveal_mm, limit_mm }, f) => ({
    title: `Inner seal too narrow at the ${sideTexts[side]}`,
    text: `${f.length(Math.max(0, onReveal_mm))} would lie on the reveal, usual least ${f.length(limit_mm)}. Take a wider tape.`,
  }),
  'air-line-open': ({ sides, kind, width_mm, between }, f) => ({
    title: {
      gap: `Air line open at the ${sides.length === 4 ? 'whole frame' : list(sides.map((side) => sideTexts[side]))}`,
      loose: `Air line only laid at the ${sides.length === 4 ? 'whole frame' : list(sides.map((side) => sideTexts[side]))}`,
      foam: `Foam alone at the ${sides.length === 4 ? 'whole frame' : list(sides.map((side) => sideTexts[side]))}`,
    }[kind],
    text: `Over up to ${f.length(width_mm)} the pen has to be lifted between the ${pieceName(between[0])} and the ${between[1] === 'unit' ? 'frame' : pieceName(between[1])}: ${
      {
        gap: 'nothing joins them, and air blows through',
        loose: 'they lie on each other without a bond; water may get out there, and air in',
        foam: 'foam is tight on the first day, then the building moves',
      }[kind]
    }. ${kind === 'loose' ? 'Where this layer keeps the air out, bond it; where another one does, choose that as the air layer.' : 'Carry the line over with a piece that sticks to both.'}`,
  }),
  'air-line-breaks': ({ where, at_mm, apart, kind }, f) => ({
    title: `Air line does not go round: ${where in cornerTexts ? cornerTexts[where as AirCorner] : sideTexts[where as Side]}`,
    text: `${at_mm === null ? 'On one side' : `${asSentence(f.length(at_mm))} along it, on one side`} it runs over the ${pieceName(apart[0])}, on the next over the ${pieceName(apart[1])}, and the two do not meet. ${kind === 'foam' ? 'Only foam is between them.' : 'Air passes between them.'} Let one of them run round the corner, or patch it.`,
  }),
  'air-interrupted': ({ sides, thing, member, count, width_mm }, f) => ({
    title: `${asSentence(pieceName(thing))} go through the ${withoutSide(member)}`,
    text: `${count === 1 ? 'One place' : `${count} places`} at ${list(sides.map((side) => sideTexts[side]))}, ${f.length(width_mm)} each. Air passes beside what stands in a seal: ${thing === 'jamb-shims' ? 'pull them and close the place' : thing === 'sill-shims' ? 'they carry the unit and stay, so seal round each one' : 'seal round each one'}, and look at it before it is covered.`,
  }),
  'air-waits': ({ layer }) => ({
    title: `Airtight only with the ${pieceName(layer)}`,
    text: `The wall’s air layer is the ${pieceName(layer)}, which another trade brings later and closes onto the opening. Until then the line ends at the framing: tell them what to join, and test after it.`,
  }),
  'seal-unfit': ({ seal, reason, instead }, f) => ({
    title: `${sealText(seal)}: not for this joint`,
    text: `${jointReasonText(reason, f)} ${instead && instead !== seal ? `${sealText(instead)} would do.` : 'Change the joint, or look at the other ways to close it.'}`,
  }),
  'joint-dries-inward': ({ inner_m, outer_m, drains, twoClosed, from }, f) => ({
    title: twoClosed
      ? 'Joint closed to vapour on both sides'
      : from === 'weather'
        ? 'Joint tighter inside than outside'
        : 'Joint tighter outside than inside',
    text: `${f.system === 'mm' ? 'As tight as still air: inner' : 'Inner'} seal ${vapour(inner_m, f)}, outer ${vapour(outer_m, f)}. ${
      twoClosed
        ? 'What is wet between two closed layers stays wet: dry wood and dry wool before it is closed.'
        : from === 'weather'
          ? 'Here damp comes from the weather most of the year and gets in more easily than out: no tighter seal on the room side.'
          : 'Damp from the room gets in more easily than out.'
    } ${drains ? 'The open sill is its way out: keep it open.' : 'Nothing lets it out.'}`,
  }),
  'wall-gathers-water': ({ layers, most_kg_m2, left_kg_m2, outcome, limit_kg_m2, from, inward }, f) => ({
    title: outcome === 'gathers' ? 'The wall gathers water year after year' : 'Water in the wall in winter',
    text: `${asSentence(layers[0] === layers[1] ? `within the ${vapourLayerText(layers[0])}` : `between ${vapourLayerText(layers[0])} and ${vapourLayerText(layers[1])}`)} up to ${f.measure('film', most_kg_m2)} of condensate (${f.measure('film', limit_kg_m2)} at most), by the monthly method. ${
      outcome === 'gathers'
        ? `${f.measure('film', left_kg_m2)} are still there after a year.`
        : 'It dries within the year.'
    } ${
      from === 'weather'
        ? 'Here damp comes from the weather most of the year: a tighter outer layer and an open room side change that, and nothing closed on the room side.'
        : 'A tighter sheet on the room side, or a more open layer outside, changes that.'
    }${inward > 0 ? ` In ${inward === 1 ? 'one month' : `${inward} months`} it comes from outside; sun on wet cladding, which drives more of it in, is outside the method.` : ''}`,
  }),
  'fastener-overloaded': ({ side, each_N, limit_N, pressure_Pa }, f) => ({
    title: 'Fasteners carry more than stated',
    text: `At ${f.measure('pressure', pressure_Pa)} each one at the ${sideTexts[side]} takes ${f.measure('force', each_N)}, the stated limit is ${f.measure('force', limit_N)}. Set them closer, and ask the maker or an engineer: simple statics count no prying.`,
  }),
  'does-not-stick': ({ material, faces, touch, things }) => {
    const known = faces.flatMap((face) => (face === null ? [] : [contactFaceTexts[face]]));
    const onto = known.length === 0 ? 'what it lies on' : list(known);
    const where = together(things);
    const WORDS = {
      'no-stick': [
        'does not stick',
        `It does not hold on ${onto}. Take another stock, or put something between.`,
      ],
      banned: ['is not allowed there', `Its maker does not allow it on ${onto}. Take another stock.`],
      attacked: [
        'is harmed there',
        `It holds at first, and ${onto} and it harm each other over the years. Take another stock.`,
      ],
      'both-makers': [
        'is for its makers to say',
        `Whether it holds on ${onto} only the makers of both can say. Ask them.`,
      ],
      unknown: [
        'may not stick',
        known.length === 0
          ? 'What it lies on is not known: enter what the frame or the layer is made of.'
          : `What it sticks by is not known: enter it on the shelf, or pull a strip off ${onto} after a day and enter what you found.`,
      ],
      primer: ['is stuck on primer', `On ${onto} it holds on its primer only.`],
    } as const;
    const [what, text] = WORDS[touch];
    return { title: `${material} ${what}`, text: `${asSentence(where)}: ${text}` };
  },
  'needs-lift': ({ weight_kg, people }, f) => ({
    title: 'A lift is needed',
    text: `${f.measure('mass', weight_kg, 0)} would take ${people} people. More than four do not get round it: order a lift or hoist early.`,
  }),
};

const tenth = (deg: number): number => Math.round(deg * 10) / 10;
/** Two figures of what is read: seals differ by powers of ten. */
const vapour = (sd_m: number, f: Figures): string =>
  f.measure('vapour', sd_m, f.system === 'mm' ? (sd_m < 10 ? 1 : 0) : sd_m > 35 ? 3 : sd_m > 3.5 ? 2 : 1);
