/** Resistances of surfaces. */

/** m²K/W. Sources: ISO 6946 for heat flow; ISO 13788 and DIN 4108-2 for surfaces; from memory. */
export const RSI_FLOW = 0.13;
