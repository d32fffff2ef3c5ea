<script module lang="ts">
  import type { Snippet } from 'svelte';

  export interface SheetProps {
    /** What it is, for those who cannot see it. */
    label: string;
    /** What closes it. */
    done: string;
    onclose: () => void;
    /** Beside the button that closes it. */
    foot?: Snippet;
    children: Snippet;
  }
</script>

<script lang="ts">
  import Button from './Button.svelte';

  let { label, done, onclose, foot, children }: SheetProps = $props();
</script>

<!-- Something to read over the page: left by its button, by Escape, or by pressing beside it. -->
<dialog
  {@attach (dialog) => dialog.showModal()}
  {onclose}
  aria-label={label}
  onclick={(event) => {
    if (event.target === event.currentTarget) event.currentTarget.close();
  }}
>
  <div>
    {@render children()}
    <p class="foot">
      <span>{@render foot?.()}</span>
      <Button onclick={onclose}>{done}</Button>
    </p>
  </div>
</dialog>

<style>
  dialog {
    width: min(34rem, calc(100vw - 24px));
    max-height: 84vh;
    margin: 8vh auto;
    padding: 0;
    border: 1px solid var(--ink);
    border-radius: var(--radius);
    background: var(--paper);
    color: var(--ink);
  }
  div {
    display: grid;
    gap: var(--gap-3);
    padding: var(--gap-4);
  }
  .foot {
    display: flex;
    align-items: center;
    justify-content: space-between;
    gap: var(--gap-3);
  }
</style>
