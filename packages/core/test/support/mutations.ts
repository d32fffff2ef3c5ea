/** Job files damaged in the ways files get damaged: wrong types, huge, negative and zero numbers, lost parts, cut off. */
import { generator } from '@hulvek/core';

const REPLACEMENTS: readonly unknown[] = [
  0,
  -1,
  1e308,
  -1e308,
  1e-300,
  1e6,
  '',
  ' ',
  'x'.repeat(5000),
  '36 3/8',
  '\u0000',
  null,
  true,
  [],
  {},
  [[[]]],
  { typed: '1', mm: 1 },
];

/** The text of a job file after one to three random injuries; the same for the same seed. */
export function injured(text: string, seed: number): string {
  const random = generator(seed);
  const pick = <T>(list: readonly T[]): T | undefined => list[Math.floor(random() * list.length)];
  if (random() < 0.1) return text.slice(0, Math.floor(random() * text.length));
  const data: unknown = JSON.parse(text);
  for (let wounds = random() < 0.6 ? 1 : 3; wounds > 0; wounds--) {
    const places: [Record<string, unknown>, string][] = [];
    const walk = (value: unknown) => {
      if (typeof value !== 'object' || value === null) return;
      for (const key of Object.keys(value)) {
        places.push([value as Record<string, unknown>, key]);
        walk((value as Record<string, unknown>)[key]);
      }
    };
    walk(data);
    const place = pick(places);
    if (!place) break;
    const [owner, key] = place;
    const now = owner[key];
    const kind = random();
    if (kind < 0.2) delete owner[key];
    else if (kind < 0.4 && typeof now === 'number')
      owner[key] = pick([-now, now * 1e6, now / 3, now + 0.4, -0]);
    else if (kind < 0.5) owner[`${key}_`] = now;
    else owner[key] = pick(REPLACEMENTS);
  }
  return JSON.stringify(data);
}
