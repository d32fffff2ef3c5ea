/** Words of adding, changing and removing openings. */
import type { BareUnit, MarksProblem, ScheduleField, ScheduleProblem } from '@hulvek/core';

const of = (n: number): string => (n === 1 ? '1 opening' : `${n} openings`);

export const openingsWords = {
  refused: {
    marks: (marks: string) =>
      `Nothing was changed: ${marks} would stand for two openings. Give each a mark of its own.`,
    moved: (marks: string) =>
      `Nothing was changed: somebody else changed ${marks || 'these openings'} meanwhile. Look again and repeat it.`,
    'no-opening': (marks: string) =>
      `Nothing was changed: ${marks || 'one of the openings'} is not in this job any more.`,
    'unit-there': (name: string) =>
      `Nothing was changed: there is another unit under the place of ${name}. Reload and repeat it.`,
    wall: (marks: string) => `Nothing was changed: the wall of ${marks} is not in this job.`,
    unit: (marks: string) => `Nothing was changed: the unit of ${marks} is not in this job.`,
    method: (marks: string) => `Nothing was changed: the method of ${marks} is not in this job.`,
    departures: (marks: string) =>
      `Nothing was changed: departures of ${marks || 'openings'} are made on the opening's own page.`,
  },
  added: (n: number) => `${of(n)} added.`,
  changed: (n: number) => `${of(n)} changed.`,
  removed: (n: number) => `${of(n)} removed.`,
  putBack: (n: number) => `${of(n)} put back.`,
  undone: 'Undone.',
  undo: 'Undo',
  working: 'Being saved …',
};

export const addWords = {
  title: 'Add openings',
  lead: 'From a schedule that somebody sent, from a row of marks, storey by storey, or as copies of one that is here.',
  ways: {
    schedule: 'From a schedule',
    marks: 'From marks',
    grid: 'Storey by storey',
    copies: 'Copies of one',
  },
  choose: 'Spreadsheet, table or building model (.xlsx, .csv, .tsv, .ifc)',
  paste: 'or paste the lines here, headings included',
  pasteUse: 'Use these lines',
  tooLarge: 'The file is larger than 10 MB. Save the sheet with the windows on its own.',
  tooLargeInside: 'Unpacked the file is larger than 50 MB. Save the sheet with the windows on its own.',
  notRead: 'The file was not read: it is no spreadsheet or table. Save it as .xlsx or .csv.',
  empty: 'There are no lines in it.',
  sheet: 'Sheet',
  headings: 'Headings stand in line',
  columns: 'What each column is',
  column: 'Column',
  firstLines: 'First lines',
  is: 'is',
  aside: 'left aside',
  fields: {
    mark: 'mark',
    facade: 'façade',
    room: 'room or name',
    type: 'type of unit',
    size: 'unit, width × height',
    width: 'unit, width',
    height: 'unit, height',
    roughSize: 'rough opening, width × height',
    roughWidth: 'rough opening, width',
    roughHeight: 'rough opening, height',
    sill: 'sill above floor',
    swing: 'operation and swing',
    count: 'how many',
  } satisfies Record<ScheduleField, string>,
  bare: (n: number) =>
    n === 1 ? '1 figure has no unit. It is in' : `${n} figures have no unit. They are in`,
  bareChoose: 'choose',
  bareUnits: {
    mm: 'millimetres',
    cm: 'centimetres',
    m: 'metres',
    in: 'inches',
    ft: 'feet',
  } satisfies Record<BareUnit, string>,
  hand: 'Left and right are seen from',
  hands: { outside: 'outside', inside: 'inside' },
  problems: {
    empty: 'There are no lines below the headings.',
    'no-mark-column': 'Say which column holds the marks.',
    'too-many': 'More than 500 openings. Split the sheet.',
    'no-unit-said': 'Say what the figures without a unit are in.',
    'no-mark': 'the mark is missing',
    'mark-twice': 'stands for two openings',
    'too-long': 'is longer than 16 characters',
    'not-a-length': 'is not a length',
    'out-of-range': 'is out of range: a size is 150 mm to 9 m, a sill stands up to 20 m above its floor',
    'half-a-size': 'is one half of a size; the other is missing',
    'not-a-size': 'is not width × height',
    'not-a-swing': 'says no way to open that is known',
    'not-a-count': 'is not a count from 1 to 200',
  } satisfies Record<ScheduleProblem['code'], string>,
  line: (n: number) => `line ${n}`,
  more: (n: number) => `and ${n} more`,
  types: 'Units that it asks for',
  typeColumns: { type: 'Type', size: 'Size', openings: 'Openings', unit: 'Goes by' },
  newLike: (name: string) => `a new unit, frame and fin like ${name}`,
  newUsual: 'a new unit, with usual figures of a finned frame',
  noUnit: 'no unit yet',
  usualNote: (depth: string, fin: string) =>
    `A frame ${depth} deep with a fin of ${fin} is assumed until somebody enters the maker’s figures under Units: common practice, no source.`,
  preview: 'What is added',
  previewColumns: {
    mark: 'Mark',
    name: 'Name',
    facade: 'Façade',
    unit: 'Unit',
    rough: 'Rough opening',
    sill: 'Sill above floor',
    what: 'State',
  },
  isNew: 'new',
  isKnown: 'here already',
  known: 'Openings that are here already',
  knownWays: { leave: 'stay as they are', change: 'are changed by the sheet' },
  submit: (added: number, changed: number) =>
    added > 0 && changed > 0
      ? `Add ${of(added)}, change ${changed}`
      : changed > 0
        ? `Change ${of(changed)}`
        : `Add ${of(added)}`,
  nothing: 'Nothing to add: every mark of the sheet is here already.',
  marks: 'Marks',
  marksHint: 'S-01 to S-12, or one after the other: W1, W2, D1',
  marksProblems: {
    none: 'Type at least one mark.',
    'too-many': 'More than 500 at once. Add them in parts.',
    'too-long': 'A mark has 16 characters at most.',
    twice: 'One mark stands twice in it.',
    backwards: 'A row counts upwards: S-01 to S-12.',
    'not-a-row': 'Both ends of a row begin alike: S-01 to S-12.',
  } satisfies Record<MarksProblem, string>,
  grid: {
    storeys: 'Storeys',
    across: 'Openings in a storey',
    first: 'First mark, lowest storey',
    left: 'First opening from the left end',
    apart: 'From one to the next',
    sill: 'Rough sill of the lowest above zero',
    storey: 'From storey to storey',
    marks: 'Marks as they stand on the façade, seen from outside',
    marksNote: 'Change any of them. Where there is no opening, empty the place.',
    place: (storey: number, at: number) => `Storey ${storey}, opening ${at}`,
    storeyName: (storey: number) => `Storey ${storey}`,
  },
  taken: (marks: string) => `Here already: ${marks}. Give these another mark.`,
  name: 'Name or room',
  facade: 'Façade',
  unit: 'Unit',
  wall: 'Wall',
  method: 'Method',
  later: 'choose later',
  of: 'Copies of',
  copiesNote:
    'A copy has the same wall, unit, method and figures of the method; nothing measured, nothing recorded.',
  toList: 'To the openings',
  needsNetwork: 'Openings are added where there is a network. Nothing typed is lost: try again.',
};

export const changeWords = {
  choose: 'Choose',
  all: 'Choose all that are shown',
  chosen: (n: number) => (n === 1 ? '1 chosen' : `${n} chosen`),
  set: 'For the chosen ones',
  keep: 'as it is',
  apply: 'Apply',
  duplicate: 'Copy',
  remove: 'Remove',
  edit: 'Rename',
  mark: 'Mark',
  name: 'Name',
  save: 'Save',
  cancel: 'Cancel',
  removeAsk: (marks: string, recorded: number) =>
    recorded > 0
      ? `Remove ${marks}? ${recorded === 1 ? 'One of them has' : `${recorded} of them have`} records; they are kept and come back with it.`
      : `Remove ${marks}? It can be put back.`,
  removed: 'Removed openings',
  removedBy: (person: string, at: string) => `removed by ${person}, ${at}`,
  putBack: 'Put back',
};
