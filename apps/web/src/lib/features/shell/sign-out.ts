/** Nothing is lost by signing out, but what waits goes to the server only when this person is back. */
import { device } from '$lib/device/device.svelte.ts';
import { offlineWords } from '$words/device.ts';

/** Whether somebody goes on although something waits here. */
export function unsentAtSignOut(): boolean {
  const { outbox, me } = device();
  const unsent = outbox.items.filter((item) => item.by.id === me?.id).length;
  return unsent === 0 || confirm(offlineWords.unsentAtSignOut(unsent));
}
