<script module lang="ts">
  export interface OrderAnswerProps {
    items: readonly string[];
    text: (id: string) => string;
    disabled: boolean;
    onorder: (items: readonly string[]) => void;
  }
</script>

<script lang="ts">
  import { practiceWords as t } from '$words/practice.ts';
  import ArrowDown from '@lucide/svelte/icons/arrow-down';
  import ArrowUp from '@lucide/svelte/icons/arrow-up';
  import { tick } from 'svelte';

  let { items, text, disabled, onorder }: OrderAnswerProps = $props();
  let held = $state<string | null>(null);
  let said = $state('');

  function put(id: string, to: number) {
    const rest = items.filter((one) => one !== id);
    onorder([...rest.slice(0, to), id, ...rest.slice(to)]);
  }

  async function move(id: string, by: 1 | -1, button: HTMLElement) {
    const to = items.indexOf(id) + by;
    if (to < 0 || to >= items.length) return;
    put(id, to);
    said = `${text(id)}: ${t.place(to + 1, items.length)}`;
    await tick();
    button.focus();
  }

  function grip(event: PointerEvent, id: string) {
    if (disabled || event.button !== 0) return;
    (event.currentTarget as HTMLElement).setPointerCapture(event.pointerId);
    held = id;
  }
  function drag(event: PointerEvent) {
    if (held === null) return;
    const over = document
      .elementsFromPoint(event.clientX, event.clientY)
      .find((one) => one instanceof HTMLElement && one.dataset.place !== undefined);
    const to = over instanceof HTMLElement ? Number(over.dataset.place) : -1;
    if (to >= 0 && to !== items.indexOf(held)) put(held, to);
  }
</script>

<ol>
  {#each items as id, i (id)}
    <li data-place={i} data-held={held === id}>
      <!-- The arrows beside it do the same by keys. -->
      <!-- svelte-ignore a11y_no_static_element_interactions -->
      <span
        class="grip figure"
        onpointerdown={(event) => grip(event, id)}
        onpointermove={drag}
        onpointerup={() => (held = null)}
        onpointercancel={() => (held = null)}>{i + 1}</span
      >
      <span>{text(id)}</span>
      {#if !disabled}
        <span class="moves">
          <button
            type="button"
            aria-label="{t.earlier}: {text(id)}"
            aria-disabled={i === 0}
            onclick={(event) => void move(id, -1, event.currentTarget)}
            ><ArrowUp size={20} aria-hidden="true" /></button
          >
          <button
            type="button"
            aria-label="{t.later}: {text(id)}"
            aria-disabled={i === items.length - 1}
            onclick={(event) => void move(id, 1, event.currentTarget)}
            ><ArrowDown size={20} aria-hidden="true" /></button
          >
        </span>
      {/if}
    </li>
  {/each}
</ol>
<p class="visually-hidden" aria-live="polite">{said}</p>

<style>
  ol {
    display: grid;
    gap: 6px;
    margin: 0;
    padding: 0;
    list-style: none;
  }
  li {
    display: grid;
    grid-template-columns: 48px minmax(0, 1fr) auto;
    align-items: center;
    gap: var(--gap-2);
    min-height: 52px;
    border: 1px solid var(--line);
    background: var(--paper);
  }
  li[data-held='true'] {
    outline: 2px solid var(--rust);
  }
  .grip {
    display: grid;
    place-items: center;
    align-self: stretch;
    background: var(--sand);
    font-weight: 700;
    cursor: grab;
    touch-action: none;
    user-select: none;
  }
  .moves {
    display: flex;
  }
  .moves button {
    display: grid;
    place-items: center;
    width: 48px;
    height: 48px;
    border: 0;
    border-left: 1px solid var(--line);
    background: none;
    color: var(--ink);
    cursor: pointer;
  }
  .moves button[aria-disabled='true'] {
    color: var(--line);
  }
</style>
