<script lang="ts">
  import '@fontsource-variable/atkinson-hyperlegible-next';
  import '@fontsource-variable/atkinson-hyperlegible-mono';
  import '$lib/styles/tokens.css';
  import '$lib/styles/base.css';
  import { browser } from '$app/environment';
  import { page } from '$app/state';
  import Bell from '$lib/features/shell/Bell.svelte';
  import HeadButton from '$lib/features/shell/HeadButton.svelte';
  import UnitSwitch from '$lib/features/shell/UnitSwitch.svelte';
  import { device } from '$lib/device/device.svelte.ts';
  import type { JobStore } from '$lib/job/job.svelte.ts';
  import { jobPages } from '$lib/features/shell/job-pages.ts';
  import { restoreScreen, screen, setScreen } from '$lib/device/screen.svelte.ts';
  import AArrowUp from '@lucide/svelte/icons/a-arrow-up';
  import CircleUserRound from '@lucide/svelte/icons/circle-user-round';
  import Sun from '@lucide/svelte/icons/sun';
  import { navWords, screenWords, shellWords, viewWords } from '$words/shell.ts';
  import { unsentAtSignOut } from '$lib/features/shell/sign-out.ts';
  import { signInWords } from '$words/people.ts';
  import { restoreTour, tourStop } from '$lib/features/guide/tour.svelte.ts';
  import { onMount } from 'svelte';

  let { data, children } = $props();
  const KEEP_AFTER_ms = 10_000;
  const store = $derived((page.data.store as JobStore | undefined) ?? null);
  const job = $derived(store?.context.job ?? null);
  const reads = $derived(
    store?.reads ?? (browser ? device().me?.reads : undefined) ?? data.person?.reads ?? null,
  );

  /** What is open: the opening by its mark, or the page of the job by its name. */
  const title = $derived.by(() => {
    if (!store || !job) return shellWords.product;
    const opening = store.view(page.params.opening ?? '')?.opening;
    const here = page.url.pathname.slice(`/jobs/${store.id}`.length);
    const view = jobPages(store.pack.rights)
      .flatMap(({ pages }) => pages)
      .find(({ path }) => path === here);
    const place = opening
      ? `${opening.mark} ${opening.name}`.trim()
      : view && view.path !== ''
        ? viewWords[view.view]
        : '';
    return [place, job.name, shellWords.product].filter(Boolean).join(' · ');
  });

  onMount(() => {
    restoreTour();
    restoreScreen();
    // Once what was asked for is there.
    const later = setTimeout(async () => {
      if (data.person) await (await import('$lib/device/keep-jobs.svelte.ts')).keepMyJobs();
    }, KEEP_AFTER_ms);
    return () => clearTimeout(later);
  });
  onMount(async () => {
    // Absent on plain http: then pages need the network, the queue does not.
    const workers = (navigator as Partial<Navigator>).serviceWorker;
    const registration = await workers?.ready;
    if (workers && !workers.controller) registration?.active?.postMessage('claim');
  });

  function signOut(event: SubmitEvent) {
    if (!unsentAtSignOut()) event.preventDefault();
  }
</script>

<svelte:head><title>{title}</title></svelte:head>

<a class="skip" href="#content">{shellWords.skip}</a>
{#if data.person}
  <header>
    <a class="brand" href="/jobs" aria-label="{shellWords.product}, {navWords.jobs}">hul<b>v</b>ek</a>
    {#if job}<a class="job" href="/jobs/{job.id}">{job.name}</a>{/if}
    <span class="room"></span>
    <a class="wide practice" href="/practice">{navWords.practice}</a>
    <span class="wide"><UnitSwitch {reads} /></span>
    {#if browser}<Bell {store} />{/if}
    <HeadButton
      label={screenWords.sun}
      aria-pressed={screen().sun}
      onclick={() => setScreen({ sun: !screen().sun })}><Sun size={20} aria-hidden="true" /></HeadButton
    >
    <span class="wide"
      ><HeadButton
        label={screenWords.large}
        aria-pressed={screen().large}
        onclick={() => setScreen({ large: !screen().large })}
        ><AArrowUp size={20} aria-hidden="true" /></HeadButton
      ></span
    >
    <a class="person" href="/account" aria-label={data.person.name}
      ><span class="whole">{data.person.name}</span><CircleUserRound
        class="person-sign"
        size={22}
        aria-hidden="true"
      /></a
    >
    <form class="out" method="POST" action="/sign-out" onsubmit={signOut}>
      <button>{signInWords.out}</button>
    </form>
  </header>
{/if}
<div id="content" class="content" tabindex="-1">{@render children()}</div>
{#if tourStop() !== null && data.person}
  {#await import('$lib/features/guide/Tour.svelte') then { default: Tour }}
    <Tour at={tourStop() ?? 0} />
  {/await}
{/if}

<style>
  .skip {
    position: absolute;
    left: -999px;
    z-index: 10;
    padding: var(--gap-2) var(--gap-3);
    background: var(--paper);
  }
  .skip:focus {
    left: var(--gap-2);
    top: var(--gap-2);
  }
  header {
    display: flex;
    align-items: center;
    gap: var(--gap-4);
    min-height: 52px;
    padding: 0 var(--gap-4);
    background: var(--ink);
    color: var(--on-ink);
  }
  .brand {
    color: var(--on-ink);
    font-size: 1.25rem;
    font-weight: 700;
    letter-spacing: 0.02em;
    text-decoration: none;
  }
  .brand b {
    color: #e58a52;
  }
  .job {
    color: var(--on-ink);
    text-decoration: none;
    white-space: nowrap;
    overflow: hidden;
    text-overflow: ellipsis;
  }
  .practice {
    color: var(--on-ink);
    text-decoration: none;
  }
  .practice:hover,
  .job:hover {
    text-decoration: underline;
  }
  .room {
    flex: 1;
  }
  .person {
    color: var(--on-ink-soft);
    text-decoration: none;
    white-space: nowrap;
  }
  header button {
    min-height: 34px;
    border: 1px solid #64757a;
    border-radius: var(--radius);
    background: none;
    color: var(--on-ink);
    cursor: pointer;
    white-space: nowrap;
  }
  .person :global(.person-sign) {
    display: none;
  }
  header :global(:focus-visible) {
    outline-color: #9fd4ef;
  }
  .content:focus {
    outline: none;
  }
  @media (max-width: 640px) {
    header {
      gap: var(--gap-2);
      padding: 0 var(--gap-3);
    }
    .wide,
    .whole,
    .out {
      display: none;
    }
    .person :global(.person-sign) {
      display: block;
    }
    .person {
      display: grid;
      place-items: center;
      min-width: 44px;
      min-height: 44px;
    }
  }
  @media print {
    header {
      display: none;
    }
  }
</style>
