<script lang="ts">
  import SharedFrame from '$lib/features/shared/SharedFrame.svelte';
  import { sharedWords as t } from '$words/shared.ts';

  let { data, form } = $props();
  const root = $derived(`/shared/view/${data.id}`);
  const VIEWS = ['face', 'head', 'left', 'sill'] as const;
  const names = { face: t.face, head: t.head, left: t.jamb, sill: t.sill };
</script>

<SharedFrame to={data.to} until={data.until} questions={data.questions} {form}>
  <p><a class="back" href={root}>{t.back}</a> · {data.job}</p>
  <h1>{data.shown.title}</h1>
  <p><a class="as-button" href="{root}/dossier.pdf?opening={data.opening}" download>{t.paper}</a></p>
  {#if data.shown.hasDrawings}
    <h2>{t.drawings}</h2>
    <div class="drawings">
      {#each VIEWS as view (view)}
        <figure>
          <img
            src="{root}/{data.opening}/{view}.svg"
            alt={names[view]}
            loading="lazy"
            width="560"
            height="420"
          />
          <figcaption>{names[view]}</figcaption>
        </figure>
      {/each}
    </div>
  {/if}
  {#each data.shown.sections as { title, lines } (title)}
    <section>
      <h2>{title}</h2>
      <ul>
        {#each lines as { text, pictures }, i (i)}
          <li>
            {text}
            {#each pictures as id (id)}
              <img class="picture" src="{root}/pictures/{id}" alt="{t.picture}: {text}" loading="lazy" />
            {/each}
          </li>
        {/each}
      </ul>
    </section>
  {/each}
</SharedFrame>

<style>
  h1,
  h2,
  p,
  ul,
  figure {
    margin: 0;
  }
  .back {
    display: inline-flex;
    align-items: center;
    min-height: 44px;
  }
  .drawings {
    display: grid;
    grid-template-columns: repeat(auto-fit, minmax(17rem, 1fr));
    gap: var(--gap-3);
  }
  .drawings img {
    width: 100%;
    height: auto;
    border: 1px solid var(--line);
    background: #fff;
  }
  figcaption {
    color: var(--ink-soft);
  }
  ul {
    padding-left: 1.2rem;
  }
  .picture {
    display: block;
    max-width: min(100%, 22rem);
    margin-top: var(--gap-2);
  }
</style>
