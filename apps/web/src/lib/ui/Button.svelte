<script module lang="ts">
  import type { Snippet } from 'svelte';
  import type { HTMLButtonAttributes } from 'svelte/elements';

  export interface ButtonProps extends HTMLButtonAttributes {
    /** `main` once per screen, for what comes next. */
    kind?: 'main' | 'plain' | 'quiet';
    /** Large enough for gloves. */
    large?: boolean;
    children: Snippet;
  }
</script>

<script lang="ts">
  let { kind = 'plain', large = false, type = 'button', children, ...rest }: ButtonProps = $props();
</script>

<button {type} data-kind={kind} data-large={large} {...rest}>{@render children()}</button>

<style>
  button {
    display: inline-flex;
    align-items: center;
    justify-content: center;
    gap: var(--gap-2);
    min-height: 38px;
    padding: 6px 14px;
    border: 1px solid var(--rust);
    border-radius: var(--radius);
    background: var(--paper);
    color: var(--rust);
    font-weight: 600;
    cursor: pointer;
  }
  button:hover:not(:disabled) {
    background: var(--rust-soft);
  }
  button[data-kind='main'] {
    background: var(--rust);
    color: #fff;
  }
  button[data-kind='main']:hover:not(:disabled) {
    background: #6f2b0b;
  }
  button[data-kind='quiet'] {
    border-color: var(--line);
    color: var(--ink);
  }
  button[data-large='true'] {
    min-height: var(--touch);
    padding-inline: 20px;
    font-size: 1.05rem;
  }
  button:disabled {
    border-color: var(--line);
    background: var(--sand);
    color: var(--ink-soft);
    cursor: not-allowed;
  }
</style>
