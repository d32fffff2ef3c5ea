/** Words of a day’s cut sheet. */

export const cutSheetWords = {
  lead: 'Everything to cut on the ground before going up, for the openings of a day. Equal pieces stand together.',
  openings: 'Openings of the day',
  all: 'All',
  none: 'None',
  inWork: 'Frozen, not finished',
  title: 'Cut sheet',
  print: 'Print',
  pdf: 'PDF',
  tooMany: (most: number) => `More than ${most} openings. Choose those of a day.`,
  labels: 'Print labels',
  label: (n: number, of: number) => `${n} of ${of}`,
  svg: 'Pieces as SVG, 1:1',
  dxf: 'Pieces as DXF, 1:1',
  empty: 'Choose openings to see their pieces.',
  day: (marks: string) => `For ${marks}.`,
  folds: (at: string) => `folds at ${at}`,
  notches: (count: number, along: string, across: string) =>
    `${count === 1 ? '1 corner' : `${count} corners`} off: ${along} along, ${across} across`,
  slit: (from: string, long: string) => `slit ${from} from the left, ${long} long`,
  section: (wide: string, high: string) => `section ${wide} × ${high}`,
  sectionOf: (piece: string) => `${piece}, cut across`,
};
