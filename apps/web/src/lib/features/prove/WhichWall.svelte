<script module lang="ts">
  import type { WallDesk } from '$lib/features/prove/wall-desk.svelte.ts';

  export interface WhichWallProps {
    desk: WallDesk;
  }
</script>

<script lang="ts">
  import { waterText as t } from '$words/prove-water.ts';
  import { lookText, pieceText } from '@hulvek/core';

  let { desk }: WhichWallProps = $props();
  const started = $derived((desk.built?.count ?? 0) > 0);
</script>

<div class="walls switch" role="group" aria-label={t.wall}>
  {#each ['planned', 'built'] as const as wall (wall)}
    <button type="button" aria-pressed={desk.wall === wall} onclick={() => (desk.wall = wall)}
      >{t[wall]}</button
    >
  {/each}
</div>
{#if desk.wall === 'built' && desk.built}
  <p class="quiet">
    {started ? t.builtLead(desk.built.count, desk.built.build.steps.length) : t.builtNone}
    {#if desk.built.left > 0}{t.builtLeft(desk.built.left)}{/if}
  </p>
{/if}
{#if desk.unseen.length > 0}
  <p class="quiet" data-testid="unseen">{t.unseen} {desk.unseen.map(lookText).join(' ')}</p>
{/if}
{#if desk.strange.length > 0}
  <p class="quiet" data-testid="strange">{t.strange(desk.strange.map(pieceText).join(', '))}</p>
{/if}

<style>
  .walls {
    margin-top: var(--gap-3);
  }
</style>
