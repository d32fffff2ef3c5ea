/** Words of findings and of what mends them. */

export const fixWords = {
  safe: 'cut size only',
  design: 'changes the build-up',
  look: 'to be looked at:',
  ask: 'Ways to mend',
  working: 'Being tried …',
  none: 'None of the usual changes mends this without a new fault: think about what stands here, or ask the maker.',
  broken: 'The changes could not be tried: press again; if it stays so, reload the page.',
  brings: (what: string) => `; brings: ${what}`,
  lookAt: (step: string) => `Seen at: ${step}.`,
};

export const missingWords = {
  lead: 'Missing:',
};
