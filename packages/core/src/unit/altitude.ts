/** Sealed glazing made at one height above the sea and set at another. */

import { airPressure } from '../quantities/atmosphere.ts';

/** Pressure difference from where it was closed to where it will stand, Pa; negative: the glass bulges. */
export const altitudeDifference = (madeAt_m: number, site_m: number): number =>
  airPressure(site_m) - airPressure(madeAt_m);

/** Beyond this the maker's word is needed, whatever the glass: about 800 m. Common practice, no source. */
export const ALTITUDE_LIMIT_Pa = 9000;
/** From half of it on the maker should be asked before the unit leaves. Common practice, no source. */
export const ALTITUDE_WATCH_Pa = ALTITUDE_LIMIT_Pa / 2;
