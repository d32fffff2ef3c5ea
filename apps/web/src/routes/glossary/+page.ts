/** Worked out on the device, drawings too, so that it needs no network. */
export const ssr = false;
