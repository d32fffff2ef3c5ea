/** What the page and the heat worker say to each other. */
import type {
  CutId,
  Finding,
  HeatPicture,
  HeatProof,
  JobContext,
  Opening,
  PictureWindow,
  Section,
  SideHeat,
  Study,
  StudyId,
} from '@hulvek/core';

interface Asked {
  /** Answers bear the number of what was asked; older answers are dropped. */
  readonly id: number;
  readonly opening: Opening;
  readonly context: JobContext;
}

export type HeatRequest =
  | (Asked & {
      readonly kind: 'look';
      readonly cut: CutId;
      /** `null` where no picture is wanted. */ readonly window: PictureWindow | null;
    })
  | (Asked & { readonly kind: 'study'; readonly study: StudyId })
  | { readonly kind: 'stop' };

/** A box of the solved section with the part that it belongs to. */
export interface SolvedBox {
  readonly thing: string;
  readonly material: string;
  readonly lambda_WmK: number;
  readonly x: readonly [number, number];
  readonly y: readonly [number, number];
}

/** The side that is looked at: its field, its parts, and the section as a file would hold it. */
export interface Shown {
  readonly picture: HeatPicture;
  readonly boxes: readonly SolvedBox[];
  readonly section: Section;
}

export type HeatAnswer =
  | {
      readonly kind: 'side';
      readonly id: number;
      readonly side: SideHeat;
      readonly refined: boolean;
      /** Of the side that is looked at. */
      readonly shown: Shown | null;
    }
  | {
      readonly kind: 'proof';
      readonly id: number;
      readonly proof: HeatProof;
      readonly findings: readonly Finding[];
    }
  | {
      readonly kind: 'study';
      readonly id: number;
      readonly study: Study;
      readonly done: number;
      readonly total: number;
    }
  | {
      readonly kind: 'failed';
      readonly id: number;
      readonly code: 'not-planned' | 'not-converged' | 'no-surface' | 'before-the-wall' | 'stopped';
    };

/** A worker of the page's own; whoever opened it closes it. `lose` is called when it cannot be loaded or breaks. */
export function openHeatWorker(hear: (answer: HeatAnswer) => void, lose: () => void): Worker {
  const worker = new Worker(new URL('./heat.worker.ts', import.meta.url), { type: 'module' });
  worker.onerror = lose;
  worker.onmessage = ({ data }: MessageEvent<HeatAnswer>) => hear(data);
  return worker;
}
