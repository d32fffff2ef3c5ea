<script lang="ts">
  import { page } from '$app/state';
  import DetailStage from '$lib/components/stage/DetailStage.svelte';
  import InstallStage from '$lib/components/stage/InstallStage.svelte';
  import LaterStage from '$lib/components/stage/LaterStage.svelte';
  import MeasureStage from '$lib/components/stage/MeasureStage.svelte';
  import ProveStage from '$lib/components/stage/ProveStage.svelte';
  import { editorInContext } from '$lib/state/editor-context.ts';
  import type { Stage } from '../../../../../params/stage.ts';

  const editor = editorInContext();
  const stage = $derived(page.params.stage as Stage);
</script>

{#if stage === 'measure'}
  <MeasureStage {editor} />
{:else if stage === 'detail'}
  <DetailStage {editor} />
{:else if stage === 'prove'}
  <ProveStage {editor} />
{:else if stage === 'install'}
  <InstallStage {editor} />
{:else}
  <LaterStage {stage} />
{/if}
