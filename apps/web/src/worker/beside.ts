/** What the threads beside the server run. */
import { setPriority } from 'node:os';
import { isMainThread } from 'node:worker_threads';

/** Whoever waits for a send goes before whoever waits for a pack; on Linux this is the thread's own. */
const NICE = 10;
if (!isMainThread && process.platform === 'linux') setPriority(NICE);

export { drawCutSheet } from '../lib/features/cut-sheet/draw-cut-sheet.server.ts';
export { drawMaterials } from '../lib/features/supply/draw-materials.server.ts';
export { drawOpening } from '../lib/features/detail/draw-opening.server.ts';
export { drawProofs } from '../lib/features/prove/draw-proofs.server.ts';
export { importJobFile } from '../lib/server/beside/import-job-file.ts';
export { packOf } from '../lib/server/beside/pack-of.ts';
