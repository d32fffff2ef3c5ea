/** Ends when the page has nothing better to do, or soon after. */

const AT_LATEST_ms = 200;

export const idle = (): Promise<void> =>
  new Promise((resolve) => {
    // Not every browser of a phone has it.
    if ('requestIdleCallback' in globalThis) requestIdleCallback(() => resolve(), { timeout: AT_LATEST_ms });
    else setTimeout(resolve);
  });
