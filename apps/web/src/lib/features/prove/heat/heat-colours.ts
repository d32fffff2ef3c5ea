/** Colours of temperature: slate for cold, paper between, oxide red for warm, in steps. */

type Rgb = readonly [number, number, number];
const STOPS: readonly Rgb[] = [
  [52, 82, 112],
  [122, 152, 172],
  [214, 220, 216],
  [243, 232, 206],
  [228, 176, 122],
  [181, 96, 56],
];

/** @param range temperatures at both ends of the scale, °C */
export function heatColour(C: number, [cold, warm]: readonly [number, number]): string {
  const at = Math.min(Math.max((C - cold) / (warm - cold), 0), 1) * (STOPS.length - 1);
  const i = Math.min(Math.floor(at), STOPS.length - 2);
  const [a, b] = [STOPS[i] ?? STOPS[0], STOPS[i + 1] ?? STOPS[0]];
  const mix = (k: 0 | 1 | 2) => Math.round((a?.[k] ?? 0) + ((b?.[k] ?? 0) - (a?.[k] ?? 0)) * (at - i));
  return `rgb(${mix(0)} ${mix(1)} ${mix(2)})`;
}
