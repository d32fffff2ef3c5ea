<script lang="ts">
  import SharedFrame from '$lib/features/shared/SharedFrame.svelte';
  import { sharedWords as t } from '$words/shared.ts';

  let { data, form } = $props();
  const root = $derived(`/shared/view/${data.id}`);
  const heads = $derived(data.shown.labels[0] ?? []);
</script>

<SharedFrame to={data.to} until={data.until} questions={data.questions} {form}>
  <h1>{data.shown.name}</h1>
  <p><a class="as-button" href="{root}/dossier.pdf" download>{t.paper}</a></p>
  <!-- svelte-ignore a11y_no_noninteractive_tabindex -->
  <div class="wide-table" role="region" aria-label={t.openings} tabindex="0">
    <table class="lines" data-testid="shared">
      <thead>
        <tr>
          {#each Object.values(t.columns) as head (head)}<th scope="col">{head}</th>{/each}
        </tr>
      </thead>
      <tbody>
        {#each data.shown.rows as { id, mark, name, facade, done, open } (id)}
          <tr>
            <th scope="row"><a href="{root}/{id}">{mark}</a> {name}</th>
            <td>{facade}</td>
            <td>{done}</td>
            <td>{open}</td>
          </tr>
        {/each}
      </tbody>
    </table>
  </div>
  {#if heads.length > 0}
    <h2>{t.labels}</h2>
    <!-- svelte-ignore a11y_no_noninteractive_tabindex -->
    <div class="wide-table" role="region" aria-label={t.labels} tabindex="0">
      <table class="lines">
        <thead>
          <tr>
            {#each heads as head (head)}<th scope="col">{head}</th>{/each}
          </tr>
        </thead>
        <tbody>
          {#each data.shown.labels.slice(1) as cells, i (i)}
            <tr>
              {#each cells as cell, n (n)}<td>{cell}</td>{/each}
            </tr>
          {/each}
        </tbody>
      </table>
    </div>
  {/if}
</SharedFrame>

<style>
  h1,
  h2,
  p {
    margin: 0;
  }
  .wide-table {
    overflow-x: auto;
  }
  th,
  td {
    padding: 6px var(--gap-3) 6px 0;
    text-align: left;
  }
  th a {
    display: inline-flex;
    align-items: center;
    min-height: 44px;
  }
</style>
