<!-- Faces of the house that this crew wraps itself. -->
<script module lang="ts">
  import type { SupplyDesk } from './supply-desk.svelte.ts';

  export interface WrapsProps {
    desk: SupplyDesk;
  }
</script>

<script lang="ts">
  import { freshId } from '$lib/device/ids.ts';
  import Button from '$lib/ui/Button.svelte';
  import { supplyWords } from '$words/supply.ts';
  import { formatSize, parseLength } from '@hulvek/core';

  let { desk }: WrapsProps = $props();
  const t = supplyWords.wraps;
  const units = $derived(desk.store.reads);
  let facade = $state('');
  let width = $state('');
  let height = $state('');
  let problem = $state('');

  async function add(event: SubmitEvent) {
    event.preventDefault();
    const [w, h] = [parseLength(width, units), parseLength(height, units)];
    problem = w.ok && h.ok && w.value.mm > 0 && h.value.mm > 0 && facade.trim() !== '' ? '' : t.wrong;
    if (!w.ok || !h.ok || problem) return;
    const one = { id: freshId(), facade: facade.trim(), width_mm: w.value.mm, height_mm: h.value.mm };
    if (await desk.put({ ...desk.supply, wraps: [...(desk.supply.wraps ?? []), one] }))
      [facade, width, height] = ['', '', ''];
  }
  const remove = (id: string) =>
    void desk.put({ ...desk.supply, wraps: (desk.supply.wraps ?? []).filter((one) => one.id !== id) });
</script>

<h2>{t.title}</h2>
<p>{t.lead}</p>
{#each desk.supply.wraps ?? [] as one (one.id)}
  <p>
    <b>{one.facade}</b>
    {formatSize({ width: one.width_mm, height: one.height_mm }, units)}
    <Button kind="quiet" onclick={() => remove(one.id)}>{t.remove}</Button>
  </p>
{/each}
<form onsubmit={(event) => void add(event)}>
  <label>{supplyWords.facade}<input maxlength="80" autocomplete="off" bind:value={facade} /></label>
  <label>{t.width}<input autocomplete="off" bind:value={width} /></label>
  <label>{t.height}<input autocomplete="off" bind:value={height} /></label>
  <Button type="submit">{t.add}</Button>
</form>
{#if problem}<p class="problem" role="alert">{problem}</p>{/if}

<style>
  form {
    display: flex;
    flex-flow: row wrap;
    gap: var(--gap-3);
    align-items: end;
  }
  label {
    display: grid;
    gap: 2px;
  }
  p {
    margin: 0;
  }
</style>
