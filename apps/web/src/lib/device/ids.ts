/** Ids made on the device, and what it says of whatever it makes. */

/** What records say they were made with. */
const APP = 'web 0.1';

/** A version-4 UUID; `crypto.randomUUID` is missing on plain http in the site network. */
export function freshId(): string {
  const bytes = crypto.getRandomValues(new Uint8Array(16));
  bytes[6] = ((bytes[6] ?? 0) & 0x0f) | 0x40;
  bytes[8] = ((bytes[8] ?? 0) & 0x3f) | 0x80;
  const hex = [...bytes].map((b) => b.toString(16).padStart(2, '0')).join('');
  return [hex.slice(0, 8), hex.slice(8, 12), hex.slice(12, 16), hex.slice(16, 20), hex.slice(20)].join('-');
}

const DEVICE = 'hulvek:device';
const COUNT = 'hulvek:count';

/** What this device says of each record that it makes: which device, and the how-manieth record it is. */
export function made(): { readonly device: string; readonly count: number; readonly app: string } {
  const known = localStorage.getItem(DEVICE);
  const device = known ?? freshId();
  if (known === null) localStorage.setItem(DEVICE, device);
  const count = Number(localStorage.getItem(COUNT) ?? 0) + 1;
  localStorage.setItem(COUNT, String(count));
  return { device, count, app: APP };
}
