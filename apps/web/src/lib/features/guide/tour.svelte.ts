/** How far somebody is on the way through the demo; kept on the device until they leave it. */
const KEY = 'hulvek:tour';

const state = $state<{ at: number | null }>({ at: null });

/** Only in the browser. */
export function restoreTour(): void {
  const kept = Number(sessionStorage.getItem(KEY) ?? Number.NaN);
  state.at = Number.isInteger(kept) ? kept : null;
}
export const tourStop = (): number | null => state.at;
export function tourAt(at: number): void {
  state.at = at;
  sessionStorage.setItem(KEY, String(at));
}
export function endTour(): void {
  state.at = null;
  sessionStorage.removeItem(KEY);
}
