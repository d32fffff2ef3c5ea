<!-- What those who come later are told, by trade with its openings, or as a sign for the door of each opening. -->
<script module lang="ts">
  import type { JobStore } from '$lib/job/job.svelte.ts';

  export interface NoticesProps {
    store: JobStore;
  }
</script>

<script lang="ts">
  import JobPage from '$lib/features/shell/JobPage.svelte';
  import NoOpenings from '$lib/features/shell/NoOpenings.svelte';
  import Button from '$lib/ui/Button.svelte';
  import { longDayName } from '$lib/ui/time.ts';
  import { noticesWords as t } from '$words/notices.ts';
  import {
    dayAndTime,
    noticeRuleTexts,
    noticeThingsText,
    noticeToText,
    progress,
    tradeNotices,
    zoneOf,
    type NoticeTo,
    type TradeNotice,
  } from '@hulvek/core';
  import { onMount } from 'svelte';

  let { store }: NoticesProps = $props();
  let by = $state<'trades' | 'signs'>('trades');
  let ready = $state(false);
  onMount(() => void store.planning().then(() => (ready = true)));

  const all = $derived.by(() => {
    if (!ready) return [];
    const now = new Date().toISOString();
    return [...store.views.values()].flatMap((view) => {
      const issue = view.issues.at(-1);
      const build = (issue ? store.frozenOf(issue)?.build : null) ?? store.planOf(view.opening).build;
      if (!build) return [];
      const states = issue ? progress(build.steps, view.issues, view.entries, now) : [];
      const { mark, name, facade } = view.opening;
      return [{ mark, name, facade, notices: tradeNotices(build, states, store.context.materials) }];
    });
  });
  const zone = $derived(zoneOf(store.context.job));
  const textOf = ({ rule, until }: TradeNotice) =>
    until ? `${noticeRuleTexts[rule]} ${longDayName(dayAndTime(zone, until).day)}.` : noticeRuleTexts[rule];
  const piecesOf = ({ pieces }: TradeNotice) => noticeThingsText(pieces);
  /** On a sign each trade finds all that it must know at one place. */
  const byTrade = (notices: readonly TradeNotice[]) =>
    [...new Set(notices.map(({ to }) => to))].map((to) => ({
      to,
      text: notices
        .filter((notice) => notice.to === to)
        .map((notice) => `${piecesOf(notice)}: ${textOf(notice)}`),
    }));
  /** By trade: one line for what is the same at several openings. */
  const trades = $derived.by(() => {
    const byTrade = new Map<NoticeTo, Map<string, { text: string; pieces: string; marks: string[] }>>();
    for (const { mark, notices } of all)
      for (const notice of notices) {
        const lines =
          byTrade.get(notice.to) ?? new Map<string, { text: string; pieces: string; marks: string[] }>();
        byTrade.set(notice.to, lines);
        const [text, pieces] = [textOf(notice), piecesOf(notice)];
        const line = lines.get(`${text}|${pieces}`) ?? { text, pieces, marks: [] };
        lines.set(`${text}|${pieces}`, line);
        line.marks.push(mark);
      }
    return [...byTrade].map(([to, lines]) => ({ to, lines: [...lines.values()] }));
  });
</script>

<JobPage view="notices" lead={t.lead}>
  {#snippet tools()}
    <span class="choice" role="group" aria-label={t.views}>
      {#each ['trades', 'signs'] as const as one (one)}
        <button type="button" aria-pressed={by === one} onclick={() => (by = one)}>{t.viewNames[one]}</button>
      {/each}
    </span>
    <Button onclick={() => print()}>{t.print}</Button>
  {/snippet}
  {#if store.views.size === 0}<NoOpenings {store} />
  {:else if !ready}<p role="status">{t.working}</p>
  {:else if all.length === 0}<p>{t.none}</p>
  {:else if by === 'trades'}
    {#each trades as { to, lines } (to)}
      <section data-testid="trade">
        <h2>{noticeToText(to)}</h2>
        <ul>
          {#each lines as line (line.text + line.pieces)}
            <li>
              <b>{line.pieces}</b>: {line.text}
              <small>{line.marks.join(', ')}</small>
            </li>
          {/each}
        </ul>
      </section>
    {/each}
  {:else}
    {#each all as one (one.mark)}
      <section class="sign" data-testid="sign">
        <h2>{one.mark} <span>{one.name}</span></h2>
        <p>{store.context.job.name}, {one.facade}</p>
        <p class="stop">{t.stop}</p>
        <ul>
          {#each byTrade(one.notices) as { to, text } (to)}
            <li>
              <b>{noticeToText(to)}</b>
              {#each text as line (line)}<span>{line}</span>{/each}
            </li>
          {/each}
        </ul>
      </section>
    {/each}
  {/if}
</JobPage>

<style>
  section {
    display: grid;
    gap: var(--gap-2);
    max-width: 56rem;
    break-inside: avoid;
  }
  h2,
  p {
    margin: 0;
  }
  ul {
    display: grid;
    gap: var(--gap-2);
    margin: 0;
    padding-left: 1.1rem;
  }
  .sign li span {
    display: block;
  }
  small {
    display: block;
    color: var(--ink-soft);
  }
  .sign {
    padding: var(--gap-4);
    border: 3px solid var(--ink);
    break-after: page;
  }
  .sign h2 {
    font-size: 2.2rem;
  }
  .sign h2 span {
    font-size: 1.2rem;
    font-weight: 400;
  }
  .stop {
    font-size: 1.2rem;
    font-weight: 700;
  }
  .choice {
    display: inline-flex;
  }
  .choice button {
    min-height: 44px;
    padding: 0 var(--gap-3);
    border: 1px solid var(--line);
    background: var(--paper);
    color: var(--ink);
    font: inherit;
  }
  .choice button[aria-pressed='true'] {
    border-color: var(--ink);
    background: var(--sand-deep);
    font-weight: 600;
  }
</style>
