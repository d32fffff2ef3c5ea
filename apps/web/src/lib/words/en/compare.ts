/** Words of two methods beside each other. */

export const compareWords = {
  title: 'Two methods on this opening',
  here: 'As planned here',
  side: (n: number) => (n === 1 ? 'First method' : 'Second method'),
  groups: { here: 'This opening', job: 'Methods of the job', school: 'Schools' },
  verdict: 'Verdict',
  steps: 'Steps',
  stepsOf: (n: number, looks: number) => `${n}, of them ${looks} with a look`,
  work: 'Work',
  rest: 'Rest',
  pieces: 'Pieces to cut',
  noFindings: 'No findings.',
  listPieces: 'Pieces',
  listSteps: 'Steps in order',
  notPlanned: 'This opening cannot be planned yet: see Measure.',
  differ: 'Where they differ',
  fitNote:
    'Another method builds the opening up differently, so the same framing may be tight or loose under it.',
};
