/** The pages of a job, grouped by the work. */
import type { groupWords, viewWords } from '$words/shell.ts';

export interface JobPageEntry {
  readonly view: keyof typeof viewWords;
  /** Below the job's own address. */
  readonly path: string;
}

export interface JobPageGroup {
  readonly group: keyof typeof groupWords;
  readonly pages: readonly JobPageEntry[];
}

const page = (view: JobPageEntry['view'], path: string): JobPageEntry => ({ view, path });

const GROUPS: readonly JobPageGroup[] = [
  {
    group: 'measure',
    pages: [
      page('openings', ''),
      page('add', '/add'),
      page('board', '/board'),
      page('survey', '/survey'),
      page('lines', '/lines'),
    ],
  },
  {
    group: 'specify',
    pages: [
      page('walls', '/walls'),
      page('units', '/units'),
      page('methods', '/methods'),
      page('sizes', '/sizes'),
      page('shelf', '/shelf'),
    ],
  },
  {
    group: 'prove',
    pages: [page('proofs', '/proofs'), page('heat', '/heat'), page('conditions', '/conditions')],
  },
  {
    group: 'plan',
    pages: [
      page('calendar', '/calendar'),
      page('materials', '/materials'),
      page('cutting', '/cutting'),
      page('cutSheet', '/cut-sheet'),
    ],
  },
  {
    group: 'site',
    pages: [
      page('today', '/today'),
      page('day', '/day'),
      page('punch', '/punch'),
      page('entries', '/entries'),
      page('tests', '/tests'),
      page('notices', '/notices'),
      page('handOver', '/hand-over'),
    ],
  },
  {
    group: 'settings',
    pages: [page('start', '/start'), page('practice', '/practice'), page('people', '/people')],
  },
];

/** The pages that somebody may see, in their groups. */
export const jobPages = (rights: readonly string[]): readonly JobPageGroup[] =>
  GROUPS.map(({ group, pages }) => ({
    group,
    pages: pages.filter(
      ({ view }) =>
        (view !== 'people' || rights.includes('people')) &&
        ((view !== 'add' && view !== 'start') || rights.includes('plan')),
    ),
  })).filter(({ pages }) => pages.length > 0);
