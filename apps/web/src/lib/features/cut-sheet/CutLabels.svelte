<script module lang="ts">
  import type { Plan } from '@hulvek/core';

  export interface CutLabelsProps {
    plans: readonly Plan[];
    job: string;
  }
</script>

<script lang="ts">
  import { cutSheetWords } from '$words/cut-sheet.ts';
  import { formatCut, materialTexts, pieceText } from '@hulvek/core';

  let { plans, job }: CutLabelsProps = $props();
  /** One for every piece that is cut, in the order in which the pieces go up. */
  const labels = $derived(
    plans.flatMap(({ cuts, opening, job: context }) =>
      cuts
        .filter((cut) => cut.volume_ml === null)
        .flatMap((cut) =>
          Array.from({ length: cut.count }, (_, i) => ({
            mark: opening.mark,
            name: opening.name,
            piece: pieceText(cut.piece),
            size: formatCut(cut, context.job.units),
            material: materialTexts[cut.material],
            nth: cut.count > 1 ? cutSheetWords.label(i + 1, cut.count) : '',
          })),
        ),
    ),
  );
</script>

<ul>
  {#each labels as label, i (i)}
    <li>
      <b>{label.mark}</b> <span>{label.name}</span>
      <p class="piece">{label.piece} {label.nth}</p>
      <p class="figure">{label.size}</p>
      <p>{label.material}</p>
      <p class="job">{job}</p>
    </li>
  {/each}
</ul>

<style>
  ul {
    display: grid;
    grid-template-columns: repeat(auto-fill, 62mm);
    gap: 3mm;
  }
  li {
    width: 62mm;
    min-height: 34mm;
    padding: 2.5mm;
    border: 1px solid var(--ink);
    break-inside: avoid;
    overflow-wrap: anywhere;
  }
  b {
    font-size: 1.4rem;
  }
  .piece {
    font-weight: 700;
  }
  .job {
    font-size: 0.8rem;
  }
</style>
