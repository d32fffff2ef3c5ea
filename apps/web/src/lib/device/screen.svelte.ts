/** How this device shows pages: for sunlight, in large type. Kept on it, since it is the device that lies in the sun. */
const KEY = 'hulvek:screen';

export interface Screen {
  readonly sun: boolean;
  readonly large: boolean;
}

let shown = $state.raw<Screen>({ sun: false, large: false });

export const screen = (): Screen => shown;

/** Only in the browser. */
export function restoreScreen(): void {
  const kept = localStorage.getItem(KEY) ?? '';
  show({ sun: kept.includes('sun'), large: kept.includes('large') });
}

export function setScreen(change: Partial<Screen>): void {
  const next = { ...shown, ...change };
  show(next);
  localStorage.setItem(KEY, [next.sun ? 'sun' : '', next.large ? 'large' : ''].join(' ').trim());
}

function show(next: Screen): void {
  shown = next;
  const { dataset } = document.documentElement;
  dataset.screen = next.sun ? 'sun' : '';
  dataset.type = next.large ? 'large' : '';
}
