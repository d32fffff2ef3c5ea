/** What of a job's material is on the van, ordered and paid for; and own tests of what sticks. */
import * as z from 'zod/mini';
import { contactFaces } from '../vocabulary/contacts.ts';
import { arrivalChecks, orderStates } from '../vocabulary/order-states.ts';
import { id, instant, name, words } from './fields.ts';

const day = z.iso.date();
/** As the take-off names it. */
const articleId = words(90).check(z.minLength(1));
const own = words(40).check(z.minLength(1));
const amount = z.number().check(z.gte(0), z.lte(1_000_000));

export const supplySchema = z.strictObject({
  /** What differs from what is usual: of one pack, roll, bar or piece. */
  articles: z
    .array(
      z.strictObject({
        id: articleId,
        price: z.optional(z.number().check(z.gte(0), z.lte(1_000_000))),
        lead_days: z.optional(z.int().check(z.gte(0), z.lte(400))),
        /** ml or pieces in one pack; of a roll or bar its length, mm. */
        pack: z.optional(z.number().check(z.positive(), z.lte(1_000_000))),
        few: z.optional(z.boolean()),
        /** Of a board, along and across, mm. */
        sheet: z.optional(
          z.tuple([z.number().check(z.gte(100), z.lte(10_000)), z.number().check(z.gte(100), z.lte(4000))]),
        ),
      }),
    )
    .check(z.maxLength(1000)),
  /** The day of the price list. */
  pricesOf: z.optional(day),
  /** On the van or in the store: packs, or one piece of a roll or bar that was left. */
  van: z
    .array(
      z.strictObject({
        id: own,
        article: articleId,
        amount,
        /** Of what was left of a roll or bar. */
        length_mm: z.optional(z.number().check(z.positive(), z.lte(500_000))),
        lot: z.optional(words(60)),
        useBy: z.optional(day),
      }),
    )
    .check(z.maxLength(2000)),
  orders: z
    .array(
      z.strictObject({
        id: own,
        article: articleId,
        amount,
        /** The newest last. */
        events: z
          .array(
            z.strictObject({
              state: z.enum(orderStates),
              at: instant,
              person: name,
              account: z.optional(z.uuid()),
              promised: z.optional(day),
              note: z.optional(words(400)),
              lot: z.optional(words(60)),
              useBy: z.optional(day),
              /** What was looked at when it came, and whether it was right. */
              checks: z.optional(z.partialRecord(z.enum(arrivalChecks), z.boolean())),
            }),
          )
          .check(z.minLength(1), z.maxLength(60)),
      }),
    )
    .check(z.maxLength(2000)),
  /** Faces of the house that this crew wraps itself. */
  wraps: z.optional(
    z
      .array(
        z.strictObject({
          id: own,
          facade: words(80),
          width_mm: z.number().check(z.positive(), z.lte(200_000)),
          height_mm: z.number().check(z.positive(), z.lte(100_000)),
        }),
      )
      .check(z.maxLength(60)),
  ),
  /** A strip pulled after a day. */
  adhesion: z
    .array(
      z.strictObject({
        id: own,
        material: id('MaterialId'),
        face: z.enum(contactFaces),
        primer: z.boolean(),
        held: z.boolean(),
        at: instant,
        person: name,
        account: z.optional(z.uuid()),
        note: words(400),
      }),
    )
    .check(z.maxLength(500)),
});

export type Supply = z.infer<typeof supplySchema>;
export type SupplyOrder = Supply['orders'][number];

export const noSupply: Supply = { articles: [], van: [], orders: [], adhesion: [] };
