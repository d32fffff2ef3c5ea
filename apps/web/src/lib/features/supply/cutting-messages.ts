/** What the cutting page and its worker say to each other. */
import type { CutPlan, Supply, TakeoffLine } from '@hulvek/core';

export interface CutAsk {
  readonly id: number;
  readonly line: TakeoffLine;
  readonly supply: Supply;
  readonly done: ReadonlySet<string>;
  readonly seconds: number;
}

export type CutTold =
  | { readonly id: number; readonly plan: CutPlan; readonly failed: false }
  | { readonly id: number; readonly failed: true };
