/** Reads what a request carries: no more than allowed, and only what its schema knows. */
import { errorsWords } from '$words/contract.ts';
import { storable } from '@hulvek/core';
import { error } from '@sveltejs/kit';
import type * as z from 'zod/mini';

const KIB = 1024;
/** A hundred records with long notes. */
export const LARGEST_JSON_bytes = 512 * KIB;

/** Returns the body, or answers 413 as soon as it is longer than `most_bytes`, whatever its header promised. */
export async function readBytes(request: Request, most_bytes: number): Promise<Buffer> {
  if (Number(request.headers.get('content-length') ?? 0) > most_bytes) error(413, errorsWords.tooLarge);
  const chunks: Uint8Array[] = [];
  let length = 0;
  for await (const chunk of (request.body ?? []) as AsyncIterable<Uint8Array>) {
    length += chunk.length;
    if (length > most_bytes) error(413, errorsWords.tooLarge);
    chunks.push(chunk);
  }
  return Buffer.concat(chunks);
}

export async function readBody<Schema extends z.ZodMiniType>(
  request: Request,
  schema: Schema,
  most_bytes = LARGEST_JSON_bytes,
): Promise<z.infer<Schema>> {
  const bytes = await readBytes(request, most_bytes);
  return checked(parsed(bytes.toString('utf8')), schema);
}

function parsed(json: string): unknown {
  try {
    return JSON.parse(json);
  } catch {
    return undefined;
  }
}

/** Answers 400 with the place of the first thing that is wrong. */
export function checked<Schema extends z.ZodMiniType>(value: unknown, schema: Schema): z.infer<Schema> {
  const result = schema.safeParse(value);
  if (result.success) return result.data;
  const [issue] = result.error.issues;
  return error(400, issue ? `${issue.path.join('.')}: ${issue.message}` : errorsWords.badRequest);
}

/** Text of a form field that holds JSON. */
export const jsonField = (form: FormData, name: string): unknown => {
  const value = form.get(name);
  return typeof value === 'string' ? parsed(value) : undefined;
};

/** The texts of a form; what no store could keep, or what is no form, is answered 400. */
export async function formFields(request: Request): Promise<Record<string, unknown>> {
  const form = await request.formData().catch(() => error(400, errorsWords.badRequest));
  for (const value of form.values())
    if (typeof value === 'string' && !storable(value)) error(400, errorsWords.unstorable);
  return Object.fromEntries(form);
}
