/** One thing that somebody did or saw on site. */
import * as z from 'zod/mini';
import { words, id, name, instant, note, versionNumber } from './fields.ts';
import { envelope } from './envelope.ts';
import { figureSources, measuredWhats } from '../vocabulary/measured.ts';
import { pieceEdges } from '../vocabulary/piece-edges.ts';
import { sides } from '../vocabulary/sides.ts';
import {
  openingTests,
  pressings,
  sprayStages,
  testChecks,
  wettings,
  wetZones,
} from '../vocabulary/wet-zones.ts';

export const entryKinds = [
  'tick',
  'look',
  'override',
  'note',
  'photo',
  'undo',
  'built',
  'cut',
  'fault',
  'mended',
  'rechecked',
  'measured',
  'gap',
  'deviation',
  'taken',
  'test',
] as const;

/** What was built otherwise than planned. */
export const builtSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.enum(['bond-lost', 'left-out']), piece: words(60) }),
  z.strictObject({
    kind: z.literal('short'),
    piece: words(60),
    edge: z.enum(pieceEdges),
    mm: z.number().check(z.positive(), z.lte(2000)),
  }),
  z.strictObject({
    kind: z.literal('bond-open'),
    piece: words(60),
    from_mm: z.number().check(z.gte(0), z.lte(20_000)),
    to_mm: z.number().check(z.positive(), z.lte(20_000)),
    side: z.optional(z.enum(sides)),
  }),
  z.strictObject({ kind: z.enum(['sill-closed', 'left-in']), piece: words(60) }),
  z.strictObject({
    kind: z.literal('film'),
    piece: words(60),
    mm: z.number().check(z.positive(), z.lte(10)),
  }),
  z.strictObject({
    kind: z.literal('other-material'),
    piece: words(60),
    material: words(120),
    /** Where it is a stock of the job. */
    stock: z.optional(id('MaterialId')),
  }),
  z.strictObject({
    kind: z.literal('raised'),
    piece: words(60),
    mm: z.number().check(z.gte(-2000), z.lte(2000)),
  }),
]);

/** `passed`: it was covered unseen, and somebody said why. */
export const faultSeverities = ['stops', 'noted', 'passed'] as const;
export const faultViews = ['outside', 'inside'] as const;
export const gapThings = ['shim', 'block', 'screw', 'foam'] as const;
export const departedFroms = ['plan', 'maker', 'school'] as const;

const percent = z.number().check(z.gte(0), z.lte(100));
const degrees = z.number().check(z.gte(-60), z.lte(120));
const minutes = z.number().check(z.gte(0), z.lte(10_000));
const pressure = z.number().check(z.gte(0), z.lte(5000));
const area = z.number().check(z.positive(), z.lte(500));
const air = z.number().check(z.gte(0), z.lte(10_000));
const place = z.number().check(z.gte(-20_000), z.lte(20_000));

/** What an entry says besides words, by its kind. */
export const factsSchema = z.discriminatedUnion('kind', [
  /** A strip was cut; spoiled, where so much of it is left for others. */
  z.strictObject({
    kind: z.literal('cut'),
    piece: words(60),
    /** The strip, as the plan of cuts names it. */
    strip: words(200).check(z.minLength(1)),
    spoiled_mm: z.optional(z.number().check(z.gte(0), z.lte(500_000))),
  }),
  /** Something is wrong; it stops the step that would cover it, or is kept in mind. */
  z.strictObject({
    kind: z.literal('fault'),
    piece: words(60),
    severity: z.enum(faultSeverities),
    /** The step that would cover it, where there is one. */
    before: z.optional(words(60)),
    /** Who is to mend it, in words. */
    owner: z.optional(words(120)),
    /** The test that found it. */
    test: z.optional(z.uuid()),
    /** Where it was pressed onto the drawing: across and up from the opening's lower left corner, seen from outside. */
    at: z.optional(z.strictObject({ from: z.enum(faultViews), u_mm: place, v_mm: place })),
  }),
  /** A figure, in mm, °C or percent; with the reason why one outside its limits stays. */
  z.strictObject({
    kind: z.literal('measured'),
    what: z.enum(measuredWhats),
    place: words(60),
    value: z.number().check(z.gte(-1000), z.lte(100_000)),
    accepted: z.optional(words(400)),
    /** Where the figure comes from; typed by hand where nothing is said. */
    by: z.optional(z.enum(figureSources)),
  }),
  /** What it was like when a step was done. */
  z.strictObject({
    kind: z.literal('conditions'),
    air_C: z.optional(degrees),
    surface_C: z.optional(degrees),
    humidity_percent: z.optional(percent),
    moisture_percent: z.optional(percent),
    by: z.enum(figureSources),
    /** Why it was done outside what a material asks for. */
    despite: z.optional(words(400)),
  }),
  /** What went into the gap round the unit, and where it is below zero, came out. */
  z.strictObject({
    kind: z.literal('gap'),
    thing: z.enum(gapThings),
    place: words(60),
    count: z.int().check(z.gte(-500), z.lte(500)),
    thick_mm: z.optional(z.number().check(z.positive(), z.lte(200))),
  }),
  /** The picture as the device that took it digested it, and the fault that it shows where it is of one. */
  z.strictObject({
    kind: z.literal('picture'),
    sha256: z.string().check(z.regex(/^[0-9a-f]{64}$/)),
    fault: z.optional(z.uuid()),
  }),
  /** Something was done otherwise than planned, than its maker says or than the school does it. */
  z.strictObject({
    kind: z.literal('deviation'),
    from: z.enum(departedFroms),
    accepted: words(120).check(z.minLength(1)),
  }),
  /** A test of the opening begins, with what was looked at before; or somebody reports water without one. */
  z.strictObject({
    kind: z.literal('test'),
    of: z.enum(openingTests),
    checked: z.array(z.enum(testChecks)).check(z.maxLength(testChecks.length)),
    pressing: z.optional(z.enum(pressings)),
    pressure_Pa: z.optional(pressure),
    /** Water of the rack, l/min, over the area that it wets, m². */
    flow_lmin: z.optional(z.number().check(z.positive(), z.lte(2000))),
    area_m2: z.optional(area),
  }),
  /** A stage of the spray that ended, and how long it ran. */
  z.strictObject({ kind: z.literal('stage'), test: z.uuid(), stage: z.enum(sprayStages), minutes }),
  /** Water seen in the room: where, in which stage and how long after it began. Without a stage, by what weather it came. */
  z.strictObject({
    kind: z.literal('wet'),
    test: z.uuid(),
    zone: z.enum(wetZones),
    stage: z.optional(z.enum(sprayStages)),
    after_min: z.optional(minutes),
    drips_min: z.optional(z.number().check(z.gte(0), z.lte(10_000))),
    weather: z.optional(words(200)),
  }),
  /** One more look at a leak: wetted by itself, masked, or without pressure, and what was seen. */
  z.strictObject({
    kind: z.literal('probe'),
    test: z.uuid(),
    wets: z.array(z.enum(wettings)).check(z.minLength(1), z.maxLength(wettings.length)),
    pressed: z.boolean(),
    masked: z.array(words(80)).check(z.maxLength(20)),
    seen: z.array(z.enum(wetZones)).check(z.maxLength(wetZones.length)),
    minutes,
  }),
  /** Air through one opening under a chamber: everything masked, its joint open, all open; m³/h. */
  z.strictObject({
    kind: z.literal('chamber'),
    test: z.uuid(),
    pressure_Pa: pressure,
    tare_m3h: air,
    joint_m3h: air,
    open_m3h: air,
  }),
  /** A draught seen by smoke or by a warm camera. */
  z.strictObject({
    kind: z.literal('draught'),
    test: z.uuid(),
    zone: z.enum(wetZones),
    how: z.enum(['smoke', 'infrared']),
  }),
  z.strictObject({ kind: z.literal('mended'), fault: z.uuid() }),
  /** Somebody looked again. */
  z.strictObject({ kind: z.literal('rechecked'), fault: z.uuid(), good: z.boolean() }),
]);

export const photoTypes = ['image/jpeg', 'image/png', 'image/webp'] as const;

/** What is known of a picture; the picture itself is kept beside the records, under the id of its entry. */
export const photoSchema = z.strictObject({
  sha256: z.string().check(z.regex(/^[0-9a-f]{64}$/, '64 digits of a SHA-256')),
  type: z.enum(photoTypes),
  width_px: z.int().check(z.positive(), z.lte(20_000)),
  height_px: z.int().check(z.positive(), z.lte(20_000)),
  bytes: z.int().check(z.positive()),
});

/** One thing somebody did or saw on site. Entries are only ever added; `undo` names the entry it takes back. */
export const entrySchema = z.strictObject({
  id: z.uuid(),
  opening: id('OpeningId'),
  issue: versionNumber,
  kind: z.enum(entryKinds),
  step: words(60),
  undoes: z.nullable(z.uuid()),
  person: name,
  /** As the device said. */
  at: instant,
  note,
  photo: z.nullable(photoSchema),
  /** Only of the kind `built`, and of a fault: what it makes of the wall until it is closed. */
  built: z.optional(z.nullable(builtSchema)),
  /** Only of kinds that have them. */
  facts: z.optional(z.nullable(factsSchema)),
  ...envelope,
});

export type Photo = z.infer<typeof photoSchema>;

export type Entry = z.infer<typeof entrySchema>;
