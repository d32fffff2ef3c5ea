/**
 * This device's clock, beside one that nobody can set: while the page is open the two go together; over a restart the wall's
 * time must not go back. Where they do not fit, what runs by the clock is not sure.
 */
const LAST = 'hulvek:last-seen';
/** A clock that the network sets may step by this, ms: common practice, no source. */
const STEP_ms = 90_000;
const TURN_ms = 1000;
const KEEP_ms = 10_000;

export class DeviceClock {
  now = $state(Date.now());
  unsure = $state(false);
  readonly #wall = Date.now();
  readonly #mono = performance.now();
  #kept = 0;

  /** Turns until the returned function is called. */
  run(): () => void {
    const last = Number(localStorage.getItem(LAST) ?? 0);
    if (last > Date.now() + STEP_ms) this.unsure = true;
    const turn = setInterval(() => this.turn(), TURN_ms);
    return () => clearInterval(turn);
  }

  turn(wall = Date.now(), mono = performance.now()): void {
    this.now = wall;
    const drift = wall - this.#wall - (mono - this.#mono);
    if (Math.abs(drift) > STEP_ms) this.unsure = true;
    if (wall - this.#kept < KEEP_ms) return;
    this.#kept = wall;
    localStorage.setItem(LAST, String(wall));
  }
}
