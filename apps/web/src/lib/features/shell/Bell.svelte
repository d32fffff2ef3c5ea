<script module lang="ts">
  import type { JobStore } from '$lib/job/job.svelte.ts';

  export interface BellProps {
    /** The job that is open: heard of at once. */
    store: JobStore | null;
  }
</script>

<script lang="ts">
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

<button type="button" class="bell" aria-label={bellWords.open(unread + refused)} onclick={show}>
  <BellIcon size={20} aria-hidden="true" />
  {#if unread + refused > 0}<span class="count" aria-hidden="true">{unread + refused}</span>{/if}
</button>
{#if open}
  <dialog
    {@attach (dialog) => dialog.showModal()}
    onclose={close}
    aria-label={bellWords.title}
    onclick={(event) => {
      if (event.target === event.currentTarget) event.currentTarget.close();
    }}
  >
    <div>
      <h2>{bellWords.title}</h2>
      {#if refused > 0}<p class="problem">{bellWords.refused(refused)}</p>{/if}
      <ul>
        {#each notices as notice (notice.id)}
          <li data-unread={notice.at > seen}>
            <a href="/jobs/{notice.job}/{notice.opening}/install" onclick={close}
              ><b>{notice.mark}</b> {words[notice.kind]?.(notice) ?? ''}</a
            >
            <small>{notice.jobName}, {dateTime(notice.at)}</small>
          </li>
        {:else}<li>{bellWords.none}</li>{/each}
      </ul>
      <button type="button" class="done" onclick={close}>{bellWords.close}</button>
    </div>
  </dialog>
{/if}

<style>
  .bell {
    position: relative;
    display: grid;
    place-items: center;
    min-width: 40px;
    min-height: 34px;
    border: 1px solid #64757a;
    border-radius: var(--radius);
    background: none;
    color: var(--on-ink);
    cursor: pointer;
  }
  .count {
    position: absolute;
    top: -6px;
    right: -8px;
    min-width: 1.4em;
    padding: 0 4px;
    border-radius: 1em;
    background: #e58a52;
    color: #1f2a2e;
    font-size: 0.8rem;
    font-weight: 700;
    text-align: center;
  }
  dialog {
    width: min(34rem, calc(100vw - 24px));
    max-height: 80vh;
    margin: 8vh auto;
    padding: 0;
    border: 1px solid var(--ink);
    border-radius: var(--radius);
    background: var(--paper);
    color: var(--ink);
  }
  dialog > div {
    display: grid;
    gap: var(--gap-3);
    padding: var(--gap-4);
  }
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
  .done {
    justify-self: end;
    min-height: 44px;
    padding: 0 var(--gap-4);
    border: 1px solid var(--line);
    border-radius: var(--radius);
    background: none;
    color: var(--ink);
    font: inherit;
    font-weight: 600;
    cursor: pointer;
  }
  @media (pointer: coarse) {
    .bell {
      min-width: 44px;
      min-height: 44px;
    }
  }
</style>
