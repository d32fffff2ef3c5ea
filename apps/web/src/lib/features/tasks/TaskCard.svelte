<script module lang="ts">
  import type { TaskView } from '$lib/contract/tasks.ts';

  export interface TaskCardProps {
    /** As the server knew it when the page was made. */
    task: TaskView;
  }
</script>

<script lang="ts">
  import { goto } from '$app/navigation';
  import { taskAnswer } from '$lib/contract/tasks.ts';
  import LookedAtPackage from '$lib/features/packages/LookedAtPackage.svelte';
  import { answerOf } from '$lib/contract/read.ts';
  import Button from '$lib/ui/Button.svelte';
  import ProgressBar from '$lib/ui/ProgressBar.svelte';
  import { jobsWords } from '$words/shell.ts';

  let { task }: TaskCardProps = $props();
  /** The newest that was heard of it, once anything was. */
  let heard = $state.raw<TaskView | null>(null);
  const now = $derived(heard?.id === task.id ? heard : task);
  const isOpen = $derived(now.state === 'waiting' || now.state === 'working');

  const LOOK_ms = 500;

  async function ask(method: 'GET' | 'DELETE') {
    try {
      const response = await fetch(`/api/tasks/${task.id}`, { method });
      if (response.ok) heard = (await answerOf(response, taskAnswer)).task;
    } catch {
      // Without a network it is asked again.
    }
  }

  $effect(() => {
    if (now.job !== null) void goto(`/jobs/${now.job}`);
    if (!isOpen) return;
    const looking = setInterval(() => void ask('GET'), LOOK_ms);
    return () => clearInterval(looking);
  });
</script>

{#if isOpen}
  <section class="task" aria-live="polite">
    <p>{jobsWords.reading(now.name)}</p>
    <ProgressBar share={now.share} label={now.name} />
    <Button onclick={() => void ask('DELETE')}>{jobsWords.cancel}</Button>
  </section>
{:else if now.state === 'cancelled'}
  <p role="status">{jobsWords.cancelled(now.name)}</p>
{:else if now.looked}
  <LookedAtPackage looked={now.looked} />
{:else if now.problem}
  <div class="problem" role="alert">
    <p>{now.problem}</p>
    {#each now.problems as line, i (i)}<p class="figure">{line}</p>{/each}
  </div>
{/if}

<style>
  .task {
    display: grid;
    gap: var(--gap-2);
    justify-items: start;
    max-width: 30rem;
  }
</style>
