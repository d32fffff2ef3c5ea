/** What the threads beside the server run. */
import { setPriority } from 'node:os';
import { isMainThread } from 'node:worker_threads';

/** Whoever waits for a send goes before whoever waits for a pack; on Linux this is the thread's own. */
const NICE = 10;
if (!isMainThread && process.platform === 'linux') setPriority(NICE);

export { drawCutSheet } from '../lib/features/cut-sheet/draw-cut-sheet.server.ts';
export { packOpening, packTables } from '../lib/features/hand-over/pack-files.server.ts';
export { writeModel } from '../lib/features/hand-over/write-model.server.ts';
export { drawDossier } from '../lib/features/hand-over/draw-dossier.server.ts';
export { drawMaterials } from '../lib/features/supply/draw-materials.server.ts';
export { drawNotices } from '../lib/features/notices/draw-notices.server.ts';
export { drawOpening } from '../lib/features/detail/draw-opening.server.ts';
export { drawRound } from '../lib/features/practice/draw-round.server.ts';
export { skillsOfPeople } from '../lib/server/beside/skills-of-people.ts';
export { drawProofs } from '../lib/features/prove/draw-proofs.server.ts';
export { drawStickers } from '../lib/features/hand-over/draw-stickers.server.ts';
export { drawTests } from '../lib/features/opening-tests/draw-tests.server.ts';
export { sharedDrawing, sharedJob, sharedOpening } from '../lib/features/shared/view-shared.server.ts';
export { importJobFile } from '../lib/server/beside/import-job-file.ts';
export { takePackage } from '../lib/server/beside/take-package.ts';
export { packOf } from '../lib/server/beside/pack-of.ts';
