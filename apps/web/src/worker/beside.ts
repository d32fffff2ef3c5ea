/** What the threads beside the server run. */
export { drawCutSheet } from '../lib/features/cut-sheet/draw-cut-sheet.server.ts';
export { drawOpening } from '../lib/features/detail/draw-opening.server.ts';
export { drawProofs } from '../lib/features/prove/draw-proofs.server.ts';
export { importJobFile } from '../lib/server/beside/import-job-file.ts';
export { packOf } from '../lib/server/beside/pack-of.ts';
