<script module lang="ts">
  import type { Snippet } from 'svelte';
  import type { HTMLButtonAttributes } from 'svelte/elements';

  export interface HeadButtonProps extends HTMLButtonAttributes {
    label: string;
    /** How much there is of what it opens; nothing is shown for none. */
    count?: number;
    children: Snippet;
  }
</script>

<script lang="ts">
  let { label, count = 0, children, ...rest }: HeadButtonProps = $props();
</script>

<button type="button" aria-label={label} title={label} {...rest}>
  {@render children()}{#if count > 0}<span aria-hidden="true">{count}</span>{/if}
</button>

<style>
  button {
    position: relative;
    display: grid;
    place-items: center;
    min-width: 40px;
    min-height: 34px;
    padding: 0;
    border: 1px solid #64757a;
    border-radius: var(--radius);
    background: none;
    color: var(--on-ink);
    cursor: pointer;
  }
  button[aria-pressed='true'] {
    background: var(--on-ink);
    color: var(--ink);
  }
  span {
    position: absolute;
    top: -6px;
    right: -8px;
    min-width: 1.4em;
    padding: 0 4px;
    border-radius: 1em;
    background: #e58a52;
    color: #1f2a2e;
    font-size: 0.8rem;
    font-weight: 700;
    text-align: center;
  }
  @media (pointer: coarse), (max-width: 640px) {
    button {
      min-width: 44px;
    }
  }
</style>
