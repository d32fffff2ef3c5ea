<script lang="ts">
  import { page } from '$app/state';
  import { text } from '$lib/texts/en.ts';
</script>

<main>
  <h1>{text.errors.title}</h1>
  <p>{page.error?.message}</p>
  {#if page.error?.id}<p>{text.errors.id} <span class="figure">{page.error.id}</span></p>{/if}
  <p><a href="/jobs">{text.errors.back}</a></p>
</main>

<style>
  main {
    display: grid;
    gap: var(--gap-3);
    max-width: 40rem;
    margin: 12vh auto;
    padding: var(--gap-4);
  }
</style>
