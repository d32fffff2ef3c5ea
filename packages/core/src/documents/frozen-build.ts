/**
 * The wall that was cut: geometry, pieces, steps and sizes as they were when work began. What is built, proven and handed
 * over afterwards speaks of this, whatever later versions of the program would compute.
 */
import * as z from 'zod/mini';
import { words } from './fields.ts';
import { axes, axisIds, type AxisId, type Choices } from '../vocabulary/axes.ts';
import { operations } from '../vocabulary/events.ts';
import { sheetMaterialIds, solidMaterials } from '../vocabulary/materials.ts';
import { parameterIds } from '../vocabulary/parameters.ts';
import { pieceRoles } from '../vocabulary/roles.ts';
import { sides } from '../vocabulary/sides.ts';
import { surfaceIds } from '../vocabulary/surfaces.ts';

/** Raised when the shape of it changes; a migration then stands beside it. */
export const FROZEN_VERSION = 2;

const number = z.number();
const name = words(80).check(z.minLength(1));
const point2 = z.readonly(z.tuple([number, number]));
const point3 = z.readonly(z.tuple([number, number, number]));
const range = point2;
const ring = z.readonly(z.array(point2));
const line2 = z.readonly(z.tuple([point2, point2]));
const side = z.enum(sides);
const surfaceId = z.enum(surfaceIds);
const list = <Item extends z.ZodMiniType>(item: Item) => z.readonly(z.array(item).check(z.maxLength(2000)));

const surface = z.strictObject({
  id: surfaceId,
  host: name,
  origin: point3,
  e1: point3,
  e2: point3,
  normal: point3,
  fall: point2,
});

const solid = z.strictObject({ id: name, material: z.enum(solidMaterials), u: range, profile: ring });

const buck = z.strictObject({
  kind: z.enum(['lumber', 'foam-l', 'panel-frame']),
  leg: number,
  projection: number,
  face: number,
});

const opening = z.strictObject({
  width: number,
  height: number,
  origin: point3,
  sheathing: number,
  framing: number,
  depth: number,
  sillFall_deg: z.exactOptional(number),
  layers: list(z.strictObject({ role: name, material: name, w: range })),
  buck: z.nullable(buck),
  surfaces: z.catchall(
    z.strictObject({
      wall: surface,
      'sill-reveal': surface,
      'left-reveal': surface,
      'right-reveal': surface,
      'head-reveal': surface,
      'sill-rear': surface,
    }),
    surface,
  ),
});

const unit = z.strictObject({
  width: number,
  height: number,
  left: number,
  bottom: number,
  frameFace: number,
  mullions: list(number),
  finWidth: number,
  holeFromFrame: number,
  holePitch: z.exactOptional(number),
  front: number,
  back: number,
});

const choices = z.strictObject(
  Object.fromEntries(axisIds.map((axis) => [axis, z.enum(axes[axis])])) as unknown as {
    [Axis in AxisId]: z.ZodMiniType<Choices[Axis]>;
  },
);

const sheet = z.strictObject({
  id: name,
  material: z.enum(sheetMaterialIds),
  faces: list(
    z.strictObject({
      id: name,
      surface: surfaceId,
      flat: ring,
      placed: ring,
      space: z.readonly(z.array(point3)),
    }),
  ),
  hinges: list(z.strictObject({ a: name, b: name, edge: line2 })),
  slits: list(line2),
  fans: list(
    z.strictObject({
      surface: surfaceId,
      corner: point2,
      radius_mm: number,
      angle_deg: number,
      placed: ring,
      stretch: number,
    }),
  ),
  pleats: list(ring),
});

const playing = { id: name, family: name, roles: list(z.enum(pieceRoles)), side: z.nullable(side) };
const piece = z.discriminatedUnion('form', [
  z.strictObject({
    ...playing,
    form: z.literal('sheet'),
    stock: z.enum(['worked', 'in place']),
    sheet,
    film_mm: z.exactOptional(number),
  }),
  z.strictObject({
    ...playing,
    form: z.literal('solid'),
    solids: list(solid),
    sawn: list(z.strictObject({ length_mm: number, width_mm: number, thickness_mm: number, count: number })),
  }),
  z.strictObject({
    ...playing,
    form: z.literal('bead'),
    paths: list(z.readonly(z.array(point3))),
    diameter_mm: number,
  }),
]);

const step = z.strictObject({
  id: name,
  role: name,
  after: list(
    z.strictObject({
      step: name,
      because: z.enum(['physical', 'process']),
      from: z.exactOptional(z.enum(['start', 'end'])),
      to: z.exactOptional(z.enum(['start', 'end'])),
      least_min: z.exactOptional(number),
      most_min: z.exactOptional(number),
      setAside: z.exactOptional(z.literal(true)),
    }),
  ),
  events: list(z.strictObject({ op: z.enum(operations), thing: name, faces: z.exactOptional(list(name)) })),
  covers: list(name),
  places: list(name),
  holdPoint: z.boolean(),
  needs: list(
    z.enum([
      'dry',
      'above-minimum-temperature',
      'roller',
      'two-people',
      'ladder',
      'ventilation',
      'level',
      'cutter',
      'comb-gauge',
    ]),
  ),
  work_min: number,
  rest_min: number,
  source: z.literal('common practice, no source'),
  hash: words(64).check(z.minLength(1)),
});

const gap = z.strictObject({
  side,
  place: z.union([z.literal(0), z.literal(0.5), z.literal(1)]),
  at: point2,
  bare_mm: number,
  flashed_mm: number,
  basis: z.enum(['measured', 'nominal']),
});
const correction = { gap, by_mm: number };
const fit = z.strictObject({
  placement: z.strictObject({ left: number, bottom: number, gaps: list(gap) }),
  limits: z.strictObject({
    least_mm: number,
    largest_mm: number,
    /** `null` without a fin: nothing has to be reached. */
    finReach_mm: z.nullable(number),
  }),
  result: z.strictObject({
    verdict: z.enum(['fits', 'tight', 'too-loose', 'does-not-fit']),
    trim: list(z.strictObject(correction)),
    pack: list(z.strictObject({ ...correction, because: z.enum(['fin', 'joint']) })),
  }),
  shims: list(
    z.strictObject({
      side: z.enum(['left', 'right', 'sill']),
      at_mm: number,
      thickness_mm: number,
      bevel_mm: number,
    }),
  ),
});

const fastening = z.strictObject({
  sides: list(
    z.strictObject({
      side,
      at_mm: list(number),
      tooShort_mm: z.nullable(number),
      edge_mm: z.nullable(number),
    }),
  ),
  screw: z.strictObject({
    through: list(
      z.strictObject({
        what: z.enum([
          'fin',
          'spacer',
          'buck',
          'exterior-board',
          'sheathing',
          'frame',
          'gap',
          'clip',
          'framing',
        ]),
        mm: number,
      }),
    ),
    angle_deg: number,
    length_mm: number,
  }),
  count: number,
  open: list(z.strictObject({ side, holes: z.enum(['all', 'every-second']) })),
});

const cut = z.strictObject({
  piece: name,
  material: z.enum([...sheetMaterialIds, ...solidMaterials]),
  length_mm: number,
  width_mm: number,
  thickness_mm: z.nullable(number),
  count: number,
  area_mm2: number,
  volume_ml: z.nullable(number),
  folds: number,
  slits: number,
  pleats: number,
  stretch: number,
});

export const frozenBuildSchema = z.strictObject({
  version: z.literal(FROZEN_VERSION),
  opening,
  unit,
  choices,
  numbers: z.record(z.enum(parameterIds), number),
  base: list(solid),
  pieces: list(piece),
  steps: list(step),
  fit,
  fastening,
  cuts: list(cut),
});
export type FrozenBuild = z.infer<typeof frozenBuildSchema>;
