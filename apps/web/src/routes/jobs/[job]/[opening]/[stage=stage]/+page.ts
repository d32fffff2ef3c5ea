import type { OpeningEditor } from '$lib/job/opening.svelte.ts';
import type { Component } from 'svelte';
import type { Stage } from '../../../../../params/stage.ts';

type StageView = Component<{ editor: OpeningEditor; stage: Stage }>;

/** A stage is fetched when it is opened; the device keeps them all for where there is no network. */
const STAGES: Readonly<Record<Stage, () => Promise<{ default: unknown }>>> = {
  measure: () => import('$lib/features/measure/MeasureStage.svelte'),
  detail: () => import('$lib/features/detail/DetailStage.svelte'),
  prove: () => import('$lib/features/prove/ProveStage.svelte'),
  order: () => import('$lib/features/order/OrderStage.svelte'),
  install: () => import('$lib/features/install/InstallStage.svelte'),
  test: () => import('$lib/features/opening-tests/TestStage.svelte'),
  'hand-over': () => import('$lib/features/hand-over/HandOverStage.svelte'),
};
/** Stages that plan; the others ask for a plan where they need one. */
const PLANNING: readonly Stage[] = ['measure', 'detail', 'prove', 'order'];

export const load = async ({ params, parent }) => {
  const stage = params.stage as Stage;
  const [{ default: view }, { store }] = await Promise.all([STAGES[stage](), parent()]);
  if (PLANNING.includes(stage)) await store.planning();
  return { stage, view: view as StageView };
};
