<script module lang="ts">
  import type { PlanGoal } from '@hulvek/core';

  export interface GoalSettingsProps {
    goals: readonly PlanGoal[];
    /** As typed; `null` while goals count in their order. */
    weights: Readonly<Record<PlanGoal, string>> | null;
    onchange: (goals: readonly PlanGoal[], weights: Readonly<Record<PlanGoal, string>> | null) => void;
  }
</script>

<script lang="ts">
  import Button from '$lib/ui/Button.svelte';
  import { calendarWords } from '$words/calendar.ts';

  let { goals, weights, onchange }: GoalSettingsProps = $props();
  const t = calendarWords.settings;
  /** A litre of a wet night counts as much as three hours; the rest as they are. */
  const USUAL: Readonly<Record<PlanGoal, string>> = {
    nights: '200',
    late: '5',
    finish: '1',
    moves: '15',
    idle: '0.5',
  };
  function up(i: number) {
    const next = [...goals];
    const [goal] = next.splice(i, 1);
    if (goal) next.splice(i - 1, 0, goal);
    onchange(next, weights);
  }
</script>

<fieldset>
  <legend>{t.goals}</legend>
  {#if weights === null}
    <ol>
      {#each goals as goal, i (goal)}
        <li>
          <span>{i + 1}. {t.goalNames[goal]}</span>
          {#if i > 0}<Button kind="quiet" aria-label={t.up(t.goalNames[goal])} onclick={() => up(i)}>↑</Button
            >{/if}
        </li>
      {/each}
    </ol>
  {:else}
    {#each goals as goal (goal)}
      <label
        >{t.goalUnits[goal]}
        <input
          class="figure"
          inputmode="decimal"
          value={weights[goal]}
          oninput={(e) => onchange(goals, { ...weights, [goal]: e.currentTarget.value })}
        /></label
      >
    {/each}
  {/if}
  <label class="check"
    ><input
      type="checkbox"
      checked={weights !== null}
      onchange={(e) => onchange(goals, e.currentTarget.checked ? USUAL : null)}
    />{t.weigh}</label
  >
</fieldset>

<style>
  fieldset {
    display: grid;
    gap: var(--gap-2);
    justify-items: start;
    min-width: 0;
  }
  legend {
    font-size: 1.05rem;
    font-weight: 600;
  }
  ol {
    margin: 0;
    padding: 0;
    list-style: none;
  }
  li {
    display: flex;
    align-items: center;
    gap: var(--gap-2);
    min-height: var(--touch);
  }
  .figure {
    width: 6rem;
  }
  .check {
    display: inline-flex;
    align-items: center;
    gap: var(--gap-1);
    font-weight: 400;
  }
  .check input {
    width: 18px;
    min-height: 18px;
  }
</style>
