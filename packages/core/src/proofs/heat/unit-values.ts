/** What frame and glass of a unit let through: as its maker says, or as is usual for its kind. */
import type { Unit } from '../../documents/unit.ts';

type FrameMaterial = NonNullable<Unit['frameMaterial']>;

/** U of frames about 70 mm deep, W/(m² K): common practice, no source. */
const FRAME_U: Readonly<Record<FrameMaterial, number>> = {
  vinyl: 1.4,
  wood: 1.6,
  'clad-wood': 1.5,
  aluminium: 2.6,
  fibreglass: 1.5,
};
/** U of glazing by the number of panes, coated from two on, W/(m² K): common practice, no source. */
const GLASS_U = [5.7, 1.3, 0.7, 0.5] as const;
/** W/(m K), a spacer of thin steel or plastic: common practice, no source. */
const SPACER_PSI = 0.05;
/** Glazing that a whole unit's figure may be taken apart into, W/(m² K). */
const GLASS_RANGE = [0.4, 5.8] as const;

export type Assumed = 'frame' | 'glass' | 'spacer';

export interface UnitValues {
  /** W/(m² K). */
  readonly frameU: number;
  readonly glassU: number;
  /** W/(m K). */
  readonly spacerPsi: number;
  readonly frame_m2: number;
  readonly glass_m2: number;
  readonly edge_m: number;
  /** Of the whole unit, not installed, W/(m² K). */
  readonly u: number;
  /** What nobody stated and is usual for the kind. */
  readonly assumed: readonly Assumed[];
}

/**
 * Returns the unit's values. Where the maker gives the figure of the whole unit and none of its glass, the glass is what
 * remains when the frame is as usual.
 *
 * Source: ISO 10077-1, from memory: U = (A_g U_g + A_f U_f + l_g ψ_g) / (A_g + A_f).
 */
export function unitValues(unit: Unit): UnitValues {
  const [w, h, f] = [unit.width.mm / 1000, unit.height.mm / 1000, unit.frameFace.mm / 1000];
  const mullions = (unit.mullions ?? []).length;
  const [clearWidth, clearHeight] = [Math.max(w - 2 * f * (1 + mullions), 0.01), Math.max(h - 2 * f, 0.01)];
  const glass_m2 = clearWidth * clearHeight;
  const frame_m2 = w * h - glass_m2;
  const edge_m = 2 * (clearWidth + clearHeight * (1 + mullions));
  const frameU = unit.frameU ?? FRAME_U[unit.frameMaterial ?? 'vinyl'];
  const spacerPsi = unit.spacerPsi ?? SPACER_PSI;
  const rest =
    unit.uFactor === undefined
      ? null
      : (unit.uFactor * w * h - frameU * frame_m2 - spacerPsi * edge_m) / glass_m2;
  const usual = GLASS_U[Math.min(unit.panes?.length ?? 2, GLASS_U.length) - 1] ?? 1.3;
  const glassU =
    unit.glassU ?? (rest === null ? usual : Math.min(Math.max(rest, GLASS_RANGE[0]), GLASS_RANGE[1]));
  const assumed: Assumed[] = [
    ...(unit.frameU === undefined ? (['frame'] as const) : []),
    ...(unit.glassU === undefined && unit.uFactor === undefined ? (['glass'] as const) : []),
    ...(unit.spacerPsi === undefined ? (['spacer'] as const) : []),
  ];
  const u = (glass_m2 * glassU + frame_m2 * frameU + edge_m * spacerPsi) / (w * h);
  return { frameU, glassU, spacerPsi, frame_m2, glass_m2, edge_m, u, assumed };
}

const RSI = 0.13;
const RSE = 0.04;
/** A part of lower resistance than its two surfaces cannot be a block; this much is left for it, m²K/W. */
const LEAST_R = 0.01;

/** Conductivity of a block that lets through as much as the part it stands for, W/(m K). Source: ISO 10077-2, from memory. */
export const blockLambda = (depth_mm: number, u: number): number =>
  depth_mm / 1000 / Math.max(1 / u - RSI - RSE, LEAST_R);
