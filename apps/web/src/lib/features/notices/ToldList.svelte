<!-- What a link tells: to whom, or of which opening, and line by line what must not be done there. -->
<script module lang="ts">
  import type { Told } from '$lib/contract/told.ts';

  export interface ToldListProps {
    told: Told;
  }
</script>

<script lang="ts">
  import { noticesWords, toldWords as t } from '$words/notices.ts';

  let { told }: ToldListProps = $props();
  /** What is said of one place, or to one trade, stands together. */
  const groups = $derived(
    [...new Set(told.lines.map(({ where }) => where))].map((where) => ({
      where,
      texts: told.lines.filter((line) => line.where === where).map(({ text }) => text),
    })),
  );
</script>

<h1>{t.title}</h1>
<p class="to">{told.to}</p>
<p><b>{noticesWords.stop}</b></p>
<ul data-testid="told">
  {#each groups as { where, texts } (where)}
    <li>
      {#if where}<b>{where}</b>{/if}
      {#each texts as text, i (i)}<span>{text}</span>{/each}
    </li>
  {/each}
</ul>
<p class="quiet">{t.caution}</p>

<style>
  .to {
    font-size: 1.4rem;
    font-weight: 700;
  }
  p,
  h1 {
    margin: 0;
  }
  ul {
    display: grid;
    gap: var(--gap-2);
    margin: 0;
    padding-left: 1.1rem;
  }
  li {
    overflow-wrap: anywhere;
  }
  span {
    display: block;
  }
</style>
