<script module lang="ts">
  import type { OpeningEditor } from '$lib/job/opening.svelte.ts';

  export interface DeviationLogProps {
    editor: OpeningEditor;
  }
</script>

<script lang="ts">
  import { orderWords } from '$words/order.ts';
  import { detailWords } from '$words/detail.ts';
  import { deviationWords } from '$words/install.ts';
  import {
    axisIds,
    axisTexts,
    choiceText,
    methodChoices,
    ruleTexts,
    standing,
    stepText,
    type RuleId,
  } from '@hulvek/core';

  let { editor }: DeviationLogProps = $props();
  const accepted = $derived(editor.opening.deviations ?? []);
  /** Choices made here that the job's method makes otherwise. */
  const departures = $derived.by(() => {
    const { method, choices } = editor.plan;
    if (!method || !choices) return [];
    const usual = methodChoices(method);
    return axisIds
      .filter((axis) => choices[axis] !== usual[axis])
      .map((axis) => ({
        axis,
        here: choiceText(axis, choices[axis]).name,
        usual: choiceText(axis, usual[axis]).name,
      }));
  });

  /** What was departed from on site. */
  const onSite = $derived(
    standing(editor.store.view(editor.id)?.entries ?? []).flatMap((entry) =>
      entry.facts?.kind === 'deviation' ? [{ entry, facts: entry.facts }] : [],
    ),
  );

  const day = (iso: string) =>
    new Intl.DateTimeFormat('en-GB', { dateStyle: 'medium' }).format(new Date(iso));

  function withdraw(rule: string) {
    editor.change((opening) => {
      const { deviations = [], ...rest } = opening;
      const left = deviations.filter((d) => d.rule !== rule);
      return left.length === 0 ? rest : { ...rest, deviations: left };
    });
  }
</script>

{#if accepted.length > 0 || departures.length > 0 || onSite.length > 0}
  <section aria-label={detailWords.log}>
    <h2>{detailWords.log}</h2>
    <ul>
      {#each departures as { axis, here, usual } (axis)}
        <li><b>{axisTexts[axis]}</b>: {detailWords.departs(here, usual)}</li>
      {/each}
      {#each accepted as { rule, reason, person, at } (rule)}
        <li>
          <b>{ruleTexts[rule as RuleId]?.title ?? orderWords.deviation}</b>: “{reason}” {person}, {day(at)}
          {#if editor.mayPlan}
            <button type="button" class="as-link" onclick={() => withdraw(rule)}
              >{detailWords.withdraw}</button
            >
          {/if}
        </li>
      {/each}
      {#each onSite as { entry, facts } (entry.id)}
        <li>
          <b>{stepText(entry.step).title}</b>: {deviationWords.is(
            deviationWords.froms[facts.from],
            facts.accepted,
          )} “{entry.note}” {entry.person}, {day(entry.at)}
        </li>
      {/each}
    </ul>
  </section>
{/if}

<style>
  section {
    margin-top: var(--gap-4);
  }
  li {
    padding: 4px 0;
    font-size: 0.95rem;
  }
</style>
