<script lang="ts">
  import { paletteWords } from '$words/shell.ts';
  import { findInContext } from './finding.ts';

  const find = findInContext();
</script>

<button type="button" aria-keyshortcuts="Control+K" onclick={find}
  >{paletteWords.open}<kbd>{paletteWords.keys}</kbd></button
>

<style>
  button {
    display: flex;
    align-items: center;
    justify-content: space-between;
    width: 100%;
    min-height: var(--touch);
    padding: 0 var(--gap-3);
    border: 0;
    border-bottom: 1px solid var(--line);
    background: none;
    color: var(--ink);
    font: inherit;
    font-weight: 500;
    text-align: left;
    cursor: pointer;
  }
  kbd {
    color: var(--ink-soft);
    font-family: inherit;
    font-size: 0.8rem;
    font-weight: 400;
  }
  @media (pointer: coarse) {
    kbd {
      display: none;
    }
  }
</style>
