<script module lang="ts">
  import type { PracticeKind } from '@hulvek/core';
  import type { SvelteSet } from 'svelte/reactivity';
  import type { PracticeDesk } from './practice-desk.svelte.ts';

  export interface KindChoiceProps {
    kinds: SvelteSet<PracticeKind>;
    desk: PracticeDesk;
  }
</script>

<script lang="ts">
  import { kindTexts, practiceWords as t } from '$words/practice.ts';
  import { practiceKinds } from '@hulvek/core';

  let { kinds, desk }: KindChoiceProps = $props();
  const choose = (value: string) => desk.choose(value === 'mm' || value === 'in' ? value : null);
</script>

<section aria-labelledby="mixed">
  <h2 id="mixed">{t.mixed}</h2>
  <label class="all"
    ><input
      type="checkbox"
      checked={kinds.size === practiceKinds.length}
      onchange={(event) => {
        if (event.currentTarget.checked) for (const kind of practiceKinds) kinds.add(kind);
        else kinds.clear();
      }}
    />
    {t.all}</label
  >
  <ul class="kinds">
    {#each practiceKinds as kind (kind)}
      <li>
        <label
          ><input
            type="checkbox"
            checked={kinds.has(kind)}
            onchange={(event) => (event.currentTarget.checked ? kinds.add(kind) : kinds.delete(kind))}
          />
          <span><b>{kindTexts[kind].name}</b> <span class="quiet">{kindTexts[kind].does}</span></span></label
        >
      </li>
    {/each}
  </ul>
  <label class="field"
    >{t.system}
    <select value={desk.system ?? 'both'} onchange={(event) => choose(event.currentTarget.value)}>
      {#each ['both', 'mm', 'in'] as const as one (one)}<option value={one}>{t.systems[one]}</option>{/each}
    </select>
  </label>
</section>

<style>
  ul {
    margin: 0;
    padding: 0;
    list-style: none;
  }
  .kinds label,
  .all {
    display: grid;
    grid-template-columns: auto minmax(0, 1fr);
    align-items: center;
    gap: var(--gap-2);
    min-height: 44px;
  }
  input {
    width: 20px;
    height: 20px;
  }
  .field {
    display: grid;
    gap: var(--gap-1);
    max-width: 18rem;
    margin-top: var(--gap-3);
    font-weight: 500;
  }
  select {
    min-height: 44px;
  }
</style>
