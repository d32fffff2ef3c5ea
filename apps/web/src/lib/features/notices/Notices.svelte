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
  import { answerOf } from '$lib/contract/read.ts';
  import { toldMade, type Told } from '$lib/contract/told.ts';
  import { sentence } from '$lib/device/sentence.ts';
  import LinkCode from '$lib/ui/LinkCode.svelte';
  import { offlineWords } from '$words/device.ts';
  import { noticesWords as t, toldWords } from '$words/notices.ts';
  import HandOut from './HandOut.svelte';
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
  /** What each trade is told, and each sign tells. */
  const toTrades = $derived(
    trades.map(({ to, lines }): Told => ({
      to: noticeToText(to),
      lines: lines.map(({ text, pieces, marks }) => ({
        text: `${pieces}: ${text}`,
        where: marks.join(', '),
      })),
    })),
  );
  const onSigns = $derived(
    all
      .map(({ mark, facade, notices }): Told => ({
        to: facade ? `${mark}, ${facade}` : mark,
        lines: byTrade(notices).flatMap(({ to, text }) =>
          text.map((line) => ({ text: line, where: noticeToText(to) })),
        ),
      }))
      .filter(({ lines }) => lines.length > 0),
  );
  /** By opening, once they were asked for: whoever scans a sign reads it on his own phone. */
  let codes = $state<ReadonlyMap<string, string>>(new Map());
  let problem = $state('');

  async function makeCodes() {
    problem = '';
    try {
      const response = await fetch(`/api/jobs/${store.id}/told`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ kind: 'sign', list: onSigns }),
      });
      if (!response.ok) problem = await sentence(response);
      else {
        const { paths } = await answerOf(response, toldMade);
        codes = new Map(onSigns.map(({ to }, i) => [to, new URL(paths[i] ?? '', location.href).href]));
      }
    } catch {
      problem = offlineWords.needsNetwork;
    }
  }
  const codeOf = (mark: string, facade: string) => codes.get(facade ? `${mark}, ${facade}` : mark);
</script>

<JobPage view="notices" lead={t.lead}>
  {#snippet tools()}
    <span class="switch" role="group" aria-label={t.views}>
      {#each ['trades', 'signs'] as const as one (one)}
        <button type="button" aria-pressed={by === one} onclick={() => (by = one)}>{t.viewNames[one]}</button>
      {/each}
    </span>
    <Button onclick={() => print()}>{t.print}</Button>
    <a class="as-button" href="/jobs/{store.id}/notices.pdf" download>{t.pdf}</a>
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
    <HandOut {store} list={toTrades} />
  {:else}
    {#if store.pack.rights.includes('settings') && codes.size === 0}
      <div><Button onclick={() => void makeCodes()}>{toldWords.codes}</Button></div>
    {/if}
    {#if problem}<p class="problem" role="alert">{problem}</p>{/if}
    {#if codes.size > 0}<p role="status">{toldWords.coded}</p>{/if}
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
        {#if codeOf(one.mark, one.facade)}
          <LinkCode link={codeOf(one.mark, one.facade) ?? ''} label={toldWords.code(one.mark)} />
        {/if}
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
  .switch button {
    min-height: 44px;
  }
</style>
