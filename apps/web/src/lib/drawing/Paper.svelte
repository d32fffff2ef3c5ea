<script module lang="ts">
  import type { Drawing } from '@hulvek/core';

  export interface PaperProps {
    /** Makes the drawing for a paper of this size in pixels. */
    draw: (size: { width: number; height: number }) => Drawing;
    label: string;
  }
</script>

<script lang="ts">
  import DrawingView from './DrawingView.svelte';

  let { draw, label }: PaperProps = $props();
  let width = $state(0);
  let height = $state(0);
  const drawing = $derived(width > 40 && height > 40 ? draw({ width, height }) : null);
</script>

<div class="paper" bind:clientWidth={width} bind:clientHeight={height}>
  {#if drawing}<DrawingView {drawing} {label} />{/if}
</div>

<style>
  .paper {
    position: relative;
    width: 100%;
    height: 100%;
    min-height: 260px;
    overflow: hidden;
  }
  .paper > :global(svg) {
    position: absolute;
    inset: 0;
  }
</style>
