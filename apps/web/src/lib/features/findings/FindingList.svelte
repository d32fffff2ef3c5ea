<script module lang="ts">
  import type { Checked, Finding, Fix, LengthUnit, TriedFix, Verdict } from '@hulvek/core';
  import type { Snippet } from 'svelte';

  export interface FindingListProps {
    findings: readonly Finding[];
    verdict: Verdict;
    /** Beside "not checkable": the grade of what could be checked. */
    checked?: Checked | undefined;
    /** How many looks the verdict rests on. */
    looks?: number;
    units: LengthUnit;
    /** Said right below the verdict. */
    lead?: Snippet;
    /** One or two words beside the verdict, such as "fits". */
    title: string | null;
    summary: string;
    /** Left out where the verdict stands above already. */
    headed?: boolean;
    /** Applies a fix; `null` where fixes are not offered. */
    onfix: ((fix: Fix) => void) | null;
    /** Plans the fixes of a finding when somebody asks for them: only those that hold are offered. */
    tryFixes?: ((finding: Finding) => Promise<readonly TriedFix[] | null>) | null;
    /** Departs from a rule with a reason; left out where that is not offered. */
    onaccept?: ((finding: Finding, reason: string) => void) | null;
  }
</script>

<script lang="ts">
  import AcceptRule from './AcceptRule.svelte';
  import Button from '$lib/ui/Button.svelte';
  import GradeMark from '$lib/ui/GradeMark.svelte';
  import VerdictMark from '$lib/ui/VerdictMark.svelte';
  import { fixWords } from '$words/findings.ts';
  import Marked from '$lib/features/glossary/Marked.svelte';
  import {
    axisTexts,
    choiceText,
    figuresIn,
    findingText,
    formatLength,
    parameters,
    parameterTexts,
    stepText,
    type AxisId,
    type ParameterId,
  } from '@hulvek/core';

  let {
    findings,
    verdict,
    checked,
    looks = 0,
    units,
    lead,
    title,
    summary,
    headed = true,
    onfix,
    tryFixes = null,
    onaccept = null,
  }: FindingListProps = $props();
  const figures = $derived(figuresIn(units));
  const markOf: Record<Finding['severity'], Verdict> = {
    fails: 'fails',
    watch: 'watch',
    'not-checkable': 'not-checkable',
    look: 'holds',
    note: 'holds',
  };
  /** By finding: its fixes once they are planned. */
  let tried = $state.raw<ReadonlyMap<Finding, readonly TriedFix[] | 'working' | 'broken'>>(new Map());
  async function ask(finding: Finding) {
    if (!tryFixes) return;
    tried = new Map(tried).set(finding, 'working');
    const fixes = await tryFixes(finding);
    tried = new Map(tried).set(finding, fixes ?? 'broken');
  }
  const brought = (fix: TriedFix): string =>
    fix.brings.map((finding) => findingText(finding, figures).title).join('; ');
  const said = (fix: Fix): string =>
    [
      ...Object.entries(fix.set).map(([id, value]) => {
        const figure =
          parameters[id as ParameterId].kind === 'angle' ? `${value}°` : formatLength(value, units);
        return `${parameterTexts[id as ParameterId]}: ${figure}`;
      }),
      ...Object.entries(fix.choose ?? {}).map(
        ([axis, choice]) => `${axisTexts[axis as AxisId]}: ${choiceText(axis as AxisId, choice).name}`,
      ),
    ].join(', ');
</script>

{#if headed}
  <h2 class="verdict">
    <GradeMark
      grade={{ grade: verdict, checked: checked ?? 'holds', looks }}
      word
      alone={checked === undefined}
    />
    {#if title}<span class="title">{title}</span>{/if}
  </h2>
{/if}
{@render lead?.()}
{#if summary}<p class="summary">{summary}</p>{/if}
<ul>
  {#each findings as finding, i (i)}
    {@const words = findingText(finding, figures)}
    <li data-severity={finding.severity}>
      <h3>
        {#if finding.severity === 'look'}<span class="stop" title={fixWords.look}
            ><span class="visually-hidden">{fixWords.look}</span></span
          >{:else}<VerdictMark verdict={markOf[finding.severity]} />{/if}
        {words.title}
      </h3>
      <p>
        <Marked text={words.text} />
      </p>
      {#if finding.step && finding.severity === 'look'}
        <p class="kind">{fixWords.lookAt(stepText(finding.step).title)}</p>
      {/if}
      {#if onfix && tryFixes && finding.severity !== 'look' && finding.fixes.length > 0}
        {@const fixes = tried.get(finding)}
        {#if fixes === undefined || fixes === 'broken'}
          <Button onclick={() => ask(finding)}>{fixWords.ask}</Button>
          {#if fixes === 'broken'}<p class="kind" role="alert">{fixWords.broken}</p>{/if}
        {:else if fixes === 'working'}
          <p class="kind" role="status">{fixWords.working}</p>
        {:else}
          {#each fixes as one, j (j)}
            <Button onclick={() => onfix(one.fix)}>{said(one.fix)}</Button>
            <span class="kind">
              {one.fix.kind === 'safe' ? fixWords.safe : fixWords.design}{one.brings.length > 0
                ? fixWords.brings(brought(one))
                : ''}
            </span>
          {:else}<p class="kind" role="status">{fixWords.none}</p>{/each}
        {/if}
      {:else if onfix && !tryFixes}
        {#each finding.fixes as fix, j (j)}
          <Button onclick={() => onfix(fix)}>{said(fix)}</Button>
          <span class="kind">{fix.kind === 'safe' ? fixWords.safe : fixWords.design}</span>
        {/each}
      {/if}
      {#if onaccept && finding.code === 'rule-broken' && !finding.facts.accepted && finding.severity !== 'note'}
        <AcceptRule onaccept={(reason) => onaccept(finding, reason)} />
      {/if}
    </li>
  {/each}
</ul>

<style>
  .verdict {
    display: flex;
    align-items: baseline;
    gap: var(--gap-3);
    font-size: 1.15rem;
    font-weight: 400;
  }
  .title,
  .summary,
  .kind {
    color: var(--ink-soft);
  }
  .kind {
    font-size: 0.85rem;
  }
  li {
    display: grid;
    gap: var(--gap-1);
    justify-items: start;
    padding: var(--gap-2) 0 var(--gap-3) var(--gap-3);
    margin-top: var(--gap-3);
    border-left: 4px solid var(--line);
  }
  /* The mark that stops stand under in the strip of steps. */
  .stop {
    position: relative;
    display: inline-block;
    width: 11px;
    height: 11px;
    border: 2px solid var(--ink);
    vertical-align: -1px;
  }
  li[data-severity='look'] {
    border-left-style: dashed;
  }
  li[data-severity='fails'] {
    border-left-color: var(--bad);
  }
  li[data-severity='watch'] {
    border-left-color: var(--watch);
  }
  h3 {
    display: flex;
    align-items: baseline;
    gap: 6px;
  }
</style>
