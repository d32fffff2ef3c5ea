<script module lang="ts">
  export interface MarkPictureProps {
    /** Where the picture is. */
    source: string;
    /** A copy with the marks on it; the picture itself stays as it was taken. */
    onkeep: (marked: Blob) => void;
    onclose: () => void;
  }
</script>

<script lang="ts">
  import Button from '$lib/ui/Button.svelte';
  import { markWords } from '$words/install.ts';

  let { source, onkeep, onclose }: MarkPictureProps = $props();
  type Stroke = (readonly [x: number, y: number])[];
  /** In pixels of the picture. */
  let strokes = $state<Stroke[]>([]);
  let drawing = $state(false);
  let image = $state<HTMLImageElement>();
  let size = $state({ width: 0, height: 0 });
  let problem = $state('');
  /** Marks are seen from the height of a standing person on a small screen: a share of the picture's width. */
  const WIDTH_SHARE = 0.008;
  const QUALITY = 0.85;

  function at(event: PointerEvent & { currentTarget: SVGSVGElement }): readonly [number, number] {
    const box = event.currentTarget.getBoundingClientRect();
    return [
      ((event.clientX - box.left) / box.width) * size.width,
      ((event.clientY - box.top) / box.height) * size.height,
    ];
  }

  function down(event: PointerEvent & { currentTarget: SVGSVGElement }) {
    event.currentTarget.setPointerCapture(event.pointerId);
    drawing = true;
    strokes.push([at(event)]);
  }
  function move(event: PointerEvent & { currentTarget: SVGSVGElement }) {
    if (drawing) strokes.at(-1)?.push(at(event));
  }

  async function keep() {
    if (!image) return;
    const canvas = document.createElement('canvas');
    [canvas.width, canvas.height] = [size.width, size.height];
    const context = canvas.getContext('2d');
    if (!context) return;
    context.drawImage(image, 0, 0);
    context.lineCap = context.lineJoin = 'round';
    // Light under dark: seen on whatever is behind it.
    for (const [colour, wide] of [
      ['#ffffff', 2.2],
      ['#c01818', 1],
    ] as const) {
      context.strokeStyle = colour;
      context.lineWidth = Math.max(2, size.width * WIDTH_SHARE * wide);
      for (const stroke of strokes) {
        context.beginPath();
        for (const [i, [x, y]] of stroke.entries()) context[i === 0 ? 'moveTo' : 'lineTo'](x, y);
        context.stroke();
      }
    }
    const blob = await new Promise<Blob | null>((resolve) => canvas.toBlob(resolve, 'image/jpeg', QUALITY));
    if (blob) {
      onkeep(blob);
      onclose();
    } else problem = markWords.failed;
  }
</script>

<dialog {@attach (dialog) => dialog.showModal()} {onclose} aria-label={markWords.title}>
  <p>{markWords.lead}</p>
  <div class="picture">
    <img
      src={source}
      alt=""
      crossorigin="use-credentials"
      bind:this={image}
      onload={(event) => {
        const { naturalWidth: width, naturalHeight: height } = event.currentTarget as HTMLImageElement;
        size = { width, height };
      }}
    />
    {#if size.width > 0}
      <svg
        role="application"
        aria-label={markWords.area}
        viewBox="0 0 {size.width} {size.height}"
        onpointerdown={down}
        onpointermove={move}
        onpointerup={() => (drawing = false)}
        onpointercancel={() => (drawing = false)}
      >
        {#each strokes as stroke, i (i)}
          {@const points = stroke.map((p) => p.join(',')).join(' ')}
          <polyline class="under" style:stroke-width={size.width * WIDTH_SHARE * 2.2} {points} />
          <polyline style:stroke-width={size.width * WIDTH_SHARE} {points} />
        {/each}
      </svg>
    {/if}
  </div>
  {#if problem}<p class="problem" role="alert">{problem}</p>{/if}
  <div class="buttons">
    <Button large disabled={strokes.length === 0} onclick={() => strokes.pop()}>{markWords.undo}</Button>
    <Button large onclick={onclose}>{markWords.leave}</Button>
    <Button kind="main" large disabled={strokes.length === 0} onclick={() => void keep()}
      >{markWords.keep}</Button
    >
  </div>
</dialog>

<style>
  dialog {
    display: grid;
    gap: var(--gap-2);
    width: min(60rem, 100vw);
    max-width: none;
    max-height: none;
    height: 100dvh;
    grid-template-rows: auto minmax(0, 1fr) auto auto;
    margin: 0 auto;
    padding: var(--gap-3);
    border: 0;
    background: var(--paper);
    color: var(--ink);
  }
  .picture {
    position: relative;
    display: grid;
    place-items: center;
    min-height: 0;
  }
  img,
  svg {
    grid-area: 1 / 1;
    max-width: 100%;
    max-height: 100%;
  }
  svg {
    width: 100%;
    height: 100%;
    touch-action: none;
    cursor: crosshair;
  }
  polyline {
    fill: none;
    stroke: #c01818;
    stroke-linecap: round;
    stroke-linejoin: round;
  }
  .under {
    stroke: #ffffff;
  }
  .buttons {
    display: flex;
    flex-flow: row wrap;
    justify-content: end;
    gap: var(--gap-3);
  }
</style>
