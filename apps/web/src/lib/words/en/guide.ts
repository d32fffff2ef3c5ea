/** Words that lead through a first job, and say what is sensible next in any. */
import type { NextKind } from '$lib/features/guide/next-step.ts';

export const guideWords = {
  next: 'Next',
  steps: {
    site: {
      what: 'Say what weather the job is judged in',
      why: 'Without it no proof of heat, moisture or joints can be made. A usual climate is one press.',
    },
    wall: {
      what: 'Take the wall that most openings go through',
      why: 'Its layers decide depth, cut sizes and where the cold goes.',
    },
    unit: {
      what: 'Take or enter the unit that most openings get',
      why: 'Fit, shims and every strip are worked out from its size and frame.',
    },
    method: {
      what: 'Choose how units are usually set here',
      why: 'The method decides pan, laps, seals and the order of steps.',
    },
    openings: {
      what: 'Add the openings',
      why: 'From a schedule that somebody sent, or from a row of marks.',
    },
    choose: {
      what: 'Give every opening its wall, unit and method',
      why: 'Without one of them an opening cannot be planned.',
    },
    measure: {
      what: 'Measure the openings',
      why: 'Nothing is ordered or cut before the opening is known. The walk takes two minutes on a phone.',
    },
    mend: {
      what: 'Mend what fails',
      why: 'Each finding says what to do; most fixes are one press and can be undone.',
    },
    missing: {
      what: 'Enter what is missing',
      why: 'What is not known is not checkable; each hint leads to its field.',
    },
    freeze: {
      what: 'Start to install',
      why: 'The plan is frozen, and every tick on site refers to it.',
    },
    look: {
      what: 'Look before it is covered',
      why: 'A look that is due and not recorded leaves the opening not checkable.',
    },
    install: {
      what: 'Go on installing',
      why: 'The next card waits where the last was ticked.',
    },
  } satisfies Record<NextKind, { what: string; why: string }>,
  at: (marks: string, more: number) => (more > 0 ? `${marks} and ${more} more` : marks),
  done: 'Every opening is installed and looked at.',
  skip: 'Later',
  skipped: 'left for later',
  is: 'done',
  lead: 'Five things, in any order; each can wait. Whatever is taken here can be changed later.',
  climate: 'Weather',
  climateLead: 'A generic climate until somebody enters the months of the place.',
  climateMore: 'Enter months, wind and altitude',
  wall: 'Usual wall',
  unit: 'Usual unit',
  method: 'Usual method',
  onShelf: 'From the shelf',
  take: 'Take it',
  ownWall: 'Describe a wall of your own',
  ownUnit: 'Enter a unit of your own',
  ownMethod: 'All methods, and changes to them',
  openings: 'Openings',
  openingsSo: (n: number) => (n === 0 ? 'None yet.' : n === 1 ? '1 opening.' : `${n} openings.`),
  add: 'Add openings',
  toJob: 'To the job',
  loading: 'The shelf is being read …',
  noShelf: 'The shelf needs a network.',
};
