/** Words of moisture and loads. */
import type { EpwError } from '../../climate/epw.ts';
import type { Handling } from '../../proofs/loads/handling.ts';
import { measureIn, measureUnit } from '../../quantities/measure.ts';
import type { Figures } from '../finding-text.ts';

export const monthTexts = [
  'Jan',
  'Feb',
  'Mar',
  'Apr',
  'May',
  'Jun',
  'Jul',
  'Aug',
  'Sep',
  'Oct',
  'Nov',
  'Dec',
] as const;

const LAYERS: Readonly<Record<string, string>> = {
  siding: 'cladding',
  batten: 'battens',
  'foam-board': 'foam board',
  'wool-board': 'wool board',
  'wood-board': 'wood board',
  stud: 'insulation between studs',
  drywall: 'drywall',
  brick: 'brick',
  block: 'block',
  concrete: 'concrete',
  render: 'render',
  plaster: 'plaster',
  'sheet:wrap': 'wrap',
  'sheet:self-adhered': 'self-adhered membrane',
  'sheet:coated-face': 'coating of the board',
  'sheet:fluid': 'fluid membrane',
  'sheet:inside': 'sheet on the room side',
};

/** A layer of the wall as vapour meets it; `null` is the air beyond. */
export const vapourLayerText = (name: string | null): string =>
  name === null ? 'the air' : (LAYERS[name] ?? name);

/** What is wrong with a weather file, and where. */
export function epwErrorText(error: EpwError): string {
  const at = `Line ${error.line}: `;
  switch (error.code) {
    case 'header':
      return `${at}“${error.expected}” is expected here. This is not a weather file of this kind, or its head is cut off.`;
    case 'periods':
      return `${at}the data periods do not read: how many, how many lines an hour, then name, weekday, first and last day of each.`;
    case 'short-line':
      return `${at}${error.fields} fields; temperature, dew point and humidity are the 7th to the 9th. The line is cut off.`;
    case 'date':
      return `${at}“${error.found}” is no month, day and hour from 1 to 24.`;
    case 'outside-periods':
      return `${at}“${error.found}” lies outside the data periods of the head.`;
    case 'leap-day':
      return `${at}29 February, and the head says that the year has none.`;
    case 'figure':
      return `${at}the ${error.what} “${error.found}” is no such figure.`;
    case 'hours':
      return `${at}the file ends after ${error.found} lines of data, its periods ask for ${error.expected}.`;
  }
}

/** What setting this unit takes: said on the step where it is lifted. */
export function handlingText(
  { weight, people, needsLift, cups, cupRating_kg, gust_ms, gustFrom }: Handling,
  f: Figures,
): string {
  const kilograms = (kg: number) => f.measure('mass', kg, 0);
  /** What must be carried is never rounded down. */
  const rated = `${Math.ceil(measureIn('mass', cupRating_kg, f.system))} ${measureUnit('mass', f.system)}`;
  const about =
    weight.from === 'maker' ? kilograms(weight.kg) : `About ${kilograms(weight.kg)} by glass and frame`;
  const hands = needsLift
    ? `more than hands should carry: a lift or hoist`
    : people === 1
      ? 'one person may carry it at best posture, two set it'
      : `${people} people`;
  return `${about}: ${hands}. Suction cups: at least ${cups}, each rated for ${rated}, on dry clean glass. Not in gusts above ${f.measure('speed', gust_ms, 0)}${gustFrom === 'site' ? ', as this site asks' : ''}. The site’s safety rules and the maker’s instructions go before this.`;
}
