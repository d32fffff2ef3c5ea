/** A way through the demo, a page at a time. */

export interface TourStop {
  readonly path: string;
  readonly title: string;
  readonly says: string;
}

const JOB = '/jobs/skarv-point';

export const tour: readonly TourStop[] = [
  {
    path: JOB,
    title: 'One job, all its openings',
    says: 'Each has one verdict, the same on every page. At the top stands what comes next for the whole job, and why.',
  },
  {
    path: `${JOB}/skarv-n-03/measure`,
    title: 'Measure',
    says: 'Figures are typed as you say them, inches or millimetres. Whether the unit fits is said at once, with its shims.',
  },
  {
    path: `${JOB}/skarv-s-01/detail`,
    title: 'Detail',
    says: 'Every strip and board in its place, step by step. Drag the end of a strip: cuts and drawings follow.',
  },
  {
    path: `${JOB}/skarv-s-01/prove?proof=water`,
    title: 'Prove: where the water goes',
    says: 'Drops are let go wherever rain can come, and followed through what lies over what. Leave a piece out and see.',
  },
  {
    path: `${JOB}/skarv-s-01/prove?proof=heat`,
    title: 'Prove: how cold it gets',
    says: 'The section is solved while you look. Point into it; compare positions under “What if”.',
  },
  {
    path: `${JOB}/board`,
    title: 'The façades',
    says: 'Where every opening stands. Two that are too near each other are found here.',
  },
  {
    path: `${JOB}/skarv-s-05/install`,
    title: 'Install',
    says: 'What the crew sees on the phone: one card for now, what to cut, what must be seen before it is covered. It works without a network.',
  },
  {
    path: '/glossary',
    title: 'Words of the work',
    says: 'Marked words open where they stand; all of them are here. Every page has its help beside its title.',
  },
];

export const tourWords = {
  title: 'A way through the demo',
  at: (n: number, of: number) => `${n} of ${of}`,
  next: 'Next',
  back: 'Back',
  leave: 'Leave',
  done: 'Done',
};
