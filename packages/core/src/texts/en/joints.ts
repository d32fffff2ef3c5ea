/** Words of the joint designer. */
import type { Side } from '../../vocabulary/sides.ts';
import type { JointReason, SealId } from '../../proofs/joint/options.ts';
import type { PriceId } from '../../vocabulary/prices.ts';
import { sideTexts } from './places.ts';
import type { Figures } from '../finding-text.ts';
import { choiceText } from './schools.ts';

const list = (parts: readonly string[]): string =>
  parts.length < 2 ? parts.join('') : `${parts.slice(0, -1).join(', ')} and ${parts.at(-1)}`;
const sides = (all: readonly Side[]): string => list(all.map((side) => sideTexts[side]));

export const sealText = (id: SealId): string => choiceText('innerSeal', id).name;

/** One sentence for one reason. */
export function jointReasonText(reason: JointReason, f: Figures): string {
  switch (reason.code) {
    case 'too-narrow':
      return `Only ${f.length(reason.has_mm)} at the ${sideTexts[reason.side]}, it needs ${f.length(reason.needs_mm)}.`;
    case 'too-wide':
      return `${f.length(reason.has_mm)} at the ${sideTexts[reason.side]}, it closes ${f.length(reason.most_mm)} at most.`;
    case 'moves-too-much':
      return `Too narrow for its movement at the ${sideTexts[reason.side]}: ${f.length(reason.has_mm)}, for this frame and season ${f.lengthUp(reason.needs_mm)}.`;
    case 'no-size':
      return `No size closes ${f.length(Math.max(0, reason.least_mm))} to ${f.length(reason.most_mm)} over the year at the ${sideTexts[reason.side]}.`;
    case 'maker-forbids':
      return 'The unit’s maker forbids foam.';
    case 'only-a-filter':
      return 'Wool, fibre and blocks let air through: something else must seal.';
    case 'thin-contact':
      return `At the ${sideTexts[reason.side]} it sticks over ${f.length(reason.depth_mm)} only, usual least ${f.length(6)}.`;
    case 'two-passes':
      return `${f.length(reason.has_mm)} at the ${sideTexts[reason.side]}: two passes, and much more tooling.`;
    case 'rod-off-range':
      return `No stocked rod is 25 to 50 % larger than the joint everywhere at ${sides(reason.sides)}: try it before it is sealed.`;
    case 'cold':
      return `Sealed at ${f.measure('temperature', reason.at_C)}, the tape wants ${f.measure('temperature', reason.least_C)}: warm the roll and the surface, or prime.`;
    case 'slow':
      return `Comes up slowly below ${f.measure('temperature', reason.least_C)}: wait before it is judged.`;
    case 'alone':
      return 'Tight on the first day; buildings move and foam does not follow for long.';
    case 'primer':
      return 'Masonry and plaster want primer.';
    case 'before-the-unit':
      return 'It is set on the frame before the unit goes in.';
    case 'not-measured':
      return `Not measured: ${sides(reason.sides)}. It holds for what is drawn.`;
    case 'rods':
      return `${reason.kind === 'closed-cell' ? 'Closed-cell' : 'Open-cell'} rod: ${list(reason.diameters_mm.map((d) => f.length(d)))}.`;
    case 'depth':
      return reason.least_mm === reason.most_mm
        ? `${f.length(reason.most_mm)} deep, stuck to two faces and not to the rod.`
        : `${f.length(reason.least_mm)} to ${f.length(reason.most_mm)} deep, stuck to two faces and not to the rod.`;
    case 'sizes':
      return `Size by side: ${list(reason.sizes.map((s) => `${sideTexts[s.side]} ${f.length(s.from_mm)}–${f.length(s.to_mm)}`))}. Butted at the corners, ${f.length(5)} longer at each.`;
    case 'cut-outs':
      return `Cut out at ${reason.count} blocks, the cut narrower than the block.`;
    case 'brackets':
      return `${reason.count} brackets or clips stand in it: seal or patch each.`;
    case 'lifts':
      return `In ${reason.count} lifts, never in one.`;
    case 'reach':
      return `Reaches over a joint of ${f.length(reason.most_mm)}.`;
    case 'laid':
      return 'Laid, not crammed.';
    case 'crammed-is-a-filter':
      return 'Loosely laid: crammed it presses on the frame, and air passes all the same.';
  }
}

export const priceTexts: Readonly<Record<PriceId, { readonly name: string; readonly unit: string }>> = {
  sealantCartridge: { name: 'Sealant, 300 ml', unit: 'cartridge' },
  rod_m: { name: 'Backer rod', unit: 'm' },
  primer_m: { name: 'Primer', unit: 'm' },
  cornerTape_m: { name: 'Corner tape', unit: 'm' },
  membrane_m: { name: 'Joint membrane', unit: 'm' },
  band_m: { name: 'Precompressed tape', unit: 'm' },
  bandPerMm_m: { name: 'Precompressed tape, more for each mm of joint', unit: 'mm m' },
  airSheet_m: { name: 'Sheet strip', unit: 'm' },
  foamCan: { name: 'Low-expansion foam', unit: 'can' },
  wool_m: { name: 'Wool strip', unit: 'm' },
  block: { name: 'Insulating setting block', unit: 'piece' },
  labour_h: { name: 'Work', unit: 'hour' },
};
