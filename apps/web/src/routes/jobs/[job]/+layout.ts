import { device } from '$lib/device/device.svelte.ts';
import { error, redirect } from '@sveltejs/kit';

/** The pages of a job are worked out on the device, from what it carries, so that they need no network. */
export const ssr = false;

export const load = async ({ params, fetch, url, depends }) => {
  depends('hulvek:job');
  const opened = await device().openJob(params.job, fetch);
  if (opened.ok) return { store: opened.store };
  if (opened.status === 401) redirect(303, `/sign-in?next=${encodeURIComponent(url.pathname)}`);
  error(opened.status, opened.message);
};
