/** The way in for everything that came over the line or off this device: held against its schema before it is used. */
import { readBy, UnreadableDocument } from '@hulvek/core';
import type * as z from 'zod/mini';

/** @throws UnreadableDocument where it is not what it should be */
export function mustBe<Schema extends z.ZodMiniType>(
  schema: Schema,
  value: unknown,
  where: string,
): z.infer<Schema> {
  const result = readBy(schema, value);
  if (!result.ok) throw new UnreadableDocument(where, result.problems);
  return result.value;
}

export const answerOf = async <Schema extends z.ZodMiniType>(
  response: Response,
  schema: Schema,
): Promise<z.infer<Schema>> => mustBe(schema, await response.json(), `the answer of ${response.url}`);

/** The value in a text, or `null` where it is none: cut off, or of another kind. */
export function inText<Schema extends z.ZodMiniType>(
  schema: Schema,
  text: string | null,
): z.infer<Schema> | null {
  if (text === null) return null;
  try {
    const result = schema.safeParse(JSON.parse(text));
    return result.success ? result.data : null;
  } catch {
    return null;
  }
}
