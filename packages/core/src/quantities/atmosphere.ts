/** The standard atmosphere. */

/** Sealed glazing made at one height above the sea and set at another. */

/** Pa of the standard atmosphere, troposphere. Source: ISO 2533, from memory. @param h_m −400 to 11 000 */
export const airPressure = (h_m: number): number => 101_325 * (1 - 2.25577e-5 * h_m) ** 5.25588;
