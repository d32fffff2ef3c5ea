/** What the threads beside the server run. */
export { drawProofs } from '../lib/features/prove/draw-proofs.server.ts';
export { importJobFile } from '../lib/server/beside/import-job-file.ts';
export { packOf } from '../lib/server/beside/pack-of.ts';
