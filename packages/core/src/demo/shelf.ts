/** A shelf to start with: generic walls, every school, and stock with usual values. Common practice, no source. */
import { type ShelfDocument, type ShelfKind, shelfSchemas } from '../documents/shelf.ts';
import { presets } from '../methods/schools.ts';
import { presetIds } from '../vocabulary/presets.ts';
import { presetTexts } from '../texts/language.ts';
import { exampleUnit, exampleWalls } from './example.ts';

const length = (mm: number) => ({ typed: String(mm), mm });

export const MATERIALS = [
  {
    id: 'tape-100',
    name: 'Acrylic flashing tape 100',
    kind: 'flashing-tape',
    chemistry: 'acrylic',
    width: length(100),
    length: length(25_000),
    least_C: -5,
    most_C: 45,
    dampSubstrate: false,
    roller: true,
    primer: 'porous',
    rest_h: 24,
    sd_m: 20,
    exposure_days: 120,
  },
  {
    id: 'tape-230',
    name: 'Acrylic flashing tape 230',
    kind: 'flashing-tape',
    chemistry: 'acrylic',
    width: length(230),
    length: length(23_000),
    least_C: -5,
    most_C: 45,
    dampSubstrate: false,
    roller: true,
    primer: 'porous',
    rest_h: 24,
    sd_m: 20,
    exposure_days: 120,
  },
  {
    id: 'stretch-230',
    name: 'Stretchable butyl flashing 230',
    kind: 'stretch-flashing',
    chemistry: 'butyl',
    width: length(230),
    length: length(15_000),
    least_C: 0,
    most_C: 40,
    dampSubstrate: false,
    roller: true,
    primer: 'porous',
    rest_h: 24,
    sd_m: 200,
    exposure_days: 60,
  },
  {
    id: 'wrap-1500',
    name: 'Housewrap 1.5 m',
    kind: 'wrap',
    width: length(1500),
    length: length(50_000),
    sd_m: 0.02,
    exposure_days: 90,
  },
  {
    id: 'fluid',
    name: 'Fluid flashing',
    kind: 'fluid',
    chemistry: 'fluid-polymer',
    least_C: 0,
    most_C: 40,
    dampSubstrate: true,
    roller: false,
    primer: 'never',
    rest_h: 4,
    sd_m: 1,
    exposure_days: 180,
  },
  {
    id: 'corner-60',
    name: 'Corner tape 60, split liner',
    kind: 'corner-tape',
    chemistry: 'acrylic',
    width: length(60),
    length: length(25_000),
    least_C: -5,
    most_C: 40,
    roller: true,
    primer: 'porous',
    rest_h: 0,
    sd_m: 40,
  },
  {
    id: 'membrane-150',
    name: 'Joint membrane 150',
    kind: 'membrane',
    chemistry: 'acrylic',
    width: length(150),
    length: length(30_000),
    least_C: 5,
    roller: true,
    primer: 'always',
    rest_h: 12,
    sd_m: 10,
  },
  {
    id: 'silicone',
    name: 'Neutral silicone',
    kind: 'sealant',
    chemistry: 'silicone-neutral',
    least_C: 5,
    most_C: 40,
    dampSubstrate: false,
    primer: 'porous',
    rest_h: 24,
    lambda_WmK: 0.35,
  },
  {
    id: 'foam',
    name: 'Low-expansion foam',
    kind: 'foam',
    chemistry: 'foam-polyurethane',
    least_C: 5,
    most_C: 35,
    rest_h: 1,
    lambda_WmK: 0.036,
  },
  {
    id: 'band-10-18',
    name: 'Precompressed band 10–18',
    kind: 'band',
    width: length(54),
    length: length(5600),
    least_C: 0,
    rest_h: 1,
    sd_m: 0.5,
    lambda_WmK: 0.048,
  },
] as const;

/** The first version of everything, checked by its schema. */
export function startingShelf(): { kind: ShelfKind; document: ShelfDocument }[] {
  const walls = Object.entries(exampleWalls).map(([id, wall]) => ({ id, ...wall }));
  const methods = presetIds.map((id) => ({
    id,
    name: presetTexts[id].name,
    preset: id,
    presetVersion: presets[id].version,
    numbers: {},
  }));
  const units = [
    exampleUnit('casement-900-1200', 'Casement, integral fin', 'drained-head-flap', {
      width: 900,
      height: 1200,
    }),
    exampleUnit('casement-finless', 'Casement, no fin', 'fluid-recessed', { width: 900, height: 1200 }),
  ];
  const all = { walls, units, methods, materials: MATERIALS };
  return (Object.keys(all) as ShelfKind[]).flatMap((kind) =>
    all[kind].map((document) => ({ kind, document: shelfSchemas[kind].parse(document) })),
  );
}
