<script module lang="ts">
  import type { AxisId, Choices } from '@hulvek/core';

  export interface MethodChoicesProps {
    /** As chosen now. */
    choices: Choices;
    /** What is chosen where nothing is set here. */
    inherited: Choices;
    /** `null` takes the choice made here back. */
    onchoose: (axis: AxisId, choice: string | null) => void;
  }
</script>

<script lang="ts">
  import { detailWords } from '$words/detail.ts';
  import { methodGroups } from './method-groups.ts';
  import { axes, axisTexts, choiceText, ruleTexts, rulesNaming, type Choice } from '@hulvek/core';

  let { choices, inherited, onchoose }: MethodChoicesProps = $props();
  const id = $props.id();
  /** What a choice can contradict. */
  const against = (axis: AxisId) => rulesNaming(axis, choices[axis]).map((rule) => ruleTexts[rule].title);
</script>

{#each methodGroups as { name, axes: own } (name)}
  <fieldset>
    <legend>{detailWords.axisGroups[name]}</legend>
    {#each own as axis (axis)}
      {@const chosen = choiceText(axis, choices[axis])}
      <div class="row" data-changed={choices[axis] !== inherited[axis]}>
        <label for="{id}-{axis}">{axisTexts[axis]}</label>
        <select
          id="{id}-{axis}"
          value={choices[axis]}
          aria-describedby="{id}-{axis}-why"
          onchange={(event) => onchoose(axis, event.currentTarget.value)}
        >
          {#each axes[axis] as readonly Choice[] as choice (choice)}
            <option value={choice}>{choiceText(axis, choice).name}</option>
          {/each}
        </select>
        <p class="why" id="{id}-{axis}-why">
          {chosen.reason}
          {detailWords.wise(chosen.wise)}
          {#if against(axis).length > 0}{detailWords.lookOut(against(axis).join('; '))}{/if}
        </p>
        {#if choices[axis] !== inherited[axis]}
          <button type="button" class="as-link" onclick={() => onchoose(axis, null)}
            >{detailWords.reset(choiceText(axis, inherited[axis]).name)}<span class="visually-hidden"
              >, {axisTexts[axis]}</span
            ></button
          >
        {/if}
      </div>
    {/each}
  </fieldset>
{/each}

<style>
  fieldset {
    /* Beside a drawing that is dragged, what is out of sight need not be laid out. */
    content-visibility: auto;
    contain-intrinsic-size: auto 360px;
    display: grid;
    gap: var(--gap-2);
    padding: var(--gap-2) 0 var(--gap-3);
    border: 0;
    border-top: 1px solid var(--line);
  }
  legend {
    float: left;
    width: 100%;
    font-size: 0.9rem;
    font-weight: 700;
    color: var(--ink-soft);
  }
  .row {
    display: grid;
    grid-template-columns: 9.5rem minmax(0, 1fr);
    align-items: center;
    gap: 2px var(--gap-2);
  }
  .row[data-changed='true'] {
    padding-left: var(--gap-2);
    border-left: 4px solid var(--rust);
  }
  select {
    min-width: 0;
    width: 100%;
  }
  .why {
    grid-column: 1 / -1;
    font-size: 0.86rem;
    line-height: 1.3;
    color: var(--ink-soft);
  }
  .row button {
    grid-column: 1 / -1;
    justify-self: end;
    font-size: 0.88rem;
  }
</style>
