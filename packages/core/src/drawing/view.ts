/** From millimetres of the wall to pixels of the paper. */
import type { Point2 } from '../geometry/vector.ts';

export interface Window {
  readonly x: readonly [number, number];
  readonly y: readonly [number, number];
}

export interface Margins {
  readonly left: number;
  readonly right: number;
  readonly top: number;
  readonly bottom: number;
}

export interface View {
  readonly width: number;
  readonly height: number;
  readonly scale: number;
  readonly to: (point: Point2) => Point2;
  /** Dimension tracks that room was left for. */
  readonly tracks?: {
    readonly left: number;
    readonly right: number;
    readonly above: number;
    readonly below: number;
  };
  /** The drawn window on paper. */
  readonly frame: {
    readonly left: number;
    readonly right: number;
    readonly top: number;
    readonly bottom: number;
  };
}

/**
 * Fits `window` (y up) into the paper inside the margins, centred, at one scale for both axes; at a fixed scale the
 * paper becomes as large as it must be.
 */
export function fitView(
  window: Window,
  paper: { width: number; height: number; fixedScale?: number },
  margins: Margins,
): View {
  const [w, h] = [window.x[1] - window.x[0], window.y[1] - window.y[0]];
  const { fixedScale } = paper;
  if (fixedScale !== undefined) {
    const size = {
      width: w * fixedScale + margins.left + margins.right,
      height: h * fixedScale + margins.top + margins.bottom,
    };
    return placed(window, size, { scale: fixedScale, left: margins.left, top: margins.top });
  }
  const free = {
    w: Math.max(20, paper.width - margins.left - margins.right),
    h: Math.max(20, paper.height - margins.top - margins.bottom),
  };
  const scale = Math.min(free.w / w, free.h / h);
  const left = margins.left + (free.w - w * scale) / 2;
  const top = margins.top + (free.h - h * scale) / 2;
  return placed(window, { width: paper.width, height: paper.height }, { scale, left, top });
}

function placed(
  window: Window,
  paper: { width: number; height: number },
  { scale, left, top }: { scale: number; left: number; top: number },
): View {
  const [w, h] = [window.x[1] - window.x[0], window.y[1] - window.y[0]];
  return {
    ...paper,
    scale,
    to: ([x, y]) => [left + (x - window.x[0]) * scale, top + (window.y[1] - y) * scale],
    frame: { left, right: left + w * scale, top, bottom: top + h * scale },
  };
}
