<script module lang="ts">
  export interface LinkCodeProps {
    link: string;
    /** What the link does, for those who scan or hear it. */
    label: string;
  }
</script>

<script lang="ts">
  import Button from '$lib/ui/Button.svelte';
  import { linkWords } from '$words/link.ts';
  import encodeQR from 'qr';

  let { link, label }: LinkCodeProps = $props();
  let copied = $state('');
  /** Nobody else can open an address of this very machine: a printed code of it would lead nowhere. */
  const isOwn = $derived(/^(localhost|127\.|\[::1\])/.test(new URL(link).host));
  const code = $derived(isOwn ? null : encodeQR(link, 'raw', { ecc: 'medium' }));
  const QUIET = 4;

  async function copy() {
    try {
      await navigator.clipboard.writeText(link);
      copied = linkWords.copied;
    } catch {
      copied = linkWords.notCopied;
    }
  }
</script>

<div class="link">
  <a class="figure" href={link}>{link}</a>
  <span class="buttons">
    <Button onclick={() => void copy()}>{linkWords.copy}</Button>
    {#if code}<Button onclick={() => window.print()}>{linkWords.print}</Button>{/if}
    <span role="status">{copied}</span>
  </span>
  {#if code}
    <svg
      role="img"
      aria-label={linkWords.code(label)}
      viewBox="{-QUIET} {-QUIET} {code.length + 2 * QUIET} {code.length + 2 * QUIET}"
      shape-rendering="crispEdges"
    >
      <rect x={-QUIET} y={-QUIET} width="100%" height="100%" fill="#ffffff" />
      {#each code as row, y (y)}
        {#each row as dark, x (x)}{#if dark}<rect {x} {y} width="1" height="1" fill="#000000" />{/if}{/each}
      {/each}
    </svg>
  {:else}<p class="quiet">{linkWords.loopback}</p>{/if}
</div>

<style>
  .link {
    display: grid;
    gap: var(--gap-2);
    justify-items: start;
  }
  a {
    overflow-wrap: anywhere;
  }
  .buttons {
    display: flex;
    flex-flow: row wrap;
    align-items: center;
    gap: var(--gap-2);
  }
  svg {
    width: 14rem;
    max-width: 100%;
  }
  @media print {
    .buttons {
      display: none;
    }
  }
</style>
