/** Words of what was changed, measured and done, in order. */
import type { Instrument } from '@hulvek/core';

export const historyWords = {
  open: 'History',
  title: 'History',
  lead: 'Everything that was measured, chosen, frozen and done here. Nothing in it can be changed.',
  what: 'What',
  who: 'Who',
  when: 'When',
  empty: 'Nothing has been entered yet.',
  search: 'Find in the history',
  none: 'Nothing matches.',
  unknownTime: 'time not recorded',
  unknownPerson: 'from a job file',
  reading: (point: string, value: string, was: string) =>
    was === '' ? `${point}: ${value}` : `${point}: ${value}, was ${was}`,
  cleared: 'taken out',
  seen: (from: string) => `seen from ${from}`,
  created: 'Opening added',
  changed: (field: string, value: string, was: string) => `${field}: ${value}, was ${was}`,
  frozen: (version: number) => `Plan ${version} frozen`,
  choicesOffline: 'Without a network, changes of wall, unit, method and numbers are not listed.',
  instruments: {
    tape: 'tape',
    'distance-meter': 'distance meter',
    'levelling-laser': 'levelling laser',
    'total-station': 'total station',
    'digital-level': 'digital level',
    drawing: 'drawing',
  } satisfies Record<Instrument, string>,
};
