/** Words of the list of everything that was entered on site. */
export const logWords = {
  lead: 'Everything that was entered on site, the newest first. Nothing is ever taken out: what was taken back is struck through.',
  file: 'The sealed log as a file',
  none: 'Nothing was entered yet.',
  noneOf: 'None of these.',
  search: 'Words',
  person: 'By',
  anybody: 'anybody',
  day: 'On',
  anyDay: 'any day',
  kind: 'What',
  anyKind: 'anything',
  count: (shown: number, all: number) => `${shown} of ${all}`,
  when: 'When',
  where: 'Where',
  who: 'Who',
  what: 'What',
};
