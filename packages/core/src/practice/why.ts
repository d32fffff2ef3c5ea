/** Why an answer is right or not, as facts: one sentence each. */
import type { EveningState } from '../order/evenings.ts';
import type { PathClass } from '../proofs/water/outcome.ts';
import type { JointReason, SealId } from '../proofs/joint/options.ts';
import type { ContactAnswer } from '../vocabulary/contacts.ts';
import type { WaterSource } from '../proofs/water/sources.ts';
import type { Reason } from '../methods/method.ts';
import type { DropEnd, FaultId } from './answers.ts';
import type { DayTrouble } from './kinds/day-tasks.ts';

export type Why =
  | { readonly code: 'order-right'; readonly orders: number }
  | {
      readonly code: 'order-breach';
      /** `step` was put before `before`, which it waits for. */
      readonly step: string;
      readonly before: string;
      readonly because: Reason;
      /** What water does in that order; `null` where it cannot be built so. */
      readonly water: PathClass | null;
      /** The air line would be open. */
      readonly air: boolean;
    }
  | {
      readonly code: 'fault';
      readonly fault: FaultId;
      readonly piece: string;
      readonly other: string | null;
      readonly mm: number | null;
    }
  | { readonly code: 'drop'; readonly end: DropEnd; readonly on: string | null }
  | { readonly code: 'tape'; readonly mark_mm: number; readonly reads_mm: number }
  | { readonly code: 'bubble'; readonly high: 'left' | 'right' | 'neither' }
  | { readonly code: 'laser'; readonly high_mm: number; readonly low_mm: number }
  | {
      readonly code: 'width';
      readonly from_mm: number;
      readonly to_mm: number;
      readonly clearance_mm: number;
    }
  | {
      readonly code: 'square';
      readonly rising_mm: number;
      readonly falling_mm: number;
      readonly lean_mm: number;
    }
  | {
      readonly code: 'shims';
      readonly high_mm: number;
      readonly here_mm: number;
      readonly least_mm: number;
      readonly buildUp_mm: number;
    }
  | {
      readonly code: 'cut';
      readonly piece: string;
      readonly parts: readonly { readonly times: number; readonly what: string; readonly mm: number }[];
    }
  | {
      readonly code: 'seal';
      readonly against: readonly { readonly seal: SealId; readonly reason: JointReason }[];
    }
  | {
      readonly code: 'grip';
      readonly rows: readonly { readonly chemistry: string; readonly answer: ContactAnswer }[];
    }
  | {
      readonly code: 'night';
      readonly state: EveningState;
      readonly open: boolean;
      readonly source: WaterSource | null;
    }
  | { readonly code: 'cover'; readonly hidden: readonly string[] }
  | { readonly code: 'leak'; readonly best: string; readonly share: number; readonly causes: number }
  | { readonly code: 'day-right'; readonly ends_min: number; readonly orders: number }
  | {
      readonly code: 'day-wrong';
      readonly task: string;
      readonly trouble: DayTrouble;
    };
