/** How far an order is. */
export const orderStates = ['asked', 'ordered', 'promised', 'came', 'wrong', 'short'] as const;
export type OrderState = (typeof orderStates)[number];
/** What is looked at when a unit comes, before it is set. */
export const arrivalChecks = ['size', 'handing', 'damage', 'label'] as const;
export type ArrivalCheck = (typeof arrivalChecks)[number];
