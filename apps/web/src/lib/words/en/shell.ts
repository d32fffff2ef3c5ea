/** Words of what stands round every page: navigation, saving, waiting for a network. */
import type { FitVerdict } from '@hulvek/core';

export const shellWords = {
  product: 'hulvek',
  skip: 'Skip to content',
  readOnly: 'You may look at this, not change it.',
};

/** How this device shows pages. */
export const screenWords = {
  title: 'This device',
  sun: 'Screen for sunlight',
  large: 'Large type',
};

export const jobsWords = {
  title: 'Jobs',
  practice: 'Tasks to learn by, without a job and without a network.',
  openings: (n: number) => (n === 1 ? '1 opening' : `${n} openings`),
  create: 'New job',
  name: 'Name of the job',
  units: 'Lengths in',
  mm: 'millimetres',
  in: 'inches',
  add: 'Start the job',
  load: 'Load a job file',
  file: 'Job file (*.hulvek.json)',
  loadSubmit: 'Load',
  empty: 'No job yet. Start one, load a job file, or bring in a package.',
  nameNeeded: 'A job needs a name.',
  fileNeeded: 'Choose a job file first.',
  fileTooLarge: 'The file is larger than 16 MiB.',
  fileRefused: (name: string, format: string) =>
    `${name} was not loaded: it is not a sound ${format} file. Nothing was changed.`,
  fileThere: (name: string) => `“${name}” is here already. Nothing was changed.`,
  reading: (name: string) => `${name} is being read …`,
  cancel: 'Cancel',
  cancelled: (name: string) => `${name} was not loaded: it was cancelled. Nothing was changed.`,
  broken:
    'The file was not loaded: it took too long or too much room, or the server was stopped. Nothing was changed; load it again, or a smaller one.',
  'one-at-a-time': 'A file of yours is being read already. Wait for it, or cancel it.',
  busy: 'The server reads as many files as it can. Try again in a minute.',
  deleted: 'Deleted jobs',
  putBack: 'Put back',
  find: 'Find a job',
  findHint: 'name or note',
  noneFound: 'No job of that name.',
  archive: 'Put away',
  archived: (many: number) => `Put away (${many})`,
  archivedNote: 'For everybody in the job. Nothing in it is locked: what comes late from a phone is taken.',
  takeOut: 'Take out again',
  from: 'Begin from',
  fromNothing: 'nothing',
  fromNote:
    'Its walls, units, methods, materials and conditions are copied. Figures measured, plans and records are not.',
  withOpenings: 'with its openings',
};

export const jobWords = {
  openings: 'Openings',
  views: 'Views of this job',
  search: 'Find an opening',
  searchHint: 'mark, name, façade',
  none: 'No opening matches.',
  empty:
    'No opening yet. A mark is enough to start measuring; a schedule that somebody sent is read as it is.',
  columns: {
    mark: 'Mark',
    name: 'Opening',
    fit: 'Verdict',
    done: 'Installed',
    size: 'Unit, width × height',
    facade: 'Façade',
    method: 'Method',
  },
  looksDue: (n: number) => (n === 1 ? '1 look due' : `${n} looks due`),
  notStarted: 'not started',
  noUnit: 'no unit chosen',
  save: 'Job file',
  addOpening: 'Add an opening, or a row of them',
  addOpenings: 'Add openings',
  unit: 'Unit',
  mark: 'Mark',
  name: 'Name',
  facade: 'Façade',
  fits: {
    fits: 'fits',
    tight: 'tight',
    'too-loose': 'too loose',
    'does-not-fit': 'does not fit',
  } satisfies Record<FitVerdict, string>,
  soFar: (fit: string) => `${fit} so far`,
  scope:
    'The verdict covers fit, delivery, the choices of the method, water, air, heat, joint, moisture and loads. Heat is solved by itself after every change.',
};

export const stagesWords = {
  measure: 'Measure',
  detail: 'Detail',
  prove: 'Prove',
  order: 'Order',
  install: 'Install',
  test: 'Test',
  'hand-over': 'Hand over',
  label: 'Stages of the work',
};

export const saveWords = {
  saved: 'Saved',
  saving: 'Saving …',
  waiting: 'Kept on this device, not yet on the server',
  refused: 'Not saved',
  conflict: 'Somebody else changed this opening',
  conflictText: 'Both versions are kept. Choose which one goes on:',
  mine: 'Keep mine',
  theirs: 'Take theirs',
  differs: 'What differs:',
  mineValue: 'mine',
  theirsValue: 'theirs',
  none: 'empty',
  undo: 'Undo',
  redo: 'Redo',
  fields: {
    mark: 'Mark',
    name: 'Name',
    facade: 'Façade',
    wall: 'Wall',
    unit: 'Unit',
    method: 'Method',
    'survey.from': 'Measured from',
    position: 'Place on the façade',
    exposure: 'Exposure',
    damage: 'Damage',
    label: 'Label',
    order: 'Order of the steps',
  },
};

export const navWords = {
  practice: 'Practice',
  gone: 'This opening was removed from the job. What you entered here is kept with it.',
  toJob: 'To the job',
  openings: 'Openings of this job',
  before: (many: number) => `${many} before these`,
  after: (many: number) => `${many} after these`,
  jobs: 'All jobs',
  units: 'I read figures in',
  reads: { mm: 'Millimetres, kilograms, °C', in: 'Inches, pounds, °F' },
};

/** The pages of a whole job, as tabs and titles. */
export const paletteWords = {
  title: 'Go to an opening or a page',
  open: 'Go to …',
  keys: 'Ctrl K',
  hint: 'mark, name or page',
  openings: 'Openings',
  none: 'Nothing of that name here.',
};

/** The work, in its order. */
export const groupWords = {
  measure: 'Measure',
  specify: 'Specify',
  prove: 'Prove',
  plan: 'Plan',
  site: 'Site',
  'hand-over': 'Hand over',
  settings: 'Settings',
};

export const viewWords = {
  openings: jobWords.openings,
  add: 'Add openings',
  start: 'Set up',
  board: 'Board',
  survey: 'Survey',
  lines: 'Lines',
  walls: 'Walls',
  units: 'Units',
  methods: 'Methods',
  sizes: 'Sizes',
  calendar: 'Calendar',
  today: 'Today',
  day: 'Day sheet',
  punch: 'Punch list',
  entries: 'All entries',
  handOver: 'Hand-over',
  tests: 'Tests',
  notices: 'Notices',
  materials: 'Materials',
  cutting: 'Cutting',
  cutSheet: 'Cut sheet',
  proofs: 'Proofs',
  heat: 'Heat',
  conditions: 'Conditions',
  shelf: 'Shelf',
  practice: 'Practice',
  people: 'People',
};
