/** Whose password everybody knows may sign in from this machine only, unless somebody said otherwise in words. */

const LOOPBACK = /^(127\.\d+\.\d+\.\d+|::1|::ffff:127\.\d+\.\d+\.\d+)$/;

/** What a proxy adds: behind one every address is the proxy's own, unless the server was told which header to trust. */
const PASSED_ON = ['x-forwarded-for', 'forwarded', 'x-real-ip', 'via'] as const;

interface Asked {
  /** What HULVEK_DEMO says: `open-to-everybody` lets the demo in from anywhere. */
  readonly open: string | undefined;
  /** The header that ADDRESS_HEADER says addresses are read from. */
  readonly trusted: string | undefined;
}

const stated = (): Asked => ({ open: process.env.HULVEK_DEMO, trusted: process.env.ADDRESS_HEADER });

export function mayUseDemo(address: string, headers = new Headers(), { open, trusted } = stated()): boolean {
  return open === 'open-to-everybody' || isLoopback(address, headers, trusted);
}

/** Whether a request comes from this machine itself, and not from a proxy on it. */
export const isLoopback = (
  address: string,
  headers: Headers,
  trusted = process.env.ADDRESS_HEADER,
): boolean =>
  (trusted !== undefined || !PASSED_ON.some((name) => headers.has(name))) && LOOPBACK.test(address);
