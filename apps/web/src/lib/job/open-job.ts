/** Opening a job on a device, with a network or without. */
import { packSchema, type Pack } from '$lib/contract/pack.ts';
import { answeredPack, withChanges } from './pack-changes.ts';
import { answerOf } from '$lib/contract/read.ts';
import { forgetPack, keepPack, keptPack } from '$lib/device/database.ts';
import type { Outbox } from '$lib/device/outbox.svelte.ts';
import { sentence } from '$lib/device/sentence.ts';
import { offlineWords } from '$words/device.ts';
import { JobStore } from './job.svelte.ts';

/** `denied` carries the server's sentence. */
export type Opened =
  | { readonly ok: true; readonly store: JobStore }
  | { readonly ok: false; readonly status: 401 | 403 | 404 | 503; readonly message: string };

/** With a copy at hand, a network that takes longer is not waited for. */
const PATIENCE_ms = 3000;

/** Opens a job: from the server when it answers soon, else from what this device kept. */
export async function openJob(id: string, outbox: Outbox, from: typeof fetch): Promise<Opened> {
  // What this device kept need not be sent again.
  const kept = await keptPack(id).catch(() => null);
  const asked = askServer(id, kept, outbox, from);
  if (!kept) return asked;
  const patience = new Promise<null>((resolve) => setTimeout(() => resolve(null), PATIENCE_ms));
  const answer = await Promise.race([asked, patience]);
  if (answer && (answer.ok || answer.status !== 503)) return answer;
  const store = new JobStore(id, kept, outbox);
  if (!answer) void asked.then((late) => late.ok && store.takePack(late.store.pack));
  return { ok: true, store };
}

async function askServer(id: string, kept: Pack | null, outbox: Outbox, from: typeof fetch): Promise<Opened> {
  let response: Response;
  try {
    response = await from(`/api/jobs/${id}/pack${kept ? `?since=${kept.revision}` : ''}`);
  } catch {
    return { ok: false, status: 503, message: offlineWords.notHere };
  }
  if (response.ok) {
    const pack = kept
      ? withChanges(kept, await answerOf(response, answeredPack))
      : await answerOf(response, packSchema);
    await keepPack(id, pack).catch(() => undefined);
    return { ok: true, store: new JobStore(id, pack, outbox) };
  }
  const { status } = response;
  const message = await sentence(response);
  if (status === 403 || status === 404) await forgetPack(id).catch(() => undefined);
  if (status === 401 || status === 403 || status === 404) return { ok: false, status, message };
  return { ok: false, status: 503, message };
}
