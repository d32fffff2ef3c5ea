<script lang="ts">
  import { enhance } from '$app/forms';
  import SiteForm from '$lib/features/conditions/SiteForm.svelte';
  import Button from '$lib/ui/Button.svelte';
  import ProgressBar from '$lib/ui/ProgressBar.svelte';
  import JudgementMark from '$lib/ui/JudgementMark.svelte';
  import { fitWord } from '$words/fit.ts';
  import { jobWords } from '$words/shell.ts';

  let { data, form } = $props();
  const store = $derived(data.store);
  const job = $derived(store.context.job);
  const rights = $derived(store.pack.rights);
  let search = $state('');
  const words = $derived(search.trim().toLowerCase());
  const rows = $derived(
    store.rows.filter((r) => `${r.mark} ${r.name} ${r.facade}`.toLowerCase().includes(words)),
  );
  const facades = $derived([...new Set(store.rows.map((r) => r.facade).filter(Boolean))]);
  const columns = jobWords.columns;
</script>

<main>
  <div class="head">
    <h1>{job.name}</h1>
    <a href="/jobs/{job.id}/file" download>{jobWords.save}</a>
  </div>
  {#if job.note}<p class="note">{job.note}</p>{/if}

  {#if store.rows.length === 0}
    <p>{jobWords.empty}</p>
  {:else}
    <div class="find">
      <label for="search">{jobWords.search}</label>
      <input id="search" type="search" placeholder={jobWords.searchHint} bind:value={search} />
      <p>{jobWords.scope}</p>
    </div>
    <div class="scroll">
      <table>
        <caption class="visually-hidden">{jobWords.openings}</caption>
        <thead>
          <tr
            >{#each Object.values(columns) as column (column)}<th scope="col">{column}</th>{/each}</tr
          >
        </thead>
        <tbody>
          {#each rows as row (row.id)}
            <tr>
              <th scope="row"><a href="/jobs/{job.id}/{row.id}/measure">{row.mark}</a></th>
              <td>{row.name}</td>
              <td class="verdict">
                <JudgementMark judgement={row.judgement} word />
                {#if row.fit}<span class="fit">{fitWord(row.fit, row.measured)}</span>{/if}
              </td>
              <td>
                {#if row.done === null}
                  <span class="quiet">{jobWords.notStarted}</span>
                {:else}
                  <a class="done" href="/jobs/{job.id}/{row.id}/install"
                    ><ProgressBar share={row.done} label={row.mark} />{#if row.looksDue > 0}<span class="due"
                        >{jobWords.looksDue(row.looksDue)}</span
                      >{/if}</a
                  >
                {/if}
              </td>
              <td class="figure">{row.size ?? jobWords.noUnit}</td>
              <td>{row.facade}</td>
              <td>{row.method}</td>
            </tr>
          {:else}
            <tr><td colspan="7">{jobWords.none}</td></tr>
          {/each}
        </tbody>
      </table>
    </div>
  {/if}

  {#if rights.includes('plan')}
    <div class="forms">
      <form method="POST" action="?/opening" use:enhance>
        <h2>{jobWords.addOpening}</h2>
        <div class="grid">
          <label>{jobWords.mark}<input name="mark" required maxlength="16" autocomplete="off" /></label>
          <label>{jobWords.name}<input name="name" maxlength="120" autocomplete="off" /></label>
          <label
            >{jobWords.facade}<input name="facade" maxlength="60" list="facades" autocomplete="off" /></label
          >
          <label>
            {jobWords.unit}
            <select name="unit">
              <option value="">{jobWords.noneYet}</option>
              {#each store.context.units as unit (unit.id)}<option value={unit.id}>{unit.name}</option>{/each}
            </select>
          </label>
        </div>
        <datalist id="facades"
          >{#each facades as facade (facade)}<option value={facade}></option>{/each}</datalist
        >
        {#if form?.form === 'opening' && form.problem}<p class="problem" role="alert">{form.problem}</p>{/if}
        <Button kind="main" type="submit">{jobWords.add}</Button>
      </form>
      {#if rights.includes('settings')}<SiteForm {store} />{/if}
    </div>
  {/if}
</main>

<style>
  main {
    display: grid;
    gap: var(--gap-4);
    max-width: 76rem;
    margin: 0 auto;
    padding: var(--gap-5) var(--gap-4);
  }
  .head {
    display: flex;
    align-items: baseline;
    gap: var(--gap-5);
  }
  .due {
    display: block;
    font-size: 0.85rem;
  }
  .note,
  .quiet,
  .find p {
    color: var(--ink-soft);
  }
  .find {
    display: flex;
    flex-flow: row wrap;
    align-items: center;
    gap: var(--gap-3);
  }
  .find input {
    width: 16rem;
  }
  .find label {
    font-weight: 500;
  }
  .scroll {
    overflow-x: auto;
  }
  table {
    width: 100%;
    border-collapse: collapse;
  }
  th,
  td {
    padding: 9px var(--gap-3) 9px 0;
    border-bottom: 1px solid var(--line);
    text-align: left;
    white-space: nowrap;
  }
  thead th {
    border-bottom: 2px solid var(--ink);
    font-size: 0.9rem;
  }
  tbody th a {
    display: inline-block;
    min-width: 3.5rem;
    font-size: 1.05rem;
    font-weight: 700;
  }
  @media (max-width: 700px) {
    /* Both words of a verdict stand on the narrow page. */
    .verdict {
      white-space: normal;
      max-width: 10rem;
    }
  }
  .fit {
    margin-left: var(--gap-2);
    color: var(--ink-soft);
  }
  .done {
    text-decoration: none;
    color: inherit;
  }
  .forms {
    display: grid;
    grid-template-columns: repeat(auto-fit, minmax(19rem, 1fr));
    gap: var(--gap-6);
    margin-top: var(--gap-4);
  }
  form {
    display: grid;
    gap: var(--gap-3);
    align-content: start;
  }
  .grid {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: var(--gap-3);
  }
  .grid label {
    display: grid;
    gap: var(--gap-1);
    font-weight: 500;
  }
  form > :global(button) {
    justify-self: start;
  }
</style>
