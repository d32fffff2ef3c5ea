/** A section for heat as a file: boxes of materials, what lies beyond their outline, and points to read. */
import * as z from 'zod/mini';

export const SECTION_FORMAT = 'hulvek-section';
export const SECTION_VERSION = 1;

const name = z.string().check(z.minLength(1), z.maxLength(80));
const mm = z.number().check(z.gte(-100_000), z.lte(100_000));
const span = z
  .tuple([mm, mm])
  .check(z.refine(([from, to]) => from < to, 'a stretch runs from the smaller to the larger figure'));
const point = z.tuple([mm, mm]);

/** Millimetres, W/(m K), °C, m²K/W. Later boxes paint over earlier ones; empty space is outside of the model. */
export const sectionSchema = z
  .strictObject({
    format: z.literal(SECTION_FORMAT),
    version: z.literal(SECTION_VERSION),
    title: z.string().check(z.maxLength(200)),
    materials: z.record(name, z.strictObject({ lambda: z.number().check(z.positive(), z.lte(10_000)) })),
    boxes: z
      .array(z.strictObject({ material: name, x: span, y: span }))
      .check(z.minLength(1), z.maxLength(5000)),
    environments: z.record(
      name,
      z.strictObject({
        temperature: z.number().check(z.gte(-100), z.lte(200)),
        rs: z.number().check(z.gte(0), z.lte(10)),
      }),
    ),
    /** Level or plumb stretches of the outline; what has none lets no heat through. `rs` 0 holds the temperature. */
    surfaces: z
      .array(
        z.strictObject({
          environment: name,
          from: point,
          to: point,
          rs: z.optional(z.number().check(z.gte(0), z.lte(10))),
        }),
      )
      .check(z.maxLength(5000)),
    probes: z.array(z.strictObject({ id: name, at: point })).check(z.maxLength(1000)),
  })
  .check(
    z.superRefine((section, context) => {
      section.boxes.forEach(({ material }, i) => {
        if (!(material in section.materials))
          context.addIssue({
            code: 'custom',
            path: ['boxes', i, 'material'],
            message: `no material ${material}`,
          });
      });
      section.surfaces.forEach(({ environment, from, to }, i) => {
        if (!(environment in section.environments))
          context.addIssue({
            code: 'custom',
            path: ['surfaces', i, 'environment'],
            message: `no environment ${environment}`,
          });
        if ((from[0] === to[0]) === (from[1] === to[1]))
          context.addIssue({
            code: 'custom',
            path: ['surfaces', i],
            message: 'a surface is a level or a plumb line',
          });
      });
    }),
  );

export type Section = z.infer<typeof sectionSchema>;

export type SectionRead =
  | { readonly ok: true; readonly value: Section }
  | { readonly ok: false; readonly problems: readonly string[] };

/** As many problems as somebody reads. */
const HANDFUL = 20;

/** Reads a section file; a handful of problems, each a sentence with its place. */
export function readSection(text: string): SectionRead {
  let json: unknown;
  try {
    json = JSON.parse(text);
  } catch (error) {
    return { ok: false, problems: [`not JSON: ${error instanceof Error ? error.message : 'unreadable'}`] };
  }
  const parsed = sectionSchema.safeParse(json);
  if (parsed.success) return { ok: true, value: parsed.data };
  return {
    ok: false,
    problems: parsed.error.issues
      .slice(0, HANDFUL)
      .map(({ path, message }) => (path.length === 0 ? message : `${path.join('.')}: ${message}`)),
  };
}
