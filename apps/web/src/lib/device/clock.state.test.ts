import { beforeEach, expect, it } from 'vitest';
import { DeviceClock } from './clock.svelte.ts';

beforeEach(() => localStorage.removeItem('hulvek:last-seen'));
const MINUTE = 60_000;

it('goes with the clock that nobody can set, and is not sure once the two part', () => {
  const clock = new DeviceClock();
  const [wall, mono] = [Date.now(), performance.now()];
  clock.turn(wall + 10 * MINUTE, mono + 10 * MINUTE);
  expect(clock.unsure).toBe(false);
  expect(clock.now).toBe(wall + 10 * MINUTE);
  // The network sets a clock by a few seconds: that is no other clock.
  clock.turn(wall + 20 * MINUTE + 20_000, mono + 20 * MINUTE);
  expect(clock.unsure).toBe(false);
  clock.turn(wall + 90 * MINUTE, mono + 30 * MINUTE);
  expect(clock.unsure).toBe(true);
});

it('opened again with an earlier time than it had is not sure', () => {
  const before = new DeviceClock();
  before.turn(Date.now() + 60 * MINUTE, performance.now() + 60 * MINUTE);
  const after = new DeviceClock();
  const stop = after.run();
  expect(after.unsure).toBe(true);
  stop();
  localStorage.removeItem('hulvek:last-seen');
  const fresh = new DeviceClock();
  fresh.run()();
  expect(fresh.unsure).toBe(false);
});
