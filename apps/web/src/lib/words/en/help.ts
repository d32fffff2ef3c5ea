/** What each page is for, three things to do there, and its keys. */
import type { viewWords } from './shell.ts';

export interface Help {
  readonly is: string;
  readonly todo: readonly [string, string, string];
  readonly keys?: readonly (readonly [key: string, does: string])[];
}

const ANY: NonNullable<Help['keys']>[number] = ['Ctrl K', 'go to any opening or page'];
const UNDO: NonNullable<Help['keys']>[number] = ['Ctrl Z', 'take the last change back'];

export const viewHelp: Readonly<Record<keyof typeof viewWords, Help>> = {
  openings: {
    is: 'Everything of the job in one list: each opening with its one verdict, how far it is, and what comes next.',
    todo: [
      'Follow the next step that is named at the top.',
      'Choose several openings and give them one wall, unit or method.',
      'Open one to measure it, look at its plan, or install it.',
    ],
    keys: [ANY, ['Space', 'choose the opening under the cursor']],
  },
  add: {
    is: 'Openings come into the job here: from a schedule somebody sent, by their marks, storey by storey, or as copies.',
    todo: [
      'Drop a spreadsheet, or paste cells.',
      'Say which column is what; next time it is known.',
      'Look at what would be added or changed, then add all of it.',
    ],
    keys: [ANY],
  },
  start: {
    is: 'A short way to a job that can be measured and proven.',
    todo: [
      'Choose a climate that is near enough.',
      'Take wall, unit and method from the shelf, or make your own.',
      'Add the openings. Whatever you skip can be done later.',
    ],
    keys: [ANY],
  },
  calendar: {
    is: 'The work of all openings in days: who does what when, in which weather, and what stands open to rain over night.',
    todo: [
      'Say who works when; then plan, and take the plan.',
      'Choose a bar to see why it is then and not earlier.',
      'Move what has to be otherwise, look at what that would do, and take it.',
    ],
    keys: [
      ['Arrows', 'from bar to bar'],
      ['Shift arrows', 'begin a quarter of an hour earlier or later'],
      ['P', 'pin'],
      ANY,
    ],
  },
  tests: {
    is: 'The house under a fan: flow at 50 Pa with its band, exponent, leakage area, and what is weak about a test.',
    todo: [
      'See to every line of the safety list; the fields open after that.',
      'Type or paste pressures and flows, and the readings with the fan covered.',
      'Compare a test before the lining with one of the finished house.',
    ],
    keys: [ANY],
  },
  practice: {
    is: 'Rounds of practice made of this job’s openings, for those who will work on them; and how it goes for those who allow you to see it.',
    todo: [
      'Choose openings, kinds of tasks and a level, and make the round.',
      'Print it with its answers for the site hut.',
      'Your people find it under Practice, without a network too.',
    ],
    keys: [ANY],
  },
  day: {
    is: 'One day of the job as it was entered: who was where, what was done, measured, found and delivered, against what was promised.',
    todo: [
      'Choose the day.',
      'Close it: what you write and where the log stood stay with it.',
      'Print it, or save the log: whoever holds its head can check it later.',
    ],
    keys: [ANY],
  },
  notices: {
    is: 'What later trades and the owner must know of each opening: what must not be cut, nailed, filled or covered.',
    todo: [
      'Read a trade’s list with those who come next.',
      'Print a sign for each opening, and hang it there.',
      'What they broke all the same goes onto the punch list.',
    ],
    keys: [ANY],
  },
  punch: {
    is: 'Every fault that somebody noted at a step: open, mended, looked at again. What would cover an open one waits.',
    todo: [
      'Note a fault on the card of the step, with the piece it is at.',
      'Mend it before the step that would cover it.',
      'Let somebody who did not mend it look again.',
    ],
    keys: [ANY],
  },
  handOver: {
    is: 'What is handed over of the whole job: what is still open at each opening, labels by façade, and the dossier.',
    todo: [
      'Follow what is still open to its card.',
      'Read labels that nobody read yet.',
      'Choose names and pictures, and save the dossier.',
    ],
    keys: [ANY],
  },
  entries: {
    is: 'Every entry of the job in one list, as it was made: ticks, looks, figures, pictures, faults, departures.',
    todo: [
      'Search by words, person, day or kind.',
      'Open a row to get to its card.',
      'Take the sealed log as a file, to be verified elsewhere.',
    ],
    keys: [ANY],
  },
  today: {
    is: 'What you do on a day, in its order: where, with whom, what to bring and what to cut first. It works without a network.',
    todo: ['Open a step to tick it.', 'Look at what waits for your look.', 'See the days to come.'],
    keys: [ANY],
  },
  board: {
    is: 'The façades as they are seen from outside, with every opening in its place.',
    todo: [
      'Drag an opening to where it is, or type its place.',
      'Choose several and change them together.',
      'Look for two that are too near each other.',
    ],
    keys: [['Arrows', 'move what is chosen; with Shift in larger steps'], ANY],
  },
  survey: {
    is: 'All measured figures as one table, to type, paste, read from a file and send on.',
    todo: [
      'Type or paste figures.',
      'Read a sheet that somebody filled in.',
      'Take the table with you as a file.',
    ],
    keys: [['Arrows, Tab, Enter', 'go from cell to cell'], ANY],
  },
  lines: {
    is: 'Sills, heads or middles that must line up, and the height that asks least of all of them.',
    todo: ['Name a line.', 'Choose the openings on it.', 'See who would have to give, and by how much.'],
    keys: [ANY],
  },
  walls: {
    is: 'The walls of this job, layer by layer, and who stands in them.',
    todo: [
      'Change a layer; before it is kept you see which verdicts change.',
      'Give a wall the name that the crew uses.',
      'Go back to an earlier version.',
    ],
    keys: [ANY],
  },
  units: {
    is: 'The units of this job: sizes, fin, glass, and what their maker allows.',
    todo: [
      'Enter a unit from the maker’s drawing.',
      'See what to frame for it, and what it weighs.',
      'Go back to an earlier version.',
    ],
    keys: [ANY],
  },
  methods: {
    is: 'How units are set here: one choice on every question, drawn at an opening that goes by it.',
    todo: [
      'Begin with a school and depart from it.',
      'See who goes by it before a choice is kept.',
      'Go back to an earlier version.',
    ],
    keys: [ANY],
  },
  sizes: {
    is: 'What to order for a hole that is there, how to set out a slope, and what lies where in the depth.',
    todo: ['Choose an opening.', 'Read the unit to order.', 'Mark the slope on the wood.'],
    keys: [ANY],
  },
  shelf: {
    is: 'Walls, units, methods and materials that all jobs take copies from.',
    todo: [
      'Take one into this job.',
      'Bring a copy up to date.',
      'Put one of yours on the shelf, if you keep it.',
    ],
    keys: [ANY],
  },
  proofs: {
    is: 'Which opening fails which proof, and why.',
    todo: ['Look at what fails first.', 'Press a mark to see the proof.', 'Print the sheet of an opening.'],
    keys: [ANY],
  },
  heat: {
    is: 'The four edges of every opening, solved on the server, with what they lose and their coldest place.',
    todo: ['Start the job.', 'Find the coldest.', 'Open it and try what would help.'],
    keys: [ANY],
  },
  conditions: {
    is: 'What the proofs of this job are judged in: place, wind, rooms, months, prices.',
    todo: [
      'Enter the gust and the ground the wind comes over.',
      'Enter the months by hand or from a weather file.',
      'Say what one person carries here.',
    ],
    keys: [ANY],
  },
  materials: {
    is: 'What the plans of the job ask for, what of it is there, what must be ordered by when, and what sticks to what.',
    todo: [
      'Open a line to see which pieces make it.',
      'Under Order early: note what was ordered, promised and came. The calendar waits for what comes late.',
      'Under What touches: settle what is not known by a pull after a day.',
    ],
    keys: [ANY],
  },
  cutting: {
    is: 'From which roll, bar or board each piece is cut, left-overs first. A list to tick while cutting, on the phone too.',
    todo: [
      'Choose the day that is cut for.',
      'Tick what is cut; note what was spoiled, and what is left of it is used for others.',
      'Print labels for the strips.',
    ],
    keys: [ANY],
  },
  cutSheet: {
    is: 'What to cut for one day: pieces of one size together, with their folds, slits, corners off and sections.',
    todo: [
      'Choose the openings of the day.',
      'Print the sheet or its labels, or take it along as PDF.',
      'Cut one piece of each first and hold it up.',
    ],
    keys: [ANY],
  },
  people: {
    is: 'Who works in this job and what they may do.',
    todo: [
      'Invite somebody with a link or its printed code.',
      'Change what somebody may do.',
      'Take somebody out.',
    ],
    keys: [ANY],
  },
};

export const stageHelp = {
  measure: {
    is: 'The figures of this opening, where they were read, and whether the unit fits.',
    todo: [
      'Walk through the cards, one figure after the other.',
      'Settle what two people read differently.',
      'Look at the gaps and the shims.',
    ],
    keys: [['Enter', 'keep the figure, go to the next'], UNDO, ANY],
  },
  detail: {
    is: 'Every piece in its place, in cuts and from the face, step by step.',
    todo: [
      'Move through the steps and see what each lays over what.',
      'Drag the end of a strip, or type its length.',
      'Take the drawings with you as files.',
    ],
    keys: [['← →', 'one step back or on'], ['+ −', 'nearer, further'], UNDO, ANY],
  },
  prove: {
    is: 'Where water goes, where air goes, how cold it gets, and whether it holds.',
    todo: [
      'Open a proof that does not hold.',
      'Try a fix; nothing is kept until you keep it.',
      'Print the proof sheet.',
    ],
    keys: [UNDO, ANY],
  },
  order: {
    is: 'The order of the steps in time.',
    todo: ['Look at what waits for what.', 'Move a step.', 'See what it would do in rain.'],
    keys: [ANY],
  },
  install: {
    is: 'The work itself: what to do now, what to cut, what must be seen before it is covered.',
    todo: [
      'Do what the open card says, and tick it.',
      'Take the picture before it is covered.',
      'Note what came out otherwise.',
    ],
    keys: [['Enter', 'press what is lit'], ANY],
  },
  test: {
    is: 'Air and water at this opening, and from a leak back to where to open.',
    todo: [
      'See to every line of the safety list, then start.',
      'Run a stage at a time, and press where water is seen.',
      'Make the look that tells most, until one cause is left.',
    ],
    keys: [ANY],
  },
  'hand-over': {
    is: 'What was planned, done, seen and hidden at this opening, and what is still open.',
    todo: ['Follow what is still open.', 'Look through what is hidden now.', 'Save the dossier.'],
    keys: [ANY],
  },
} as const satisfies Record<string, Help>;
