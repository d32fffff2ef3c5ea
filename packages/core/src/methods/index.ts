/** The presets by id. */
import { drainedPieces } from './drained-head-flap/pieces.ts';
import { drainedSteps } from './drained-head-flap/steps.ts';
import type { MethodPreset } from './method.ts';
import type { PresetId } from './presets.ts';

export const presets: Readonly<Record<PresetId, MethodPreset>> = {
  'drained-head-flap': { id: 'drained-head-flap', version: 1, pieces: drainedPieces, steps: drainedSteps },
};
