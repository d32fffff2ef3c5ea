import { browser } from '$app/environment';
import { meAnswer } from '$lib/contract/answers.ts';
import { answerOf } from '$lib/contract/read.ts';

/** Who is signed in: asked of the server, remembered where it cannot be asked. */
export const load = async ({ fetch, depends }) => {
  depends('hulvek:me');
  try {
    const response = await fetch('/api/me');
    const { me } = await answerOf(response, meAnswer);
    if (browser) (await import('$lib/device/device.svelte.ts')).device().signedIn(me);
    return { person: me };
  } catch {
    return { person: browser ? (await import('$lib/device/device.svelte.ts')).device().remembered() : null };
  }
};
