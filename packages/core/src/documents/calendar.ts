/** The calendar of a job: when work is done, by whom, with what, in which weather; and the plan that was taken. */
import * as z from 'zod/mini';
import { id, instant, name, words } from './fields.ts';
import { planGoals } from '../vocabulary/plan-goals.ts';
import { crewSkills, stepTools, tradeHolds } from '../vocabulary/crew.ts';

/** A day of the calendar, by its date. */
const day = z.iso.date();
const clock = z.string().check(z.regex(/^([01]\d|2[0-3]):[0-5]\d$/, 'a time such as 07:00'));
const personId = words(40).check(z.minLength(1));
const minutes = z.int().check(z.nonnegative(), z.lte(600));

export const weatherRowSchema = z.strictObject({
  at: instant,
  temperature_C: z.number().check(z.gte(-60), z.lte(60)),
  dew_point_C: z.optional(z.number().check(z.gte(-80), z.lte(40))),
  rain_mm: z.number().check(z.gte(0), z.lte(300)),
  wind_ms: z.number().check(z.gte(0), z.lte(80)),
  /** Where the wind comes from, degrees from north through east. */
  from_deg: z.optional(z.number().check(z.gte(0), z.lte(360))),
  gust_ms: z.number().check(z.gte(0), z.lte(120)),
  /** That it rains as much as the row says. */
  chance: z.optional(z.number().check(z.gte(0), z.lte(1))),
});

export const calendarSchema = z.strictObject({
  start: day,
  zone: words(60).check(z.minLength(1)),
  site: z.optional(
    z.strictObject({
      latitude: z.number().check(z.gte(-90), z.lte(90)),
      longitude: z.number().check(z.gte(-180), z.lte(180)),
    }),
  ),
  hours: z
    .strictObject({ from: clock, to: clock })
    .check(z.refine(({ from, to }) => from < to, { error: 'the day must end after it begins' })),
  /** Monday is 1. */
  weekdays: z.array(z.int().check(z.gte(1), z.lte(7))).check(z.minLength(1), z.maxLength(7)),
  people: z
    .array(
      z.strictObject({
        id: personId,
        name,
        account: z.optional(z.uuid()),
        skills: z.array(z.enum(crewSkills)),
        off: z.array(day).check(z.maxLength(400)),
      }),
    )
    .check(z.maxLength(60)),
  /** How many there are; what is not listed is there for everybody. */
  tools: z.partialRecord(z.enum(stepTools), z.int().check(z.gte(0), z.lte(60))),
  /** Whoever comes from another façade, or from outside to inside, sets up. */
  setup_min: minutes,
  /** Of the unit, or of what one step is done with. */
  deliveries: z
    .array(z.strictObject({ opening: id('OpeningId'), on: day, step: z.optional(words(80)) }))
    .check(z.maxLength(3000)),
  /** What other trades do first. */
  others: z
    .array(z.strictObject({ id: personId, name, on: day, holds: z.enum(tradeHolds) }))
    .check(z.maxLength(60)),
  weather: z.discriminatedUnion('source', [
    z.strictObject({ source: z.literal('invented'), seed: z.int().check(z.gte(0), z.lte(1_000_000)) }),
    z.strictObject({
      source: z.enum(['typed', 'file']),
      note: words(200),
      rows: z.array(weatherRowSchema).check(z.maxLength(2500)),
    }),
  ]),
  /** What is to begin at a moment and not before. */
  pins: z
    .array(z.strictObject({ opening: id('OpeningId'), step: words(80), at: instant }))
    .check(z.maxLength(500)),
  /** Days whose plan stays as it was taken. */
  kept: z.array(day).check(z.maxLength(400)),
  /** Evenings on which an opening is covered with a sheet. */
  covers: z.array(z.strictObject({ opening: id('OpeningId'), on: day })).check(z.maxLength(2000)),
  /** Work of the crew that belongs to no opening: a scaffold moved, units unloaded. */
  errands: z.optional(
    z
      .array(
        z.strictObject({
          id: personId.check(z.regex(/^[A-Za-z0-9-]+$/, 'letters, digits and - only')),
          name,
          minutes: z.int().check(z.positive(), z.lte(2400)),
          people: z.int().check(z.positive(), z.lte(10)),
          /** Where; nowhere in particular without it. */
          facade: z.optional(words(80)),
          /** Not before. */
          on: z.optional(day),
          /** What of its façade, or of all, waits for it. */
          holds: z.optional(z.enum(tradeHolds)),
          done: z.optional(z.literal(true)),
        }),
      )
      .check(z.maxLength(200)),
  ),
  /** What counts first, where that is not the usual order. */
  goals: z.optional(
    z.array(z.enum(planGoals)).check(
      z.length(planGoals.length),
      z.refine((all) => new Set(all).size === all.length, { error: 'each goal once' }),
    ),
  ),
  /** Where goals are weighed against each other instead: litres of a wet night, minutes late and to the finish, moves, idle minutes. */
  weights: z.optional(z.partialRecord(z.enum(planGoals), z.number().check(z.gte(0), z.lte(1_000_000)))),
});
export type Calendar = z.infer<typeof calendarSchema>;
export type WeatherRow = z.infer<typeof weatherRowSchema>;

/** A plan that somebody took: what everybody goes by until another is taken. */
export const calendarPlanSchema = z.strictObject({
  at: instant,
  person: name,
  account: z.optional(z.uuid()),
  tasks: z
    .array(
      z.strictObject({
        /** Or what stands in its place: an errand, a sheet. */
        opening: z
          .string()
          .check(z.regex(/^[A-Za-z0-9][A-Za-z0-9_.:-]{0,79}$/, 'letters, digits, - _ . : only'))
          .brand('OpeningId'),
        step: words(80),
        from: instant,
        to: instant,
        people: z.array(personId).check(z.maxLength(10)),
        /** How often it was changed since it was first planned. */
        changed: z.optional(z.int().check(z.nonnegative(), z.lte(100_000))),
        /** The wood is read before it: it stood in rain. */
        reading: z.optional(z.literal(true)),
        /** It was planned once and is not any more: whoever had it is told. */
        gone: z.optional(z.literal(true)),
      }),
    )
    .check(z.maxLength(20_000)),
});
export type CalendarPlan = z.infer<typeof calendarPlanSchema>;
