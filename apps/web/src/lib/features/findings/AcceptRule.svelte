<script module lang="ts">
  export interface AcceptRuleProps {
    /** Departs from the rule for this reason. */
    onaccept: (reason: string) => void;
  }
</script>

<script lang="ts">
  import Button from '$lib/ui/Button.svelte';
  import { detailWords } from '$words/detail.ts';
  import { installWords } from '$words/install.ts';

  let { onaccept }: AcceptRuleProps = $props();
  const id = $props.id();
  let open = $state(false);
  let reason = $state('');

  function accept(event: SubmitEvent) {
    event.preventDefault();
    if (reason.trim() === '') return;
    onaccept(reason.trim());
    open = false;
    reason = '';
  }
</script>

{#if open}
  <form onsubmit={accept}>
    <label for="{id}-reason">{detailWords.acceptReason}</label>
    <textarea id="{id}-reason" bind:value={reason} rows="2" maxlength="500" required></textarea>
    <div class="buttons">
      <Button type="submit">{detailWords.accept}</Button>
      <button type="button" class="as-link" onclick={() => (open = false)}>{installWords.cancel}</button>
    </div>
  </form>
{:else}
  <button type="button" class="as-link" onclick={() => (open = true)}>{detailWords.acceptAsk}</button>
{/if}

<style>
  form {
    display: grid;
    gap: var(--gap-1);
    width: 100%;
  }
  .buttons {
    display: flex;
    gap: var(--gap-3);
    align-items: center;
  }
</style>
