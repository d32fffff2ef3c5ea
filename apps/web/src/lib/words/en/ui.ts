/** Words of marks that stand on many pages. */
import { writeMeasure, type MeasureKind } from '@hulvek/core';

export const gradeWords = {
  checked: 'what could be checked:',
  working: 'heat is being solved',
  judging: 'being judged',
};

/** One figure of a kind in both systems, for those who typed none. */
const EXAMPLE: Readonly<Record<MeasureKind, number>> = {
  temperature: 20,
  space: 400,
  difference: 5,
  mass: 25,
  speed: 12,
  pressure: 600,
  altitude: 300,
  height: 4.5,
  area: 2,
  leakage: 5,
  flow: 50,
  volume: 300,
  force: 500,
  lineLoad: 2,
  transmittance: 1.4,
  lineTransmittance: 0.04,
  conductivity: 0.035,
  resistance: 3.5,
  power: 60,
  film: 0.2,
  vapour: 5,
  rain: 12,
};

/** Fields of lengths, angles and all other figures. */
export const fieldWords = {
  meanwhile: (typed: string) =>
    `Somebody entered ${typed} here meanwhile. Enter keeps yours, Escape takes theirs.`,
  unfinished: (typed: string) =>
    `Typed here before the page was left, and not kept yet; kept is ${typed}. Enter keeps what was typed, Escape goes back.`,
  readAs: (length: string) => `Read as ${length}.`,
  confirm: 'Is that right? Otherwise write the unit.',
  negative: 'A size cannot be negative.',
  range: (least: string, most: string) =>
    `Must lie between ${least} and ${most}. Check the unit, or the field.`,
  angle: 'Write an angle between 0 and 15 degrees, like 5.',
  nothing: 'empty',
  measure: (kind: MeasureKind) =>
    `Write a number with its unit, like ${writeMeasure(kind, EXAMPLE[kind], 'mm')} or ${writeMeasure(kind, EXAMPLE[kind], 'in')}.`,
};
