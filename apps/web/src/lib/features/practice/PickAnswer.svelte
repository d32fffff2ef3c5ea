<script module lang="ts">
  export interface PickAnswerProps {
    options: readonly string[];
    /** Any number of them, or one. */
    several: boolean;
    chosen: readonly string[];
    text: (id: string) => string;
    legend: string;
    disabled: boolean;
    onchoose: (chosen: readonly string[]) => void;
  }
</script>

<script lang="ts">
  import { practiceWords as t } from '$words/practice.ts';

  let { options, several, chosen, text, legend, disabled, onchoose }: PickAnswerProps = $props();
  const name = $props.id();

  function choose(id: string, on: boolean) {
    if (several) onchoose(on ? [...chosen, id] : chosen.filter((one) => one !== id));
    else onchoose([id]);
  }
</script>

<fieldset {disabled}>
  <legend class="visually-hidden">{legend}</legend>
  {#if several}<p>{t.several}</p>{/if}
  {#each options as id, i (id)}
    <label>
      <input
        type={several ? 'checkbox' : 'radio'}
        {name}
        value={i}
        checked={chosen.includes(id)}
        onchange={(event) => choose(id, event.currentTarget.checked)}
      />
      <span>{text(id)}</span>
    </label>
  {/each}
</fieldset>

<style>
  fieldset {
    display: grid;
    gap: 6px;
    min-width: 0;
    margin: 0;
    padding: 0;
    border: 0;
  }
  p {
    margin: 0;
    color: var(--ink-soft);
  }
  label {
    display: grid;
    grid-template-columns: auto minmax(0, 1fr);
    align-items: center;
    gap: var(--gap-3);
    min-height: 52px;
    padding: 4px var(--gap-3);
    border: 1px solid var(--line);
    background: var(--paper);
    cursor: pointer;
  }
  label:has(:checked) {
    outline: 2px solid var(--rust);
    background: var(--rust-soft);
  }
  input {
    width: 22px;
    height: 22px;
  }
</style>
