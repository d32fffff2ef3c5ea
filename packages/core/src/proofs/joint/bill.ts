/** What a seal takes for one opening: material, time, money. Times are common practice, no source. */
import { rodFor } from '../../vocabulary/rods.ts';
import { CARTRIDGE_ml, sealantVolume, TWO_PASSES_mm, WASTE } from './sealant.ts';
import { bandLength } from './band.ts';
import { CAN_l, foamLifts, foamVolume } from './foam.ts';
import { membraneLength, stripLength } from './strips.ts';
import type { FillId, SealId } from './options.ts';
import type { Prices } from './prices.ts';
import type { PriceId } from '../../vocabulary/prices.ts';

export interface BillLine {
  readonly price: PriceId;
  /** Metres, cartridges, cans or pieces, as the price counts; parts of a pack are counted as parts. */
  readonly amount: number;
  readonly cost: number;
}

export interface Bill {
  readonly lines: readonly BillLine[];
  readonly minutes: number;
  readonly cost: number;
}

export interface BillInput {
  /** Of the frame, mm. */
  readonly width_mm: number;
  readonly height_mm: number;
  /** Each side's length and joint, mm. */
  readonly sides: readonly { readonly length_mm: number; readonly mm: number }[];
  readonly frameDepth_mm: number;
  readonly lap_mm: number;
  readonly bead_mm: number;
  /** Blocks that stay in the joint. */
  readonly blocks: number;
  readonly porous: boolean;
  readonly prices: Prices;
}

/** Minutes per metre, unless more is said beside it. */
const PACE = {
  sealant: 2.2,
  sealantPerMm: 0.12,
  secondPass: 2,
  corner: 1.8,
  membrane: 2.6,
  band: 1.1,
  sheet: 2.8,
};
const FOAM_PER_LIFT = 0.5;
const PACE_FILL = { wool: 1, 'loose-fibre': 0.9, blocks: 1 } as const;
const MINUTES_A_CORNER = 0.5;
const ROD_WASTE = 0.05;

type Draft = { readonly amounts: readonly (readonly [PriceId, number])[]; readonly minutes: number };

function billed({ amounts, minutes }: Draft, prices: Prices): Bill {
  const lines = amounts
    .filter(([, amount]) => amount > 0)
    .map(([price, amount]): BillLine => ({ price, amount, cost: amount * prices[price] }));
  const material = lines.reduce((sum, line) => sum + line.cost, 0);
  return { lines, minutes, cost: material + (minutes / 60) * prices.labour_h };
}

const metres = (mm: number): number => mm / 1000;
const joint_m = ({ sides }: BillInput): number => metres(sides.reduce((sum, s) => sum + s.length_mm, 0));

function foamed(input: BillInput): Draft {
  const depth = input.frameDepth_mm / 2;
  const litres = input.sides.reduce((sum, s) => sum + foamVolume(s.mm, s.length_mm, depth), 0);
  const minutes = joint_m(input) * FOAM_PER_LIFT * foamLifts(depth);
  return { amounts: [['foamCan', (litres / CAN_l) * (1 + WASTE)]], minutes };
}

function sealed(input: BillInput): Draft {
  const { sides, porous } = input;
  const ml = sides.reduce((sum, s) => sum + sealantVolume(s.mm, s.length_mm), 0);
  const rod = sides.reduce((sum, s) => sum + (rodFor(s.mm, 'closed-cell') ? metres(s.length_mm) : 0), 0);
  const minutes = sides.reduce((sum, s) => {
    const pace = PACE.sealant + PACE.sealantPerMm * s.mm + (s.mm > TWO_PASSES_mm ? PACE.secondPass : 0);
    return sum + pace * metres(s.length_mm);
  }, 0);
  return {
    amounts: [
      ['sealantCartridge', ml / CARTRIDGE_ml],
      ['rod_m', rod * (1 + ROD_WASTE)],
      ['primer_m', porous ? joint_m(input) : 0],
    ],
    minutes,
  };
}

const draftOf: Readonly<Record<SealId, (input: BillInput) => Draft>> = {
  'corner-tape': (input) => {
    const length = metres(stripLength(input.width_mm, input.height_mm, input.lap_mm));
    return {
      amounts: [
        ['cornerTape_m', length],
        ['primer_m', input.porous ? length : 0],
      ],
      minutes: length * PACE.corner + 4 * MINUTES_A_CORNER,
    };
  },
  'sealant-rod': sealed,
  'foam-alone': foamed,
  membrane: (input) => {
    const length = metres(membraneLength(input.width_mm, input.height_mm));
    return {
      amounts: [
        ['membrane_m', length],
        ['primer_m', input.porous ? length : 0],
      ],
      minutes: length * PACE.membrane,
    };
  },
  precompressed: (input) => {
    const length = metres(bandLength(input.width_mm, input.height_mm));
    const mean = input.sides.reduce((sum, s) => sum + s.mm * s.length_mm, 0) / (joint_m(input) * 1000);
    return {
      amounts: [
        ['band_m', length],
        ['bandPerMm_m', length * mean],
      ],
      minutes: length * PACE.band + input.blocks,
    };
  },
  'sheet-acoustic': (input) => {
    const length = metres(stripLength(input.width_mm, input.height_mm, input.lap_mm));
    const bead_ml = ((Math.PI * input.bead_mm ** 2) / 4) * joint_m(input) * (1 + WASTE);
    return {
      amounts: [
        ['airSheet_m', length],
        ['sealantCartridge', bead_ml / CARTRIDGE_ml],
      ],
      minutes: length * PACE.sheet,
    };
  },
};

export const sealBill = (id: SealId, input: BillInput): Bill => billed(draftOf[id](input), input.prices);

export function fillBill(id: FillId, input: BillInput): Bill {
  if (id === 'foam') return billed(foamed(input), input.prices);
  const length = joint_m(input);
  const amounts: Draft['amounts'] = [
    ['wool_m', length],
    ...(id === 'blocks' ? [['block', BLOCKS] as const] : []),
  ];
  return billed({ amounts, minutes: length * PACE_FILL[id] }, input.prices);
}

/** Insulating setting blocks under a unit: both ends and the middle. */
const BLOCKS = 3;
