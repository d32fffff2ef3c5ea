<script module lang="ts">
  import type { Issue, Judgement } from '@hulvek/core';

  export interface FreezeFormProps {
    /** `null` for the moment until the opening is judged. */
    judgement: Judgement | null;
    /** A plan that was frozen before is frozen anew. */
    again?: boolean;
    disabled: boolean;
    job: string;
    opening: string;
    onfreeze: (despite?: Issue['despite']) => void;
  }
</script>

<script lang="ts">
  import Missing from '$lib/features/findings/Missing.svelte';
  import Button from '$lib/ui/Button.svelte';
  import { installWords } from '$words/install.ts';
  import { judgedProofTexts, judgedProofs } from '@hulvek/core';

  let { judgement, again = false, disabled, job, opening, onfreeze }: FreezeFormProps = $props();
  let reason = $state('');
  const grade = $derived(judgement?.grade);
  const asked = $derived(grade === 'fails' || grade === 'not-checkable' ? grade : null);
  const failing = $derived(
    judgedProofs
      .filter((proof) => judgement?.proofs[proof].grade === 'fails')
      .map((p) => judgedProofTexts[p]),
  );

  function freeze(event: SubmitEvent) {
    event.preventDefault();
    if (asked === null) onfreeze();
    else if (reason.trim() !== '') onfreeze({ grade: asked, reason: reason.trim() });
  }
</script>

<form onsubmit={freeze}>
  {#if asked}
    <p class="problem">
      {asked === 'fails' ? installWords.despiteFails(failing.join(', ')) : installWords.despiteUnknown}
    </p>
    {#if judgement}<Missing missing={judgement.missing} {job} {opening} />{/if}
    <label
      >{installWords.despiteReason}<textarea rows="2" maxlength="500" required {disabled} bind:value={reason}
      ></textarea></label
    >
  {/if}
  <Button
    kind="main"
    large
    type="submit"
    disabled={disabled || judgement === null || (asked !== null && reason.trim() === '')}
    >{again ? installWords.freezeAgain : asked ? installWords.freezeDespite : installWords.freeze}</Button
  >
</form>

<style>
  form {
    display: grid;
    gap: var(--gap-3);
    justify-items: start;
    width: 100%;
  }
  label {
    display: grid;
    gap: var(--gap-1);
    width: 100%;
    font-weight: 500;
  }
  textarea {
    width: 100%;
    font: inherit;
  }
</style>
