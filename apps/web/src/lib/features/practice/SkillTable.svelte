<script module lang="ts">
  import type { PracticeAnswer } from '@hulvek/core';

  export interface SkillTableProps {
    answers: readonly PracticeAnswer[];
  }
</script>

<script lang="ts">
  import { kindTexts, practiceWords } from '$words/practice.ts';
  import { dueOf, skillsOf } from '@hulvek/core';

  let { answers }: SkillTableProps = $props();
  const t = practiceWords.skills;
  const DAY_ms = 86_400_000;
  const rows = $derived.by(() => {
    const now_ms = Date.now();
    return skillsOf(answers, now_ms).map((skill) => {
      const due = dueOf(answers, skill.kind);
      return { ...skill, days: due ? (due.due_ms - now_ms) / DAY_ms : null };
    });
  });
</script>

<section aria-labelledby="skills">
  <h2 id="skills">{t.title}</h2>
  {#if answers.length === 0}
    <p>{t.none}</p>
  {:else}
    <div class="wide-table">
      <table>
        <thead>
          <tr>
            <th scope="col">{t.kind}</th>
            <th scope="col" class="number">{t.level}</th>
            <th scope="col" class="number">{t.answers}</th>
            <th scope="col">{t.chance}</th>
            <th scope="col">{t.due}</th>
          </tr>
        </thead>
        <tbody>
          {#each rows as { kind, level, answers: many, chance, days } (kind)}
            <tr data-kind={kind}>
              <th scope="row">{kindTexts[kind].name}</th>
              <td class="number figure">{many === 0 ? '' : level}</td>
              <td class="number figure">{many}</td>
              <td>
                {#if many > 0}
                  <span class="bar" aria-hidden="true">
                    <span
                      class="range"
                      style:left="{chance.low * 100}%"
                      style:right="{(1 - chance.high) * 100}%"
                    ></span>
                    <span class="said" style:left="{chance.said * 100}%"></span>
                  </span>
                  <span class="figure">{t.said(chance.said, chance.low, chance.high)}</span>
                {/if}
              </td>
              <td>{days === null ? t.never : days <= 0 ? t.now : t.later(days)}</td>
            </tr>
          {/each}
        </tbody>
      </table>
    </div>
    <p class="quiet">{t.honest}</p>
  {/if}
</section>

<style>
  .wide-table {
    overflow-x: auto;
  }
  table {
    width: 100%;
    border-collapse: collapse;
  }
  th,
  td {
    padding: 6px var(--gap-2);
    border-bottom: 1px solid var(--sand-deep);
    text-align: left;
  }
  .number {
    text-align: right;
  }
  .bar {
    position: relative;
    display: inline-block;
    width: 6rem;
    height: 8px;
    margin-right: var(--gap-2);
    background: var(--sand-deep);
    vertical-align: 1px;
  }
  .range {
    position: absolute;
    top: 2px;
    bottom: 2px;
    background: var(--ink-soft);
  }
  .said {
    position: absolute;
    top: -3px;
    bottom: -3px;
    width: 3px;
    margin-left: -1px;
    background: var(--rust);
  }
  @media (max-width: 620px) {
    .bar {
      display: none;
    }
  }
</style>
