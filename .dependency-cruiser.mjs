/**
 * The floors of the house: a room imports only rooms on floors below its own, types included, and no files go round in
 * a circle. See docs/architecture.
 */
const CORE = 'packages/core/src';

/** From the ground up. Rooms on one floor do not know each other. */
export const floors = [
  ['quantities'],
  ['vocabulary', 'climate'],
  ['geometry', 'documents'],
  ['survey', 'unit', 'conditions', 'work', 'cutting', 'testing', 'evidence'],
  ['fit', 'instruments', 'job-file', 'order-size', 'ifc'],
  ['methods'],
  ['build'],
  ['proofs/water', 'proofs/air', 'proofs/joint', 'proofs/heat', 'proofs/moisture', 'proofs/loads', 'field'],
  ['order', 'leaks'],
  ['calendar', 'handover'],
  ['supply'],
  ['drawing'],
  ['findings'],
  ['plan'],
  ['facade', 'datum'],
  ['texts'],
  ['demo'],
  ['practice'],
];

const inRooms = (rooms) => `^${CORE}/(${rooms.join('|')})/`;
const NOT_TESTS = '\\.test\\.ts$';

const floorRules = floors.flatMap((rooms, i) =>
  rooms.map((room) => ({
    name: `${room}-looks-only-down`,
    comment: `${room} stands on floor ${i + 1} and imports only rooms below it.`,
    severity: 'error',
    from: { path: inRooms([room]), pathNot: NOT_TESTS },
    to: {
      path: inRooms(
        floors
          .slice(i)
          .flat()
          .filter((other) => other !== room),
      ),
    },
  })),
);

export default {
  forbidden: [
    ...floorRules,
    {
      name: 'every-room-has-a-floor',
      comment: 'A new folder of the core is given a floor in .dependency-cruiser.mjs.',
      severity: 'error',
      from: {},
      to: { path: `^${CORE}/`, pathNot: [inRooms(floors.flat()), `^${CORE}/index\\.ts$`] },
    },
    {
      name: 'no-circles',
      severity: 'error',
      from: { pathNot: NOT_TESTS },
      to: { circular: true },
    },
    {
      name: 'front-door-from-outside-only',
      comment: 'The core does not come in by its own front door.',
      severity: 'error',
      from: { path: `^${CORE}/`, pathNot: NOT_TESTS },
      to: { path: `^${CORE}/index\\.ts$` },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: 'node_modules|/records/' },
    tsPreCompilationDeps: true,
    enhancedResolveOptions: { extensions: ['.ts', '.js', '.mjs'] },
  },
};
