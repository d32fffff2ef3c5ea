<script module lang="ts">
  import type { LengthUnit, MeasureKind } from '@hulvek/core';

  export interface MeasureFieldProps {
    label: string;
    kind: MeasureKind;
    /** What a bare figure means; either unit may be written out. */
    reads: LengthUnit;
    /** As it is typed, with its unit as soon as the field is left. */
    value: string;
    /** What stands in while it is empty, in the unit that is kept. */
    usual?: number | undefined;
    /** Only for those who cannot see where it stands. */
    hidden?: boolean;
    oninput?: () => void;
    onpaste?: (event: ClipboardEvent) => void;
  }
</script>

<script lang="ts">
  import { fieldWords } from '$words/ui.ts';
  import { readMeasure, withMeasureUnit, writeMeasure } from '@hulvek/core';

  let {
    label,
    kind,
    reads,
    value = $bindable(),
    usual,
    hidden = false,
    oninput,
    onpaste,
  }: MeasureFieldProps = $props();
  const id = $props.id();
  const wrong = $derived(value.trim() !== '' && readMeasure(kind, value, reads) === null);
</script>

<div class="field">
  <label for={id} class:visually-hidden={hidden}>{label}</label>
  <input
    {id}
    class="figure"
    autocomplete="off"
    aria-invalid={wrong}
    aria-describedby={wrong ? `${id}-say` : undefined}
    placeholder={usual === undefined ? '' : writeMeasure(kind, usual, reads)}
    bind:value
    {oninput}
    {onpaste}
    onchange={() => (value = withMeasureUnit(kind, value, reads))}
  />
  {#if wrong}<span id="{id}-say">{fieldWords.measure(kind)}</span>{/if}
</div>

<style>
  .field {
    display: grid;
    gap: var(--gap-1);
    align-content: start;
  }
  label {
    font-weight: 500;
  }
  input {
    width: 9rem;
  }
  span {
    max-width: 16rem;
    color: var(--bad);
    font-size: 0.9rem;
    font-weight: 600;
  }
</style>
