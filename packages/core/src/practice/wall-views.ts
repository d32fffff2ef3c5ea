/** Pictures of the wall for practice: as it is drawn everywhere else, without a name that would tell an answer. */
import type { Build } from '../build/build.ts';
import { cutDrawing } from '../drawing/cut.ts';
import { faceDrawing } from '../drawing/face.ts';
import type { Drawing, DrawItem } from '../drawing/items.ts';
import type { CutId } from '../vocabulary/sides.ts';
import type { PracticeView } from './task.ts';

const NONE = new Set(['dimensions', 'names'] as const);
const noFigure = (): string => '';
/** What lies where is to be seen, and not to be read out of the page. */
const silent = (item: DrawItem): DrawItem => ({
  ...item,
  owner: '',
  ...('stroke' in item && item.stroke === 'new' ? { stroke: 'thin' as const } : {}),
});

/** Drawn over the wall, by whoever knows what is to be seen; under what comes later in the order of the drawing. */
export type Extra = (drawing: Drawing) => readonly DrawItem[];

const silenced = (drawing: Drawing, extra?: Extra): Drawing => ({
  width: drawing.width,
  height: drawing.height,
  scale: drawing.scale,
  ...(drawing.place && { place: drawing.place }),
  ...(drawing.frame && { frame: drawing.frame }),
  items: [...drawing.items, ...(extra?.(drawing) ?? [])].map(silent),
});

export const faceView = (build: Build, step: number, extra?: Extra): PracticeView => ({
  name: 'face',
  draw: (size) => silenced(faceDrawing(build, { ...size, step, figure: noFigure, hide: NONE }), extra),
});

export const cutView = (build: Build, cut: CutId, step: number, extra?: Extra): PracticeView => ({
  name: cut,
  draw: (size) =>
    silenced(cutDrawing(build, { ...size, cut, step, figure: noFigure, name: noFigure, hide: NONE }), extra),
});
