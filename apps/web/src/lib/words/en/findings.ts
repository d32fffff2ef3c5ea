/** Words of findings and of what mends them. */

export const fixWords = {
  safe: 'cut size only',
  design: 'changes the build-up',
};
