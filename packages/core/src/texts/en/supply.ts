/** Words for material: what is bought, how it stands, what sticks. */
import { formatLength } from '../../quantities/format-length.ts';
import type { LengthUnit } from '../../quantities/length.ts';
import { writeMeasure } from '../../quantities/measure.ts';
import { bandSizes } from '../../proofs/joint/band.ts';
import type { Article } from '../../supply/articles.ts';
import type { EarlyBecause, EarlyLine } from '../../supply/early.ts';
import type { Touch } from '../../supply/together.ts';
import type { Chemistry, ContactFace } from '../../vocabulary/contacts.ts';
import type { ArrivalCheck, OrderState } from '../../vocabulary/order-states.ts';
import type { CountedGood } from '../../vocabulary/stock.ts';
import { materialTexts } from './pieces.ts';

const countedTexts: Readonly<Record<CountedGood, string>> = {
  unit: 'unit',
  fastener: 'fasteners',
  'shim-pair': 'shim pairs',
  wedge: 'sill wedges',
  'lift-day': 'lift, by the day',
  cup: 'suction cups',
  primer: 'primer',
};

const sizeOf = ({ width_mm, thickness_mm }: Article, units: LengthUnit): string =>
  [width_mm, thickness_mm].flatMap((mm) => (mm === null ? [] : [formatLength(mm, units)])).join(' × ');

/** What something that is bought is called. @param unitName of units, their own name */
export function articleText(article: Article, units: LengthUnit, unitName?: string): string {
  if (article.goods === 'unit') return unitName ?? `${countedTexts.unit} ${article.unit ?? ''}`;
  const name =
    article.goods in countedTexts
      ? countedTexts[article.goods as CountedGood]
      : materialTexts[article.goods as keyof typeof materialTexts];
  const band = article.goods === 'band' && bandSizes.find(({ to_mm }) => to_mm === article.width_mm);
  const size = band
    ? `${formatLength(band.from_mm, units)} to ${formatLength(band.to_mm, units)}`
    : sizeOf(article, units);
  return size === '' ? name : `${name}, ${size}`;
}

/** An amount of it, in what it is counted by. */
export function amountText({ form }: Pick<Article, 'form'>, amount: number, units: LengthUnit): string {
  if (form === 'volume') return writeMeasure('volume', amount, units);
  if (form === 'count') return String(Math.round(amount));
  if (form === 'board')
    return units === 'mm'
      ? `${(amount / 1e6).toFixed(2)}\u202Fm²`
      : `${(amount / 304.8 ** 2).toFixed(1)}\u202Fft²`;
  return units === 'mm' ? `${(amount / 1000).toFixed(1)}\u202Fm` : `${(amount / 304.8).toFixed(1)}\u202Fft`;
}

export const packTexts: Readonly<Record<Article['form'], readonly [one: string, many: string]>> = {
  roll: ['roll', 'rolls'],
  bar: ['length', 'lengths'],
  board: ['board', 'boards'],
  volume: ['pack', 'packs'],
  count: ['pack', 'packs'],
};
/** @param pack how many are in one: what is sold by the piece is counted by the piece */
export function packsText({ form }: Pick<Article, 'form'>, n: number, pack?: number): string {
  const count = Math.round(n * 10) / 10;
  return form === 'count' && pack === 1 ? String(count) : `${count} ${packTexts[form][n === 1 ? 0 : 1]}`;
}

export const orderStateTexts: Readonly<Record<OrderState, string>> = {
  asked: 'asked for',
  ordered: 'ordered',
  promised: 'promised',
  came: 'came',
  wrong: 'came wrong',
  short: 'came short',
};

export const earlyTexts: Readonly<Record<EarlyBecause, string>> = {
  unit: 'made to order',
  few: 'few shops keep it',
  lead: 'takes days to come',
  short: 'what is there is not enough',
};

export const standingTexts: Readonly<Record<EarlyLine['standing'], string>> = {
  late: 'should be ordered by now',
  now: 'order this week',
  later: 'order later',
  undated: 'in no plan yet: no day to go by',
  waiting: 'on its way, in time',
  'too-late': 'promised for after it is needed',
  wrong: 'came wrong or short',
  there: 'there',
};

export const arrivalTexts: Readonly<Record<ArrivalCheck, string>> = {
  size: 'Size as asked',
  handing: 'Handing and swing as asked',
  damage: 'No damage',
  label: 'Label as asked',
};

export const chemistryTexts: Readonly<Record<Chemistry, string>> = {
  acrylic: 'acrylic',
  butyl: 'butyl',
  'rubberised-asphalt': 'rubberised asphalt',
  'silicone-neutral': 'neutral-cure silicone',
  'silicone-acid': 'acid-cure silicone',
  polyurethane: 'polyurethane',
  hybrid: 'hybrid sealant',
  acoustic: 'acoustic sealant',
  'fluid-polymer': 'fluid membrane',
  'foam-polyurethane': 'polyurethane foam',
};

export const contactFaceTexts: Readonly<Record<ContactFace, string>> = {
  vinyl: 'vinyl frame or fin',
  'painted-metal': 'painted metal',
  'bare-metal': 'bare metal',
  fibreglass: 'fibreglass',
  wood: 'dry wood',
  'cedar-or-treated': 'cedar, redwood or treated wood',
  'wood-board': 'wood board',
  'coated-board': 'coated board',
  wrap: 'housewrap',
  'foil-foam': 'faced foam board',
  polystyrene: 'bare foam board',
  'hd-foam': 'high-density foam',
  masonry: 'block, brick, concrete',
  plaster: 'plaster or board',
  epdm: 'EPDM rubber',
  'acrylic-back': 'back of acrylic tape',
  'butyl-back': 'back of butyl',
  'asphalt-back': 'back of asphalt tape',
  'fluid-film': 'cured fluid film',
  'sheet-back': 'back of a sheet',
  'cured-silicone': 'cured silicone',
};

export const touchTexts: Readonly<Record<Touch, string>> = {
  goes: 'goes',
  primer: 'goes with primer',
  'no-stick': 'does not stick',
  attacked: 'is attacked over time',
  'both-makers': 'only if both makers say so',
  banned: 'not allowed by its maker',
  unknown: 'not known',
};
