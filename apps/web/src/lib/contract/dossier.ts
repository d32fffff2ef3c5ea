/** A dossier that is drawn beside the server: what is chosen of it. */
import * as z from 'zod/mini';

export const dossierBody = z.strictObject({
  /** One opening; all of them without it. */
  opening: z.nullable(z.string().check(z.maxLength(64))),
  names: z.boolean(),
  pictures: z.boolean(),
});
export const dossierStarted = z.object({ task: z.string() });
