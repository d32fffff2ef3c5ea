import { dropItems, keepItems, waitingItems } from './database.ts';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { answering, item, ME } from '$lib/device/testing/server.ts';

let quiet = () => undefined as void;
beforeEach(async () => {
  vi.resetModules();
  localStorage.setItem('hulvek:me', JSON.stringify(ME));
  await dropItems((await waitingItems()).flatMap((i) => i.seq ?? []));
});
afterEach(() => quiet());

it('opened again without a network, a device says at once that entries wait, whoever is known first: the person or the entries', async () => {
  quiet = answering(() => Promise.reject(new TypeError('no network')));
  await keepItems([item(1), item(2)]);
  const { device } = await import('./device.svelte.ts');
  const { outbox } = device();
  await vi.waitFor(() => expect(outbox.items).toHaveLength(2));
  // The entries are read, the person is not yet known: nothing may be sent in anybody's name.
  expect(outbox.line).toBe('idle');
  expect(device().remembered()).toEqual(ME);
  await vi.waitFor(() => expect(outbox.line).toBe('no-network'));
});
