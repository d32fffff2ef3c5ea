<!-- Takes back one thing that was entered; it stays in the log, struck through. -->
<script module lang="ts">
  import type { FieldLog } from '$lib/features/install/field.svelte.ts';

  export interface TakeBackProps {
    log: FieldLog;
    id: string;
    step: string;
  }
</script>

<script lang="ts">
  import Button from '$lib/ui/Button.svelte';
  import { installWords } from '$words/install.ts';

  let { log, id, step }: TakeBackProps = $props();
</script>

{#if log.may('test')}
  <Button kind="quiet" onclick={() => log.add({ kind: 'undo', step, undoes: id, note: '' })}
    >{installWords.undo}</Button
  >
{/if}
