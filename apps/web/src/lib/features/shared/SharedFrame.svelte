<!-- Round what is shared: whom it is for on every page, what was asked, and a question more. -->
<script module lang="ts">
  import type { Question } from '$lib/contract/shared.ts';
  import type { Snippet } from 'svelte';

  export interface SharedFrameProps {
    to: string;
    until: string;
    questions: readonly Question[];
    /** What came of the question that was just sent. */
    form: { problem: string; sent: boolean } | null | undefined;
    children: Snippet;
  }
</script>

<script lang="ts">
  import { LONGEST_QUESTION } from '$lib/contract/shared.ts';
  import Button from '$lib/ui/Button.svelte';
  import { dateTime } from '$lib/ui/time.ts';
  import { sharedWords as t } from '$words/shared.ts';

  let { to, until, questions, form, children }: SharedFrameProps = $props();
</script>

<svelte:head><meta name="robots" content="noindex" /></svelte:head>
<svg class="mark" aria-hidden="true">
  <pattern id="for" width="760" height="150" patternUnits="userSpaceOnUse" patternTransform="rotate(-18)">
    <text x="20" y="80">{t.watermark(to)}</text>
  </pattern>
  <rect width="100%" height="100%" fill="url(#for)" />
</svg>
<main>
  <p class="for">{t.mark(to, dateTime(until))}</p>
  {@render children()}
  <section>
    <h2>{t.ask}</h2>
    {#if questions.length > 0}
      <ul data-testid="asked">
        {#each questions as { id, question, at, answer, answeredAt } (id)}
          <li>
            <p><small>{t.asked} {dateTime(at)}</small><br />{question}</p>
            <p class="answer">
              <small>{answeredAt ? t.answered(dateTime(answeredAt)) : t.notAnswered}</small>
              {#if answer}<br />{answer}{/if}
            </p>
          </li>
        {/each}
      </ul>
    {/if}
    {#if form?.sent}<p role="status">{t.sent}</p>{/if}
    {#if form?.problem}<p class="problem" role="alert">{form.problem}</p>{/if}
    <form method="POST">
      <label for="question">{t.question}</label>
      <textarea id="question" name="question" rows="3" maxlength={LONGEST_QUESTION} required></textarea>
      <div><Button type="submit">{t.send}</Button></div>
    </form>
  </section>
  <p class="quiet">{t.stands}</p>
</main>

<style>
  .mark {
    position: fixed;
    inset: 0;
    z-index: 1;
    width: 100%;
    height: 100%;
    opacity: 0.07;
    pointer-events: none;
  }
  .mark text {
    font-size: 22px;
    font-weight: 700;
  }
  main {
    display: grid;
    gap: var(--gap-4);
    max-width: 60rem;
    margin: 0 auto;
    padding: var(--gap-4);
  }
  .for {
    padding-bottom: var(--gap-2);
    border-bottom: 1px solid var(--line);
    font-weight: 600;
  }
  p,
  h2,
  ul {
    margin: 0;
  }
  section,
  form,
  ul,
  li {
    display: grid;
    gap: var(--gap-2);
  }
  ul {
    padding: 0;
    list-style: none;
  }
  li {
    white-space: pre-line;
    overflow-wrap: anywhere;
  }
  .answer {
    padding-left: var(--gap-3);
    border-left: 3px solid var(--line);
  }
  form {
    max-width: 36rem;
  }
  textarea {
    font: inherit;
  }
  .quiet,
  small {
    color: var(--ink-soft);
  }
  @media print {
    form {
      display: none;
    }
  }
</style>
