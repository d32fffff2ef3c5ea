<script lang="ts">
  import { goto } from '$app/navigation';
  import Button from '$lib/ui/Button.svelte';
  import { tour, tourWords } from '$words/tour.ts';
  import { endTour, tourAt } from './tour.svelte.ts';

  let { at }: { at: number } = $props();
  const stop = $derived(tour[at]);

  function go(next: number) {
    const to = tour[next];
    if (!to) {
      endTour();
      return;
    }
    tourAt(next);
    void goto(to.path);
  }
</script>

{#if stop}
  <aside aria-label={tourWords.title} aria-live="polite">
    <p class="quiet">{tourWords.at(at + 1, tour.length)}</p>
    <h2>{stop.title}</h2>
    <p>{stop.says}</p>
    <div>
      <Button kind="quiet" onclick={endTour}>{tourWords.leave}</Button>
      {#if at > 0}<Button onclick={() => go(at - 1)}>{tourWords.back}</Button>{/if}
      <Button kind="main" onclick={() => go(at + 1)}
        >{at + 1 < tour.length ? tourWords.next : tourWords.done}</Button
      >
    </div>
  </aside>
{/if}

<style>
  aside {
    position: fixed;
    right: var(--gap-4);
    bottom: var(--gap-4);
    z-index: 5;
    display: grid;
    gap: var(--gap-2);
    width: min(24rem, calc(100vw - 2 * var(--gap-4)));
    padding: var(--gap-4);
    border: 2px solid var(--ink);
    border-radius: var(--radius);
    background: var(--paper);
  }
  div {
    display: flex;
    flex-flow: row wrap;
    justify-content: end;
    gap: var(--gap-2);
  }
  @media print {
    aside {
      display: none;
    }
  }
</style>
