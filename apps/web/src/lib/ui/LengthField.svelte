<script module lang="ts">
  import type { LengthUnit, TypedLength } from '@hulvek/core';

  export interface LengthFieldProps {
    id: string;
    /** Names the field across pages: a wrong entry is kept under it until it is mended. */
    keep: string;
    label: string;
    hint?: string;
    value: TypedLength | null;
    /** What a number without a mark means. */
    unit: LengthUnit;
    least_mm: number;
    most_mm: number;
    /** What speaks against a figure although it can be stored; empty when nothing does. */
    doubt?: (mm: number) => string;
    onchange: (value: TypedLength | null) => void;
    onfocus?: () => void;
    /** Enter was pressed on a sound value. */
    onnext?: () => void;
  }
</script>

<script lang="ts">
  import { fieldWords } from '$words/ui.ts';
  import { readDraft, writeDraft } from '$lib/device/drafts.ts';
  import { onMount } from 'svelte';
  import { formatLength, lengthErrorTexts, parseLength, typedFor } from '@hulvek/core';

  let {
    id,
    keep,
    label,
    hint = '',
    value,
    unit,
    least_mm,
    most_mm,
    doubt = () => '',
    onchange,
    onfocus,
    onnext,
  }: LengthFieldProps = $props();

  /** Text being edited; `null` while the field shows the stored value. */
  let draft = $state<string | null>(null);
  let problem = $state('');
  /** Typed before the page was left in the middle of it: not accepted, and not lost. */
  let unfinished = $state(false);
  /** What the field held when editing began: somebody else may enter another figure meanwhile. */
  let begun = $state<string | null>(null);
  const meanwhile = $derived(
    draft !== null && begun !== null && (value?.typed ?? '') !== begun
      ? fieldWords.meanwhile(value ? typedFor(value, unit) : fieldWords.nothing)
      : '',
  );
  const shown = $derived(draft ?? (value ? typedFor(value, unit) : ''));
  const parsed = $derived(shown.trim() === '' ? null : parseLength(shown, unit));
  /** While typing: how it is read. Afterwards: what is stored, where the text alone would not say so in this unit. */
  const echo = $derived.by(() => {
    if (!parsed?.ok || problem !== '') return '';
    const { confirm, mm, unit: read } = parsed.value;
    if (draft === null) {
      const plain = value !== null && Math.abs(mm - value.mm) < 0.05 && !confirm && read === unit;
      return value === null || plain ? '' : fieldWords.readAs(formatLength(value.mm, unit));
    }
    if (confirm) return `${fieldWords.readAs(formatLength(mm, read))} ${fieldWords.confirm}`;
    return read === unit ? '' : fieldWords.readAs(formatLength(mm, unit));
  });

  const halfTyped = $derived(
    unfinished ? fieldWords.unfinished(value ? typedFor(value, unit) : fieldWords.nothing) : '',
  );
  const doubtful = $derived(parsed?.ok && problem === '' ? doubt(parsed.value.mm) : '');

  onMount(() => {
    const kept = readDraft(keep);
    if (kept === null) return;
    begun = value?.typed ?? '';
    draft = kept;
    const result = parseLength(kept, unit);
    problem = result.ok ? outOfRange(result.value.mm) : lengthErrorTexts[result.error];
    unfinished = problem === '';
  });

  function settle() {
    writeDraft(keep, null);
    draft = null;
    begun = null;
    problem = '';
    unfinished = false;
  }

  /** Stores what was typed; a wrong entry stays in the field with the reason beside it. */
  function commit(): boolean {
    if (draft === null) return problem === '';
    const typed = draft.trim();
    if (typed === '') {
      settle();
      if (value) onchange(null);
      return true;
    }
    const result = parseLength(typed, unit);
    problem = result.ok ? outOfRange(result.value.mm) : lengthErrorTexts[result.error];
    if (!result.ok || problem !== '') {
      writeDraft(keep, draft);
      return false;
    }
    settle();
    if (value?.typed !== typed || value.mm !== result.value.mm) onchange({ typed, mm: result.value.mm });
    return true;
  }

  function outOfRange(mm: number): string {
    if (mm >= least_mm && mm <= most_mm) return '';
    if (mm < 0 && least_mm >= 0) return fieldWords.negative;
    return fieldWords.range(formatLength(least_mm, unit), formatLength(most_mm, unit));
  }

  function keydown(event: KeyboardEvent) {
    if (event.key === 'Enter') {
      event.preventDefault();
      if (commit()) onnext?.();
    } else if (event.key === 'Escape' && draft !== null) {
      event.stopPropagation();
      settle();
    }
  }
</script>

<div class="field">
  <label for={id}>{label}</label>
  <input
    {id}
    type="text"
    autocomplete="off"
    autocapitalize="off"
    spellcheck="false"
    class="figure"
    value={shown}
    data-editing={draft !== null && problem === ''}
    aria-invalid={problem !== ''}
    aria-describedby="{id}-hint {id}-say"
    oninput={(event) => {
      begun ??= value?.typed ?? '';
      draft = event.currentTarget.value;
      problem = '';
      unfinished = false;
      writeDraft(keep, draft);
    }}
    onblur={commit}
    onkeydown={keydown}
    {onfocus}
  />
  <span id="{id}-hint" class="hint">{hint}</span>
  <span
    id="{id}-say"
    class="say"
    data-bad={problem !== ''}
    data-doubt={doubtful !== '' || unfinished}
    aria-live="polite">{problem || meanwhile || halfTyped || doubtful || echo}</span
  >
</div>

<style>
  .field {
    display: grid;
    grid-template-columns: 1fr 112px;
    align-items: center;
    column-gap: var(--gap-3);
  }
  label {
    font-weight: 500;
  }
  .hint,
  .say {
    grid-column: 1 / -1;
    font-size: 0.85rem;
    line-height: 1.3;
    color: var(--ink-soft);
  }
  .hint {
    display: none;
  }
  .field:focus-within .hint {
    display: block;
  }
  .say[data-bad='true'] {
    color: var(--bad);
    font-weight: 600;
  }
  .say[data-doubt='true'] {
    color: var(--watch);
    font-weight: 600;
  }
  .say:empty {
    display: none;
  }
</style>
