/** What sticks to what: adhesives against faces, each pair with its kind of answer. All common practice, no source. */

/** What a tape, sealant, fluid or foam is made of, as far as its sticking goes. */
export const chemistries = [
  'acrylic',
  'butyl',
  'rubberised-asphalt',
  'silicone-neutral',
  'silicone-acid',
  'polyurethane',
  'hybrid',
  'acoustic',
  'fluid-polymer',
  'foam-polyurethane',
] as const;
export type Chemistry = (typeof chemistries)[number];

/** What is stuck to. */
export const contactFaces = [
  'vinyl',
  'painted-metal',
  'bare-metal',
  'fibreglass',
  'wood',
  'cedar-or-treated',
  'wood-board',
  'coated-board',
  'wrap',
  'foil-foam',
  'polystyrene',
  'hd-foam',
  'masonry',
  'plaster',
  'epdm',
  'acrylic-back',
  'butyl-back',
  'asphalt-back',
  'fluid-film',
  'sheet-back',
  'cured-silicone',
] as const;
export type ContactFace = (typeof contactFaces)[number];

/**
 * `goes` · `primer`: with a primer only · `no-stick`: does not hold · `attacked`: holds, and is harmed over time ·
 * `both-makers`: only where the makers of both say so.
 */
export const contactAnswers = ['goes', 'primer', 'no-stick', 'attacked', 'both-makers'] as const;
export type ContactAnswer = (typeof contactAnswers)[number];

/** Whether a test on site can settle it: what is attacked over weeks no test of a day shows. */
export const isSettledByTest = (answer: ContactAnswer | 'unknown'): boolean =>
  answer === 'primer' || answer === 'unknown';

type Row = Readonly<Record<ContactFace, ContactAnswer>>;

const row = (most: ContactAnswer, but: Partial<Row>): Row =>
  Object.fromEntries(contactFaces.map((face) => [face, but[face] ?? most])) as Row;

export const contactTable: Readonly<Record<Chemistry, Row>> = {
  acrylic: row('goes', {
    masonry: 'primer',
    plaster: 'primer',
    'cedar-or-treated': 'primer',
    epdm: 'no-stick',
    'cured-silicone': 'no-stick',
    'fluid-film': 'both-makers',
    'asphalt-back': 'attacked',
  }),
  butyl: row('goes', {
    masonry: 'primer',
    plaster: 'primer',
    'wood-board': 'primer',
    'cedar-or-treated': 'primer',
    'cured-silicone': 'no-stick',
    'fluid-film': 'both-makers',
    'asphalt-back': 'attacked',
  }),
  'rubberised-asphalt': row('goes', {
    vinyl: 'attacked',
    epdm: 'attacked',
    polystyrene: 'attacked',
    'butyl-back': 'attacked',
    'acrylic-back': 'attacked',
    masonry: 'primer',
    plaster: 'primer',
    'wood-board': 'primer',
    'cedar-or-treated': 'primer',
    'cured-silicone': 'no-stick',
    'fluid-film': 'both-makers',
  }),
  'silicone-neutral': row('goes', {
    wood: 'primer',
    'cedar-or-treated': 'primer',
    'wood-board': 'primer',
    masonry: 'primer',
    plaster: 'primer',
    'asphalt-back': 'attacked',
    'butyl-back': 'both-makers',
    wrap: 'both-makers',
    'fluid-film': 'both-makers',
    epdm: 'no-stick',
  }),
  'silicone-acid': row('goes', {
    'painted-metal': 'primer',
    'bare-metal': 'attacked',
    masonry: 'attacked',
    plaster: 'attacked',
    wood: 'primer',
    'cedar-or-treated': 'primer',
    'wood-board': 'primer',
    wrap: 'no-stick',
    epdm: 'no-stick',
    'asphalt-back': 'attacked',
    'butyl-back': 'attacked',
    'fluid-film': 'both-makers',
  }),
  polyurethane: row('goes', {
    masonry: 'primer',
    vinyl: 'primer',
    wrap: 'primer',
    'cedar-or-treated': 'primer',
    epdm: 'no-stick',
    'cured-silicone': 'no-stick',
    'asphalt-back': 'attacked',
    'fluid-film': 'both-makers',
  }),
  hybrid: row('goes', {
    masonry: 'primer',
    'cedar-or-treated': 'primer',
    epdm: 'no-stick',
    'cured-silicone': 'no-stick',
    'asphalt-back': 'attacked',
    'fluid-film': 'both-makers',
  }),
  acoustic: row('goes', {
    vinyl: 'primer',
    'bare-metal': 'attacked',
    epdm: 'no-stick',
    'cured-silicone': 'no-stick',
    'asphalt-back': 'attacked',
    'fluid-film': 'both-makers',
  }),
  'fluid-polymer': row('goes', {
    vinyl: 'primer',
    'cedar-or-treated': 'primer',
    epdm: 'no-stick',
    'cured-silicone': 'no-stick',
    'acrylic-back': 'both-makers',
    'butyl-back': 'both-makers',
    'asphalt-back': 'both-makers',
    'sheet-back': 'both-makers',
    'fluid-film': 'goes',
  }),
  'foam-polyurethane': row('goes', {
    'cured-silicone': 'no-stick',
    epdm: 'no-stick',
    wrap: 'no-stick',
    'asphalt-back': 'attacked',
    'fluid-film': 'both-makers',
  }),
};
