<script module lang="ts">
  import type { LengthUnit, Plan } from '@hulvek/core';

  export interface CutSheetProps {
    /** The openings of one day. */
    plans: readonly Plan[];
    /** What whoever looks reads in: beside the sizes, where it is not the job's unit. */
    reads: LengthUnit;
  }
</script>

<script lang="ts">
  import { cutSheetWords } from '$words/cut-sheet.ts';
  import { detailWords } from '$words/detail.ts';
  import {
    flatPieces,
    formatLength,
    formatCut,
    kindOf,
    notchesOf,
    sawnSection,
    slitsOf,
    type PieceSection,
    materialTexts,
    pieceText,
    toMark,
    writeMeasure,
    type CutRow,
    type FlatPiece,
  } from '@hulvek/core';

  let { plans, reads }: CutSheetProps = $props();
  const units = $derived(plans[0]?.job.job.units ?? 'mm');
  /** To the mark that the job is cut to, as the sizes beside. */
  const mark = $derived((mm: number) => formatLength(toMark(mm, units), units));

  interface Row {
    readonly cut: CutRow;
    readonly marks: readonly string[];
    readonly flat: FlatPiece | undefined;
    /** Of boards that are joined or sloped. */
    readonly section: PieceSection | null;
    readonly count: number;
  }

  /** Pieces of equal kind and size together, with the marks of the openings they are for. */
  const rows = $derived.by((): Row[] => {
    const groups = new Map<
      string,
      {
        cut: CutRow;
        marks: string[];
        flat: FlatPiece | undefined;
        section: PieceSection | null;
        count: number;
      }
    >();
    for (const { cuts, build, opening } of plans) {
      const flat = flatPieces(build?.pieces ?? []);
      for (const cut of cuts) {
        const key = [
          build ? kindOf(build, cut.piece) : cut.piece,
          cut.material,
          formatCut(cut, units),
          cut.piece,
        ].join('/');
        const group = groups.get(key);
        if (group) {
          group.marks.push(opening.mark);
          group.count += cut.count;
        } else
          groups.set(key, {
            cut,
            marks: [opening.mark],
            flat: flat.find((f) => f.id === cut.piece),
            section: sectionIn(build, cut.piece),
            count: cut.count,
          });
      }
    }
    return [...groups.values()].sort(
      (a, b) => a.cut.material.localeCompare(b.cut.material) || b.cut.length_mm - a.cut.length_mm,
    );
  });
  const sectionIn = (build: Plan['build'], id: string): PieceSection | null => {
    const piece = build?.pieces.find((one) => one.id === id);
    return piece ? sawnSection(piece) : null;
  };
  const materials = $derived([...new Set(rows.map((row) => row.cut.material))]);
  const path = (points: readonly (readonly [number, number])[]) => points.map((p) => p.join(',')).join(' ');
  /** Dimensions of folds, from the piece's edge. */
  const folds = (flat: FlatPiece): string =>
    [...new Set(flat.folds.flatMap((line) => foldAt(line)))]
      .sort((a, b) => a - b)
      .map(mark)
      .join(', ');
  function foldAt(line: readonly (readonly [number, number])[]): number[] {
    const [a, b] = [line[0], line.at(-1)];
    if (!a || !b) return [];
    if (Math.abs(a[1] - b[1]) < 0.1) return [Math.round(a[1] * 10) / 10];
    return [];
  }
</script>

<p class="quiet">{cutSheetWords.day(plans.map((plan) => plan.opening.mark).join(', '))}</p>
{#each materials as material (material)}
  <section>
    <h2>{materialTexts[material]}</h2>
    <ul>
      {#each rows.filter((row) => row.cut.material === material) as { cut, marks, flat, section, count }, i (i)}
        <li>
          <div class="words">
            <b>{count} × {pieceText(cut.piece)}</b>
            <span class="figure">{formatCut(cut, units)}</span>
            {#if reads !== units}
              <span class="quiet">{formatCut(cut, units, reads)}</span>
            {/if}
            <span>{marks.join(', ')}</span>
            {#if cut.volume_ml !== null}<span
                >{detailWords.volume(writeMeasure('volume', cut.volume_ml, reads))}</span
              >{/if}
            {#if cut.thickness_mm !== null}<span>{detailWords.thick(mark(cut.thickness_mm))}</span>{/if}
            {#if flat}
              {#each slitsOf(flat) as slit, j (j)}
                <span>{cutSheetWords.slit(mark(slit.from_mm), mark(slit.length_mm))}</span>
              {/each}
              {#each notchesOf(flat) as notch, j (j)}
                <span>{cutSheetWords.notches(notch.count, mark(notch.along_mm), mark(notch.across_mm))}</span>
              {/each}
            {/if}
            {#if section}<span
                >{cutSheetWords.section(mark(section.size.wide_mm), mark(section.size.high_mm))}</span
              >{/if}
            {#if cut.pleats > 0}<span>{detailWords.pleats(cut.pleats)}</span>{/if}
            {#if flat && folds(flat) !== ''}<span>{cutSheetWords.folds(folds(flat))}</span>{/if}
          </div>
          {#if flat}
            <svg
              viewBox="-4 -4 {flat.size.length_mm + 8} {flat.size.width_mm + 8}"
              role="img"
              aria-label="{pieceText(cut.piece)}, {formatCut(cut, units)}"
            >
              {#each flat.outline as line, j (j)}<polyline points={path(line)} />{/each}
              {#each flat.folds as line, j (j)}<polyline class="fold" points={path(line)} />{/each}
              {#each flat.slits as line, j (j)}<polyline class="slit" points={path(line)} />{/each}
            </svg>
          {:else if section}
            <svg
              class="section"
              viewBox="-4 -4 {section.size.wide_mm + 8} {section.size.high_mm + 8}"
              role="img"
              aria-label={cutSheetWords.sectionOf(pieceText(cut.piece))}
            >
              {#each section.regions as region, j (j)}<polygon points={path(region)} />{/each}
            </svg>
          {/if}
        </li>
      {/each}
    </ul>
  </section>
{/each}

<style>
  section {
    break-inside: avoid-page;
  }
  h2 {
    text-transform: none;
    border-bottom: 2px solid var(--ink);
  }
  li {
    display: grid;
    grid-template-columns: minmax(15rem, 24rem) minmax(0, 1fr);
    gap: var(--gap-4);
    align-items: center;
    padding: var(--gap-2) 0;
    border-bottom: 1px solid var(--sand-deep);
    break-inside: avoid;
  }
  .words {
    display: grid;
    grid-template-columns: 1fr auto;
    gap: 0 var(--gap-3);
  }
  svg {
    display: block;
    width: 100%;
    max-height: 110px;
  }
  .section {
    max-width: 200px;
    max-height: 130px;
  }
  polygon {
    fill: var(--sand);
    stroke: var(--ink);
    stroke-width: 1.2;
    vector-effect: non-scaling-stroke;
  }
  polyline {
    fill: none;
    stroke: var(--ink);
    stroke-width: 1.2;
    vector-effect: non-scaling-stroke;
  }
  .fold {
    stroke-dasharray: 6 4;
  }
  .slit {
    stroke: var(--rust);
    stroke-width: 2.4;
  }
  @media (max-width: 700px) {
    li {
      grid-template-columns: 1fr;
    }
  }
</style>
