/**
 * What surveyed points are on a façade: along it from its left end, up from its zero line, before it towards whoever looks from
 * outside. Worked out by hand from right triangles 3-4-5 and 5-12-13.
 */
export const onFacade = [
  // Left end (0, 0, 100), right end (3, 4, 100): 5 m long; outside lies to the right of whoever walks from left to right.
  { left: [0, 0, 100], right: [3, 4, 100], zero: 100, at: [1.5, 2, 101.2], u: 2500, v: 1200, w: 0 },
  { left: [0, 0, 100], right: [3, 4, 100], zero: 100, at: [3, 4, 99.5], u: 5000, v: -500, w: 0 },
  { left: [0, 0, 100], right: [3, 4, 100], zero: 101, at: [0.8, -0.6, 101], u: 0, v: 0, w: 1000 },
  // A wall that runs down the sheet, 13 m long.
  { left: [10, 20, 0], right: [5, 8, 0], zero: 0, at: [7.5, 14, 2.75], u: 6500, v: 2750, w: 0 },
  {
    left: [10, 20, 0],
    right: [5, 8, 0],
    zero: 0,
    at: [10 - 12 / 13, 20 + 5 / 13, 1],
    u: 0,
    v: 1000,
    w: 1000,
  },
] as const;

/** Names of corners as surveyors write them, and what they are. Common practice, no source. */
export const cornerNames = [
  ['S-05 BL', 'S-05', 'bottom-left'],
  ['S-05_BR', 'S-05', 'bottom-right'],
  ['s05.tl', 's05', 'top-left'],
  ['S-05-TR', 'S-05', 'top-right'],
  ['S-05 LL', 'S-05', 'bottom-left'],
  ['S-05 UR', 'S-05', 'top-right'],
  ['GROUND', null, null],
  ['BL', null, null],
  ['12', null, null],
] as const;

/** A total station's list: headings, units, and what stands in the lines. */
export const lists = [
  { text: 'Point;E;N;H\nS-05 BL;1.000;2.000;3.000\n', unit: 'm', points: [['S-05 BL', 1000, 2000, 3000]] },
  { text: 'name,x [mm],y [mm],z [mm]\nA,1000,2000,3000\n', unit: null, points: [['A', 1000, 2000, 3000]] },
  {
    text: 'No\tEasting\tNorthing\tElevation\n7\t10\t20\t30\n',
    unit: 'ft',
    points: [['7', 3048, 6096, 9144]],
  },
  // Without headings: name, east, north, height, as most instruments write them.
  {
    text: 'P1,1.5,-2.5,0.25\nP2,1,2,3\n',
    unit: 'm',
    points: [
      ['P1', 1500, -2500, 250],
      ['P2', 1000, 2000, 3000],
    ],
  },
] as const;

/** Lists that are refused, with the line where it is for one. */
export const refusedLists = [
  { text: '', because: 'empty', line: null },
  { text: 'Point;E;N\nA;1;2\n', because: 'no-columns', line: null },
  { text: 'Point;E;N;H\nA;1;2;3\nB;1;x;3\n', because: 'not-a-number', line: 3 },
  { text: 'Point;E;N;H\nA;1;2;3\nA;4;5;6\n', because: 'name-twice', line: 3 },
  { text: 'Point;E;N;H\nA;1;2;9000000000\n', because: 'out-of-range', line: 2 },
] as const;
