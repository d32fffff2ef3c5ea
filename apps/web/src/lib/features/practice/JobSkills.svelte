<script module lang="ts">
  import type { JobPractice } from '$lib/contract/practice.ts';

  export interface JobSkillsProps {
    people: NonNullable<JobPractice['people']>;
    /** How many more are in the job. */
    others: number;
  }
</script>

<script lang="ts">
  import { jobPracticeWords as t, kindTexts, practiceWords } from '$words/practice.ts';

  let { people, others }: JobSkillsProps = $props();
</script>

<section aria-labelledby="job-people">
  <h2 id="job-people">{t.people}</h2>
  {#if people.length === 0}<p class="quiet">{t.nobody}</p>{/if}
  {#each people as { name, skills } (name)}
    <details>
      <summary>{name}</summary>
      <ul class="skills">
        {#each skills.filter((skill) => skill.answers > 0) as skill (skill.kind)}
          <li>
            <span>{kindTexts[skill.kind].name}</span>
            <span class="figure"
              >{practiceWords.level(skill.level)}, {practiceWords.skills.said(
                skill.said,
                skill.low,
                skill.high,
              )}</span
            >
          </li>
        {:else}<li class="quiet">{practiceWords.skills.none}</li>{/each}
      </ul>
    </details>
  {/each}
  {#if others > 0}<p class="quiet">{t.others(others)}</p>{/if}
</section>

<style>
  ul {
    margin: 0;
    padding: 0;
    list-style: none;
  }
  summary {
    min-height: 44px;
    align-content: center;
    cursor: pointer;
  }
  .skills li {
    display: flex;
    justify-content: space-between;
    gap: var(--gap-3);
    padding: 4px 0;
    border-bottom: 1px solid var(--sand-deep);
  }
</style>
