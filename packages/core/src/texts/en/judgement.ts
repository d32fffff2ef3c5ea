/** Words for what an opening comes down to, and for what is missing to say so. */
import { toldBeside, type Grade, type JudgedProof, type MissingData } from '../../plan/judgement.ts';
import type { ClimateId } from '../../vocabulary/weather.ts';
import type { Verdict } from '../../vocabulary/verdict.ts';

export const verdictTexts: Readonly<Record<Verdict, string>> = {
  holds: 'Holds',
  watch: 'Watch',
  fails: 'Fails',
  'not-checkable': 'Not checkable',
};

export const judgedProofTexts: Readonly<Record<JudgedProof, string>> = {
  fit: 'fit',
  delivery: 'delivery',
  method: 'method',
  water: 'water',
  air: 'air',
  heat: 'heat',
  joint: 'joint',
  moisture: 'moisture',
  loads: 'loads',
};

export const missingDataTexts: Readonly<Record<MissingData, string>> = {
  figures: 'figures of the opening',
  plan: 'a plan',
  'unit-shape': 'a unit that is a rectangle',
  'old-wall': 'what lies in the old wall',
  wind: 'the wind on the site',
  height: 'the height above ground',
  months: 'the weather of the months',
  lining: 'the lining of the wall',
  weight: 'the weight of the unit',
  fastener: 'what one fastener may carry, by its maker',
  shelter: 'the roof’s overhang and the way up to it',
  heat: 'the heat, which could not be solved',
};

/** "Watch", "Holds once 3 looks are done", or "Not checkable; what could be checked: Watch". */
export function gradeText(
  of: Pick<Grade, 'grade' | 'checked'> & { readonly looks?: number; readonly assumed?: boolean },
): string {
  const beside = toldBeside(of);
  const { looks = 0 } = of;
  const once = of.grade === 'holds' && looks > 0 ? ` ${looksText(looks)}` : '';
  return `${verdictTexts[of.grade]}${once}${beside ? `; what could be checked: ${verdictTexts[beside]}` : ''}${of.assumed ? ` (${assumedText})` : ''}`;
}

export const assumedText = 'assumed climate';

/** "once 3 looks are done". */
export const looksText = (looks: number): string =>
  looks === 1 ? 'once 1 look is done' : `once ${looks} looks are done`;

/** "Missing: the wind on the site, the weight of the unit." Empty where nothing is. */
export const missingText = ({ missing }: Pick<Grade, 'missing'>): string =>
  missing.length === 0 ? '' : `Missing: ${missing.map((what) => missingDataTexts[what]).join(', ')}.`;

/** Generic climates, as somebody who works there would know them. */
export const climateTexts: Readonly<Record<ClimateId, string>> = {
  'cold-inland': 'cold, inland: hard frost for months',
  'mild-coast': 'mild coast: damp, wind, little frost',
  'hot-humid': 'hot and humid: cooled rooms most of the year',
  mixed: 'mixed: cold winters, warm damp summers',
  'dry-mountain': 'dry mountain: cold nights, dry air',
};
