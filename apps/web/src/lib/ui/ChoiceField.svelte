<script module lang="ts">
  export interface ChoiceFieldProps {
    label: string;
    items: readonly { readonly id: string; readonly name: string }[];
    /** Empty stands for none of them. */
    value: string;
    /** What none of them means. */
    empty: string;
    onchoose: (id: string) => void;
  }
</script>

<script lang="ts">
  let { label, items, value, empty, onchoose }: ChoiceFieldProps = $props();
</script>

<label
  >{label}
  <select {value} onchange={(event) => onchoose(event.currentTarget.value)}>
    <option value="">{empty}</option>
    {#each items as item (item.id)}<option value={item.id}>{item.name}</option>{/each}
  </select></label
>

<style>
  label {
    display: grid;
    gap: var(--gap-1);
    font-weight: 500;
  }
  select {
    width: 100%;
    min-width: 11rem;
  }
</style>
