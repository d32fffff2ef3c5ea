/** A package on its way to the server, part by part: what has come stays there, and goes on where it broke off. */
import { sentence } from '$lib/device/sentence.ts';
import { packageAnswer, packageTaskAnswer, PART_bytes, type PackageStep } from '$lib/contract/packages.ts';
import { answerOf } from '$lib/contract/read.ts';

export class NotSent extends Error {}

export interface Sending {
  readonly file: File;
  id: string | null;
  sent: number;
}

const asJson = (body: unknown): RequestInit => ({
  method: 'POST',
  headers: { 'content-type': 'application/json' },
  body: JSON.stringify(body),
});

async function asked(path: string, init: RequestInit): Promise<Response> {
  const response = await fetch(path, init);
  if (!response.ok) throw new NotSent(await sentence(response));
  return response;
}

/** Sends what is not there yet. @throws NotSent where the server refuses it; whatever fetch throws without a line */
export async function sendPackage(
  sending: Sending,
  told: (share: number) => void,
  signal: AbortSignal,
): Promise<string> {
  const { file } = sending;
  sending.id ??= (
    await answerOf(
      await asked('/api/packages', asJson({ name: file.name.slice(0, 200), size_bytes: file.size })),
      packageAnswer,
    )
  ).id;
  while (sending.sent < file.size) {
    const part = file.slice(sending.sent, sending.sent + PART_bytes);
    await asked(`/api/packages/${sending.id}?from=${sending.sent}`, {
      method: 'PUT',
      headers: { 'content-type': 'application/octet-stream' },
      body: part,
      signal,
    });
    sending.sent += part.size;
    told(sending.sent / file.size);
  }
  return sending.id;
}

/** Asks for a step with a package that has come; the id of what is done then. */
export async function stepWith(id: string, step: PackageStep): Promise<string> {
  return (await answerOf(await asked(`/api/packages/${id}`, asJson(step)), packageTaskAnswer)).task;
}
