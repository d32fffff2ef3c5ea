/** Words of the pen line. */
import type { LaterTrade, WeakKind } from '../../proofs/air/later-trades.ts';
import type { LiftKind } from '../../proofs/air/proof.ts';
import type { AirCorner } from '../../vocabulary/corners.ts';
import type { CutId } from '../../vocabulary/sides.ts';
import { cornerTexts, sideTexts } from './places.ts';
import { layerTexts, pieceTexts } from './pieces.ts';

export const placeOfLine = (where: CutId | AirCorner): string =>
  where in cornerTexts ? cornerTexts[where as AirCorner] : sideTexts[where as CutId];

/** Things of a line; what is no piece has a name of its own. */
export const airThingText = (id: string): string => pieceTexts[id] ?? layerTexts[id] ?? id;

export const liftTexts: Readonly<Record<LiftKind, string>> = {
  loose: 'lies on it without a bond',
  foam: 'foam alone between',
  gap: 'nothing between',
};

export interface TradeText {
  readonly name: string;
  /** What they do to the line, and what to tell them. */
  readonly tell: string;
}

/** Common practice, no source. */
export const tradeTexts: Readonly<Record<LaterTrade, TradeText>> = {
  drywall: {
    name: 'Drywall',
    tell: 'A cutter run blind round the opening slices the inner seal. A thin strip over its edge guides the blade.',
  },
  plaster: {
    name: 'Plaster',
    tell: 'Corner beads nailed through the strip and wet plaster on loose edges. Show them the edge before they begin.',
  },
  insulation: { name: 'Insulation', tell: 'Staples and slits for a snug fit. Each is taped at once.' },
  cladding: {
    name: 'Cladding',
    tell: 'Battens and brackets are screwed through tapes, knives open the wrap over them. No fastener within the tapes but through the fin.',
  },
  trim: { name: 'Trim', tell: 'Nails that miss the frame, and jamb extensions pushed against the seal.' },
  electrician: {
    name: 'Electrician',
    tell: 'Cables and boxes pass the layer near the opening. A sleeve for each, sealed by whoever drills.',
  },
  blinds: {
    name: 'Blinds',
    tell: 'Screws of blinds and rails go through the head’s inner seal. Give them a board to screw into.',
  },
};

export const weakTexts: Readonly<Record<WeakKind, string>> = {
  'fin-corner': 'corners of the fin: sealant behind, a patch outside',
  'tape-end': 'corners where strips end: 25 mm lap, no finger-wide hole',
  'membrane-lap': 'pleats and the closing lap of the membrane',
  'band-corner': 'butt joints of the band at the corners',
  'block-cut-out': 'cut-outs of the band at blocks',
  bracket: 'brackets in the membrane',
  'buck-corner': 'corners of the buck: ends in sealant',
  'glazing-tube':
    'tube of the glazing, where one runs through the joint: closed as the maker says, sealed round',
};
