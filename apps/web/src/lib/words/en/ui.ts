/** Words of marks that stand on many pages. */

export const gradeWords = {
  checked: 'what could be checked:',
  working: 'heat is being solved',
  judging: 'being judged',
};

/** Fields of lengths and angles. */
export const fieldWords = {
  meanwhile: (typed: string) =>
    `Somebody entered ${typed} here meanwhile. Enter keeps yours, Escape takes theirs.`,
  readAs: (length: string) => `Read as ${length}.`,
  confirm: 'Is that right? Otherwise write the unit.',
  negative: 'A size cannot be negative.',
  range: (least: string, most: string) =>
    `Must lie between ${least} and ${most}. Check the unit, or the field.`,
  angle: 'Write an angle between 0 and 15 degrees, like 5.',
  nothing: 'empty',
};
