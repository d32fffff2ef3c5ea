/** The documents people make: what is measured and chosen, never what is computed from it. */
import { z } from 'zod';
import { axes, axisIds, type AxisId } from '../methods/axes.ts';
import { sheetMaterialIds } from '../methods/materials.ts';
import { parameterIds, parameters, type ParameterId } from '../methods/parameters.ts';
import { presetIds } from '../methods/presets.ts';
import { pieceEdges } from '../geometry/piece-edges.ts';
import { terrains } from '../water/exposure.ts';
import { monthSources } from '../climate/months.ts';
import { priceIds } from '../joints/prices.ts';
import { movementClasses } from '../joints/movement.ts';
import { parseLength } from '../quantities/parse-length.ts';
import { surveyPointIds, surveyPoints, type SurveyPointId } from '../survey/points.ts';

const id = <Brand extends string>(what: Brand) =>
  z
    .string()
    .regex(/^[A-Za-z0-9][A-Za-z0-9_.:-]{0,63}$/, 'letters, digits, - _ . : only, 64 at most')
    .brand(what);
/** Text that any store can keep: no NUL, no half of a surrogate pair. */
const words = (longest: number) =>
  z
    .string()
    .max(longest)
    .refine((text) => !/\0|\p{Surrogate}/u.test(text), { error: 'holds characters that cannot be stored' });
const name = words(120).trim().min(1, 'a name is needed');
const note = words(2000);
const instant = z.iso.datetime({ offset: true });

/** Largest disagreement between typed text and stored value: half of the coarser writing step, 1/32 in. */
const TYPED_AGREEMENT_mm = 25.4 / 32;

/** A length: the text as typed and the millimetres it stands for. The two must agree in one of the job units. */
const lengthWithin = (most_mm: number) =>
  z
    .strictObject({ typed: words(40).min(1), mm: z.number().min(-most_mm).max(most_mm) })
    .superRefine((length, context) => {
      const readings = (['mm', 'in'] as const).map((unit) => parseLength(length.typed, unit));
      const agrees = readings.some((r) => r.ok && Math.abs(r.value.mm - length.mm) <= TYPED_AGREEMENT_mm);
      if (!agrees) {
        context.addIssue({
          code: 'custom',
          path: ['typed'],
          message: `"${length.typed}" does not read as ${length.mm} mm; correct one of the two`,
        });
      }
    });

export const typedLength = lengthWithin(20_000);
/** Along a façade, which may be longer than anything that is cut. */
const placeLength = lengthWithin(200_000);

const positiveLength = typedLength.refine((length) => length.mm > 0, { error: 'must be more than nothing' });

const side = z.enum(['outside', 'inside']);

function outOfRange(point: SurveyPointId, mm: number): string | null {
  const { least_mm, most_mm } = surveyPoints[point];
  return mm < least_mm || mm > most_mm
    ? `${mm} mm is outside ${least_mm} to ${most_mm} mm; check the unit`
    : null;
}

/** A survey as it stands at one moment; see `survey/readings.ts` for where it comes from. */
export const surveySchema = z.strictObject({
  from: side,
  values: z.partialRecord(z.enum(surveyPointIds), typedLength).superRefine((values, context) => {
    for (const [point, length] of Object.entries(values)) {
      const message = length && outOfRange(point as SurveyPointId, length.mm);
      if (message) context.addIssue({ code: 'custom', path: [point, 'mm'], message });
    }
  }),
  /** Points where two people read different figures without knowing of each other. */
  disputed: z.array(z.enum(surveyPointIds)).max(surveyPointIds.length).optional(),
});

/** What a reading was taken with. */
export const instruments = ['tape', 'distance-meter', 'levelling-laser', 'digital-level', 'drawing'] as const;

/** One figure read at one point. Readings are only ever added; a later one names those it replaces. */
export const readingSchema = z
  .strictObject({
    id: z.uuid(),
    opening: id('OpeningId'),
    /** Left and right as seen from `from`. */
    point: z.enum(surveyPointIds),
    from: side,
    /** `null` takes a figure out. */
    value: typedLength.nullable(),
    replaces: z.array(z.uuid()).max(100),
    instrument: z.enum(instruments),
    person: name,
    /** `null` where nobody wrote down when. */
    at: instant.nullable(),
  })
  .superRefine(({ point, value }, context) => {
    const message = value && outOfRange(point, value.mm);
    if (message) context.addIssue({ code: 'custom', path: ['value', 'mm'], message });
  });

/** Which shelf item, in which version, a job's copy was taken from. */
const origin = z.strictObject({ id: words(64).min(1), version: z.int().positive() }).optional();

/** From the weather to the room. */
export const layerRoles = [
  'cladding',
  'cavity',
  'exterior-board',
  'sheathing',
  'framing',
  'service',
  'interior-finish',
] as const;
export const layerMaterials = [
  'siding',
  'batten',
  'foam-board',
  'wool-board',
  'wood-board',
  'stud',
  'drywall',
  'brick',
  'block',
  'render',
  'plaster',
] as const;

export const wallSchema = z.strictObject({
  id: id('WallId'),
  name,
  origin,
  /** From the weather to the room; w = 0 is the outer face of the sheathing. */
  layers: z
    .array(
      z.strictObject({
        role: z.enum(layerRoles),
        material: z.enum(layerMaterials),
        thickness: positiveLength,
      }),
    )
    .max(12),
  /** Equivalent air layer of the sheet between framing and lining, m; left out where there is none. */
  insideSheet_sd_m: z.number().min(0.01).max(2000).optional(),
});

export const unitSchema = z.strictObject({
  id: id('UnitId'),
  name,
  origin,
  operation: z.enum(['fixed', 'casement', 'awning', 'sliding', 'hung']),
  width: positiveLength,
  height: positiveLength,
  frameDepth: positiveLength,
  frameFace: positiveLength,
  fin: z.strictObject({
    kind: z.enum(['integral', 'separate', 'gasketed', 'none']),
    width: positiveLength,
    /** Centre of the fastener row to the frame. */
    holeFromFrame: positiveLength,
    /** Outside face of the frame to the back of the fin. */
    fromFront: positiveLength,
  }),
  // What follows is left out where it is not known.
  /** A shape other than a rectangle is kept, and said to be not checkable. */
  shape: z.enum(['rectangle', 'other']).optional(),
  frameMaterial: z.enum(['vinyl', 'wood', 'clad-wood', 'aluminium', 'fibreglass']).optional(),
  /** Panes from the weather to the room. */
  panes: z.array(positiveLength).min(1).max(4).optional(),
  weight_kg: z.number().positive().max(2000).optional(),
  /** Pressure it passed a water test at, Pa. */
  waterTest_Pa: z.number().positive().max(3000).optional(),
  /** W/(m² K), of the whole unit. */
  uFactor: z.number().positive().max(8).optional(),
  /** W/(m² K) of frame and glass, and W/(m K) of the glass edge, where the maker gives them. */
  frameU: z.number().positive().max(8).optional(),
  glassU: z.number().positive().max(6).optional(),
  spacerPsi: z.number().min(0).max(0.3).optional(),
  shgc: z.number().min(0).max(1).optional(),
  /** Seen from outside. */
  hinge: z.enum(['left', 'right', 'top', 'bottom']).optional(),
  /** Where sealed glazing was closed, metres above the sea. */
  madeAt_m: z.number().min(-400).max(6000).optional(),
  /** The maker's own limits; they go before the method's. */
  limits: z
    .strictObject({
      foam: z.enum(['allowed', 'forbidden']).optional(),
      leastGap: positiveLength.optional(),
      largestGap: positiveLength.optional(),
      fasteners: z.enum(['every-hole', 'every-second-hole', 'clips-only', 'frame-screws']).optional(),
      /** What one fastener or clip may carry across the wall's face, N, as its maker or an engineer says. */
      fastener_N: z.number().positive().max(50_000).optional(),
    })
    .optional(),
  /** Centres of the mullions of joined units, from the left edge seen from outside. */
  mullions: z.array(positiveLength).max(8).optional(),
  /** Height of a door's threshold; its unit stands on the floor line instead of a window sill. */
  threshold: positiveLength.optional(),
});

export const quantity = z.union([typedLength, z.strictObject({ typed: words(40).min(1), deg: z.number() })]);
export const numbersSchema = z
  .partialRecord(z.enum(parameterIds), quantity)
  .superRefine((numbers, context) => {
    for (const [id, value] of Object.entries(numbers)) {
      const { kind, least, most } = parameters[id as ParameterId];
      const isLength = value !== undefined && 'mm' in value;
      const figure = value === undefined ? least : 'mm' in value ? value.mm : value.deg;
      if (isLength !== (kind === 'length')) {
        context.addIssue({
          code: 'custom',
          path: [id],
          message: `must be ${kind === 'length' ? 'a length' : 'an angle'}`,
        });
      } else if (figure < least || figure > most) {
        const unit = kind === 'length' ? 'mm' : '°';
        context.addIssue({
          code: 'custom',
          path: [id],
          message: `${figure} ${unit} is outside ${least} to ${most} ${unit}`,
        });
      }
    }
  });

/** Choices on some of the axes; those left out are the school's. */
export const choicesSchema = z.strictObject(
  Object.fromEntries(axisIds.map((axis) => [axis, z.enum(axes[axis]).optional()])) as unknown as {
    [Axis in AxisId]: z.ZodOptional<z.ZodEnum<{ [Choice in (typeof axes)[Axis][number]]: Choice }>>;
  },
);

export const methodSchema = z.strictObject({
  id: id('MethodId'),
  name,
  origin,
  preset: z.enum(presetIds),
  /** Version of the preset this copy was taken from. */
  presetVersion: z.int().positive(),
  numbers: numbersSchema,
  /** Where the job departs from the school. */
  choices: choicesSchema.optional(),
  /** A frame in the opening or before the wall that carries the unit. */
  buck: z
    .strictObject({
      kind: z.enum(['lumber', 'foam']),
      /** Thickness of the part that stands in the opening; it is framed larger by this on each side. */
      leg: positiveLength,
      /** How far it stands out from the sheathing. */
      projection: positiveLength,
    })
    .optional(),
});

/** Stock as its maker describes it: a roll, a tube, a can. The maker's own sheet goes before all of it. */
export const materialSchema = z.strictObject({
  id: id('MaterialId'),
  name,
  origin,
  /** What pieces it is for. */
  kind: z.enum([...sheetMaterialIds, 'sealant', 'foam', 'band', 'rod', 'wool']),
  /** Rolls and boards. */
  width: positiveLength.optional(),
  length: lengthWithin(500_000)
    .refine((l) => l.mm > 0, { error: 'must be more than nothing' })
    .optional(),
  /** Surface and air while it is worked, °C. */
  least_C: z.number().min(-40).max(60).optional(),
  most_C: z.number().min(-40).max(80).optional(),
  dampSubstrate: z.boolean().optional(),
  roller: z.boolean().optional(),
  primer: z.enum(['never', 'porous', 'always']).optional(),
  /** Before it is loaded or covered, hours. */
  rest_h: z.number().min(0).max(720).optional(),
  /** Equivalent air layer, m. */
  sd_m: z.number().min(0).max(2000).optional(),
  lambda_WmK: z.number().positive().max(400).optional(),
  /** How long it may stay uncovered, days. */
  exposure_days: z.int().positive().max(730).optional(),
});

/** What is chosen for an opening. Its figures are readings, kept as they were taken. */
export const openingDocumentSchema = z.strictObject({
  id: id('OpeningId'),
  mark: words(16).trim().min(1),
  name: words(120).trim(),
  facade: words(60).trim(),
  wall: id('WallId').nullable(),
  unit: id('UnitId').nullable(),
  method: id('MethodId').nullable(),
  /** From which side the crew measures. */
  survey: z.strictObject({ from: side }),
  /** Numbers of the method changed for this opening only. */
  numbers: numbersSchema,
  /** Where this opening departs from the job's method. */
  choices: choicesSchema.optional(),
  /** Rules that somebody decided to break here, and why. */
  deviations: z
    .array(
      z.strictObject({
        rule: words(60).min(1),
        reason: words(500).trim().min(1, 'a reason is needed'),
        person: name,
        at: instant,
      }),
    )
    .max(100)
    .optional(),
  /** How high above ground, and what shelters it; what is left out is not known. */
  exposure: z
    .strictObject({
      height_m: z.number().min(0).max(300).optional(),
      zone: z.enum(['field', 'corner']).optional(),
      overhang: typedLength.refine((l) => l.mm >= 0, { error: 'must not be negative' }).optional(),
      /** From this opening's sill up to the soffit, of whichever storey. */
      toSoffit: positiveLength.optional(),
    })
    .optional(),
  /** Lower left corner of the rough opening on its façade, seen from outside: from its left end, and above its zero line. */
  position: z.strictObject({ u: placeLength, v: placeLength }).optional(),
  /** Where and how the unit that came for this opening is damaged; empty when it was looked at and found whole. */
  damage: note.optional(),
  /** What the label on the delivered unit says. */
  label: z
    .strictObject({
      uFactor: z.number().positive().max(8).optional(),
      shgc: z.number().min(0).max(1).optional(),
    })
    .optional(),
});

/** An opening with its survey as it stood at one moment: what a plan is made from. */
export const openingSchema = openingDocumentSchema.extend({ survey: surveySchema });

export const entryKinds = ['tick', 'look', 'override', 'note', 'photo', 'undo', 'built'] as const;

/** What was built otherwise than planned. */
export const builtSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.enum(['bond-lost', 'left-out']), piece: words(60) }),
  z.strictObject({
    kind: z.literal('short'),
    piece: words(60),
    edge: z.enum(pieceEdges),
    mm: z.number().positive().max(2000),
  }),
  z.strictObject({ kind: z.literal('raised'), piece: words(60), mm: z.number().min(-2000).max(2000) }),
]);

export const photoTypes = ['image/jpeg', 'image/png', 'image/webp'] as const;

/** What is known of a picture; the picture itself is kept beside the records, under the id of its entry. */
export const photoSchema = z.strictObject({
  sha256: z.string().regex(/^[0-9a-f]{64}$/, '64 digits of a SHA-256'),
  type: z.enum(photoTypes),
  width_px: z.int().positive().max(20_000),
  height_px: z.int().positive().max(20_000),
  bytes: z.int().positive(),
});

/** One thing somebody did or saw on site. Entries are only ever added; `undo` names the entry it takes back. */
export const entrySchema = z.strictObject({
  id: z.uuid(),
  opening: id('OpeningId'),
  issue: z.int().positive(),
  kind: z.enum(entryKinds),
  step: words(60),
  undoes: z.uuid().nullable(),
  person: name,
  at: instant,
  note,
  photo: photoSchema.nullable(),
  /** Only of the kind `built`. */
  built: builtSchema.nullable().optional(),
});

/** A plan frozen when work began, as the inputs it was made from: what field entries refer to. */
export const issueSchema = z.strictObject({
  version: z.int().positive(),
  person: name,
  at: instant,
  opening: openingSchema,
  wall: wallSchema,
  unit: unitSchema,
  method: methodSchema,
  /** Content of every step at that moment, so that a later plan knows which ticks still stand. */
  steps: z.array(z.strictObject({ id: words(60), hash: words(64) })).max(200),
});

export const jobSchema = z.strictObject({
  id: id('JobId'),
  name,
  note,
  units: z.enum(['mm', 'in']),
  /** Of the site, metres above the sea. */
  altitude_m: z.number().min(-400).max(6000).optional(),
  /** 3-second gust at 10 m in open country, and the ground the wind comes over. */
  wind: z
    .strictObject({
      gust_ms: z.number().positive().max(120),
      terrain: z.enum(terrains),
      /** Share of the pressure across the wall's layer behind its cladding. */
      layerShare: z.number().min(0).max(1).optional(),
    })
    .optional(),
  /** Room and weather that the coldest corner is judged in. */
  climate: z
    .strictObject({
      inside_C: z.number().min(5).max(35),
      humidity_percent: z.number().min(5).max(95),
      outside_C: z.number().min(-50).max(20),
    })
    .refine((climate) => climate.inside_C > climate.outside_C, {
      error: 'the room must be warmer than the weather it is judged in',
    })
    .optional(),
  /** What the local code or the project asks of a joint; the usual figures where it is left out. */
  heatLimits: z
    .strictObject({
      fRsiLeast: z.number().min(0).max(1).optional(),
      /** W/(m K). */
      psiMost: z.number().min(0).max(1).optional(),
    })
    .optional(),
  /** The weather month by month, January first, and where it comes from. */
  months: z
    .strictObject({
      source: z.enum(monthSources),
      note: words(200),
      rows: z
        .array(
          z.strictObject({
            outside_C: z.number().min(-60).max(50),
            humidity_percent: z.number().min(1).max(100),
          }),
        )
        .length(12, { error: 'twelve months are needed, January first' }),
    })
    .optional(),
  /** What the joints live through; the usual figures where one is left out. */
  joints: z
    .strictObject({
      installed_C: z.number().min(-30).max(50).optional(),
      coldest_C: z.number().min(-60).max(30).optional(),
      hottest_C: z.number().min(0).max(100).optional(),
      /** Share of its width that the sealant may open and close. */
      movement: z.union(movementClasses.map((m) => z.literal(m))).optional(),
    })
    .optional(),
  /** What material and work cost here, in whatever money the job counts in. */
  prices: z.partialRecord(z.enum(priceIds), z.number().min(0).max(100_000)).optional(),
  /** How units may be carried on this site. */
  handling: z
    .strictObject({
      person_kg: z.number().min(5).max(40).optional(),
      gust_ms: z.number().min(1).max(30).optional(),
    })
    .optional(),
  /** What each façade asks of its glazing. */
  facades: z
    .array(
      z.strictObject({
        name: words(60).trim(),
        uMost: z.number().positive().max(8).optional(),
        shgcLeast: z.number().min(0).max(1).optional(),
        shgcMost: z.number().min(0).max(1).optional(),
      }),
    )
    .max(60)
    .optional(),
  /** Openings whose sills, heads or centre lines must line up. */
  lines: z
    .array(
      z.strictObject({
        id: id('LineId'),
        name,
        kind: z.enum(['sills', 'heads', 'centres']),
        openings: z.array(id('OpeningId')).max(200),
      }),
    )
    .max(200)
    .optional(),
});

export type TypedLengthDocument = z.infer<typeof typedLength>;
export type Quantity = z.infer<typeof quantity>;
export type Numbers = z.infer<typeof numbersSchema>;
export type Survey = z.infer<typeof surveySchema>;
export type Wall = z.infer<typeof wallSchema>;
export type Unit = z.infer<typeof unitSchema>;
export type MethodDocument = z.infer<typeof methodSchema>;
export type OpeningDocument = z.infer<typeof openingDocumentSchema>;
export type Opening = z.infer<typeof openingSchema>;
export type Reading = z.infer<typeof readingSchema>;
export type Instrument = Reading['instrument'];
export type Photo = z.infer<typeof photoSchema>;
export type Entry = z.infer<typeof entrySchema>;
export type Issue = z.infer<typeof issueSchema>;
export type Material = z.infer<typeof materialSchema>;
export type Deviation = NonNullable<OpeningDocument['deviations']>[number];
export type ChoicesDocument = z.infer<typeof choicesSchema>;
export type Job = z.infer<typeof jobSchema>;
export type LineDocument = NonNullable<Job['lines']>[number];

/** What `planOpening` needs to know of the job besides the opening itself. */
export interface JobContext {
  readonly job: Job;
  readonly walls: readonly Wall[];
  readonly units: readonly Unit[];
  readonly methods: readonly MethodDocument[];
  readonly materials?: readonly Material[] | undefined;
}
