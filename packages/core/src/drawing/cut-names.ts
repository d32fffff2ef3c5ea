/** Names of what a cut shows, and of what others put on later. */
import { bounds, rectangle, type Polygon } from '../geometry/polygon.ts';
import type { Range } from '../geometry/solid.ts';
import { distance2, type Point2 } from '../geometry/vector.ts';
import { UNIT } from '../methods/names.ts';
import type { Build } from '../build/build.ts';
import type { CutSection } from '../build/section.ts';
import { setOff, type Region, type SheetLine } from './cut-met.ts';
import { trackSpace } from './dimensions.ts';
import type { DrawItem } from './items.ts';
import { LABEL_LINE, labelColumn, type Label } from './labels.ts';
import { CLEAR_mm, layersOfOthers } from './to-come.ts';
import type { View } from './view.ts';

export interface CutNames {
  readonly name: (piece: string) => string;
  /** Names what stood before the work, and the unit's frame; without it these stay without names. */
  readonly wallName?: (thing: string) => string;
}

export interface ThingLabel {
  readonly thing: string;
  readonly text: string;
  /** (w, across) of what is named. */
  readonly at: Point2;
  readonly sheet: SheetLine | null;
  readonly outside: boolean;
}

/** One name for every thing the cut shows, on the side it lies nearer to. */
export function thingLabels(
  sheets: readonly SheetLine[],
  regions: readonly Region[],
  build: Build,
  { name, wallName }: CutNames,
): ThingLabel[] {
  const { unit } = build.context;
  const middle = (unit.front + unit.back) / 2;
  const labels = new Map<string, ThingLabel>();
  for (const met of sheets) {
    const { layer, line } = met;
    const at: Point2 = [(line[0][0] + line[1][0]) / 2, (line[0][1] + line[1][1]) / 2];
    // The longest line of a sheet bears its name.
    const before = labels.get(layer.thing);
    if (before?.sheet && distance2(...before.sheet.line) >= distance2(...line)) continue;
    const outside = at[0] > middle;
    labels.set(layer.thing, { thing: layer.thing, text: name(layer.thing), at, sheet: met, outside });
  }
  for (const { region, thing, base } of regions) {
    const ofWall = base || thing === UNIT;
    if ((ofWall && !wallName) || labels.has(thing)) continue;
    const { x, y } = bounds(region.outline);
    const at: Point2 = [(x[0] + x[1]) / 2, (y[0] + y[1]) / 2];
    const text = ofWall && wallName ? wallName(thing) : name(thing);
    labels.set(thing, { thing, text, at, sheet: null, outside: at[0] > middle });
  }
  return [...labels.values()];
}

export function nameItems(
  labels: readonly ThingLabel[],
  view: View,
  toPaper: (p: Point2) => Point2,
  section: CutSection,
): DrawItem[] {
  const column = (outside: boolean): Label[] =>
    labels
      .filter((l) => l.outside === outside)
      .map((l): Label => {
        const at = toPaper(l.at);
        return { text: l.text, owner: l.thing, target: l.sheet ? setOff(l.sheet, section, at) : at };
      });
  const range = (list: readonly Label[]): Range => {
    const need = list.length * LABEL_LINE;
    const [top, bottom] = [view.frame.top + 10, view.frame.bottom - 6];
    // A short drawing with many names lets them run on above and below it.
    return need <= bottom - top
      ? [top, bottom]
      : [
          Math.max(LABEL_LINE, (top + bottom - need) / 2),
          Math.min(view.height - LABEL_LINE, (top + bottom + need) / 2),
        ];
  };
  const { left, right } = { left: column(true), right: column(false) };
  return [
    ...labelColumn(left, view.frame.left - trackSpace(view.tracks?.left ?? 1) - 8, 'left', range(left)),
    ...labelColumn(right, view.frame.right + trackSpace(view.tracks?.right ?? 1) + 4, 'right', range(right)),
  ];
}

/** Battens and cladding that others put on when the window is in: drawn in outline, as far as the frame. */
export function layersToCome(
  build: Build,
  { plane, window }: CutSection,
): { readonly role: string; readonly ring: Polygon }[] {
  const { unit } = build.context;
  const [low, high] = window.across;
  const isUpright = plane.axis === 'u';
  const [near, far] = isUpright
    ? [unit.bottom, unit.bottom + unit.height]
    : [unit.left, unit.left + unit.width];
  // Each cut shows one edge of the opening.
  const across: Range =
    low < near - CLEAR_mm && high < (near + far) / 2
      ? [low, Math.min(high, near - CLEAR_mm)]
      : [Math.max(low, far + CLEAR_mm), high];
  if (across[1] <= across[0]) return [];
  return layersOfOthers(build).map(({ role, w }) => ({ role, ring: rectangle(w, across) }));
}

/** A name for each of them, on the side of the weather. */
export const namesToCome = (
  toCome: ReturnType<typeof layersToCome>,
  wallName: (thing: string) => string,
): ThingLabel[] =>
  toCome.map(({ role, ring }) => {
    const { x, y } = bounds(ring);
    const at: Point2 = [(x[0] + x[1]) / 2, (y[0] + y[1]) / 2];
    return { thing: role, text: wallName(role), at, sheet: null, outside: true };
  });
