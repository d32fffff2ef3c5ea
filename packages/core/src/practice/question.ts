/** What is asked, as facts: one sentence each is made of them. */
import type { PresetId } from '../vocabulary/presets.ts';
import type { WaterSource } from '../proofs/water/sources.ts';
import type { ContactFace } from '../vocabulary/contacts.ts';
import type { LengthPart } from '../methods/strip-lengths.ts';
import type { FrameMaterial } from '../documents/unit.ts';
import type { SprayStage, WetZone } from '../vocabulary/wet-zones.ts';
import type { LengthUnit } from '../quantities/length.ts';
import type { WallChange } from '../build/changes.ts';
import type { DayTask, DayHour } from './kinds/day-tasks.ts';

/** A length that a question names, by what it is. */
export interface GivenLength {
  readonly what: LengthPart['what'];
  readonly mm: number;
}

export type Question =
  | { readonly kind: 'order'; readonly school: PresetId | null }
  | { readonly kind: 'fault'; readonly school: PresetId | null }
  | {
      readonly kind: 'drop';
      readonly source: WaterSource;
      readonly changes: readonly WallChange[];
      /** The step after which the water comes; `null` for the finished wall. */
      readonly after: string | null;
    }
  | {
      readonly kind: 'tape';
      readonly system: LengthUnit;
      /** The mark that was held at the edge, mm. */ readonly burnt_mm: number;
    }
  | { readonly kind: 'level'; readonly by: 'bubble' | 'laser' }
  | {
      readonly kind: 'width';
      readonly asks: 'least' | 'plumb' | 'unit';
      readonly clearance_mm: number;
      /** Plumb: how far the left jamb leans to the right at its top; bow: how far its middle stands to the right. */
      readonly readings: {
        readonly widthBottom: number;
        readonly widthMiddle: number;
        readonly widthTop: number;
        readonly plumbLeft: number;
        readonly bowLeft: number | null;
      };
    }
  | {
      readonly kind: 'square';
      readonly asks: 'difference' | 'within' | 'which-way' | 'lean';
      readonly limit_mm: number;
      readonly width_mm: number;
      readonly height_mm: number;
      readonly rising_mm: number;
      readonly falling_mm: number;
    }
  | {
      readonly kind: 'shims';
      readonly least_mm: number;
      readonly buildUp_mm: number;
      /** From the left end of the sill. */
      readonly at_mm: number;
      readonly width_mm: number;
      /** Left, middle, right, over the lowest of them. */
      readonly sill_mm: readonly [number, number, number];
    }
  | { readonly kind: 'cut'; readonly piece: string; readonly lengths: readonly GivenLength[] }
  | {
      readonly kind: 'seal';
      readonly least_mm: number;
      readonly most_mm: number;
      readonly frame: FrameMaterial;
      readonly across_mm: number;
    }
  | { readonly kind: 'grip'; readonly face: ContactFace }
  | { readonly kind: 'night'; readonly step: string | null }
  | { readonly kind: 'cover'; readonly step: string }
  | {
      readonly kind: 'leak';
      readonly dry: readonly SprayStage[];
      readonly seen: readonly { readonly zone: WetZone; readonly stage: SprayStage }[];
    }
  | {
      readonly kind: 'day';
      readonly tasks: readonly DayTask[];
      readonly weather: readonly DayHour[];
      readonly lags: readonly { readonly from: string; readonly to: string; readonly min: number }[];
    };
