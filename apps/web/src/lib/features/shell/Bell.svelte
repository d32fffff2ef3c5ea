<script module lang="ts">
  import type { JobStore } from '$lib/job/job.svelte.ts';

  export interface BellProps {
    /** The job that is open: heard of at once. */
    store: JobStore | null;
  }
</script>

<script lang="ts">
  import Sheet from '$lib/ui/Sheet.svelte';
  import HeadButton from './HeadButton.svelte';
  import { device } from '$lib/device/device.svelte.ts';
  import { idle } from '$lib/device/idle.ts';
  import type { Notice } from '$lib/device/notices.ts';
  import { dateTime } from '$lib/ui/time.ts';
  import { bellWords } from '$words/bell-open.ts';
  import BellIcon from '@lucide/svelte/icons/bell';

  let { store }: BellProps = $props();
  const SEEN = 'hulvek:seen';
  let notices = $state.raw<readonly Notice[]>([]);
  let words = $state.raw<Readonly<Record<string, (notice: Notice) => string>>>({});
  let seen = $state(localStorage.getItem(SEEN) ?? '');
  let open = $state(false);
  const unread = $derived(notices.filter(({ at }) => at > seen).length);
  const refused = $derived(device().outbox.items.filter((item) => item.refusal !== '').length);

  async function look() {
    await idle();
    const [{ noticesOf }, { keptPacks }, { noticeWords }] = await Promise.all([
      import('$lib/device/notices.ts'),
      import('$lib/device/database.ts'),
      import('$words/bell.ts'),
    ]);
    const here = store?.pack;
    const kept = (await keptPacks().catch(() => [])).filter((pack) => pack.context.job.id !== store?.id);
    notices = noticesOf([...(here ? [here] : []), ...kept], new Date().toISOString());
    words = noticeWords;
  }

  const SOON_ms = 4000;
  // Again whenever the open job moved on, but not for each of many records.
  $effect(() => {
    void store?.pack.revision;
    const soon = setTimeout(() => void look(), SOON_ms);
    return () => clearTimeout(soon);
  });

  // What begins soon is told although nothing changed.
  const AGAIN_ms = 5 * 60_000;
  $effect(() => {
    const clock = setInterval(() => void look(), AGAIN_ms);
    return () => clearInterval(clock);
  });

  const pageOf = ({ kind, job, opening }: Notice) =>
    kind === 'begins' ? `/jobs/${job}/today` : `/jobs/${job}/${opening}/install`;

  function show() {
    open = true;
    void look();
  }

  function close() {
    open = false;
    seen = notices[0]?.at ?? seen;
    localStorage.setItem(SEEN, seen);
  }
</script>

<HeadButton label={bellWords.open(unread + refused)} count={unread + refused} onclick={show}>
  <BellIcon size={20} aria-hidden="true" />
</HeadButton>
{#if open}
  <Sheet label={bellWords.title} done={bellWords.close} onclose={close}>
    <h2>{bellWords.title}</h2>
    {#if refused > 0}<p class="problem">{bellWords.refused(refused)}</p>{/if}
    <ul>
      {#each notices as notice (notice.id)}
        <li data-unread={notice.at > seen}>
          <a href={pageOf(notice)} onclick={close}
            ><b>{notice.mark}</b> {words[notice.kind]?.(notice) ?? ''}</a
          >
          <small>{notice.jobName}, {dateTime(notice.at)}</small>
        </li>
      {:else}<li>{bellWords.none}</li>{/each}
    </ul>
  </Sheet>
{/if}

<style>
  li {
    display: grid;
    padding: var(--gap-2) var(--gap-3);
    border-left: 4px solid transparent;
    border-bottom: 1px solid var(--line);
  }
  li[data-unread='true'] {
    border-left-color: var(--rust);
    background: var(--sand);
  }
  a {
    min-height: 32px;
    color: var(--ink);
  }
  small {
    color: var(--ink-soft);
  }
</style>
