<!-- Notices handed out by link: made, taken back, and who said to have read them. -->
<script module lang="ts">
  import type { JobStore } from '$lib/job/job.svelte.ts';
  import type { Told } from '$lib/contract/told.ts';

  export interface HandOutProps {
    store: JobStore;
    /** By trade, what it is told. */
    list: readonly Told[];
  }
</script>

<script lang="ts">
  import Button from '$lib/ui/Button.svelte';
  import LinkCode from '$lib/ui/LinkCode.svelte';
  import { answerOf } from '$lib/contract/read.ts';
  import { toldAnswer, toldMade } from '$lib/contract/told.ts';
  import { Asking } from '$lib/device/asking.svelte.ts';
  import { dateTime } from '$lib/ui/time.ts';
  import { toldWords as t } from '$words/notices.ts';
  import { onMount } from 'svelte';
  import type * as z from 'zod/mini';

  let { store, list }: HandOutProps = $props();
  const mayMake = $derived(store.pack.rights.includes('settings'));
  let known = $state<z.infer<typeof toldAnswer>>({ links: [], said: [] });
  let made = $state<{ to: string; link: string }[]>([]);
  const asking = new Asking();
  const path = $derived(`/api/jobs/${store.id}/told`);

  async function load() {
    const response = await asking.ask(path);
    if (response) known = await answerOf(response, toldAnswer);
  }
  onMount(() => void load());

  async function make(told: Told) {
    const response = await asking.ask(path, 'POST', { kind: 'notice', list: [told] });
    if (!response) return;
    const { paths } = await answerOf(response, toldMade);
    made = [...made, ...paths.map((one) => ({ to: told.to, link: new URL(one, location.href).href }))];
    await load();
  }
  async function end(id: string) {
    if (await asking.ask(`${path}?link=${id}`, 'DELETE')) await load();
  }
</script>

<section class="hand-out" data-testid="hand-out">
  <h2>{t.handOut}</h2>
  <p>{t.lead}</p>
  {#if asking.problem}<p class="problem" role="alert">{asking.problem}</p>{/if}
  {#if mayMake}
    <div class="do">
      {#each list as told (told.to)}
        <Button onclick={() => void make(told)}>{t.make(told.to)}</Button>
      {/each}
    </div>
  {/if}
  {#each made as { to, link } (link)}
    <h3>{to}</h3>
    <LinkCode {link} label={t.label(to)} />
  {/each}
  {#if known.links.length > 0}
    <h3>{t.open}</h3>
    <ul>
      {#each known.links as { id, to, until } (id)}
        <li>
          {t.link(to, dateTime(until))}
          {#if mayMake}<Button kind="quiet" onclick={() => void end(id)}>{t.end}</Button>{/if}
        </li>
      {/each}
    </ul>
  {/if}
  <h3>{t.acknowledged}</h3>
  {#if known.said.length === 0}<p>{t.nobody}</p>{/if}
  <ul data-testid="said">
    {#each known.said as { to, name, at }, i (i)}<li>{t.saidBy(to, name, dateTime(at))}</li>{/each}
  </ul>
</section>

<style>
  section {
    display: grid;
    gap: var(--gap-2);
    max-width: 56rem;
  }
  h2,
  h3,
  p,
  ul {
    margin: 0;
  }
  .do {
    display: flex;
    flex-flow: row wrap;
    gap: var(--gap-2);
  }
  @media print {
    section {
      display: none;
    }
  }
</style>
