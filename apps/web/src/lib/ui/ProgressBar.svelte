<script lang="ts">
  let { share, label }: { /** 0 to 1 */ share: number; label: string } = $props();
  const percent = $derived(Math.round(share * 100));
</script>

<span
  class="bar"
  role="progressbar"
  aria-label={label}
  aria-valuenow={percent}
  aria-valuemin="0"
  aria-valuemax="100"
>
  <span class="track"><span class="fill" style="width: {percent}%"></span></span>
  <span class="figure">{percent} %</span>
</span>

<style>
  .bar {
    display: inline-flex;
    align-items: center;
    gap: var(--gap-2);
  }
  .track {
    width: 84px;
    height: 8px;
    background: var(--sand-deep);
  }
  .fill {
    display: block;
    height: 100%;
    background: var(--good);
  }
</style>
