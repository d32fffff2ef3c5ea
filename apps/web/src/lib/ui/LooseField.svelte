<script module lang="ts">
  export interface LooseFieldProps {
    label: string;
    placeholder?: string;
    value: string;
  }
</script>

<script lang="ts">
  let { label, placeholder = '', value = $bindable() }: LooseFieldProps = $props();
</script>

<!-- A figure that is tried out and not stored. -->
<label>
  {label}
  <input class="figure" autocomplete="off" {placeholder} bind:value />
</label>

<style>
  label {
    display: grid;
    align-content: start;
    gap: 2px;
    font-weight: 500;
  }
</style>
