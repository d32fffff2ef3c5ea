/** Cuts through head, jambs and sill at any moment of the work: weather on the left, room on the right. */
import { radians, type Point2, type Point3 } from '../geometry/vector.ts';
import { SILL_BOARD, UNIT } from '../methods/names.ts';
import { sillHeight } from '../methods/pieces/context.ts';
import type { Build } from '../build/build.ts';
import { pieceFor } from '../build/by-role.ts';
import {
  dimensionItems,
  tracksNeeded,
  trackSpace,
  type Dimension,
  type DimensionSide,
} from './dimensions.ts';
import { joined, SHEET_px, sheetLines, solidRegions, withinWindow } from './cut-met.ts';
import {
  layersToCome,
  nameItems,
  namesToCome,
  thingLabels,
  type CutNames,
  type ThingLabel,
} from './cut-names.ts';
import type { DrawOptions } from './face.ts';
import { unitHandle } from './handles.ts';
import { LABEL_SIZE, textWidth, type Drawing, type DrawItem } from './items.ts';
import { sceneAfter } from '../build/scene.ts';
import { FRAME_mm, sectionOf, type CutSection } from '../build/section.ts';
import { cutIds, type CutId } from '../vocabulary/sides.ts';
import { fitView, type View } from './view.ts';

/** Half of a screw's head, mm; as drawn. */
const HEAD_mm = 4;

/**
 * The fastener of this side as it is planned: from its hole in the fin to its point, or from the middle of a frame through
 * the joint; from the step that drives it on.
 */
function screws(
  build: Build,
  { cut, step, hide }: CutOptions,
  { window }: CutSection,
  toPaper: (p: Point2) => Point2,
): DrawItem[] {
  const driven = build.steps.findIndex(({ role }) => role === 'fasten' || role === 'found-set');
  const side = build.fastening.sides.find((s) => s.side === cut);
  if (hide?.has('sheets') || driven < 0 || step <= driven || !side || side.at_mm.length === 0) return [];
  const { unit } = build.context;
  const { angle_deg, length_mm, through } = build.fastening.screw;
  const finned = through.some(({ what }) => what === 'fin');
  const [slant, straight] = [Math.sin(radians(angle_deg)), Math.cos(radians(angle_deg))];
  const edges: Record<CutId, readonly [at: number, outward: 1 | -1]> = {
    left: [unit.left, -1],
    right: [unit.left + unit.width, 1],
    sill: [unit.bottom, -1],
    head: [unit.bottom + unit.height, 1],
  };
  const [edge, outward] = edges[cut];
  // A clip's own screws are short and stand behind the frame.
  if (!finned && through.every(({ what }) => what !== 'frame')) return [];
  const from: Point2 = finned
    ? [0, edge + outward * unit.holeFromFrame]
    : [(unit.front + unit.back) / 2, edge - (outward * unit.frameFace) / 2];
  const along: Point2 = finned ? [-straight, outward * slant] : [0, outward];
  const to: Point2 = [from[0] + length_mm * along[0], from[1] + length_mm * along[1]];
  const shown = withinWindow([from, to], window.across);
  if (!shown) return [];
  const across: Point2 = [along[1] * HEAD_mm, -along[0] * HEAD_mm];
  const head = [1, -1].map((by): Point2 => [from[0] + by * across[0], from[1] + by * across[1]]);
  return [shown, head].map((points) => ({
    kind: 'line',
    points: points.map(toPaper),
    stroke: 'outline',
    width: SCREW_px,
    owner: pieceFor(build, 'fin')?.id ?? UNIT,
  }));
}

const SCREW_px = 2.5;

/** On narrower paper the drawing needs the room that names would take. */
const NAMES_FROM_px = 560;

export interface CutOptions extends DrawOptions, CutNames {
  readonly cut: CutId;
}

export function cutDrawing(build: Build, options: CutOptions): Drawing {
  const section = sectionOf(build, options.cut);
  const scene = sceneAfter(build, options.step);
  const sheets = options.hide?.has('sheets') ? [] : sheetLines(build, scene.layers, section);
  const regions = solidRegions(build, scene.layers, section, options);
  const named =
    (options.fixedScale !== undefined || options.width >= NAMES_FROM_px) && !options.hide?.has('names');
  const drawn = options.hide?.has('dimensions')
    ? () => []
    : (view: View) => dimensions(build, section, view, options);
  const { wallName } = options;
  const toCome = wallName && !options.hide?.has('wall') ? layersToCome(build, section) : [];
  const labels = named
    ? [...thingLabels(sheets, regions, build, options), ...(wallName ? namesToCome(toCome, wallName) : [])]
    : [];
  const view = viewFor(section, options, labels, drawn);
  const toPaper = paperOf(section, view);
  const items: DrawItem[] = [
    ...regions.map(({ region, thing, fresh }): DrawItem => ({
      kind: 'area',
      points: region.outline.map(toPaper),
      fill: region.material,
      stroke: fresh ? 'new' : 'outline',
      owner: thing,
    })),
    ...joined(sheets, toPaper, section).map(({ layer, points }): DrawItem => ({
      kind: 'line',
      points,
      stroke: layer.fresh ? 'new' : 'none',
      width: SHEET_px,
      fill: layer.sheet.material,
      owner: layer.thing,
    })),
    ...toCome.map(({ role, ring }): DrawItem => ({
      kind: 'line',
      points: [...ring, ...ring.slice(0, 1)].map(toPaper),
      stroke: 'hidden',
      owner: role,
    })),
    ...screws(build, options, section, toPaper),
    ...dimensionItems(drawn(view), view),
    ...nameItems(labels, view, toPaper, section),
  ];
  const { across } = section.window;
  const handles = [
    ...unitHandle(
      build,
      options.cut === 'sill' || options.cut === 'left' ? across[1] - FRAME_mm / 2 : across[0] + FRAME_mm / 2,
      toPaper,
    ),
  ];
  const place = ([u, v, w]: Point3): Point2 => toPaper([w, section.plane.axis === 'u' ? v : u]);
  const { width, height, scale, frame } = view;
  return { width, height, scale, items, handles, place, frame };
}

/** Room for names and dimension tracks depends on the scale, and the scale on the room: settled in a few rounds. */
function viewFor(
  section: CutSection,
  options: CutOptions,
  labels: readonly ThingLabel[],
  drawn: (view: View) => Dimension[],
): View {
  const { w, across } = section.window;
  const window = {
    x: [-w[1], -w[0]] as const,
    y: section.up === 1 ? across : ([-across[1], -across[0]] as const),
  };
  const column = (outside: boolean) => {
    const own = labels.filter((l) => l.outside === outside).map((l) => textWidth(l.text, LABEL_SIZE));
    return own.length > 0 ? Math.max(...own) + 24 : 12;
  };
  let tracks: Record<DimensionSide, number> = options.hide?.has('dimensions')
    ? { left: 0, right: 0, above: 0, below: 0 }
    : { left: 1, right: 1, above: 1, below: 2 };
  let view: View | undefined;
  for (let round = 0; round < 4; round++) {
    view = fitView(window, options, {
      left: column(true) + trackSpace(tracks.left),
      right: column(false) + trackSpace(tracks.right),
      top: trackSpace(tracks.above) + 14,
      bottom: trackSpace(tracks.below) + 6,
    });
    const needed = tracksNeeded(drawn(view));
    const more = {
      left: Math.max(needed.left, tracks.left),
      right: Math.max(needed.right, tracks.right),
      above: Math.max(needed.above, tracks.above),
      below: Math.max(needed.below, tracks.below),
    };
    if (JSON.stringify(more) === JSON.stringify(tracks)) break;
    tracks = more;
  }
  if (!view) throw new Error('a cut without a view');
  return { ...view, tracks };
}

const paperOf =
  ({ up }: CutSection, view: View) =>
  ([w, across]: Point2): Point2 =>
    view.to([-w, up * across]);

function dimensions(
  { context }: Build,
  section: CutSection,
  view: View,
  { cut, figure }: CutOptions,
): Dimension[] {
  const { opening, unit, numbers } = context;
  const { layers, framing } = opening;
  const x = (w: number) => view.to([-w, 0])[0];
  const y = (across: number) => view.to([0, section.up * across])[1];
  const level = (side: 'below' | 'above', from: number, to: number, owner: string): Dimension => ({
    side,
    from: x(from),
    to: x(to),
    edge: side === 'below' ? view.frame.bottom : view.frame.top,
    text: figure(Math.abs(to - from)),
    owner,
  });
  const upright = (side: 'left' | 'right', from: number, to: number, owner: string): Dimension => ({
    side,
    from: y(from),
    to: y(to),
    edge: view.frame[side],
    text: figure(Math.abs(to - from)),
    owner,
  });
  const top = unit.bottom + unit.height;
  const right = unit.left + unit.width;
  const outermost = Math.max(...layers.map((l) => l.w[1]));
  const own: Record<CutId, Dimension[]> = {
    sill: [
      ...(numbers.boardFront > 0
        ? [upright('right', 0, sillHeight(numbers, opening.depth), SILL_BOARD)]
        : []),
      upright('right', 0, unit.bottom, UNIT),
    ],
    head: [upright('right', top, opening.height, UNIT)],
    left: [upright('right', 0, unit.left, UNIT)],
    right: [upright('right', right, opening.width, UNIT)],
  };
  return [
    ...layers
      .filter((l) => l.w[1] - l.w[0] > 0 && l.w[0] >= framing)
      .map((l) => level('below', l.w[1], l.w[0], l.role)),
    ...(layers.length > 1 ? [level('below', outermost, framing, 'wall')] : []),
    level('above', unit.front, unit.back, UNIT),
    ...(unit.front < 0 ? [level('above', 0, unit.front, 'setback')] : []),
    ...own[cut].filter((d) => Math.abs(d.to - d.from) > 1),
  ];
}

/** The four cuts on one paper, without names and figures: each in its quarter. */
export function allCutsDrawing(
  build: Build,
  options: DrawOptions & { readonly title: (cut: CutId) => string },
): Drawing {
  const [w, h] = [options.width / 2, options.height / 2];
  const parts = cutIds.map((cut, i) => {
    const hide = new Set([...(options.hide ?? []), 'names' as const, 'dimensions' as const]);
    const part = cutDrawing(build, {
      ...options,
      width: w,
      height: h - TITLE_px,
      hide,
      cut,
      name: (id) => id,
    });
    const by: Point2 = [(i % 2) * w, Math.floor(i / 2) * h + TITLE_px];
    const title: DrawItem = {
      kind: 'text',
      at: [by[0] + w / 2, by[1] - TITLE_px / 2],
      text: options.title(cut),
      size: LABEL_SIZE,
      turned: false,
      tone: 'quiet',
      owner: cut,
    };
    return [title, ...part.items.map((item) => moved(item, by))];
  });
  return { width: options.width, height: options.height, scale: 1, items: parts.flat() };
}

const TITLE_px = 22;

function moved(item: DrawItem, [dx, dy]: Point2): DrawItem {
  const by = ([x, y]: Point2): Point2 => [x + dx, y + dy];
  return 'points' in item ? { ...item, points: item.points.map(by) } : { ...item, at: by(item.at) };
}
