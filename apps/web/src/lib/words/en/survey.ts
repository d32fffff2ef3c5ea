/** Words of the survey of a whole job as a table. */
import type { SheetProblem } from '@hulvek/core';

export const tableWords = {
  lead: 'Every figure of every opening. Paste a block from a spreadsheet into any cell; Enter and the arrow keys move on.',
  opening: 'Opening',
  load: 'Load a survey sheet (CSV)',
  file: 'CSV file',
  loaded: (figures: number, openings: number) => `${figures} figures of ${openings} openings were taken.`,
  refused: (n: number) =>
    `Nothing was taken: ${n === 1 ? 'one thing needs' : `${n} things need`} to be mended in the sheet first.`,
  ignored: (columns: string) => `Left aside: ${columns}.`,
  pasteRefused: (n: number) =>
    `Nothing was pasted: ${n === 1 ? '1 cell does' : `${n} cells do`} not read as a length in range.`,
  pasteOutside: 'The block is larger than the table from here. Nothing was pasted.',
  pasted: (n: number) => (n === 1 ? '1 figure pasted.' : `${n} figures pasted.`),
  unknownMarks: (marks: string) => `Not in this job: ${marks}.`,
  progress: (done: number, all: number) => `${done} of ${all} lines`,
  save: 'Survey as CSV',
  wrong: 'does not read as a length in range',
  problems: {
    empty: 'The sheet has no lines under its headings.',
    'no-mark-column': 'No column is called Mark or Opening.',
    'no-figures': 'No column is called like a measuring point, such as “Width, top”.',
    'unknown-column': 'A column is not known.',
    'column-twice': 'A column is there twice',
    'no-mark': 'No mark',
    'mark-twice': 'The mark is there twice',
    'not-a-length': 'Does not read as a length',
    'out-of-range': 'Out of range: check the unit',
    'too-many-rows': 'More than 5000 lines.',
  } satisfies Record<SheetProblem['code'], string>,
  line: (line: number) => `Line ${line}`,
};
