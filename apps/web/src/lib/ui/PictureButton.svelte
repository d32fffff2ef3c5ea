<script module lang="ts">
  export interface PictureButtonProps {
    label: string;
    onpicture: (file: File) => void;
  }
</script>

<script lang="ts">
  import Camera from '@lucide/svelte/icons/camera';

  let { label, onpicture }: PictureButtonProps = $props();

  function chosen(event: Event & { currentTarget: HTMLInputElement }) {
    const field = event.currentTarget;
    const [file] = field.files ?? [];
    if (file) onpicture(file);
    // The same picture can be chosen again.
    field.value = '';
  }
</script>

<label>
  <Camera size={18} aria-hidden="true" />{label}
  <input type="file" accept="image/*" capture="environment" onchange={chosen} />
</label>

<style>
  label {
    position: relative;
    display: inline-flex;
    align-items: center;
    gap: var(--gap-2);
    min-height: var(--touch);
    padding: 0 var(--gap-4);
    border-radius: var(--radius);
    color: var(--rust);
    font-weight: 600;
    cursor: pointer;
  }
  label:hover {
    background: var(--rust-soft);
  }
  label:focus-within {
    outline: 3px solid var(--focus);
    outline-offset: 2px;
  }
  input {
    position: absolute;
    inset: 0;
    width: 100%;
    opacity: 0;
    cursor: pointer;
  }
</style>
