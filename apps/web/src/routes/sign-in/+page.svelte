<script lang="ts">
  import { enhance } from '$app/forms';
  import Button from '$lib/ui/Button.svelte';
  import { forgetPacks } from '$lib/device/database.ts';
  import { forgetPractice } from '$lib/features/practice/practice-database.ts';
  import { signInWords } from '$words/people.ts';
  import { onMount } from 'svelte';

  let { data, form } = $props();
  let email = $state<string | null>(null);
  let password = $state('');

  // Nobody is signed in: what belongs to jobs leaves this device. What was not sent stays.
  onMount(() => {
    void forgetPacks().catch(() => undefined);
    void forgetPractice().catch(() => undefined);
  });
</script>

<main>
  <div class="sheet">
    <p class="brand" aria-hidden="true">hul<b>v</b>ek</p>
    <h1>{signInWords.title}</h1>
    <p class="lead">{signInWords.lead}</p>
    <form method="POST" use:enhance>
      <label for="email">{signInWords.email}</label>
      <input
        id="email"
        name="email"
        type="email"
        autocomplete="username"
        required
        bind:value={() => email ?? form?.email ?? '', (v) => (email = v)}
      />
      <label for="password">{signInWords.password}</label>
      <input
        id="password"
        name="password"
        type="password"
        autocomplete="current-password"
        required
        bind:value={password}
      />
      {#if form?.problem}<p class="problem" role="alert">{form.problem}</p>{/if}
      <Button kind="main" type="submit" large>{signInWords.submit}</Button>
    </form>
    <p class="help">{signInWords.noAccount}</p>
    <p class="help">{signInWords.forgotten}</p>
    {#if data.demo}
      {@const demo = data.demo}
      <p class="demo">
        {signInWords.demo}: <span class="figure">{demo.email}</span>,
        <span class="figure">{demo.password}</span>
      </p>
      <Button
        kind="quiet"
        onclick={() => {
          email = demo.email;
          password = demo.password;
        }}>{signInWords.fill}</Button
      >
    {/if}
  </div>
</main>

<style>
  .help {
    margin-top: var(--gap-3);
    color: var(--ink-soft);
    font-size: 0.95rem;
  }
  main {
    min-height: 100vh;
    display: grid;
    place-items: center;
    padding: var(--gap-4);
    background: var(--sand);
  }
  .sheet {
    display: grid;
    gap: var(--gap-3);
    width: min(26rem, 100%);
    padding: var(--gap-6);
    background: var(--paper);
    border-top: 5px solid var(--ink);
  }
  .brand {
    font-size: 1.6rem;
    font-weight: 700;
  }
  .brand b {
    color: var(--rust);
  }
  .lead,
  .demo {
    color: var(--ink-soft);
  }
  .demo {
    padding-top: var(--gap-3);
    border-top: 1px solid var(--line);
    font-size: 0.95rem;
  }
  form {
    display: grid;
    gap: var(--gap-2);
  }
  form :global(button) {
    margin-top: var(--gap-2);
  }
  label {
    font-weight: 600;
  }
</style>
