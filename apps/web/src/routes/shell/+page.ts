/** An empty page: the service worker gives it for every address it cannot reach, and the browser finds the way. */
export const ssr = false;
