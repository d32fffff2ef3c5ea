<script module lang="ts">
  import type { WallDesk } from './wall-desk.svelte.ts';
  import type { Finding, Fix, Verdict } from '@hulvek/core';

  export interface ProofFindingsProps {
    desk: WallDesk;
    verdict: Verdict;
    /** The desk's own where left out. */
    findings?: readonly Finding[];
    title?: string;
    onfix?: (fix: Fix) => void;
  }
</script>

<script lang="ts">
  import { proveText as t } from '$words/prove.ts';
  import { waterText } from '$words/prove-water.ts';
  import FindingList from '$lib/features/findings/FindingList.svelte';

  let {
    desk,
    verdict,
    findings = desk.findings,
    title = t.findings,
    onfix = (fix) => desk.applyFix(fix),
  }: ProofFindingsProps = $props();
</script>

<h3>{title}</h3>
{#if findings.length > 0}
  <FindingList
    {findings}
    {verdict}
    units={desk.editor.store.reads}
    title={null}
    summary=""
    headed={false}
    onfix={desk.editor.mayPlan ? onfix : null}
    tryFixes={(finding) => desk.tryFixes(finding)}
  />
{:else}<p class="quiet">{t.noFindings}</p>{/if}
{#if desk.mended}
  <p class="mended" role="status">
    {waterText.compared}: {waterText.mended(desk.mended.fixed, desk.mended.left)}
    <button type="button" class="as-link" onclick={() => desk.undo()}>{t.undo}</button>
  </p>
{/if}
