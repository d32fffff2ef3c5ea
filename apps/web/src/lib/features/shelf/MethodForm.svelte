<script module lang="ts">
  import type { MethodDocument } from '@hulvek/core';

  export interface MethodFormProps {
    method: MethodDocument;
    /** Marks of the openings that go by it. */
    used: readonly string[];
    onsave: (next: MethodDocument) => Promise<boolean>;
  }
</script>

<script lang="ts">
  import Button from '$lib/ui/Button.svelte';
  import { shelfWords } from '$words/shelf.ts';
  import { saveWords } from '$words/shell.ts';
  import { methodChoices, presets, presetTexts, type AxisId, type ChoicesDocument } from '@hulvek/core';
  import { untrack } from 'svelte';
  import MethodChoices from '$lib/features/detail/MethodChoices.svelte';

  let { method, used, onsave }: MethodFormProps = $props();
  const id = $props.id();
  let name = $state(untrack(() => method.name));
  let choices = $state.raw<ChoicesDocument>(untrack(() => method.choices ?? {}));
  let saved = $state(false);
  const draft = $derived.by((): MethodDocument => {
    const { choices: _before, ...rest } = method;
    return { ...rest, name: name.trim(), ...(Object.keys(choices).length > 0 && { choices }) };
  });

  function choose(axis: AxisId, choice: string | null) {
    const next = Object.entries({ ...choices, [axis]: choice ?? undefined }).filter(
      ([, c]) => c !== undefined,
    );
    choices = Object.fromEntries(next) as ChoicesDocument;
    saved = false;
  }
  async function save(event: SubmitEvent) {
    event.preventDefault();
    saved = await onsave(draft);
  }
</script>

<form onsubmit={save}>
  <p class="quiet">{presetTexts[method.preset].summary}</p>
  {#if used.length > 0}<p>{shelfWords.usedBy(used.join(', '))}</p>{/if}
  <label for="{id}-name">{shelfWords.name}</label>
  <input id="{id}-name" bind:value={name} required maxlength="120" oninput={() => (saved = false)} />
  <MethodChoices
    choices={methodChoices(draft)}
    inherited={presets[method.preset].choices}
    onchoose={choose}
  />
  <p>
    <Button kind="main" type="submit">{shelfWords.save}</Button>
    <span role="status">{saved ? saveWords.saved : ''}</span>
  </p>
</form>

<style>
  form {
    display: grid;
    gap: var(--gap-2);
    max-width: 34rem;
    padding: var(--gap-2) 0 var(--gap-3) var(--gap-3);
    border-left: 4px solid var(--line);
  }
</style>
