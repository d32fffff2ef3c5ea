<script module lang="ts">
  export interface Angle {
    readonly typed: string;
    readonly deg: number;
  }
  export interface AngleFieldProps {
    id: string;
    label: string;
    value: Angle;
    least: number;
    most: number;
    onchange: (value: Angle | null) => void;
  }
</script>

<script lang="ts">
  import { fieldWords } from '$words/ui.ts';

  let { id, label, value, least, most, onchange }: AngleFieldProps = $props();
  let draft = $state<string | null>(null);
  let problem = $state('');

  function commit() {
    if (draft === null) return;
    const typed = draft.trim();
    const match = /^(\d+(?:[.,]\d+)?)\s*(?:°|deg|degrees)?$/i.exec(typed);
    const deg = match ? Number((match[1] ?? '').replace(',', '.')) : NaN;
    if (typed === '') onchange(null);
    else if (!(deg >= least && deg <= most)) {
      problem = fieldWords.angle;
      return;
    } else if (deg !== value.deg) onchange({ typed, deg });
    problem = '';
    draft = null;
  }
</script>

<div class="field">
  <label for={id}>{label}</label>
  <input
    {id}
    class="figure"
    autocomplete="off"
    value={draft ?? value.typed}
    aria-invalid={problem !== ''}
    aria-describedby="{id}-say"
    oninput={(event) => {
      draft = event.currentTarget.value;
      problem = '';
    }}
    onblur={commit}
    onkeydown={(event) => {
      if (event.key === 'Enter') commit();
      if (event.key === 'Escape') {
        draft = null;
        problem = '';
      }
    }}
  />
  <span id="{id}-say" aria-live="polite">{problem}</span>
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
  span {
    grid-column: 1 / -1;
    font-size: 0.85rem;
    font-weight: 600;
    color: var(--bad);
  }
  span:empty {
    display: none;
  }
</style>
