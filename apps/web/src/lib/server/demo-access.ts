/** Whose password everybody knows may sign in from this machine only, unless somebody said otherwise in words. */

const LOOPBACK = /^(127\.\d+\.\d+\.\d+|::1|::ffff:127\.\d+\.\d+\.\d+)$/;

/** @param open what HULVEK_DEMO says: `open-to-everybody` lets the demo in from anywhere */
export const mayUseDemo = (address: string, open = process.env.HULVEK_DEMO): boolean =>
  open === 'open-to-everybody' || LOOPBACK.test(address);
